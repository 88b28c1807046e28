<script setup lang="ts">
import { computed } from "vue";
import type { Step } from "@/api/client";
import DrawnLines from "./DrawnLines.vue";
import { inCrowd, type DeskLine } from "./lines";
import StepMarks from "./StepMarks.vue";

/** A window on the place where a step's marks lie too close to be told apart, enlarged. */
const props = defineProps<{
  step: Step;
  lines: DeskLine[];
  marks: Step["marks"];
}>();

/** The window's longer side on the screen. */
const SIDE_PX = 220;
const AROUND_MM = 6;

const box = computed(() => {
  const [left, top, right, bottom] = props.step.crowd!;
  const side = Math.max(right - left, bottom - top) + 2 * AROUND_MM;
  return { left: (left + right - side) / 2, top: (top + bottom - side) / 2, side };
});
const mmPerPx = computed(() => box.value.side / SIDE_PX);
const within = computed(() => props.marks.filter((mark) => inCrowd(props.step, mark)));
</script>

<template>
  <figure class="crowded">
    <svg
      :viewBox="`${box.left} ${box.top} ${box.side} ${box.side}`"
      :width="SIDE_PX"
      :height="SIDE_PX"
      role="img"
      aria-label="Enlarged: the place where the marks lie close together"
    >
      <rect :x="box.left" :y="box.top" :width="box.side" :height="box.side" fill="var(--paper)" />
      <drawn-lines :lines="lines" :mm-per-px="mmPerPx" />
      <step-marks :marks="within" :mm-per-px="mmPerPx" />
    </svg>
    <figcaption>Enlarged</figcaption>
  </figure>
</template>

<style scoped>
.crowded {
  position: absolute;
  right: 16px;
  bottom: 16px;
  margin: 0;
  padding: 4px 4px 2px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--card);
  box-shadow: var(--shadow);
  font-size: 13px;
  line-height: 1.4;
  pointer-events: none;
}
figcaption {
  color: var(--quiet);
}
svg {
  display: block;
}
</style>
