<script setup lang="ts">
import { computed, ref } from "vue";
import type { Outline, XY } from "@/api/client";
import DragHandle from "@/desk/DragHandle.vue";
import { placeIn } from "@/desk/useDesk";
import { formatMeasure, nudgeStepMm, roundStepMm, type Units } from "@/ui/measures";
import { cornerGone, cornerMoved, faceOf, loopsOf, sideFrom, sideParted } from "./shape";

/** A shape's face seen straight on: its corners are dragged, added on a side, and taken away. */
const props = defineProps<{ piece: Outline; units: Units }>();
const emit = defineEmits<{ change: [piece: Outline, merge?: string] }>();

const WIDTH_PX = 292;
const MOST_PX = 220;
const MARGIN_PX = 14;

const svg = ref<SVGSVGElement | null>(null);
/** The shape as the hand has it: the page around it follows a moment later. */
const draft = ref<Outline | null>(null);
const shape = computed(() => draft.value ?? props.piece);
const face = computed(() => faceOf(shape.value));
const mmPerPx = computed(() =>
  Math.max(
    face.value.width / (WIDTH_PX - 2 * MARGIN_PX),
    face.value.height / (MOST_PX - 2 * MARGIN_PX),
  ),
);
const margin = computed(() => MARGIN_PX * mmPerPx.value);
const box = computed(() => {
  const { width, height } = face.value;
  const [m, across] = [margin.value, WIDTH_PX * mmPerPx.value];
  return `${(width - across) / 2} ${-m} ${across} ${height + 2 * m}`;
});
const outline = computed(() =>
  loopsOf(shape.value)
    .map((places) => `M${places.map((place) => place.join(" ")).join("L")}Z`)
    .join(""),
);
const corners = computed(() =>
  loopsOf(shape.value).flatMap((places, loop) =>
    places.map((place, corner) => {
      const [from, to] = sideFrom(places, corner);
      const middle: XY = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
      return { loop, corner, place, middle };
    }),
  ),
);
const named = (loop: number, corner: number) =>
  loop === 0 ? `corner ${corner + 1}` : `corner ${corner + 1} of hole ${loop}`;
const read = ([x, y]: XY) => `${formatMeasure(x, props.units)}, ${formatMeasure(y, props.units)}`;

/** All moves of one drag are one change to undo. */
let drag = "";
function move(at: [number, number], to: XY, exact: boolean) {
  const step = exact ? 0.0001 : roundStepMm(props.units);
  draft.value = cornerMoved(shape.value, at, to, step);
  emit("change", draft.value, drag);
}
function begin() {
  drag = `corner ${Date.now()}`;
}
function end() {
  // What was told last has come back by then.
  window.setTimeout(() => (draft.value = null), 200);
}
const toSheet = (event: PointerEvent) => placeIn(svg.value, event);
</script>

<template>
  <svg
    ref="svg"
    class="shape-editor"
    :viewBox="box"
    role="group"
    aria-label="The shape, straight on"
  >
    <rect class="face" :width="face.width" :height="face.height" />
    <path class="outline" :d="outline" />
    <g
      v-for="one in corners"
      :key="`side ${one.loop} ${one.corner}`"
      class="add"
      role="button"
      tabindex="0"
      :aria-label="`Add a corner after ${named(one.loop, one.corner)}`"
      :transform="`translate(${one.middle[0]} ${one.middle[1]})`"
      @click="emit('change', sideParted(shape, [one.loop, one.corner]))"
      @keydown.enter="emit('change', sideParted(shape, [one.loop, one.corner]))"
    >
      <circle :r="12 * mmPerPx" />
      <path :d="`M${-4 * mmPerPx} 0h${8 * mmPerPx}M0 ${-4 * mmPerPx}v${8 * mmPerPx}`" />
    </g>
    <drag-handle
      v-for="one in corners"
      :key="`corner ${one.loop} ${one.corner}`"
      shape="corner"
      :x="one.place[0]"
      :y="one.place[1]"
      across
      down
      :label="named(one.loop, one.corner)"
      :reading="read(one.place)"
      :mm-per-px="mmPerPx"
      :to-sheet="toSheet"
      :nudge="nudgeStepMm(units)"
      @start="begin"
      @move="(to, exact) => move([one.loop, one.corner], to, exact)"
      @end="end"
      @keydown.delete.prevent="emit('change', cornerGone(shape, [one.loop, one.corner]))"
    />
  </svg>
  <p class="hint">
    Drag a corner, or move it by the arrow keys; + adds one, Delete takes the chosen one away.
  </p>
</template>

<style scoped>
.shape-editor {
  display: block;
  width: 100%;
  max-height: 220px;
  overflow: visible;
  touch-action: none;
}
.face {
  fill: var(--paper);
  stroke: var(--graphite);
  stroke-width: 1px;
  stroke-dasharray: 4 4;
  vector-effect: non-scaling-stroke;
}
.outline {
  fill: color-mix(in srgb, var(--pencil) 8%, transparent);
  fill-rule: evenodd;
  stroke: var(--pencil);
  stroke-width: 2px;
  vector-effect: non-scaling-stroke;
}
.add {
  cursor: copy;
  outline: none;
}
.add circle {
  fill: transparent;
}
.add path {
  stroke: var(--paper-action);
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}
.add:focus-visible circle {
  stroke: var(--paper-action);
  stroke-width: 3px;
  stroke-dasharray: 4 3;
  vector-effect: non-scaling-stroke;
}
.hint {
  margin: 0;
  color: var(--quiet);
  font-size: 13px;
}
</style>
