import { shallowRef, watch, type Ref } from "vue";
import { answered, api, Refusal, type Exercise, type RowEnd, type XY } from "@/api/client";
import type { components } from "@/api/schema";

type Edited = { document: Exercise; piece: string };
type House = components["schemas"]["HouseIn"]["what"];

/** In which member of a piece, on which face, and where on the sheet. */
export interface Where {
  member?: string;
  on?: string;
  at?: XY | null;
}

/** Changes of pieces that need the rules of perspective: the core makes them, the bench shows them. */
export function usePieces(
  document: Readonly<Ref<Exercise | null>>,
  replace: (next: Exercise) => void,
) {
  const problem = shallowRef<Refusal | null>(null);
  watch(document, () => (problem.value = null));

  /** The piece that was changed; null where the change was refused. */
  async function edited(ask: (doc: Exercise) => Promise<Edited>): Promise<string | null> {
    for (;;) {
      const before = document.value;
      if (!before) return null;
      try {
        const answer = await ask(before);
        // What a hand changed meanwhile is not lost: the change is asked for again.
        if (document.value !== before) continue;
        replace(answer.document);
        return answer.piece;
      } catch (fault) {
        if (!(fault instanceof Refusal)) throw fault;
        problem.value = fault;
        return null;
      }
    }
  }

  const put = (kind: string, at: XY, step_mm: number) =>
    edited((document) =>
      answered(api.POST("/api/pieces", { body: { document, kind, at, step_mm } })),
    );
  const rename = (old: string, wanted: string) =>
    edited((document) =>
      answered(api.POST("/api/pieces/name", { body: { document, old, new: wanted } })),
    );
  const choose = (piece: string, field: string, value: string | boolean | null) =>
    edited((document) =>
      answered(api.POST("/api/pieces/field", { body: { document, piece, field, value } })),
    );
  const add = (piece: string, what: string, { member = "", on = "", at = null }: Where = {}) =>
    edited((document) =>
      answered(api.POST("/api/pieces/part", { body: { document, piece, what, member, on, at } })),
    );
  const house = ({ piece, side }: RowEnd, what: string) =>
    edited((document) =>
      answered(
        api.POST("/api/pieces/house", { body: { document, piece, side, what: what as House } }),
      ),
    );
  return { problem, put, rename, choose, add, house };
}
