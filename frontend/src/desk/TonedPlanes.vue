<script setup lang="ts">
import { computed } from "vue";
import type { Picture } from "@/api/client";

/** Planes with their tone, the furthest first, each laid over those behind it. */
const props = defineProps<{ planes: Picture["planes"] }>();

const fills = computed(() =>
  props.planes.map(({ loops, colour }) => ({
    colour,
    way: loops.map((loop) => `M${loop.map(([x, y]) => `${x},${y}`).join("L")}Z`).join(""),
  })),
);
</script>

<template>
  <g pointer-events="none" fill-rule="evenodd" stroke-width="0.3" stroke-linejoin="round">
    <path
      v-for="(fill, i) in fills"
      :key="i"
      :d="fill.way"
      :fill="fill.colour"
      :stroke="fill.colour"
    />
  </g>
</template>
