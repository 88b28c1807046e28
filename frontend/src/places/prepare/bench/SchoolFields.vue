<script setup lang="ts">
import { computed } from "vue";
import type { Exercise } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";

/** Where teachers differ: the quick way or the exact one. Only what the exercise has is asked. */
const props = defineProps<{ doc: Exercise }>();
const emit = defineEmits<{ set: [path: (string | number)[], value: unknown] }>();

const BY_AGE = { value: "", label: "by the age" };
const FIELDS = [
  {
    name: "circle",
    label: "Circles",
    options: [
      BY_AGE,
      { value: "four middles", label: "by four middles, by hand" },
      { value: "five marks", label: "by five marks, exact" },
    ],
    asked: (doc: Exercise) => doc.pieces?.some((one) => one.kind === "cylinder"),
  },
  {
    name: "curve",
    label: "Curves of letters",
    options: [
      BY_AGE,
      { value: "by hand", label: "rounded by hand" },
      { value: "by marks", label: "by marks, exact" },
    ],
    asked: (doc: Exercise) =>
      doc.pieces?.some((one) => one.kind === "letters" && one.form === "curved"),
  },
  {
    name: "fronts",
    label: "Fronts are drawn",
    options: [
      { value: "ruler", label: "with the ruler" },
      { value: "freehand", label: "by hand" },
    ],
    asked: () => true,
  },
  {
    name: "guides",
    label: "Guide lines are drawn",
    options: [
      { value: "as far as needed", label: "as far as needed" },
      { value: "to the point", label: "to the point" },
    ],
    asked: () => true,
  },
] as const;
const asked = computed(() => FIELDS.filter((field) => field.asked(props.doc)));
</script>

<template>
  <choice-field
    v-for="{ name, label, options } in asked"
    :key="name"
    :label="label"
    :value="doc.schools?.[name] ?? options[0].value"
    :options="options"
    @set="emit('set', ['schools', name], $event || null)"
  />
</template>
