<script setup lang="ts">
import type { StripShape } from "./strips";

/** The sheet itself, with the strips of paper taped on where a point lies outside. */
defineProps<{
  width: number;
  height: number;
  eyeLevel: number;
  strips: StripShape[];
  mmPerPx: number;
}>();
</script>

<template>
  <g v-for="strip in strips" :key="strip.name" class="strip">
    <rect :x="strip.x" :y="strip.y" :width="strip.width" :height="strip.height" />
    <rect class="tape" v-bind="strip.tape" />
    <line
      v-if="strip.carriesLevel"
      :x1="strip.x"
      :x2="strip.x + strip.width"
      :y1="eyeLevel"
      :y2="eyeLevel"
      stroke="var(--graphite)"
      :stroke-width="mmPerPx"
    />
  </g>
  <rect class="paper" x="0" y="0" :width="width" :height="height" />
</template>

<style scoped>
.paper,
.strip rect {
  fill: var(--paper);
}
.strip rect {
  stroke: color-mix(in srgb, var(--pencil) 22%, transparent);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
.strip .tape {
  fill: var(--strip);
  stroke: none;
  opacity: 0.75;
}
</style>
