<script setup lang="ts">
import { computed } from "vue";
import type { DemandSpec } from "@/api/client";
import StateNote from "@/ui/StateNote.vue";
import { useSaid } from "@/ui/settings";
import DemandColumn from "./DemandColumn.vue";
import { DEMANDS, useDemands } from "./useDemands";
import { saveWords } from "../document/useAutosave";
import { useDocument } from "../document/useDocument";
import { usePageTitle } from "@/ui/usePageTitle";

/** One exercise, three demands, side by side. */
const props = defineProps<{ id: number }>();
const kept = useDocument(props.id);
const { document: doc, saving } = kept;
const said = useSaid(() => doc.value);
const demands = useDemands(said);
const columns = computed(() =>
  DEMANDS.map((demand) => ({
    ...demand,
    made: demands.data.value?.find((one) => one.name === demand.name),
  })),
);

function change(name: string, spec: DemandSpec) {
  kept.set(["demands"], { ...doc.value?.demands, [name]: spec });
}
usePageTitle(() => doc.value && `${doc.value.title}: three levels of difficulty`);
</script>

<template>
  <state-note
    v-if="!doc"
    class="waiting"
    :loading="kept.opened.isPending.value"
    :error="kept.opened.error.value"
    @retry="kept.opened.refetch()"
  />
  <section v-else class="demands">
    <header>
      <h1>{{ doc.title }}: three levels of difficulty</h1>
      <span class="saved" role="status">{{ saveWords(saving.state.value) }}</span>
      <router-link :to="`/prepare/${id}`">To the bench</router-link>
    </header>
    <p class="about">
      The same exercise for three kinds of pupils. The standard one is the exercise as it stands on
      the bench.
    </p>
    <div class="columns">
      <demand-column
        v-for="column in columns"
        :id="id"
        :key="column.name"
        :title="column.title"
        :name="column.name"
        :made="column.made"
        :doc="doc"
        @change="change(column.name, $event)"
      />
    </div>
  </section>
</template>

<style scoped>
.waiting {
  margin: 24px;
}
.demands {
  display: grid;
  gap: 12px;
  padding: 28px 36px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 16px;
  flex-wrap: wrap;
}
.saved,
.about {
  color: var(--quiet);
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(288px, 1fr));
  gap: 28px;
  margin-top: 8px;
}
</style>
