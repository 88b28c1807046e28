<script setup lang="ts">
import { computed } from "vue";
import { familyColour, type DeskLine } from "./lines";

/** Where the ruler lies on beyond this step's guide lines: dotted as far as their point. */
const props = defineProps<{
  lines: readonly DeskLine[];
  points: readonly { name: string; x_mm: number; y_mm: number }[];
  mmPerPx: number;
}>();

const onward = computed(() =>
  props.lines.flatMap((line) => {
    const point = props.points.find((one) => one.name === line.stroke.family);
    if (line.state !== "new" || line.fate === "keep" || !point) return [];
    const [x, y] = line.stroke.to;
    return [{ key: line.key, x, y, point }];
  }),
);
</script>

<template>
  <g class="onward" pointer-events="none" aria-hidden="true">
    <line
      v-for="one in onward"
      :key="one.key"
      :x1="one.x"
      :y1="one.y"
      :x2="one.point.x_mm"
      :y2="one.point.y_mm"
      :stroke="familyColour(one.point.name)"
      :stroke-width="1.4 * mmPerPx"
      :stroke-dasharray="`${1.4 * mmPerPx} ${6 * mmPerPx}`"
      stroke-linecap="round"
    />
  </g>
</template>
