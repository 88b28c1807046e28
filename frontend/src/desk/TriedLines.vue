<script setup lang="ts">
import type { Step } from "@/api/client";
import { crossAt } from "./lines";

/** Lines along which the ruler was laid and nothing drawn: dotted, with a cross at the corner. */
const { mmPerPx } = defineProps<{ tried: Step["tried"]; mmPerPx: number }>();
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
      <path :d="crossAt(line.from[0], line.from[1], 5 * mmPerPx)" :stroke-width="1.8 * mmPerPx" />
    </g>
  </g>
</template>

<style scoped>
.tried {
  /* Paper is light in both themes. */
  stroke: var(--paper-off);
}
</style>
