<script setup lang="ts">
import ChoiceField from "@/ui/ChoiceField.vue";
import { POINT_WORDS } from "@/ui/words";
import { computed } from "vue";
import { useKinds } from "../pieces/useKinds";
import type { Wanted } from "./shelf";

/** What is looked for on the shelf. */
const wanted = defineModel<Wanted>({ required: true });

const AGES = [6, 8, 10, 12, 14, 16, 18];
const MINUTES = [15, 30, 45, 60, 120];
type Wish = Exclude<keyof Wanted, "words">;

const choices = (any: string, all: [string | number, string][]) => [
  { value: "", label: any },
  ...all.map(([value, label]) => ({ value: String(value), label })),
];
interface Question {
  wish: Wish;
  label: string;
  options: { value: string; label: string }[];
}
const kinds = useKinds();
const fields = computed((): Question[] => [
  { wish: "points", label: "System", options: choices("any", Object.entries(POINT_WORDS)) },
  {
    wish: "kind",
    label: "With",
    options: choices(
      "anything",
      kinds.value.map(({ kind, several }) => [kind, several]),
    ),
  },
  {
    wish: "age",
    label: "Age",
    options: choices(
      "any",
      AGES.map((age) => [age, `${age} years`]),
    ),
  },
  {
    wish: "minutes",
    label: "Time",
    options: choices(
      "any",
      MINUTES.map((minutes) => [minutes, `up to ${minutes} min`]),
    ),
  },
]);

function choose(wish: Wish, value: string) {
  const wished = wish === "kind" ? value || null : Number(value) || null;
  wanted.value = { ...wanted.value, [wish]: wished };
}
</script>

<template>
  <form class="filter" role="search" aria-label="Look on the shelf" @submit.prevent>
    <label class="field">
      <span>Title</span>
      <input v-model="wanted.words" type="search" class="plain words" />
    </label>
    <choice-field
      v-for="{ wish, label, options } in fields"
      :key="wish"
      :label="label"
      :value="String(wanted[wish] ?? '')"
      :options="options"
      @set="choose(wish, $event)"
    />
  </form>
</template>

<style scoped>
.filter {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
.words {
  max-width: 168px;
}
</style>
