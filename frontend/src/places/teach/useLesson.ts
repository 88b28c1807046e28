import { computed, onBeforeUnmount, readonly, ref, watch, type Ref } from "vue";
import type { Step } from "@/api/client";

const STROKE_MS = 600;
const REST_MS = 3500;

/** Where the lesson is: the step, the line being drawn in it, and the clock. */
export function useLesson(steps: Readonly<Ref<Step[]>>) {
  const number = ref(1);
  /** How many of this step's lines are drawn. */
  const drawn = ref(0);
  const playing = ref(false);
  const secondsInStep = ref(0);
  const step = computed(() => steps.value[number.value - 1]);
  const finished = computed(() => steps.value.length > 0 && number.value > steps.value.length);
  const minutesLeft = computed(() =>
    steps.value.slice(number.value - 1).reduce((sum, one) => sum + one.minutes, 0),
  );
  const calm = matchMedia("(prefers-reduced-motion: reduce)").matches;
  let timer = 0;
  const clock = window.setInterval(() => (secondsInStep.value += 1), 1000);

  function next() {
    window.clearTimeout(timer);
    const count = step.value?.strokes.length ?? 0;
    if (drawn.value < count) {
      drawn.value = calm ? count : drawn.value + 1;
      timer = window.setTimeout(next, STROKE_MS);
    } else if (playing.value && !finished.value) {
      timer = window.setTimeout(() => go(number.value + 1), REST_MS);
    }
  }

  function go(to: number) {
    window.clearTimeout(timer);
    number.value = Math.min(Math.max(1, to), steps.value.length + 1);
    drawn.value = 0;
    secondsInStep.value = 0;
    if (finished.value) playing.value = false;
    timer = window.setTimeout(next, STROKE_MS / 2);
  }

  function togglePlay() {
    playing.value = !playing.value;
    if (playing.value && finished.value) go(1);
    else next();
  }

  watch(
    steps,
    (now) => {
      if (now.length) go(number.value);
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
    secondsInStep: readonly(secondsInStep),
    step,
    finished,
    minutesLeft,
    go,
    togglePlay,
  };
}

/** "2:05" */
export function clockWords(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}
