/** Words that stand in more than one place of the interface. */

export const PLACES = [
  { path: "/prepare", name: "Prepare" },
  { path: "/teach", name: "Teach" },
  { path: "/mark", name: "Mark" },
  { path: "/register", name: "Register" },
] as const;

export const UNDERSTANDING = [
  { value: "sure", label: "Sure of it", sign: "✓" },
  { value: "nearly", label: "Nearly there", sign: "~" },
  { value: "not yet", label: "Not yet", sign: "○" },
] as const;

export const VERDICTS = {
  on: { word: "on", sign: "✓" },
  near: { word: "near", sign: "~" },
  off: { word: "off", sign: "✕" },
  stray: { word: "stray", sign: "?" },
} as const;

export const POINT_WORDS: Record<number, string> = {
  1: "one point",
  2: "two points",
  3: "three points",
};

export function countOf(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** A day as it is written on the board: "20 November". */
export function dayWords(isoDay: string): string {
  return new Date(`${isoDay}T12:00:00`).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "long",
  });
}
