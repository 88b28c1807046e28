<script setup lang="ts">
import { computed } from "vue";
import type { Step } from "@/api/client";
import StepTable from "@/ui/StepTable.vue";
import type { Look } from "./useLesson";

/** The step in words, to be read from the back of the room. */
const props = defineProps<{
  steps: readonly Step[];
  number: number;
  look: Look;
  /** Said in place of the step, while something is demonstrated. */
  instead?: string | null;
  heading?: string;
}>();

const step = computed(() => props.steps[props.number - 1]);
const said = computed(() => props.steps.filter((one) => !one.hidden));
const place = computed(() => said.value.filter((one) => one.number <= props.number).length);
</script>

<template>
  <section class="words" aria-live="polite">
    <template v-if="instead">
      <h1>{{ heading ?? "Look what happens" }}</h1>
      <p>{{ instead }}</p>
    </template>
    <template v-else-if="look === 'guides'">
      <h1>The guide lines</h1>
      <p>Light lines only. Every family runs to its own point.</p>
    </template>
    <template v-else-if="step && look === 'moment'">
      <p class="place">Step {{ place }} of {{ said.length }}</p>
      <h1>{{ step.title }}</h1>
      <p>{{ step.instruction }}</p>
      <step-table :step="step" />
      <p class="check">Check: {{ step.check }}</p>
    </template>
    <template v-else>
      <h1>The finished drawing</h1>
      <p>Extend two lines of each family: they lead to the same point.</p>
    </template>
    <slot />
  </section>
</template>

<style scoped>
.words {
  display: grid;
  gap: 20px;
  align-content: safe center;
  padding: 16px 32px 16px 8px;
  font-size: 28px;
  line-height: 1.32;
  overflow-y: auto;
}
.place {
  color: var(--quiet);
}
h1 {
  font-size: 38px;
}
.check {
  padding-left: 16px;
  border-left: 4px solid var(--line);
  color: var(--quiet);
}
@media (max-aspect-ratio: 1/1) {
  .words {
    padding: 16px 24px;
  }
}
</style>
