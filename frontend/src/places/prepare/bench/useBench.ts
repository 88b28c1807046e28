import { computed, ref, type Ref } from "vue";
import { roundStepMm, type Units } from "@/ui/measures";
import { useSaid } from "@/ui/settings";
import { useDocument } from "../document/useDocument";
import { usePicture } from "./usePicture";

/** One exercise on the bench: the document with its picture and steps, in the teacher's words. */
export function useBench(
  id: number,
  seen: { withHidden: Readonly<Ref<boolean>>; chosen: Readonly<Ref<string | null>> },
) {
  const kept = useDocument(id);
  const said = useSaid(() => kept.document.value);
  const drawn = usePicture(said, seen);
  const roundMeasures = ref(true);
  const units = computed<Units>(
    () => drawn.picture.value?.units ?? said.value?.wording?.units ?? "cm",
  );
  const step = computed(() => (roundMeasures.value ? roundStepMm(units.value) : 0.1));
  return { ...kept, drawn, roundMeasures, units, step };
}
