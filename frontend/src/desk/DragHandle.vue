<script setup lang="ts">
import { ref } from "vue";
import type { XY } from "@/api/client";

/** A thing on the sheet that is dragged by pointer or nudged by the arrow keys. */
const props = defineProps<{
  x: number;
  y: number;
  mmPerPx: number;
  label: string;
  /** What the measure reads now. */
  reading: string;
  shape: "line" | "point" | "corner" | "cut" | "sun";
  toSheet: (event: PointerEvent) => XY;
  nudge: number;
  across?: boolean;
  down?: boolean;
}>();
/** Keys move by exact steps; a pointer's moves may be rounded. */
const emit = defineEmits<{ move: [to: XY, exact: boolean]; start: []; end: [] }>();

const dragging = ref(false);
let grabbedAt: XY = [0, 0];
/** Where the hand is now; it is told once a picture, however often the hand reports. */
let hand: PointerEvent | null = null;
let frame = 0;

function grab(event: PointerEvent) {
  event.preventDefault();
  event.stopPropagation();
  const target = event.currentTarget as SVGGElement;
  target.focus();
  target.setPointerCapture(event.pointerId);
  const [x, y] = props.toSheet(event);
  grabbedAt = [x - props.x, y - props.y];
  dragging.value = true;
  emit("start");
}

function move(event: PointerEvent) {
  if (!dragging.value) return;
  if (!hand) frame = requestAnimationFrame(follow);
  hand = event;
}

function follow() {
  cancelAnimationFrame(frame);
  if (!hand) return;
  const [x, y] = props.toSheet(hand);
  hand = null;
  emit("move", [x - grabbedAt[0], y - grabbedAt[1]], false);
}

function up() {
  if (!dragging.value) return;
  follow();
  dragging.value = false;
  emit("end");
}

function key(event: KeyboardEvent) {
  const steps: Record<string, XY> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  };
  const step = steps[event.key];
  if (event.altKey || !step || (step[0] && !props.across) || (step[1] && !props.down)) return;
  event.preventDefault();
  event.stopPropagation();
  const size = props.nudge * (event.shiftKey ? 10 : 1);
  emit("start");
  emit("move", [props.x + step[0] * size, props.y + step[1] * size], true);
  emit("end");
}
</script>

<template>
  <g
    class="handle"
    :class="[shape, { dragging }]"
    tabindex="0"
    role="slider"
    :aria-label="label"
    :aria-valuetext="reading"
    :aria-valuenow="Math.round(across ? x : y)"
    aria-valuemin="-100000"
    aria-valuemax="100000"
    @pointerdown="grab"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @keydown="key"
  >
    <circle class="reach" :cx="x" :cy="y" :r="12 * mmPerPx" />
    <path
      v-if="shape === 'line'"
      class="shape"
      :d="`M${x - 14 * mmPerPx} ${y - 7 * mmPerPx} h${16 * mmPerPx} l${7 * mmPerPx} ${7 * mmPerPx} l${-7 * mmPerPx} ${7 * mmPerPx} h${-16 * mmPerPx} z`"
    />
    <circle v-else-if="shape === 'point'" class="ring" :cx="x" :cy="y" :r="9 * mmPerPx" />
    <template v-else-if="shape === 'sun'">
      <circle class="shape" :cx="x" :cy="y" :r="6 * mmPerPx" />
      <path
        v-for="turn in 8"
        :key="turn"
        class="ring"
        :d="`M${x + 8.5 * mmPerPx} ${y} h${4.5 * mmPerPx}`"
        :transform="`rotate(${turn * 45} ${x} ${y})`"
      />
    </template>
    <rect
      v-else-if="shape === 'corner'"
      class="shape"
      :x="x - 4.5 * mmPerPx"
      :y="y - 4.5 * mmPerPx"
      :width="9 * mmPerPx"
      :height="9 * mmPerPx"
    />
    <circle v-else class="shape" :cx="x" :cy="y" :r="5 * mmPerPx" />
    <g v-if="dragging" class="reading" pointer-events="none">
      <rect
        :x="x + 12 * mmPerPx"
        :y="y - 32 * mmPerPx"
        :width="(reading.length * 7.6 + 14) * mmPerPx"
        :height="24 * mmPerPx"
        :rx="4 * mmPerPx"
      />
      <text :x="x + 19 * mmPerPx" :y="y - 15.5 * mmPerPx" :font-size="13 * mmPerPx">{{
        reading
      }}</text>
    </g>
  </g>
</template>

<style scoped>
.handle {
  cursor: grab;
  outline: none;
}
.dragging {
  cursor: grabbing;
}
.reach {
  fill: transparent;
}
.shape {
  fill: var(--paper-action);
  stroke: var(--paper);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
.cut .shape {
  fill: var(--paper);
  stroke: var(--paper-action);
  stroke-width: 2.5px;
}
.ring {
  fill: transparent;
  stroke: var(--paper-action);
  stroke-width: 2px;
  vector-effect: non-scaling-stroke;
}
.handle:focus-visible .reach {
  stroke: var(--paper-action);
  stroke-width: 3px;
  stroke-dasharray: 4 3;
  vector-effect: non-scaling-stroke;
}
.reading rect {
  fill: var(--pencil);
}
.reading text {
  fill: var(--paper);
  font-variant-numeric: tabular-nums;
}
</style>
