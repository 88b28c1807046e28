import { computed, onBeforeUnmount, readonly, ref, watch, type Ref } from "vue";
import type { Step } from "@/api/client";

const STROKE_MS = 600;
const REST_MS = 3500;
/** A curve is drawn by a steady hand: so many chords at a time. */
const CHORDS = 4;
const CHORDS_MS = 40;

/** What is shown of the drawing: the lesson's moment, the end, or the light lines alone. */
export type Look = "moment" | "finished" | "guides";

/** Where the lesson is: the step, the line being drawn in it, and the clocks. */
export function useLesson(steps: Readonly<Ref<Step[]>>) {
  const number = ref(1);
  /** How many of this step's lines are drawn. */
  const drawn = ref(0);
  const playing = ref(false);
  const look = ref<Look>("moment");
  const secondsInStep = ref(0);
  const secondsInLesson = ref(0);
  const said = computed(() => steps.value.filter((one) => !one.hidden).map((one) => one.number));
  const step = computed(() => steps.value[number.value - 1]);
  const finished = computed(() => steps.value.length > 0 && number.value > steps.value.length);
  /** How many of the steps that are said come up to this one. */
  const place = computed(() => said.value.filter((one) => one <= number.value).length);
  const minutesLeft = computed(() =>
    steps.value.slice(number.value - 1).reduce((sum, one) => sum + one.minutes, 0),
  );
  const calm = matchMedia("(prefers-reduced-motion: reduce)").matches;
  let timer = 0;
  const clock = window.setInterval(() => {
    secondsInStep.value += 1;
    secondsInLesson.value += 1;
  }, 1000);

  function next() {
    window.clearTimeout(timer);
    const strokes = step.value?.strokes ?? [];
    if (drawn.value < strokes.length) {
      const byHand = strokes[drawn.value]?.curve ?? null;
      drawn.value = calm ? strokes.length : drawnNext(strokes, drawn.value);
      timer = window.setTimeout(next, byHand === null ? STROKE_MS : CHORDS_MS);
    } else if (playing.value && !finished.value) {
      timer = window.setTimeout(() => by(1), REST_MS);
    }
  }

  function go(to: number) {
    window.clearTimeout(timer);
    number.value = Math.min(Math.max(1, to), steps.value.length + 1);
    drawn.value = 0;
    secondsInStep.value = 0;
    look.value = "moment";
    if (finished.value) playing.value = false;
    timer = window.setTimeout(next, STROKE_MS / 2);
  }

  /** Forward or back by so many of the steps that are said. */
  function by(count: number) {
    const stops = [...said.value, steps.value.length + 1];
    const here = stops.findIndex((one) => one >= number.value);
    go(stops[Math.min(Math.max(0, here + count), stops.length - 1)] ?? 1);
  }

  function togglePlay() {
    playing.value = !playing.value;
    if (playing.value && finished.value) go(said.value[0] ?? 1);
    else next();
  }

  function toggleLook(wanted: Look) {
    look.value = look.value === wanted ? "moment" : wanted;
  }

  watch(
    steps,
    (now) => {
      if (!now.length) return;
      const first = said.value[0] ?? 1;
      go(Math.max(number.value, first));
    },
    { immediate: true },
  );
  onBeforeUnmount(() => {
    window.clearTimeout(timer);
    window.clearInterval(clock);
  });

  return {
    number: readonly(number),
    drawn: readonly(drawn),
    playing: readonly(playing),
    look: readonly(look),
    secondsInStep: readonly(secondsInStep),
    secondsInLesson: readonly(secondsInLesson),
    said,
    place,
    step,
    finished,
    minutesLeft,
    go,
    by,
    togglePlay,
    toggleLook,
  };
}

/** How many lines are drawn next: one more by ruler, a few more chords of a curve by hand. */
export function drawnNext(strokes: Step["strokes"], drawn: number): number {
  const curve = strokes[drawn]?.curve ?? null;
  let next = drawn + 1;
  if (curve === null) return next;
  while (next < drawn + CHORDS && strokes[next]?.curve === curve) next += 1;
  return next;
}

/** "2:05" */
export function clockWords(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}
