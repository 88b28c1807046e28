import { computed, ref, shallowRef, watch, type Ref } from "vue";
import { answered, api, Refusal, type CornerTest, type Exercise } from "@/api/client";
import type { Asked } from "./cornerTest";

/** The corner test at the board: one corner after the other, first asked and then answered. */
export function useCornerTest(document: Readonly<Ref<Exercise | null>>) {
  const on = ref(false);
  const test = shallowRef<CornerTest | null>(null);
  const open = ref(0);
  const refused = ref<string | null>(null);

  async function ask() {
    if (!document.value) return;
    try {
      test.value = await answered(api.POST("/api/corner-test", { body: document.value }));
      refused.value = null;
    } catch (fault) {
      refused.value = fault instanceof Refusal ? fault.message : String(fault);
    }
  }

  watch(on, (now) => {
    open.value = 0;
    test.value = null;
    refused.value = null;
    if (now) void ask();
  });
  const asked = computed<Asked | null>(() =>
    on.value && test.value ? { test: test.value, open: open.value } : null,
  );

  function answerTo(count: number) {
    open.value = Math.min(Math.max(0, count), test.value?.corners.length ?? 0);
  }
  return { on, asked, refused, answerTo };
}
