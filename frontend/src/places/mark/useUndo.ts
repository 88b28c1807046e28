import { computed, ref } from "vue";

interface Done {
  /** What was done, as it is named beside "Undo". */
  words: string;
  undo: () => Promise<unknown>;
}

const MOST = 50;

/** What was done on a page and can be taken back, the latest first. */
export function useUndo() {
  const done = ref<Done[]>([]);
  const busy = ref(false);
  const latest = computed(() => done.value.at(-1)?.words ?? "");

  function did(words: string, undo: Done["undo"]) {
    done.value = [...done.value, { words, undo }].slice(-MOST);
  }

  /** Takes the latest back; what cannot be taken back stays where it is. */
  async function undo() {
    const last = done.value.at(-1);
    if (!last || busy.value) return;
    busy.value = true;
    try {
      await last.undo();
      done.value = done.value.filter((one) => one !== last);
    } catch {
      // The mutation tells why.
    } finally {
      busy.value = false;
    }
  }

  return { latest, busy, did, undo };
}
