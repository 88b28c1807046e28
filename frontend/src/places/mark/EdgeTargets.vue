<script setup lang="ts">
import { computed } from "vue";
import type { PupilSheet, XY } from "@/api/client";
import { familyColour, pointSign } from "@/desk/lines";
import { edgeTarget } from "./edge";

/** Points off the sheet, each as a mark at the sheet's edge on the way to it. */
const props = defineProps<{ sheet: PupilSheet; mmPerPx: number }>();

const targets = computed(() =>
  (props.sheet.verdict?.vanishing_points ?? []).flatMap((point) => {
    const { width_mm, height_mm } = props.sheet.sheet;
    const target = edgeTarget(point.intended_mm as XY, width_mm, height_mm);
    return target ? [{ name: point.name, ...target }] : [];
  }),
);
</script>

<template>
  <g v-for="one in targets" :key="one.name" pointer-events="none">
    <polygon :points="pointSign(one.name, one.at, 6 * mmPerPx)" :fill="familyColour(one.name)" />
    <text
      :x="one.at[0]"
      :y="one.at[1] - 10 * mmPerPx"
      :font-size="12 * mmPerPx"
      :stroke-width="3 * mmPerPx"
      :text-anchor="one.anchor"
      :fill="familyColour(one.name)"
    >
      {{ one.name }}, {{ (one.out_mm / 10).toFixed(1) }} cm outside
    </text>
  </g>
</template>

<style scoped>
text {
  font-weight: 700;
  stroke: #fffdf7;
  stroke-linejoin: round;
  paint-order: stroke;
}
</style>
