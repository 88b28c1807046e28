<script setup lang="ts">
import type { Step } from "@/api/client";
import { inCrowd } from "./lines";

/** The marks of a step with their letters. */
defineProps<{
  marks: Step["marks"];
  mmPerPx: number;
  large?: boolean;
  /** The step whose crowded marks have their letters elsewhere. */
  apart?: Step;
}>();
</script>

<template>
  <g pointer-events="none" fill="var(--pencil)">
    <g v-for="mark in marks" :key="mark.name">
      <circle :cx="mark.at[0]" :cy="mark.at[1]" :r="(large ? 4 : 3) * mmPerPx" />
      <text
        v-if="!inCrowd(apart, mark)"
        :x="mark.at[0] + (large ? 8 : 6) * mmPerPx"
        :y="mark.at[1] - (large ? 8 : 6) * mmPerPx"
        :font-size="(large ? 26 : 15) * mmPerPx"
        font-weight="700"
      >
        {{ mark.name }}
      </text>
    </g>
  </g>
</template>
