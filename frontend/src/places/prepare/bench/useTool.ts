import { ref, shallowRef, type Ref } from "vue";
import type { OpenFace, RowEnd, XY } from "@/api/client";
import type { usePieces } from "../pieces/usePieces";
import type { Tool } from "./tools";

/** The tool in the hand, and what it does with a place, a face or an end of a row; what it put there
 * is chosen.
 */
export function useTool(
  pieces: ReturnType<typeof usePieces>,
  chosenPiece: Ref<string | null>,
  step: Readonly<Ref<number>>,
) {
  const tool = shallowRef<Tool | null>(null);
  /** The house of a row whose handles are shown. */
  const member = ref("");

  function choosePiece(id: string | null, of = "") {
    chosenPiece.value = id;
    member.value = of;
  }

  async function placePiece(place: XY) {
    if (tool.value?.does !== "place") return;
    const { kind } = tool.value;
    tool.value = null;
    choosePiece(await pieces.put(kind, place, step.value));
  }

  /** The tool stays in the hand: walls and houses come in numbers. */
  async function putPart(face: OpenFace, at: XY | null) {
    if (tool.value?.does !== "part") return;
    const where = { member: face.member, on: face.name, at };
    const done = await pieces.add(face.piece, tool.value.what, where);
    if (done) choosePiece(done, face.member);
  }

  async function growRow(end: RowEnd) {
    if (tool.value?.does === "house") choosePiece(await pieces.house(end, tool.value.what));
  }

  async function renamePiece(id: string, wanted: string) {
    chosenPiece.value = (await pieces.rename(id, wanted)) ?? id;
  }

  return { tool, member, choosePiece, placePiece, putPart, growRow, renamePiece };
}
