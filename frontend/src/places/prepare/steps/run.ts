/** The teacher's changes to the run-through, as parts of the document. */
import type { Exercise, Flow, Step } from "@/api/client";

export interface StepEdit {
  title?: string | null;
  instruction?: string | null;
  check?: string | null;
  note?: string;
  hidden?: boolean;
  with_next?: boolean;
  first_lines?: number | null;
}

export function editOf(doc: Exercise, step: Step): StepEdit {
  return (doc.run?.steps?.[step.key] as StepEdit | undefined) ?? {};
}

/** The document with a change of one step; a change that says nothing is taken out. */
export function withEdit(doc: Exercise, step: Step, change: StepEdit): Exercise {
  const edit = { ...editOf(doc, step), ...change };
  const kept = Object.fromEntries(
    Object.entries(edit).filter(([, value]) => value !== null && value !== "" && value !== false),
  );
  const steps = { ...doc.run?.steps };
  delete steps[step.key];
  if (Object.keys(kept).length) steps[step.key] = kept as (typeof steps)[string];
  return tidied(doc, { order: doc.run?.order ?? [], steps });
}

/** The document with another order of teaching. */
export function withFlow(doc: Exercise, flow: Flow): Exercise {
  const run = { order: doc.run?.order ?? [], steps: doc.run?.steps ?? {} };
  return { ...doc, run: { ...run, flow } };
}

/** The document with a step before the one that it now follows. */
export function withEarlier(doc: Exercise, steps: readonly Step[], step: Step): Exercise {
  const keys = [...new Set(steps.map((one) => one.key))];
  const at = keys.indexOf(step.key);
  if (at < 1) return doc;
  const order = [...keys.slice(0, at - 1), keys[at]!, keys[at - 1]!, ...keys.slice(at + 1)];
  return tidied(doc, { order, steps: doc.run?.steps ?? {} });
}

function tidied(doc: Exercise, run: NonNullable<Exercise["run"]>): Exercise {
  const flow = doc.run?.flow ?? null;
  const empty = !run.order?.length && !Object.keys(run.steps ?? {}).length && !flow;
  return { ...doc, run: empty ? null : { ...run, flow } };
}

/** Words to keep: each measure of the step becomes its number, so that it follows changes. */
export function kept(words: string, said: readonly string[]): string {
  let text = words;
  // Longer ones first: "12.5 cm" holds "2.5 cm".
  const longest = said.map((measure, i) => ({ measure, i })).sort(byLength);
  for (const { measure, i } of longest) text = text.split(measure).join(`{${i + 1}}`);
  return text;
}

const byLength = (a: { measure: string }, b: { measure: string }) =>
  b.measure.length - a.measure.length;
