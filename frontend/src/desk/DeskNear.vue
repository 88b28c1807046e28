<script setup lang="ts">
/** How near the desk is looked at, with the way back to the whole. */
defineProps<{ zoom: number }>();
const emit = defineEmits<{ by: [factor: number]; whole: [] }>();
const NEARER = 1.25;
</script>

<template>
  <div class="near" role="group" aria-label="How near">
    <button type="button" title="-" aria-label="Further" @click="emit('by', 1 / NEARER)">−</button>
    <button type="button" title="0" @click="emit('whole')">{{ Math.round(zoom * 100) }} %</button>
    <button type="button" title="+" aria-label="Nearer" @click="emit('by', NEARER)">+</button>
  </div>
</template>

<style scoped>
.near {
  position: absolute;
  right: 8px;
  bottom: 8px;
  display: flex;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--card);
}
button {
  min-width: 28px;
  height: 28px;
  padding: 0 6px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-size: 13px;
  font-variant-numeric: tabular-nums;
  cursor: pointer;
}
</style>
