<script setup lang="ts">
import { computed } from "vue";
import type { JudgedStroke, MeetingPoint, XY } from "@/api/client";
import { familyColour, pointLabel } from "@/desk/lines";
import PencilLine from "@/desk/PencilLine.vue";

/** Where every line of a family lands around its vanishing point, with rings in millimetres. */
const props = defineProps<{
  point: MeetingPoint;
  strokes: readonly JudgedStroke[];
  chosen: number | null;
}>();
const emit = defineEmits<{ choose: [index: number] }>();

const RINGS = [5, 10, 20];
const REACH = 24;
/** Numbers stand at the lower right of their rings: own points lie above or below most often. */
const ASIDE = [0.8, 0.6] as const;
/** The rings grow until most lines are seen to land within them. */
const zoom = computed(() => {
  const misses = landing.value.map((one) => one.stroke.miss_mm ?? 0).sort((a, b) => a - b);
  const usual = misses[Math.floor(misses.length * 0.8)] ?? 0;
  return [1, 2, 4, 8].find((factor) => usual < 18 * factor) ?? 8;
});
const landing = computed(() =>
  props.strokes.flatMap((stroke, index) => {
    if (stroke.family !== props.point.name) return [];
    const [[x0, y0], [x1, y1]] = [stroke.from, stroke.to];
    const [vx, vy] = props.point.intended_mm;
    const size = Math.hypot(x1 - x0, y1 - y0) || 1;
    const far = (Math.hypot(x0 - vx, y0 - vy) + 400) / size;
    const shift = ([x, y]: XY): XY => [x - vx, y - vy];
    return [
      {
        index,
        stroke,
        from: shift([x0 - (x1 - x0) * far, y0 - (y1 - y0) * far]),
        to: shift([x1 + (x1 - x0) * far, y1 + (y1 - y0) * far]),
      },
    ];
  }),
);
const found = computed<XY | null>(() => {
  const at = props.point.found_mm;
  const [vx, vy] = props.point.intended_mm;
  return at ? [at[0] - vx, at[1] - vy] : null;
});
const words = computed(() => {
  if (!found.value) return `${props.point.lines} lines; too few to tell where they meet`;
  const miss = Math.hypot(...found.value).toFixed(1);
  const doubt = props.point.ellipse ? ` ± ${(2 * props.point.ellipse[0]).toFixed(1)}` : "";
  return `${props.point.lines} lines meet ${miss}${doubt} mm from it`;
});
const clip = computed(() => `target-${props.point.name.replace(/\W/g, "")}`);
</script>

<template>
  <figure class="target">
    <svg
      :viewBox="`${-REACH * zoom} ${-REACH * zoom} ${2 * REACH * zoom} ${2 * REACH * zoom}`"
      role="img"
      :aria-label="`Landing target of ${pointLabel(point.name)}: ${words}`"
    >
      <clipPath :id="clip"><circle :r="REACH * zoom" /></clipPath>
      <circle :r="REACH * zoom" class="ground" />
      <g :clip-path="`url(#${clip})`">
        <pencil-line
          v-for="one in landing"
          :key="one.index"
          :from="one.from"
          :to="one.to"
          :class="['landing', one.stroke.verdict, { chosen: one.index === chosen }]"
          @click="emit('choose', one.index)"
        />
      </g>
      <g v-for="ring in RINGS" :key="ring">
        <circle :r="ring * zoom" class="ring" />
        <text
          :x="(ring + 0.5) * zoom * ASIDE[0]"
          :y="(ring + 0.5) * zoom * ASIDE[1]"
          :font-size="3.4 * zoom"
          :stroke-width="zoom"
        >
          {{ ring * zoom }}
        </text>
      </g>
      <path
        :d="`M${-2 * zoom} 0 H${2 * zoom} M0 ${-2 * zoom} V${2 * zoom}`"
        class="cross"
        :stroke="familyColour(point.name)"
      />
      <ellipse
        v-if="found && point.ellipse"
        :transform="`translate(${found[0]} ${found[1]}) rotate(${point.ellipse[2]})`"
        :rx="2 * point.ellipse[0]"
        :ry="2 * point.ellipse[1]"
        class="doubt"
      />
      <path
        v-if="found"
        :transform="`translate(${found[0]} ${found[1]})`"
        :d="`M0 ${-1.6 * zoom} L${1.6 * zoom} 0 L0 ${1.6 * zoom} L${-1.6 * zoom} 0 Z`"
        class="found"
      />
    </svg>
    <figcaption>
      <strong>{{ pointLabel(point.name) }}</strong>
      <span>{{ words }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.target {
  margin: 0;
  width: 150px;
}
svg {
  display: block;
  width: 150px;
  height: 150px;
}
.ground {
  fill: var(--paper);
}
.ring {
  fill: none;
  stroke: var(--graphite);
  stroke-width: 0.8px;
  vector-effect: non-scaling-stroke;
}
text {
  fill: var(--pencil-quiet);
  stroke: var(--paper);
  stroke-linejoin: round;
  paint-order: stroke;
  text-anchor: middle;
  dominant-baseline: central;
}
.landing {
  stroke-width: 1.6px;
  vector-effect: non-scaling-stroke;
  cursor: pointer;
}
.landing.on {
  stroke: var(--paper-on);
}
.landing.near {
  stroke: var(--paper-near);
  stroke-dasharray: 9 4;
}
.landing.off {
  stroke: var(--paper-off);
  stroke-dasharray: 1.5 4;
  stroke-width: 2.4px;
}
.landing.chosen {
  stroke-width: 4px;
}
.cross {
  stroke-width: 2.5px;
  vector-effect: non-scaling-stroke;
}
.doubt {
  fill: color-mix(in srgb, var(--pencil) 14%, transparent);
  stroke: var(--pencil);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
.found {
  fill: var(--pencil);
}
figcaption {
  font-size: 13px;
  line-height: 1.3;
}
figcaption strong {
  margin-right: 6px;
}
</style>
