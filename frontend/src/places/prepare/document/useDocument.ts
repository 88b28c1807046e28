import { watch } from "vue";
import type { Exercise } from "@/api/client";
import { useExercise } from "@/api/queries";
import { withValue } from "./editing";
import { useAutosave } from "./useAutosave";
import { useHistory } from "./useHistory";

/** One exercise to be changed: the document, undo, and saving by itself. */
export function useDocument(id: number) {
  const opened = useExercise(id);
  const history = useHistory<Exercise>();
  const document = history.present;
  const saving = useAutosave(id, document);

  // What another page had asked for may be older than what was saved since: only a fresh answer is
  // edited.
  watch(
    [opened.data, opened.isFetchedAfterMount],
    ([answer, fresh]) => {
      if (!answer || !fresh || document.value) return;
      saving.opened(answer.counter, answer.document);
      history.reset(answer.document);
    },
    { immediate: true },
  );

  /** Set one field; drags of one thing are one change to undo. */
  function set(path: (string | number)[], value: unknown, merge: string | null = null) {
    if (document.value) history.change(withValue(document.value, path, value), merge);
  }

  /** Replace the whole document, as adding and removing pieces do. */
  function replace(next: Exercise, merge: string | null = null) {
    history.change(next, merge);
  }

  return { opened, history, document, saving, set, replace };
}
