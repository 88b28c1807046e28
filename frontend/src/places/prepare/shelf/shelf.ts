/** Choosing from the shelf: what is asked for, and which exercises answer. */
import type { ShelfItem } from "@/api/client";

export interface Wanted {
  words: string;
  points: number | null;
  kind: string | null;
  /** The age of the pupils: what is meant for older ones is left out. */
  age: number | null;
  minutes: number | null;
}

export const ANYTHING: Wanted = { words: "", points: null, kind: null, age: null, minutes: null };

export function answers(item: ShelfItem, wanted: Wanted): boolean {
  const { words, points, kind, age, minutes } = wanted;
  return (
    item.title.toLowerCase().includes(words.trim().toLowerCase()) &&
    (points === null || item.points === points) &&
    (kind === null || item.kinds.includes(kind)) &&
    (age === null || item.age === null || item.age <= age) &&
    (minutes === null || (item.minutes !== null && item.minutes <= minutes))
  );
}

/** The document in a file; throws an Error in plain words where there is none. */
export async function documentIn(file: File): Promise<unknown> {
  if (file.size > 4_000_000) throw new Error(`${file.name} is too large for an exercise.`);
  let data: unknown;
  try {
    data = JSON.parse(await file.text());
  } catch {
    throw new Error(`${file.name} is not an exercise: it is no JSON. Choose a file saved here.`);
  }
  if ((data as { format?: unknown } | null)?.format !== "orthopsis-exercise")
    throw new Error(`${file.name} is not an exercise. Choose a file saved here.`);
  return data;
}
