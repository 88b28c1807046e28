<script setup lang="ts">
import type { XY } from "@/api/client";

/** What is seen of the eye level behind the finished drawing. */
defineProps<{ lines: readonly [XY, XY][]; width: number }>();
</script>

<template>
  <g pointer-events="none" stroke="var(--graphite)" :stroke-width="width">
    <line
      v-for="([from, to], i) in lines"
      :key="i"
      :x1="from[0]"
      :y1="from[1]"
      :x2="to[0]"
      :y2="to[1]"
    />
  </g>
</template>
