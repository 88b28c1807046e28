import { onBeforeUnmount, readonly, ref, shallowRef, watch, type Ref } from "vue";
import {
  answered,
  api,
  Refusal,
  type DemandName,
  type Exercise,
  type PrintOrder,
} from "@/api/client";

export interface PackAsked {
  document: Exercise;
  order: PrintOrder;
  code: { exercise: number; version: number; demand: DemandName } | null;
  pupils: string[];
}

const PAUSE_MS = 150;

/** The PDF of what is asked for; a newer question leaves the older one unanswered. */
export function usePack(asked: Readonly<Ref<PackAsked | null>>) {
  const file = shallowRef<Blob | null>(null);
  const address = ref<string | null>(null);
  const problem = shallowRef<Refusal | null>(null);
  const busy = ref(false);
  let pause = 0;
  let stop = new AbortController();

  async function ask(body: PackAsked) {
    stop.abort();
    const mine = (stop = new AbortController());
    busy.value = true;
    try {
      const made = await answered(
        api.POST("/api/print", { body, parseAs: "blob", signal: mine.signal }),
      );
      file.value = made as unknown as Blob;
      if (address.value) URL.revokeObjectURL(address.value);
      address.value = URL.createObjectURL(file.value);
      problem.value = null;
    } catch (fault) {
      if (mine.signal.aborted) return;
      if (!(fault instanceof Refusal)) throw fault;
      problem.value = fault;
    }
    if (mine === stop) busy.value = false;
  }

  watch(
    asked,
    (now) => {
      window.clearTimeout(pause);
      if (now) pause = window.setTimeout(() => void ask(now), PAUSE_MS);
    },
    { immediate: true, deep: true },
  );
  onBeforeUnmount(() => {
    window.clearTimeout(pause);
    stop.abort();
    if (address.value) URL.revokeObjectURL(address.value);
  });
  return {
    file: file as Readonly<Ref<Blob | null>>,
    address: readonly(address),
    problem: readonly(problem),
    busy: readonly(busy),
  };
}
