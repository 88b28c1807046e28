import { computed, ref, watch } from "vue";
import type { Exercise } from "@/api/client";
import { useExercise } from "@/api/queries";
import { roundStepMm, type Units } from "@/ui/measures";
import { withValue } from "./editing";
import { useAutosave } from "./useAutosave";
import { useHistory } from "./useHistory";
import { usePicture } from "./usePicture";

/** One exercise on the bench: the document, its picture and steps, undo, and saving by itself. */
export function useBench(id: number) {
  const opened = useExercise(id);
  const history = useHistory<Exercise>();
  const document = history.present;
  const drawn = usePicture(document);
  const saving = useAutosave(id, document);
  const roundMeasures = ref(true);

  watch(
    opened.data,
    (answer) => {
      if (!answer || document.value) return;
      saving.opened(answer.counter, answer.document);
      history.reset(answer.document);
    },
    { immediate: true },
  );

  const units = computed<Units>(
    () => drawn.picture.value?.units ?? document.value?.wording?.units ?? "cm",
  );
  const step = computed(() => (roundMeasures.value ? roundStepMm(units.value) : 0.1));

  /** Set one field; drags of one thing are one change to undo. */
  function set(path: (string | number)[], value: unknown, merge: string | null = null) {
    if (document.value) history.change(withValue(document.value, path, value), merge);
  }

  /** Replace the whole document, as adding and removing pieces do. */
  function replace(next: Exercise, merge: string | null = null) {
    history.change(next, merge);
  }

  return { opened, history, document, drawn, saving, roundMeasures, units, step, set, replace };
}

export type Bench = ReturnType<typeof useBench>;
