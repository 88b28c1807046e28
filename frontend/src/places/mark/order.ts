import type { PupilSheet } from "@/api/client";

/** In which order a stack lies, and which of its sheets stand aside. */

export type StackOrder = "unmarked" | "doubt" | "came";
export const ORDERS: { value: StackOrder; label: string }[] = [
  { value: "unmarked", label: "to be marked first" },
  { value: "doubt", label: "doubtful first" },
  { value: "came", label: "as handed in" },
];

/** A sheet that cannot be marked as it is: nothing of it was held against the exercise. */
export const isAside = (sheet: PupilSheet) =>
  sheet.state === "failed" || sheet.verdict?.unjudged === true;

const RANKS: Record<StackOrder, (sheet: PupilSheet) => number> = {
  unmarked: (sheet) => (sheet.mark ? 1 : 0),
  doubt: (sheet) => sheet.sure,
  came: () => 0,
};

/** The sheets that can be marked, in their order, and those that stand aside. */
export function inOrder(sheets: readonly PupilSheet[], order: StackOrder) {
  const rank = RANKS[order];
  const toMark = sheets.filter((sheet) => !isAside(sheet));
  return {
    toMark: [...toMark].sort((a, b) => rank(a) - rank(b)),
    aside: sheets.filter(isAside),
  };
}

/** The next sheet to be marked after one, from the top again at the end; null when all are. */
export function nextUnmarked(all: readonly PupilSheet[], after: number): PupilSheet | null {
  const at = all.findIndex((sheet) => sheet.id === after);
  const around = [...all.slice(at + 1), ...all.slice(0, Math.max(at, 0))];
  return around.find((sheet) => !sheet.mark && !isAside(sheet)) ?? null;
}

const CLEAR = 0.9;
const FAIR = 0.6;

/** How sure the judge is, in words; nothing where there is nothing to look at. */
export function sureWords(sheet: PupilSheet): string {
  if (!sheet.verdict || isAside(sheet) || sheet.sure >= CLEAR) return "";
  return sheet.sure >= FAIR ? "look once more" : "look closely";
}
