<script setup lang="ts">
import { computed } from "vue";
import type { Picture, Step } from "@/api/client";
import CrowdedPlace from "@/desk/CrowdedPlace.vue";
import DeskSheet from "@/desk/DeskSheet.vue";
import DrawnLines from "@/desk/DrawnLines.vue";
import EyeLevelLines from "@/desk/EyeLevelLines.vue";
import {
  finishedLines,
  guideLines,
  helpingPoints,
  linesAfter,
  marksAt,
  placedPoints,
  roofPoints,
} from "@/desk/lines";
import OnwardLines from "@/desk/OnwardLines.vue";
import StepMarks from "@/desk/StepMarks.vue";
import SwingingRuler from "@/desk/SwingingRuler.vue";
import TonedPlanes from "@/desk/TonedPlanes.vue";
import TriedLines from "@/desk/TriedLines.vue";
import type { Look } from "./useLesson";

/** The sheet at a moment of the lesson, large, with the ruler at its next line. */
const props = defineProps<{
  picture: Picture;
  steps: readonly Step[];
  number: number;
  drawn: number;
  look: Look;
  label: string;
}>();

const sheet = computed(() => props.picture.drawing.sheet);
const step = computed(() => props.steps[props.number - 1]);
const whole = computed(() => props.look === "finished" || props.number > props.steps.length);
const moment = computed(() => !whole.value && props.look === "moment");
const points = computed(() => {
  const placed = new Set(
    props.steps.slice(0, props.number).flatMap((one) => one.marks.map((mark) => mark.name)),
  );
  const shown = placedPoints(props.picture.drawing.vanishing_points).filter(
    (vp) => whole.value || props.look === "guides" || placed.has(vp.name),
  );
  return moment.value ? [...shown, ...helpingPoints(props.steps, props.number)] : shown;
});
const lines = computed(() => {
  if (whole.value) return finishedLines(props.picture.drawing.strokes, false);
  if (props.look === "guides") return guideLines(props.steps);
  const all = linesAfter(props.steps, props.number);
  const before = all.length - (step.value?.strokes.length ?? 0);
  return all.slice(0, before + props.drawn);
});
const goals = computed(() => [
  ...points.value,
  ...roofPoints(props.picture.drawing.vanishing_points),
]);
const underRuler = computed(() => {
  if (!moment.value) return undefined;
  const stroke = step.value?.strokes[Math.max(0, props.drawn - 1)];
  // A curve is drawn by hand, without the ruler.
  return typeof stroke?.curve === "number" ? undefined : stroke;
});
const marks = computed(() =>
  moment.value ? marksAt(props.steps, props.number, points.value) : [],
);
</script>

<template>
  <div class="around">
    <desk-sheet
      plain
      fit="points"
      :width="sheet.width_mm"
      :height="sheet.height_mm"
      :eye-level="picture.drawing.eye_level_mm"
      :points="points"
      :units="picture.units"
      :taped="moment ? step?.beyond : null"
      :label="label"
    >
      <template #default="{ mmPerPx }">
        <toned-planes v-if="whole" :planes="picture.planes" />
        <eye-level-lines v-if="whole" :lines="picture.eye_level" :width="1.5 * mmPerPx" />
        <onward-lines :lines="lines" :points="goals" :mm-per-px="mmPerPx" />
        <drawn-lines :lines="lines" :mm-per-px="mmPerPx * 1.5" />
        <tried-lines v-if="moment && step" :tried="step.tried" :mm-per-px="mmPerPx * 1.5" />
        <step-marks :marks="marks" :mm-per-px="mmPerPx" :apart="step" large />
        <swinging-ruler v-if="underRuler" :stroke="underRuler" :mm-per-px="mmPerPx" />
      </template>
    </desk-sheet>
    <crowded-place v-if="moment && step?.crowd" :step="step" :lines="lines" :marks="marks" />
  </div>
</template>

<style scoped>
.around {
  position: relative;
  height: 100%;
  min-height: 0;
}
</style>
