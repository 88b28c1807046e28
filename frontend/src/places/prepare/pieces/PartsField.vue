<script setup lang="ts">
import { NButton } from "naive-ui";
import type { Exercise, FieldSpec } from "@/api/client";
import type { Units } from "@/ui/measures";
import { toldOfPart, withPart, type Part } from "./parts";
import PieceFields from "./PieceFields.vue";

/** What is in a piece, as windows and doors in the walls of a house: each opened by its name. */
const props = defineProps<{
  field: FieldSpec;
  parts: readonly Part[];
  doc: Exercise;
  units: Units;
}>();
const emit = defineEmits<{
  set: [parts: Part[]];
  /** One more, or one more in one of them. */
  add: [what: string, within?: string];
  /** A choice that the core makes in one of them. */
  choose: [field: string, value: string | boolean | null];
}>();

const change = (at: number, part: Part | null) => emit("set", withPart(props.parts, at, part));
const choose = (at: number, name: string, value: string | boolean | null) =>
  emit("choose", [...props.field.path, at, name].join("."), value);
</script>

<template>
  <fieldset>
    <legend>{{ field.label }}</legend>
    <details v-for="(part, at) in parts" :key="part.id">
      <summary>{{ part.id }}</summary>
      <p v-if="part.like">
        It is like {{ part.like }}: all that is changed there is changed here, too.
      </p>
      <piece-fields
        :told="toldOfPart(part, field)"
        :doc="doc"
        :grips="[]"
        :units="units"
        @change="change(at, $event as unknown as Part)"
        @choose="(name, value) => choose(at, name, value)"
        @add="emit('add', $event, part.id)"
      />
      <n-button size="small" @click="change(at, null)">Take it out</n-button>
    </details>
    <n-button
      v-for="{ value, label } in field.added"
      :key="value"
      size="small"
      @click="emit('add', value)"
    >
      {{ label }}
    </n-button>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  min-width: 0;
  margin: 0;
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
}
legend {
  padding: 0 4px;
  font-size: 14px;
  color: var(--quiet);
}
details {
  width: 100%;
}
p {
  margin: 4px 0;
}
summary {
  padding: 4px 0;
  cursor: pointer;
}
</style>
