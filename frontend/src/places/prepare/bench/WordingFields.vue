<script setup lang="ts">
import { computed } from "vue";
import type { Exercise } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import DraftInput from "@/ui/DraftInput.vue";
import type { Units } from "@/ui/measures";
import { useSettings } from "@/ui/settings";

/** How the exercise is said. What the settings say for all exercises is shown and not changed. */
const props = defineProps<{ doc: Exercise; units: Units }>();
const emit = defineEmits<{ set: [path: string[], value: string | number | null] }>();

const settings = useSettings();
const FIELDS = [
  {
    name: "units",
    label: "Units",
    options: [
      { value: "cm", label: "cm" },
      { value: "mm", label: "mm" },
      { value: "in", label: "inches" },
    ],
  },
  {
    name: "line",
    label: "The line is the",
    options: [
      { value: "eye level", label: "eye level" },
      { value: "horizon", label: "horizon" },
    ],
  },
  {
    name: "spelling",
    label: "Spelling",
    options: [
      { value: "UK", label: "UK" },
      { value: "US", label: "US" },
    ],
  },
  {
    name: "reading",
    label: "Sentences",
    options: [
      { value: "full", label: "full" },
      { value: "simple", label: "short and simple" },
    ],
  },
] as const;
const FIRST = { line: "eye level", spelling: "UK", reading: "full" } as const;

const fields = computed(() =>
  FIELDS.map((field) => {
    const own = settings.data.value?.[field.name] ?? null;
    const said =
      field.name === "units" ? props.units : (props.doc.wording?.[field.name] ?? FIRST[field.name]);
    return { ...field, fixed: own !== null, value: own ?? said };
  }),
);
const someFixed = computed(() => fields.value.some(({ fixed }) => fixed));

function setAge(text: string) {
  const age = Number(text);
  emit("set", ["age"], age >= 5 && age <= 18 ? Math.round(age) : null);
}
</script>

<template>
  <choice-field
    v-for="field in fields"
    :key="field.name"
    :label="field.label"
    :value="field.value"
    :options="field.options"
    :disabled="field.fixed"
    @set="emit('set', ['wording', field.name], $event)"
  />
  <div class="field">
    <label for="setup-age">Youngest age</label>
    <draft-input id="setup-age" :value="doc.age ?? ''" :least="5" :most="18" @set="setAge" />
  </div>
  <p v-if="someFixed" class="hint">
    What cannot be chosen here is said for all exercises in the
    <router-link to="/settings">settings</router-link>.
  </p>
</template>

<style scoped>
.hint {
  grid-column: 1 / -1;
  color: var(--quiet);
  font-size: 13px;
}
</style>
