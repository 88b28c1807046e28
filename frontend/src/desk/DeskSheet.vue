<script setup lang="ts">
import { computed } from "vue";
import type { Step, XY } from "@/api/client";
import { formatMeasure, type Units } from "@/ui/measures";
import DeskNear from "./DeskNear.vue";
import DeskPaper from "./DeskPaper.vue";
import DeskRuler from "./DeskRuler.vue";
import { familyColour, pointSign } from "./lines";
import { WHOLE } from "./look";
import { stripFor } from "./strips";
import { useDesk, type Fit } from "./useDesk";
import { useHand } from "./useHand";

/** A sheet of paper on the desk: rulers, strips for far points, and what is drawn in the slot. */
const props = defineProps<{
  width: number;
  height: number;
  eyeLevel: number;
  points: { name: string; x_mm: number; y_mm: number }[];
  units: Units;
  fit?: Fit;
  label: string;
  flags?: { axis: "x" | "y"; mm: number }[];
  plain?: boolean;
  /** Second sheets taped on, with the lines on them. */
  taped?: Step["beyond"];
}>();
const emit = defineEmits<{ paper: [place: XY] }>();

const { hold, viewBox, mmPerPx, toSheet, look, zoomBy, panBy, whole, standStill, letGo } = useDesk(
  () => ({
    width: props.width,
    height: props.height,
    points: [
      ...props.points.map((p): XY => [p.x_mm, p.y_mm]),
      ...(props.taped ?? []).flatMap(({ paper: [left, top, right, bottom] }): XY[] => [
        [left, top],
        [right, bottom],
      ]),
    ],
  }),
  () => props.fit ?? "sheet",
  () => !props.plain,
);
const hand = useHand({ toSheet, zoomBy, panBy }, ([x, y]) => {
  if (x >= 0 && y >= 0 && x <= props.width && y <= props.height) emit("paper", [x, y]);
});
/** Something that can be taken hold of is taken hold of. */
function grasp(event: PointerEvent) {
  if ((event.target as Element).closest(".handle")) standStill();
}
defineExpose({ toSheet, look, zoomBy, panBy, whole });

/** Strips of paper taped on at the side where a point lies outside. */
const strips = computed(() => props.points.flatMap((p) => stripFor(p, props) ?? []));
const flagsX = computed(() => (props.flags ?? []).filter((f) => f.axis === "x").map((f) => f.mm));
const flagsY = computed(() => (props.flags ?? []).filter((f) => f.axis === "y").map((f) => f.mm));
</script>

<template>
  <div class="frame">
    <svg class="under" :viewBox="viewBox" preserveAspectRatio="xMidYMid meet" aria-hidden="true">
      <desk-paper
        :width="width"
        :height="height"
        :eye-level="eyeLevel"
        :strips="strips"
        :taped="taped ?? []"
        :mm-per-px="mmPerPx"
      />
      <template v-if="!plain">
        <desk-ruler :length="width" :units="units" :mm-per-px="mmPerPx" :flags="flagsX" />
        <desk-ruler :length="height" :units="units" :mm-per-px="mmPerPx" :flags="flagsY" upright />
      </template>
    </svg>
    <svg
      :ref="hold"
      class="desk"
      :viewBox="viewBox"
      preserveAspectRatio="xMidYMid meet"
      role="group"
      :aria-label="label"
      @pointerdown.capture="grasp"
      @pointerup.capture="letGo"
      @pointercancel.capture="letGo"
      @lostpointercapture.capture="letGo"
      @pointerdown="hand.down"
      @pointermove="hand.move"
      @pointerup="hand.up"
      @pointercancel="hand.up"
      @wheel="hand.wheel"
    >
      <!-- What lies there already is a picture of its own, which no move draws anew. -->
      <rect
        v-for="strip in strips"
        :key="strip.name"
        :x="strip.x"
        :y="strip.y"
        :width="strip.width"
        :height="strip.height"
        fill="transparent"
      >
        <title>Strip for {{ strip.name }}, {{ formatMeasure(strip.out, units) }} long</title>
      </rect>
      <slot :mm-per-px="mmPerPx" :to-sheet="toSheet" />
      <g v-for="point in points" :key="point.name" class="point" pointer-events="none">
        <polygon
          :points="pointSign(point.name, [point.x_mm, point.y_mm], 5 * mmPerPx)"
          :fill="familyColour(point.name)"
        />
        <text
          :x="point.x_mm"
          :y="point.y_mm - 10 * mmPerPx"
          :font-size="13 * mmPerPx"
          :fill="familyColour(point.name)"
          :stroke-width="4 * mmPerPx"
          text-anchor="middle"
        >
          {{ point.name }}
        </text>
      </g>
    </svg>
    <desk-near
      v-if="!plain || look !== WHOLE"
      :zoom="look.zoom"
      @by="zoomBy($event)"
      @whole="whole"
    />
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: 100%;
  height: 100%;
}
.under,
.desk {
  position: absolute;
  inset: 0;
  display: block;
  width: 100%;
  height: 100%;
  overflow: hidden;
}
.desk {
  touch-action: none;
  will-change: transform;
}
/* A rim of paper keeps a point's name readable on a dark desk and over lines. */
.point text {
  font-weight: 700;
  stroke: var(--paper);
  stroke-linejoin: round;
  paint-order: stroke;
}
</style>
