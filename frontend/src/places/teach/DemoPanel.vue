<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import type { Exercise } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import type { Demo } from "./useDemonstration";

/** Sliders that show why, on a copy of the exercise. */
const props = defineProps<{ doc: Exercise; refused: string | null }>();
const demo = defineModel<Demo | null>({ required: true });

const pieces = computed(() =>
  (props.doc.pieces ?? []).filter(
    (one) => ("front" in one && one.front) || ("edge" in one && one.edge),
  ),
);
const hasPair = computed(() => props.doc.view.kind !== "one-point");

function begin(kind: Demo["kind"]) {
  const piece = pieces.value[0];
  if (kind === "lift" && piece) demo.value = { kind, piece: piece.id, up_mm: 0, right_mm: 0 };
  if (kind === "spread") demo.value = { kind, factor: 1 };
  if (kind === "climb") demo.value = { kind, up_mm: 0 };
}

interface Slider {
  label: string;
  least: number;
  most: number;
  step?: number;
  value: number;
  set: (value: number) => void;
}
const sliders = computed<Slider[]>(() => {
  const now = demo.value;
  const set = (change: object) => (demo.value = { ...now, ...change } as Demo);
  if (now?.kind === "lift")
    return [
      {
        label: "Up, down",
        least: -150,
        most: 250,
        value: now.up_mm,
        set: (up_mm) => set({ up_mm }),
      },
      {
        label: "Left, right",
        least: -300,
        most: 300,
        value: now.right_mm,
        set: (right_mm) => set({ right_mm }),
      },
    ];
  if (now?.kind === "spread")
    return [
      {
        label: "Closer, wider",
        least: 0.3,
        most: 3,
        step: 0.01,
        value: now.factor,
        set: (factor) => set({ factor }),
      },
    ];
  if (now?.kind === "climb")
    return [
      {
        label: "Crouch, climb",
        least: -60,
        most: 200,
        value: now.up_mm,
        set: (up_mm) => set({ up_mm }),
      },
    ];
  return [];
});
</script>

<template>
  <div class="demo" role="group" aria-label="Demonstrate">
    <div class="ways">
      <button
        type="button"
        class="toggle"
        :disabled="!pieces.length"
        :aria-pressed="demo?.kind === 'lift'"
        @click="begin('lift')"
      >
        Lift and slide
      </button>
      <button
        type="button"
        class="toggle"
        :disabled="!hasPair"
        :aria-pressed="demo?.kind === 'spread'"
        @click="begin('spread')"
      >
        Spread the points
      </button>
      <button
        type="button"
        class="toggle"
        :aria-pressed="demo?.kind === 'climb'"
        @click="begin('climb')"
      >
        Climb and crouch
      </button>
    </div>
    <choice-field
      v-if="demo?.kind === 'lift'"
      class="row"
      label="What"
      :value="demo.piece"
      :options="pieces.map(({ id }) => ({ value: id, label: id }))"
      @set="demo = { kind: 'lift', piece: $event, up_mm: 0, right_mm: 0 }"
    />
    <label v-for="slider in sliders" :key="slider.label" class="row">
      <span>{{ slider.label }}</span>
      <input
        type="range"
        :min="slider.least"
        :max="slider.most"
        :step="slider.step ?? 1"
        :value="slider.value"
        @input="slider.set(Number(($event.target as HTMLInputElement).value))"
      />
    </label>
    <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
    <n-button v-if="demo" size="small" @click="demo = null">Back to the lesson</n-button>
  </div>
</template>

<style scoped>
.demo {
  display: grid;
  gap: 12px;
  justify-items: start;
  font-size: 17px;
}
.ways {
  display: flex;
  gap: 4px;
  flex-wrap: wrap;
}
.row {
  display: grid;
  grid-template-columns: 108px 1fr;
  gap: 12px;
  align-items: center;
  width: 100%;
}
.row :deep(span) {
  color: inherit;
  font-size: inherit;
}
.row input {
  width: 100%;
  accent-color: var(--action);
}
.refused {
  color: var(--off);
}
</style>
