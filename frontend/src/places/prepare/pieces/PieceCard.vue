<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import type { Exercise, Grip, Piece } from "@/api/client";
import DraftInput from "@/ui/DraftInput.vue";
import type { Units } from "@/ui/measures";
import { summaryOf, type Told } from "./kinds";
import { refuseName } from "./names";
import PieceFields from "./PieceFields.vue";

/** One piece: its name and, opened, its measures. */
const props = defineProps<{
  told: Told;
  doc: Exercise;
  grips: readonly Grip[];
  units: Units;
  open: boolean;
}>();
const emit = defineEmits<{
  choose: [];
  change: [piece: Piece, merge?: string];
  rename: [wanted: string];
  pick: [field: string, value: string | boolean | null];
  add: [what: string, within?: string];
  remove: [];
}>();

const name = computed(() => props.told.piece.id);
const summary = computed(() => summaryOf(props.told, props.units));
</script>

<template>
  <article class="card" :class="{ open }">
    <button type="button" class="head" :aria-expanded="open" @click="emit('choose')">
      <strong>{{ name }}</strong>
      <span class="measure">{{ summary }}</span>
    </button>
    <div v-if="open" class="body">
      <label class="field">
        <span>Name</span>
        <draft-input
          needed
          maxlength="40"
          :value="name"
          :refuse="refuseName"
          @set="emit('rename', $event.trim())"
        />
      </label>
      <piece-fields
        :told="told"
        :doc="doc"
        :grips="grips"
        :units="units"
        @change="(changed, merge) => emit('change', changed, merge)"
        @choose="(field, value) => emit('pick', field, value)"
        @add="(what, within) => emit('add', what, within)"
      />
      <n-button size="small" @click="emit('remove')">Take it off the sheet</n-button>
    </div>
  </article>
</template>

<style scoped>
.card {
  border: 1px solid var(--line);
  border-radius: 6px;
}
.open {
  border-color: var(--action);
}
.head {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 8px 12px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.head span {
  color: var(--quiet);
}
.body {
  display: grid;
  gap: 8px;
  padding: 0 12px 12px;
  justify-items: stretch;
}
</style>
