/** The light of a document, as the bench offers it. */
import type { Exercise } from "@/api/client";

type Tone = NonNullable<Exercise["tone"]>;
export type Light = NonNullable<Tone["light"]>;

interface PieceLike {
  id: string;
  kind: string;
  on?: string | null;
  front?: unknown;
  edge?: unknown;
  foot?: unknown;
}

const piecesOf = ({ pieces }: Exercise) => (pieces ?? []) as unknown as PieceLike[];
const NONE = "none";
const LAMP = "lamp:";
const SUN = "sun";
const SUN_BEHIND = "sun behind";
/** A new sun stands well above the eye level, or below it when it is behind us. */
const FIRST_SUN_OFF_MM = 150;
const FIRST_SUN_BEHIND_MM = 120;
const IN_SIGHT_MM = 10;

/** How the light is given now. */
export function lightWay({ tone, view }: Exercise): string {
  const light = tone?.light ?? (tone ? "left" : NONE);
  if (typeof light === "string") return light;
  if (light.kind === "side") return light.from ?? "left";
  if (light.kind === "lamp") return `${LAMP}${light.piece}`;
  return light.y_mm > view.eye_level_mm ? SUN_BEHIND : SUN;
}

/** The sun of a document that has one. */
export function sunOf({ tone }: Exercise) {
  const light = tone?.light;
  return typeof light === "object" && light.kind === "sun" ? light : null;
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
    { value: SUN, label: "a sun before us" },
    { value: SUN_BEHIND, label: "a sun behind us" },
    ...blocks.map(({ id }) => ({
      value: `${LAMP}${id}`,
      label: id.startsWith("lamp") ? id : `${id} as a lamp`,
    })),
  ];
}

/** A light of that way, a new sun well above the eye level; null for none. */
export function lightFor(way: string, { view }: Exercise): Light | null {
  if (way === NONE) return null;
  if (way === "left" || way === "right") return way;
  if (way.startsWith(LAMP)) return { kind: "lamp", piece: way.slice(LAMP.length) };
  const eye = view.eye_level_mm;
  const first = view.kind === "one-point" ? view.vanishing_point_mm : view.left_vp_mm;
  if (way === SUN) {
    const x_mm = first + (view.kind === "one-point" ? 100 : 200);
    return { kind: "sun", x_mm, y_mm: Math.max(IN_SIGHT_MM, eye - FIRST_SUN_OFF_MM) };
  }
  // Aside, so that shadows come out from behind what casts them.
  const x_mm = first - (view.kind === "one-point" ? 200 : 40);
  return { kind: "sun", x_mm, y_mm: eye + FIRST_SUN_BEHIND_MM };
}

/** The surfaces that receive shadows: floors and walls of rooms, else the ground; and the tops on
 * which things stand.
 */
export function surfacesOf(doc: Exercise): string[] {
  const rooms = piecesOf(doc).filter(({ kind }) => kind === "room");
  const walls = doc.view.kind === "one-point" ? ["back", "left", "right"] : ["left", "right"];
  const found = rooms.flatMap(({ id }) => ["floor", ...walls].map((name) => `${id}/${name}`));
  const tops = piecesOf(doc).flatMap(({ on }) => (on?.endsWith("/top") ? [on] : []));
  return [...(rooms.length ? found : ["ground"]), ...new Set(tops)];
}
