import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from "vue";
import {
  answered,
  api,
  Refusal,
  type Exercise,
  type Flow,
  type Picture,
  type Step,
} from "@/api/client";

/** After so long without a change, advice and steps are asked for, too. */
const REST_MS = 120;
const RETRY_MS = 3000;

interface Wanted {
  /** Hidden edges are shown while a hand moves. */
  withHidden?: Readonly<Ref<boolean>>;
  /** The piece whose grips follow a moving hand. */
  chosen?: Readonly<Ref<string | null>>;
  /** Only the drawing is ever needed: no facts, no advice, no steps. */
  linesAlone?: boolean;
}

/**
 * The picture and the steps of a document, asked for as it changes. One question is under way at a
 * time and the latest document is asked about next, so a slow server is never flooded and the last
 * answer always belongs to the last change. While a hand is moving only the lines are asked for;
 * facts and advice stay as they were until it rests. A refused document leaves the last good
 * picture.
 */
export function usePicture(
  document: Readonly<Ref<Exercise | null>>,
  { withHidden = ref(false), chosen = ref(null), linesAlone = false }: Wanted = {},
) {
  const picture = shallowRef<FullPicture | null>(null);
  const steps = shallowRef<Step[]>([]);
  const flow = shallowRef<Flow | null>(null);
  const pictureProblem = shallowRef<Refusal | null>(null);
  const stepsProblem = shallowRef<Refusal | null>(null);
  let busy = false;
  let asked: Exercise | null = null;
  let gone = false;
  let rest = 0;

  async function ask() {
    if (busy || gone || !document.value || document.value === asked) return;
    busy = true;
    let coming = question(document.value, linesAlone || picture.value !== null);
    for (;;) {
      const come = await coming;
      const next = gone || document.value === asked ? null : document.value;
      // The next question is on its way while this answer is drawn.
      if (next) coming = question(next, linesAlone || picture.value !== null);
      take(come);
      if (!next) break;
    }
    busy = false;
    window.clearTimeout(rest);
    if (gone || linesAlone) return;
    const first = steps.value.length === 0 && stepsProblem.value === null;
    rest = window.setTimeout(() => void askAll(), first ? 0 : REST_MS);
  }

  async function askAll() {
    if (busy || gone || !asked) return;
    busy = true;
    const body = asked;
    if (picture.value?.of !== body) take(await question(body, false));
    if (document.value === body) await askSteps(body);
    busy = false;
    if (document.value !== body) return void ask();
    if (!gone && (pictureProblem.value?.unreachable || stepsProblem.value?.unreachable))
      rest = window.setTimeout(() => void askAll(), RETRY_MS);
  }

  /** An answer or a refusal, with the document that was asked about. */
  async function question(body: Exercise, linesOnly: boolean): Promise<Come> {
    asked = body;
    const query = {
      lines_only: linesOnly,
      hidden: !linesOnly || withHidden.value,
      chosen: chosen.value ?? undefined,
    };
    try {
      const answer = await answered(api.POST("/api/picture", { body, params: { query } }));
      return { answer, of: linesOnly ? null : body };
    } catch (fault) {
      return { refusal: asRefusal(fault) };
    }
  }

  function take(come: Come) {
    if ("refusal" in come) {
      pictureProblem.value = come.refusal;
      return;
    }
    const before = picture.value;
    picture.value = {
      ...come.answer,
      facts: come.answer.facts ?? before?.facts ?? null,
      advice: come.answer.advice ?? before?.advice ?? null,
      faces: come.answer.faces ?? before?.faces ?? null,
      row_ends: come.answer.row_ends ?? before?.row_ends ?? null,
      of: come.of,
    };
    pictureProblem.value = null;
  }

  async function askSteps(body: Exercise) {
    try {
      const answer = await answered(api.POST("/api/steps", { body }));
      steps.value = answer.steps;
      flow.value = answer.flow;
      stepsProblem.value = null;
    } catch (fault) {
      stepsProblem.value = asRefusal(fault);
      if (!stepsProblem.value.unreachable) steps.value = [];
    }
  }

  watch(document, () => void ask(), { immediate: true });
  onBeforeUnmount(() => {
    gone = true;
    window.clearTimeout(rest);
  });

  // Not through readonly(): it would wrap each of some thousand numbers at every look.
  return {
    picture: picture as Readonly<Ref<Picture | null>>,
    steps: steps as Readonly<Ref<Step[]>>,
    flow: flow as Readonly<Ref<Flow | null>>,
    pictureProblem: pictureProblem as Readonly<Ref<Refusal | null>>,
    stepsProblem: stepsProblem as Readonly<Ref<Refusal | null>>,
  };
}

/** A picture with the document that its advice belongs to; none while a hand moves. */
type FullPicture = Picture & { of: Exercise | null };
type Come = { answer: Picture; of: Exercise | null } | { refusal: Refusal };

function asRefusal(fault: unknown): Refusal {
  if (fault instanceof Refusal) return fault;
  throw fault;
}
