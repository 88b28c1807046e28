<script setup lang="ts">
import { computed } from "vue";
import type { Stroke } from "@/api/client";

/** The ruler lying along the line that is drawn next; it swings there from the last one. */
const props = defineProps<{ stroke: Pick<Stroke, "from" | "to">; mmPerPx: number }>();

const place = computed(() => {
  const [x0, y0] = props.stroke.from;
  const [x1, y1] = props.stroke.to;
  let turn = (Math.atan2(y1 - y0, x1 - x0) * 180) / Math.PI;
  if (turn > 90) turn -= 180;
  if (turn <= -90) turn += 180;
  return `translate(${(x0 + x1) / 2}px, ${(y0 + y1) / 2}px) rotate(${turn}deg)`;
});
const length = computed(() => {
  const [x0, y0] = props.stroke.from;
  const [x1, y1] = props.stroke.to;
  return Math.max(150, Math.hypot(x1 - x0, y1 - y0) + 80);
});
</script>

<template>
  <g class="ruler" :style="{ transform: place }" aria-hidden="true">
    <rect
      :x="-length / 2"
      :y="2 * mmPerPx"
      :width="length"
      :height="34 * mmPerPx"
      :rx="3 * mmPerPx"
    />
    <line
      v-for="i in Math.floor(length / 10)"
      :key="i"
      :x1="-length / 2 + i * 10"
      :x2="-length / 2 + i * 10"
      :y1="2 * mmPerPx"
      :y2="(i % 5 ? 8 : 12) * mmPerPx"
      :stroke-width="mmPerPx"
    />
  </g>
</template>

<style scoped>
.ruler {
  transition: transform 420ms ease-in-out;
}
rect {
  fill: var(--ruler);
  fill-opacity: 0.72;
  stroke: var(--ruler-edge);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
line {
  stroke: var(--ruler-tick);
}
</style>
