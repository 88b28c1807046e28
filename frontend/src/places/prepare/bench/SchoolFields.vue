<script setup lang="ts">
import { computed } from "vue";
import type { Exercise } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";

/** Where teachers differ: the quick way or the exact one. Only what the exercise has is asked. */
const props = defineProps<{ doc: Exercise }>();
const emit = defineEmits<{ set: [path: (string | number)[], value: unknown] }>();

const BY_AGE = { value: "", label: "by the age" };
const CIRCLES = [
  BY_AGE,
  { value: "four middles", label: "by four middles, by hand" },
  { value: "five marks", label: "by five marks, exact" },
];
const CURVES = [
  BY_AGE,
  { value: "by hand", label: "rounded by hand" },
  { value: "by marks", label: "by marks, exact" },
];
const FRONTS = [
  { value: "ruler", label: "with the ruler" },
  { value: "freehand", label: "by hand" },
];
const round = computed(() => props.doc.pieces?.some((one) => one.kind === "cylinder"));
const curved = computed(() =>
  props.doc.pieces?.some((one) => one.kind === "letters" && one.form === "curved"),
);
</script>

<template>
  <choice-field
    v-if="round"
    label="Circles"
    :value="doc.schools?.circle ?? ''"
    :options="CIRCLES"
    @set="emit('set', ['schools', 'circle'], $event || null)"
  />
  <choice-field
    v-if="curved"
    label="Curves of letters"
    :value="doc.schools?.curve ?? ''"
    :options="CURVES"
    @set="emit('set', ['schools', 'curve'], $event || null)"
  />
  <choice-field
    label="Fronts are drawn"
    :value="doc.schools?.fronts ?? 'ruler'"
    :options="FRONTS"
    @set="emit('set', ['schools', 'fronts'], $event)"
  />
</template>
