<script setup lang="ts">
import type { Step } from "@/api/client";

/** Lines along which the ruler was laid and nothing drawn: dotted, with a cross at the corner. */
const { mmPerPx } = defineProps<{ tried: Step["tried"]; mmPerPx: number }>();

const cross = ([x, y]: readonly number[]) => {
  const r = 5 * mmPerPx;
  return `M${x! - r},${y! - r}l${2 * r},${2 * r}M${x! + r},${y! - r}l${-2 * r},${2 * r}`;
};
</script>

<template>
  <g class="tried" pointer-events="none" fill="none" stroke-linecap="round">
    <g v-for="(line, i) in tried" :key="i">
      <line
        :x1="line.from[0]"
        :y1="line.from[1]"
        :x2="line.to[0]"
        :y2="line.to[1]"
        :stroke-width="1.2 * mmPerPx"
        :stroke-dasharray="`${mmPerPx} ${4 * mmPerPx}`"
      />
      <path :d="cross(line.from)" :stroke-width="1.8 * mmPerPx" />
    </g>
  </g>
</template>

<style scoped>
.tried {
  /* Paper is light in both themes. */
  stroke: var(--paper-off);
}
</style>
