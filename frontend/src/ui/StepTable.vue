<script setup lang="ts">
import { computed } from "vue";
import type { Step } from "@/api/client";
import { turnedIfWide } from "./tables";

/** What differs where a step is done several times; a wide table lies on its side. */
const props = defineProps<{ step: Step }>();
const shown = computed(() => turnedIfWide(props.step.columns ?? [], props.step.table ?? []));
</script>

<template>
  <table v-if="step.table?.length" class="differs">
    <thead>
      <tr>
        <th v-for="(column, k) in shown.columns" :key="k" scope="col">{{ column }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in shown.rows" :key="i">
        <template v-for="(cell, k) in row" :key="k">
          <th v-if="k === 0" scope="row">{{ cell }}</th>
          <td v-else>{{ cell }}</td>
        </template>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.differs {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.72em;
  line-height: 1.25;
}
th,
td {
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
  font-weight: inherit;
}
thead th {
  color: var(--quiet);
  font-size: 0.9em;
}
tbody th {
  font-weight: 600;
}
</style>
