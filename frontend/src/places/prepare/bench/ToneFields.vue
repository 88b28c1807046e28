<script setup lang="ts">
import { NCheckbox } from "naive-ui";
import { computed } from "vue";
import type { Exercise } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import type { Units } from "@/ui/measures";
import { lightFor, lightsFor, lightWay, sunOf, surfacesOf } from "./tone";

/** Where the light comes from, which plane is lightest, and whether shadows are cast. */
const props = defineProps<{ doc: Exercise; units: Units }>();
const emit = defineEmits<{ set: [path: (string | number)[], value: unknown] }>();

const LIGHTEST = [
  { value: "top", label: "the top" },
  { value: "front", label: "the front" },
] as const;
const VALUES = [
  { value: "4", label: "four" },
  { value: "3", label: "three, sides alike" },
] as const;

const tone = computed(() => props.doc.tone ?? null);
const way = computed(() => lightWay(props.doc));
const ways = computed(() => lightsFor(props.doc));
const sun = computed(() => sunOf(props.doc));
/** Uprights that lean cast no shadows here. */
const mayCast = computed(() => tone.value && props.doc.view.kind !== "three-point");

function choose(wanted: string) {
  const light = lightFor(wanted, props.doc);
  emit("set", ["tone"], light && { ...tone.value, light });
}
</script>

<template>
  <choice-field label="Tone" :value="way" :options="ways" @set="choose" />
  <choice-field
    v-if="tone"
    label="Lightest plane"
    :value="tone.lightest ?? 'top'"
    :options="LIGHTEST"
    @set="emit('set', ['tone', 'lightest'], $event)"
  />
  <choice-field
    v-if="tone"
    label="Values"
    :value="String(tone.values ?? 4)"
    :options="VALUES"
    @set="emit('set', ['tone', 'values'], Number($event))"
  />
  <template v-if="sun">
    <measure-input
      label="Sun, from the left"
      :value="sun.x_mm"
      :units="units"
      @set="emit('set', ['tone', 'light', 'x_mm'], $event)"
    />
    <measure-input
      label="Sun, from the top"
      :value="sun.y_mm"
      :units="units"
      @set="emit('set', ['tone', 'light', 'y_mm'], $event)"
    />
  </template>
  <n-checkbox
    v-if="mayCast"
    class="whole"
    :checked="Boolean(tone?.cast?.length)"
    @update:checked="emit('set', ['tone', 'cast'], $event ? surfacesOf(doc) : [])"
  >
    Cast shadows
  </n-checkbox>
</template>

<style scoped>
.whole {
  grid-column: 1 / -1;
}
</style>
