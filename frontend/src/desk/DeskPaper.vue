<script setup lang="ts">
import type { Step } from "@/api/client";
import type { StripShape } from "./strips";

type Beyond = NonNullable<Step["beyond"]>[number];

/** The sheet itself, with the strips of paper taped on where a point lies outside, and the second
 * sheets on which a point is found by drawing. */
defineProps<{
  width: number;
  height: number;
  eyeLevel: number;
  strips: StripShape[];
  taped: readonly Beyond[];
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
  <g v-for="(one, i) in taped" :key="i" class="strip">
    <rect
      :x="one.paper[0]"
      :y="one.paper[1]"
      :width="one.paper[2] - one.paper[0]"
      :height="one.paper[3] - one.paper[1]"
    />
    <line
      v-for="([from, to], k) in one.lines"
      :key="k"
      :x1="from[0]"
      :y1="from[1]"
      :x2="to[0]"
      :y2="to[1]"
      stroke="var(--pencil)"
      :stroke-width="2.4 * mmPerPx"
      stroke-linecap="round"
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
