<script setup lang="ts">
import type { Advice } from "@/api/client";

/** Numbers on the sheet where each piece of advice has its cause. */
defineProps<{ advice: readonly Advice[]; mmPerPx: number }>();
</script>

<template>
  <g pointer-events="none" aria-hidden="true">
    <g v-for="(note, i) in advice" :key="note.code">
      <circle :cx="note.where[0]" :cy="note.where[1]" :r="9 * mmPerPx" />
      <text
        :x="note.where[0]"
        :y="note.where[1] + 4 * mmPerPx"
        :font-size="12 * mmPerPx"
        text-anchor="middle"
        fill="var(--pencil)"
      >
        {{ i + 1 }}
      </text>
    </g>
  </g>
</template>

<style scoped>
circle {
  fill: var(--paper);
  stroke: var(--pencil-quiet);
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}
</style>
