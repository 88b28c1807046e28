/** Heights of what stands in a room, and the levels that rooms have. */
import type { Exercise } from "@/api/client";

export interface Height {
  mm?: number | null;
  level?: string | null;
  to?: string | null;
}
export type Levels = Record<string, number>;

interface RoomLike {
  id: string;
  kind: string;
  levels?: Levels | null;
}

const MEASURED = "mm";
const FIRST_MM = 50;
const FIRST_LEVEL_MM = 30;

const roomsOf = ({ pieces }: Exercise) =>
  ((pieces ?? []) as unknown as RoomLike[]).filter(({ kind }) => kind === "room");

/** The ways to say how high something is: a measure, the levels of the rooms, and their ceilings. */
export function heightsIn(doc: Exercise): { value: string; label: string }[] {
  const rooms = roomsOf(doc);
  const levels = rooms.flatMap(({ levels }) => Object.keys(levels ?? {}));
  return [
    { value: MEASURED, label: "measured" },
    ...levels.map((name) => ({ value: `level:${name}`, label: `as high as “${name}”` })),
    ...rooms.map(({ id }) => ({ value: `to:${id}/ceiling`, label: `up to the ceiling of ${id}` })),
  ];
}

/** How a height is given now, as one of these ways. */
export function heightWay({ level, to }: Height): string {
  if (level) return `level:${level}`;
  return to ? `to:${to}` : MEASURED;
}

/** A height given in another way; a measure begins with a handy one. */
export function heightOf(way: string, before: Height): Height {
  if (way.startsWith("level:")) return { level: way.slice("level:".length) };
  if (way.startsWith("to:")) return { to: way.slice("to:".length) };
  return { mm: before.mm ?? FIRST_MM };
}

/** One more level, with a name that none has yet. */
export function nextLevel(levels: Levels): Levels {
  let number = 1;
  while (`height ${number}` in levels) number += 1;
  return { ...levels, [`height ${number}`]: FIRST_LEVEL_MM };
}

/** A level under another name, in its place. */
export function renamedLevel(levels: Levels, name: string, wanted: string): Levels {
  return Object.fromEntries(
    Object.entries(levels).map(([own, mm]) => [own === name ? wanted : own, mm]),
  );
}
