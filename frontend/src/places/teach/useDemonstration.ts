import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from "vue";
import { answered, api, Refusal, type Exercise } from "@/api/client";

export type Demo =
  | { kind: "lift"; piece: string; up_mm: number; right_mm: number }
  | { kind: "spread"; factor: number }
  | { kind: "climb"; up_mm: number };

/** A copy of the exercise on which something is shown; the exercise itself is never changed. */
export function useDemonstration(document: Readonly<Ref<Exercise | null>>) {
  const demo = ref<Demo | null>(null);
  const shown = shallowRef<Exercise | null>(null);
  const sentence = ref<string | null>(null);
  const refused = ref<string | null>(null);
  let busy = false;
  let asked: Demo | null = null;
  let gone = false;

  async function ask() {
    if (busy) return;
    busy = true;
    // One question at a time, and the latest next: a slider asks faster than a server answers.
    while (!gone && demo.value && demo.value !== asked && document.value) {
      asked = demo.value;
      try {
        const answer = await answered(
          api.POST("/api/demonstrate", { body: { document: document.value, show: asked } }),
        );
        if (demo.value === null) break;
        shown.value = answer.document;
        sentence.value = answer.sentence;
        refused.value = null;
      } catch (fault) {
        refused.value = fault instanceof Refusal ? fault.message : String(fault);
      }
    }
    busy = false;
  }

  watch(demo, (now) => {
    if (now) return void ask();
    shown.value = null;
    sentence.value = null;
    refused.value = null;
    asked = null;
  });
  onBeforeUnmount(() => (gone = true));
  const on = computed(() => demo.value !== null);
  return { demo, shown, sentence, refused, on };
}
