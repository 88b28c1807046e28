<script setup lang="ts">
import { computed } from "vue";
import { formatMeasure, type Units } from "@/ui/measures";
import { rulerTicks } from "./rulerTicks";

/** A ruler along the sheet's top or left edge, with a flag at each measure of the moment. */
const props = defineProps<{
  length: number;
  units: Units;
  mmPerPx: number;
  flags: number[];
  upright?: boolean;
}>();

const px = computed(() => props.mmPerPx);
const ticks = computed(() => rulerTicks(props.length, props.units, props.mmPerPx));
const turn = computed(() => (props.upright ? "rotate(90) scale(1 -1)" : ""));
</script>

<template>
  <g class="ruler" aria-hidden="true">
    <g :transform="turn">
      <rect :x="0" :y="-30 * px" :width="length + 9 * px" :height="24 * px" :rx="2 * px" />
      <line
        v-for="tick in ticks"
        :key="tick.mm"
        :x1="tick.mm"
        :x2="tick.mm"
        :y1="-6 * px"
        :y2="(-6 - tick.size) * px"
        :stroke-width="px * 0.8"
      />
    </g>
    <template v-for="tick in ticks" :key="`t${tick.mm}`">
      <text
        v-if="tick.label"
        :x="upright ? -21.5 * px : tick.mm"
        :y="upright ? tick.mm + 4 * px : -18 * px"
        :font-size="10.5 * px"
        text-anchor="middle"
      >
        {{ tick.label }}
      </text>
    </template>
    <g
      v-for="(flag, i) in flags"
      :key="`${i}-${flag}`"
      class="flag"
      :transform="upright ? `translate(${-6 * px} ${flag})` : `translate(${flag} ${-6 * px})`"
    >
      <path
        :d="
          upright
            ? `M0 0 L${-7 * px} ${-7 * px} H${-50 * px} V${7 * px} H${-7 * px} Z`
            : `M0 0 L${7 * px} ${-7 * px} H${25 * px} V${-22 * px} H${-25 * px} V${-7 * px} H${-7 * px} Z`
        "
      />
      <text
        :x="upright ? -29 * px : 0"
        :y="upright ? 4 * px : -10.5 * px"
        :font-size="10.5 * px"
        text-anchor="middle"
      >
        {{ formatMeasure(flag, units) }}
      </text>
    </g>
  </g>
</template>

<style scoped>
rect {
  fill: var(--ruler);
  stroke: var(--ruler-edge);
  stroke-width: 0.2;
}
line {
  stroke: var(--ruler-tick);
}
text {
  fill: var(--ruler-ink);
  font-variant-numeric: tabular-nums;
}
.flag path {
  fill: var(--pencil);
}
.flag text {
  fill: var(--paper);
  font-weight: 600;
}
</style>
