<script setup lang="ts">
import type { Step } from "@/api/client";

/** A step in words: what to do, and how to see that it is right. */
defineProps<{ step: Step | undefined; count: number }>();
</script>

<template>
  <div v-if="step" class="caption" aria-live="polite">
    <p>
      <strong>{{ step.number }} of {{ count }}. {{ step.title }}.</strong> {{ step.instruction }}
    </p>
    <p class="check">Check: {{ step.check }}</p>
  </div>
</template>

<style scoped>
.caption {
  display: grid;
  gap: 2px;
  padding: 4px 16px 8px;
  max-width: 100ch;
}
.check {
  color: var(--quiet);
}
</style>
