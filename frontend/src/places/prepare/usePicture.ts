import { onBeforeUnmount, readonly, ref, shallowRef, watch, type Ref } from "vue";
import { answered, api, Refusal, type Exercise, type Picture, type Step } from "@/api/client";

/**
 * The picture and the steps of a document, asked for as it changes. One question is under way at a
 * time and the latest document is asked about next, so a slow server is never flooded and the last
 * answer always belongs to the last change. A refused document leaves the last good picture.
 */
export function usePicture(document: Readonly<Ref<Exercise | null>>) {
  const picture = shallowRef<Picture | null>(null);
  const steps = shallowRef<Step[]>([]);
  const pictureProblem = shallowRef<Refusal | null>(null);
  const stepsProblem = shallowRef<Refusal | null>(null);
  const busy = ref(false);
  let asked: Exercise | null = null;
  let gone = false;
  let pause = 0;

  async function ask() {
    if (busy.value) return;
    busy.value = true;
    while (!gone && document.value && document.value !== asked) {
      asked = document.value;
      await askPicture(asked);
      if (document.value !== asked) continue;
      await askSteps(asked);
    }
    busy.value = false;
    const unreachable = pictureProblem.value?.unreachable || stepsProblem.value?.unreachable;
    if (!gone && unreachable) {
      pause = window.setTimeout(() => {
        asked = null;
        void ask();
      }, 3000);
    }
  }

  async function askPicture(body: Exercise) {
    try {
      picture.value = await answered(api.POST("/api/picture", { body }));
      pictureProblem.value = null;
    } catch (fault) {
      pictureProblem.value = asRefusal(fault);
    }
  }

  async function askSteps(body: Exercise) {
    try {
      steps.value = (await answered(api.POST("/api/steps", { body }))).steps;
      stepsProblem.value = null;
    } catch (fault) {
      stepsProblem.value = asRefusal(fault);
      if (!stepsProblem.value.unreachable) steps.value = [];
    }
  }

  watch(document, () => void ask(), { immediate: true });
  onBeforeUnmount(() => {
    gone = true;
    window.clearTimeout(pause);
  });

  return {
    picture: readonly(picture) as Readonly<Ref<Picture | null>>,
    steps: readonly(steps) as Readonly<Ref<Step[]>>,
    pictureProblem: readonly(pictureProblem),
    stepsProblem: readonly(stepsProblem),
  };
}

function asRefusal(fault: unknown): Refusal {
  if (fault instanceof Refusal) return fault;
  throw fault;
}
