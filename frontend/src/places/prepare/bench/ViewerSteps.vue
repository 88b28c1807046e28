<script setup lang="ts">
import { NButton } from "naive-ui";
import { ref } from "vue";
import { answered, api, Refusal, type Exercise } from "@/api/client";

/** Move the viewer: the things stay where they stand in the world, and are measured anew. */
const props = defineProps<{ doc: Exercise }>();
const emit = defineEmits<{ moved: [doc: Exercise] }>();

const STEP_MM = 20;
const STEPS = [
  { label: "◂ left", by: { right_mm: -STEP_MM } },
  { label: "right ▸", by: { right_mm: STEP_MM } },
  { label: "▴ up", by: { up_mm: STEP_MM } },
  { label: "▾ down", by: { up_mm: -STEP_MM } },
  { label: "nearer", by: { back_mm: -STEP_MM } },
  { label: "further", by: { back_mm: STEP_MM } },
];
const problem = ref("");
const busy = ref(false);

async function move(step: (typeof STEPS)[number]) {
  busy.value = true;
  try {
    const body = { document: props.doc, right_mm: 0, up_mm: 0, back_mm: 0, ...step.by };
    emit("moved", await answered(api.POST("/api/viewer", { body })));
    problem.value = "";
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
    problem.value = fault.message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <fieldset class="viewer">
    <legend>Move the viewer, the things stay</legend>
    <n-button
      v-for="step in STEPS"
      :key="step.label"
      size="tiny"
      :disabled="busy"
      @click="move(step)"
    >
      {{ step.label }}
    </n-button>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </fieldset>
</template>

<style scoped>
.viewer {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0 0 4px;
  font-size: 13px;
  color: var(--quiet);
}
.problem {
  width: 100%;
  color: var(--off);
}
</style>
