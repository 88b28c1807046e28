<script setup lang="ts">
import { computed } from "vue";
import type { PupilSheet, XY } from "@/api/client";
import { familyColour, pointLabel, pointSign } from "@/desk/lines";
import PencilLine from "@/desk/PencilLine.vue";
import { edgeTarget, passing } from "./edge";

/**
 * Points off the sheet, each as a small target at the sheet's edge. Where a line would land cannot
 * be shown there, so its rings are degrees: a line passes the middle as far off as it is turned.
 */
const props = defineProps<{ sheet: PupilSheet; mmPerPx: number }>();

const PER_DEGREE_PX = 9;
const RINGS_DEG = [1, 2];
const RADIUS_PX = 24;

const targets = computed(() =>
  (props.sheet.verdict?.vanishing_points ?? []).flatMap((point) => {
    const { width_mm, height_mm } = props.sheet.sheet;
    const [per, radius] = [PER_DEGREE_PX * props.mmPerPx, RADIUS_PX * props.mmPerPx];
    const meant = point.intended_mm as XY;
    const target = edgeTarget(meant, width_mm, height_mm, radius + 2 * props.mmPerPx);
    const family = props.sheet.verdict?.strokes.filter(({ family }) => family === point.name) ?? [];
    const lines = family.map(({ number, verdict, from, to }) => ({
      number,
      verdict,
      chord: passing(from as XY, to as XY, meant, per, radius),
    }));
    return target
      ? [{ name: point.name, lines, below: target.at[1] < height_mm / 2, ...target }]
      : [];
  }),
);
</script>

<template>
  <g
    v-for="one in targets"
    :key="one.name"
    pointer-events="none"
    :transform="`translate(${one.at[0]} ${one.at[1]})`"
  >
    <circle :r="RADIUS_PX * mmPerPx" class="ground" />
    <circle
      v-for="ring in RINGS_DEG"
      :key="ring"
      :r="ring * PER_DEGREE_PX * mmPerPx"
      class="ring"
    />
    <pencil-line
      v-for="line in one.lines"
      :key="line.number"
      :class="['passing', line.verdict]"
      :from="line.chord[0]"
      :to="line.chord[1]"
    />
    <text
      v-for="ring in RINGS_DEG"
      :key="`t${ring}`"
      class="degrees"
      :x="ring * PER_DEGREE_PX * 0.75 * mmPerPx"
      :y="(ring * PER_DEGREE_PX * 0.75 + 6) * mmPerPx"
      :font-size="9 * mmPerPx"
      :stroke-width="2 * mmPerPx"
    >
      {{ ring }}°
    </text>
    <polygon :points="pointSign(one.name, [0, 0], 5 * mmPerPx)" :fill="familyColour(one.name)" />
    <text
      :x="
        one.anchor === 'start'
          ? -RADIUS_PX * mmPerPx
          : one.anchor === 'end'
            ? RADIUS_PX * mmPerPx
            : 0
      "
      :y="(one.below ? RADIUS_PX + 13 : -RADIUS_PX - 5) * mmPerPx"
      :font-size="12 * mmPerPx"
      :stroke-width="3 * mmPerPx"
      :text-anchor="one.anchor"
      :fill="familyColour(one.name)"
    >
      {{ pointLabel(one.name) }}, {{ (one.out_mm / 10).toFixed(1) }} cm outside
    </text>
  </g>
</template>

<style scoped>
text {
  font-weight: 700;
  stroke: var(--paper);
  stroke-linejoin: round;
  paint-order: stroke;
}
.degrees {
  fill: var(--pencil-quiet);
  font-weight: 400;
}
.ground {
  fill: color-mix(in srgb, var(--paper) 86%, transparent);
}
.ring {
  fill: none;
  stroke: var(--graphite);
  stroke-width: 0.8px;
  vector-effect: non-scaling-stroke;
}
.passing {
  stroke-width: 1.4px;
  vector-effect: non-scaling-stroke;
}
.passing.on {
  stroke: var(--paper-on);
}
.passing.near {
  stroke: var(--paper-near);
  stroke-dasharray: 7 3;
}
.passing.off {
  stroke: var(--paper-off);
  stroke-dasharray: 1.5 3;
  stroke-width: 2px;
}
</style>
