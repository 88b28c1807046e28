import { ref, shallowRef, watch, type Ref } from "vue";
import { answered, api, Refusal, type Exercise } from "@/api/client";

/** The same lesson in board measures, when it is wanted. */
export function useBoard(document: Readonly<Ref<Exercise | null>>) {
  const wanted = ref(false);
  const board = shallowRef<{ document: Exercise; notes: string[]; points: string } | null>(null);
  const refused = ref<string | null>(null);

  watch([wanted, document], async ([on, now]) => {
    if (!on || !now) {
      board.value = null;
      return;
    }
    refused.value = null;
    try {
      const made = await answered(api.POST("/api/board", { body: now }));
      if (wanted.value)
        board.value = {
          document: made.document,
          notes: made.step_notes,
          points: made.points_note,
        };
    } catch (fault) {
      refused.value = fault instanceof Refusal ? fault.message : String(fault);
      wanted.value = false;
    }
  });
  return { wanted, board, refused };
}
