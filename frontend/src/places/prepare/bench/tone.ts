/** The light of a document, as the bench offers it. */
import type { Exercise } from "@/api/client";

type Tone = NonNullable<Exercise["tone"]>;
export type Light = NonNullable<Tone["light"]>;

interface PieceLike {
  id: string;
  kind: string;
  front?: unknown;
  edge?: unknown;
  foot?: unknown;
}

const piecesOf = ({ pieces }: Exercise) => (pieces ?? []) as unknown as PieceLike[];
const NONE = "none";
const LAMP = "lamp:";
const FIRST_SUN_ABOVE_MM = 90;

/** How the light is given now. */
export function lightWay(tone: Tone | null): string {
  const light = tone?.light ?? (tone ? "left" : NONE);
  if (typeof light === "string") return light;
  if (light.kind === "side") return light.from ?? "left";
  return light.kind === "sun" ? "sun" : `${LAMP}${light.piece}`;
}

/** What it may be: none, from a side, a sun, or one of the things as a lamp. */
export function lightsFor(doc: Exercise): { value: string; label: string }[] {
  const blocks = piecesOf(doc).filter(
    ({ kind, front, edge, foot }) => kind !== "panel" && (front || edge || foot),
  );
  return [
    { value: NONE, label: "none" },
    { value: "left", label: "light from the left" },
    { value: "right", label: "light from the right" },
    { value: "sun", label: "a sun on the sheet" },
    ...blocks.map(({ id }) => ({ value: `${LAMP}${id}`, label: `${id} as a lamp` })),
  ];
}

/** A light of that way, a new sun well above the eye level; null for none. */
export function lightFor(way: string, { view }: Exercise): Light | null {
  if (way === NONE) return null;
  if (way === "left" || way === "right") return way;
  if (way.startsWith(LAMP)) return { kind: "lamp", piece: way.slice(LAMP.length) };
  const x_mm = view.kind === "one-point" ? view.vanishing_point_mm + 100 : view.left_vp_mm + 200;
  return { kind: "sun", x_mm, y_mm: view.eye_level_mm - FIRST_SUN_ABOVE_MM };
}

/** The surfaces that receive shadows: the floors of rooms, else the ground. */
export function floorsOf(doc: Exercise): string[] {
  const rooms = piecesOf(doc).filter(({ kind }) => kind === "room");
  return rooms.length ? rooms.map(({ id }) => `${id}/floor`) : ["ground"];
}
