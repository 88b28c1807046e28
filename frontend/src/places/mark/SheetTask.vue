<script setup lang="ts">
import { computed } from "vue";
import type { DemandName, PupilSheet } from "@/api/client";
import { useSetTask } from "@/api/marking";
import { DEMAND_OPTIONS } from "@/places/prepare/plan/useDemands";
import ChoiceField from "@/ui/ChoiceField.vue";
import DraftInput from "@/ui/DraftInput.vue";

/** What the pupil drew: by which demand, and which word. The judge tells it by code and name. */
const props = defineProps<{ sheet: PupilSheet }>();

const saying = useSetTask();
const task = computed(() => props.sheet.task);

function say(change: Partial<{ demand: DemandName; word: string | null }>) {
  const { demand, word } = task.value;
  saying.mutate({ sheetId: props.sheet.id, demand, word: word ?? null, ...change });
}
</script>

<template>
  <div class="task">
    <choice-field
      label="Drawn from"
      :value="task.demand"
      :options="DEMAND_OPTIONS"
      :disabled="saying.isPending.value"
      @set="say({ demand: $event })"
    />
    <div v-if="task.worded" class="field">
      <label for="sheet-word">Word on it</label>
      <draft-input
        id="sheet-word"
        :key="sheet.id"
        maxlength="12"
        placeholder="the exercise’s"
        :value="task.word ?? ''"
        @set="say({ word: $event.trim() || null })"
      />
    </div>
    <p v-if="task.belongs_to && !sheet.verdict?.unjudged" class="refused" role="alert">
      The printed code says that this sheet is of {{ task.belongs_to }}.
    </p>
    <p v-if="saying.error.value" class="refused" role="alert">{{ saying.error.value.message }}.</p>
  </div>
</template>

<style scoped>
.task {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
  width: 100%;
}
.refused {
  grid-column: 1 / -1;
  color: var(--off);
}
</style>
