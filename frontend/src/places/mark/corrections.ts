import type { Corrections, LineChange, XY } from "@/api/client";

/** A teacher's changes to the judge's reading, each as a new value. */

/** Nothing corrected: all as the judge found it. */
export const NOTHING: Corrections = { lines: {}, added: [], anyway: false };

const NONE: LineChange = { dismissed: false, meant: false };

export function changeOf(corrections: Corrections, number: number): LineChange {
  return corrections.lines?.[String(number)] ?? NONE;
}

/** The corrections with one line changed; a line as it was found is left out. */
export function withChange(
  corrections: Corrections,
  number: number,
  change: Partial<LineChange>,
): Corrections {
  const lines = { ...corrections.lines };
  const next = { ...changeOf(corrections, number), ...change };
  const plain = !next.dismissed && !next.meant && !next.family && !next.moved;
  if (plain) delete lines[String(number)];
  else lines[String(number)] = next;
  return { ...corrections, lines };
}

export function withLine(corrections: Corrections, from: XY, to: XY): Corrections {
  return { ...corrections, added: [...(corrections.added ?? []), [from, to]] };
}

/** How much of the judge's reading was changed: lines changed and added. */
export function changedLines(corrections: Corrections): number {
  return Object.keys(corrections.lines ?? {}).length + (corrections.added?.length ?? 0);
}
