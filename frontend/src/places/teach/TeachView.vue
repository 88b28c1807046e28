<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, onBeforeUnmount, onMounted } from "vue";
import { useRouter } from "vue-router";
import { useExercise } from "@/api/queries";
import DeskSheet from "@/desk/DeskSheet.vue";
import DrawnLines from "@/desk/DrawnLines.vue";
import OnwardLines from "@/desk/OnwardLines.vue";
import { finishedLines, linesAfter, marksAt } from "@/desk/lines";
import TonedPlanes from "@/desk/TonedPlanes.vue";
import TriedLines from "@/desk/TriedLines.vue";
import { usePicture } from "@/places/prepare/usePicture";
import StateNote from "@/ui/StateNote.vue";
import SwingingRuler from "./SwingingRuler.vue";
import { clockWords, useLesson } from "./useLesson";

const props = defineProps<{ id: number }>();
const router = useRouter();
const opened = useExercise(props.id);
const doc = computed(() => opened.data.value?.document ?? null);
const { picture, steps, pictureProblem, stepsProblem } = usePicture(doc);
const lesson = useLesson(steps);
const { step, number, drawn, finished } = lesson;

const fault = computed(() => opened.error.value ?? pictureProblem.value ?? stepsProblem.value);
const sheet = computed(() => picture.value?.drawing.sheet);
const points = computed(() => {
  const placed = new Set(
    steps.value.slice(0, number.value).flatMap((one) => one.marks.map((mark) => mark.name)),
  );
  return (picture.value?.drawing.vanishing_points ?? [])
    .filter((vp) => finished.value || placed.has(vp.name))
    .map((vp) => ({ name: vp.name, x_mm: vp.x_mm ?? 0, y_mm: vp.y_mm ?? 0 }));
});
const lines = computed(() => {
  if (finished.value) return finishedLines(picture.value?.drawing.strokes ?? [], false);
  const all = linesAfter(steps.value, number.value);
  const before = all.length - (step.value?.strokes.length ?? 0);
  return all.slice(0, before + drawn.value);
});
const underRuler = computed(() => {
  const stroke = step.value?.strokes[Math.max(0, drawn.value - 1)];
  // A curve is drawn by hand, without the ruler.
  return typeof stroke?.curve === "number" ? undefined : stroke;
});
const marks = computed(() => marksAt(steps.value, number.value));

function onKey(event: KeyboardEvent) {
  const run: Record<string, () => void> = {
    ArrowRight: () => lesson.go(number.value + 1),
    PageDown: () => lesson.go(number.value + 1),
    ArrowLeft: () => lesson.go(number.value - 1),
    PageUp: () => lesson.go(number.value - 1),
    Home: () => lesson.go(1),
    End: () => lesson.go(steps.value.length + 1),
    " ": lesson.togglePlay,
    Escape: () => router.push("/teach"),
  };
  const action = run[event.key];
  const onButton = (event.target as HTMLElement).closest("button, a") !== null;
  if (!action || (event.key === " " && onButton)) return;
  event.preventDefault();
  action();
}
onMounted(() => window.addEventListener("keydown", onKey));
onBeforeUnmount(() => window.removeEventListener("keydown", onKey));
</script>

<template>
  <state-note
    v-if="fault || !sheet || !picture"
    class="waiting"
    :loading="!fault"
    :error="fault"
    @retry="opened.refetch()"
  />
  <div v-else class="teach">
    <div class="sheet">
      <desk-sheet
        plain
        fit="points"
        :width="sheet.width_mm"
        :height="sheet.height_mm"
        :eye-level="picture.drawing.eye_level_mm"
        :points="points"
        :units="picture.units"
        :label="`${doc?.title}, step ${number}`"
      >
        <template #default="{ mmPerPx }">
          <toned-planes v-if="finished" :planes="picture.planes" />
          <onward-lines :lines="lines" :points="points" :mm-per-px="mmPerPx" />
          <drawn-lines :lines="lines" :mm-per-px="mmPerPx * 1.5" />
          <tried-lines v-if="step" :tried="step.tried" :mm-per-px="mmPerPx * 1.5" />
          <g v-if="!finished" pointer-events="none">
            <g v-for="mark in marks" :key="mark.name">
              <circle :cx="mark.at[0]" :cy="mark.at[1]" :r="4 * mmPerPx" fill="#23272e" />
              <text
                :x="mark.at[0] + 8 * mmPerPx"
                :y="mark.at[1] - 8 * mmPerPx"
                :font-size="26 * mmPerPx"
                font-weight="700"
                fill="#23272e"
              >
                {{ mark.name }}
              </text>
            </g>
          </g>
          <swinging-ruler
            v-if="underRuler && !finished"
            :stroke="underRuler"
            :mm-per-px="mmPerPx"
          />
        </template>
      </desk-sheet>
    </div>
    <section class="words" aria-live="polite">
      <template v-if="step">
        <p class="place">Step {{ number }} of {{ steps.length }}</p>
        <h1>{{ step.title }}</h1>
        <p class="say">{{ step.instruction }}</p>
        <p class="check">Check: {{ step.check }}</p>
      </template>
      <template v-else>
        <h1>The finished drawing</h1>
        <p class="say">Extend two lines of each family: they lead to the same point.</p>
      </template>
    </section>
    <footer>
      <n-button :disabled="number <= 1" @click="lesson.go(number - 1)">Back</n-button>
      <n-button type="primary" :disabled="finished" @click="lesson.go(number + 1)">Next</n-button>
      <n-button @click="lesson.togglePlay">{{ lesson.playing.value ? "Hold" : "Play" }}</n-button>
      <progress :value="number" :max="steps.length + 1" aria-label="How far the lesson is" />
      <span v-if="step" class="clock measure">
        this step {{ clockWords(lesson.secondsInStep.value) }} of {{ step.minutes }} min ·
        {{ Math.round(lesson.minutesLeft.value) }} min left
      </span>
      <router-link to="/teach">Leave</router-link>
    </footer>
  </div>
</template>

<style scoped>
.waiting {
  margin: 32px;
}
.teach {
  display: grid;
  grid-template: "sheet words" 1fr "foot foot" auto / minmax(0, 1fr) minmax(320px, 32%);
  height: 100%;
}
.sheet {
  grid-area: sheet;
  min-height: 0;
}
.words {
  grid-area: words;
  display: grid;
  gap: 20px;
  align-content: center;
  padding: 16px 32px 16px 8px;
  font-size: 28px;
  line-height: 1.32;
  overflow-y: auto;
}
.place {
  color: var(--quiet);
}
h1 {
  font-size: 38px;
}
.check {
  padding-left: 16px;
  border-left: 4px solid var(--line);
  color: var(--quiet);
}
footer {
  grid-area: foot;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 12px 24px;
  border-top: 1px solid var(--line);
}
progress {
  flex: 1;
  height: 8px;
  accent-color: var(--action);
}
.clock {
  font-size: 18px;
}
@media (max-aspect-ratio: 1/1) {
  .teach {
    grid-template: "sheet" 1fr "words" auto "foot" auto / minmax(0, 1fr);
  }
  .words {
    padding: 16px 24px;
  }
}
</style>
