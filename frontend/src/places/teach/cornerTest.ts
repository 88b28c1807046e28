import type { CornerTest } from "@/api/client";

export const QUESTION = "Which corner draws a line?";

/** What the class is asked, and how many of the corners are answered already. */
export interface Asked {
  test: CornerTest;
  open: number;
}

/** What is said under the sheet: the question, the last answer, and at the end the count. */
export function saidOf({ test, open }: Asked): string {
  const last = test.corners[open - 1];
  if (!last) return test.question;
  const drawn = test.corners.slice(0, open).filter((one) => one.draws).length;
  const answer = last.draws ? "a line" : "none, the ruler runs through the shape";
  const count = `${drawn} ${drawn === 1 ? "line" : "lines"}`;
  const total = open === test.corners.length ? `${count} in all.` : `${count} so far.`;
  return `Corner ${open}: ${answer}. ${total}`;
}
