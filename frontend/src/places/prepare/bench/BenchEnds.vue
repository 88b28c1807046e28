<script setup lang="ts">
import { computed } from "vue";
import type { RowEnd } from "@/api/client";
import type { Tool } from "./tools";

/** The ends where a row may go on. They lie on top of the lines: one presses them. */
const props = defineProps<{
  ends: readonly RowEnd[];
  tool: Tool | null;
  mmPerPx: number;
}>();
const emit = defineEmits<{ grow: [end: RowEnd] }>();

const house = computed(() => (props.tool?.does === "house" ? props.tool : null));
const open = computed(() =>
  props.ends.filter(({ takes }) => house.value && takes.includes(house.value.what)),
);
</script>

<template>
  <g
    v-for="end in open"
    :key="`${end.piece}-${end.side}`"
    class="end"
    tabindex="0"
    role="button"
    :aria-label="`${house?.label} at the ${end.side} of ${end.piece}`"
    @pointerdown.stop="emit('grow', end)"
    @keydown.enter.prevent.stop="emit('grow', end)"
    @keydown.space.prevent.stop="emit('grow', end)"
  >
    <circle :cx="end.at[0]" :cy="end.at[1]" :r="13 * mmPerPx" />
    <path
      :d="`M${end.at[0] - 6 * mmPerPx} ${end.at[1]} h${12 * mmPerPx} M${end.at[0]} ${end.at[1] - 6 * mmPerPx} v${12 * mmPerPx}`"
    />
  </g>
</template>

<style scoped>
.end {
  cursor: copy;
  outline: none;
}
.end circle {
  fill: var(--paper);
  stroke: var(--paper-action);
  stroke-width: 2.5px;
  vector-effect: non-scaling-stroke;
}
.end path {
  fill: none;
  stroke: var(--paper-action);
  stroke-width: 2.5px;
  vector-effect: non-scaling-stroke;
}
.end:hover circle,
.end:focus-visible circle {
  fill: color-mix(in srgb, var(--paper-action) 28%, var(--paper));
  stroke-width: 4px;
}
</style>
