<script setup lang="ts">
import { NRadio, NRadioGroup } from "naive-ui";
import { nextTick, ref, watch } from "vue";
import type { Flow, Step } from "@/api/client";
import DrawnLines from "./DrawnLines.vue";
import { linesAfter } from "./lines";

/** The steps as a strip of small sheets; choosing one shows the sheet at that moment. */
const props = defineProps<{
  steps: readonly Step[];
  width: number;
  height: number;
  /** The chosen step from 1, or 0 for the finished drawing. */
  chosen: number;
  /** The order of teaching. */
  flow?: Flow | null;
}>();
const emit = defineEmits<{ choose: [number: number]; flow: [flow: Flow] }>();

const FLOWS = [
  { value: "things", label: "Thing by thing" },
  { value: "stages", label: "Stage by stage" },
  { value: "corners", label: "Corner by corner" },
] as const;
const ACTS: Record<string, string> = {
  setting: "The setting",
  plan: "The plan",
  fronts: "Fronts",
  lines: "Lines to the points",
  backs: "Backs",
  details: "Details",
  ink: "Clean up and ink",
  tone: "Shadows and tone",
};

/** The act that a step begins, if it is another than that before it. */
function begins(number: number): string {
  const act = props.steps[number - 1]?.act ?? "";
  return act === props.steps[number - 2]?.act ? "" : (ACTS[act] ?? "");
}

const strip = ref<HTMLElement | null>(null);
watch(
  () => props.chosen,
  async (number) => {
    await nextTick();
    strip.value
      ?.querySelector(`[data-step="${number}"]`)
      ?.scrollIntoView({ block: "nearest", inline: "nearest" });
  },
);
</script>

<template>
  <div ref="strip" class="strip" role="group" aria-label="Run-through of the steps">
    <n-radio-group
      v-if="flow"
      class="flow"
      size="small"
      name="flow"
      aria-label="Order of teaching"
      :value="flow"
      @update:value="emit('flow', $event)"
    >
      <span class="act">Taught</span>
      <n-radio v-for="one in FLOWS" :key="one.value" :value="one.value">{{ one.label }}</n-radio>
    </n-radio-group>
    <button
      v-for="step in steps"
      :key="step.number"
      type="button"
      class="step"
      :class="{ chosen: chosen === step.number, unsaid: step.hidden }"
      :data-step="step.number"
      :aria-pressed="chosen === step.number"
      :title="step.title"
      @click="emit('choose', step.number)"
    >
      <span class="act" aria-hidden="true">{{ begins(step.number) }}</span>
      <svg :viewBox="`0 0 ${width} ${height}`" aria-hidden="true">
        <rect :width="width" :height="height" fill="var(--paper)" />
        <drawn-lines :lines="linesAfter(steps, step.number)" :mm-per-px="width / 110" />
      </svg>
      <span>{{ step.number }}. {{ step.title }}{{ step.hidden ? " (hidden)" : "" }}</span>
    </button>
    <button
      v-if="steps.length"
      type="button"
      class="step whole"
      :class="{ chosen: chosen === 0 }"
      data-step="0"
      :aria-pressed="chosen === 0"
      @click="emit('choose', 0)"
    >
      <span>Finished drawing</span>
    </button>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  gap: 8px;
  padding: 8px 16px 12px;
  overflow-x: auto;
}
.step {
  display: grid;
  gap: 4px;
  align-content: start;
  flex: none;
  width: 118px;
  padding: 4px;
  border: 2px solid transparent;
  border-radius: 6px;
  background: none;
  color: inherit;
  font: inherit;
  font-size: 12px;
  line-height: 1.2;
  text-align: left;
  cursor: pointer;
  /* Of hundreds of small sheets only those in sight are laid out and painted. */
  content-visibility: auto;
  contain-intrinsic-size: 106px 108px;
  /* The shadow of a sheet falls beyond its card. */
  overflow-clip-margin: 24px;
}
.act {
  min-height: 1.2em;
  color: var(--quiet);
  font-weight: 600;
  white-space: nowrap;
}
.flow {
  display: grid;
  gap: 6px;
  align-content: start;
  flex: none;
  padding-top: 4px;
  font-size: 12px;
}
.step svg {
  width: 100%;
  max-height: 76px;
  box-shadow: var(--shadow);
}
.step span {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
.unsaid svg {
  opacity: 0.45;
}
.whole {
  align-content: center;
  width: 84px;
  text-align: center;
}
.chosen {
  border-color: var(--action);
  background: var(--action-soft);
}
</style>
