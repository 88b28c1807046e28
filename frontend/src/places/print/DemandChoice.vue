<script setup lang="ts">
import type { DemandOut } from "@/api/client";
import { DEMAND_OPTIONS } from "@/places/prepare/plan/useDemands";
import ChoiceField from "@/ui/ChoiceField.vue";

/** Which of the three levels of difficulty is printed. */
defineProps<{ id: number }>();
const demand = defineModel<DemandOut["name"]>({ required: true });
</script>

<template>
  <div>
    <choice-field
      label="Difficulty"
      :value="demand"
      :options="DEMAND_OPTIONS"
      @set="demand = $event"
    />
    <p><router-link :to="`/demands/${id}`">See all three side by side</router-link></p>
  </div>
</template>

<style scoped>
p {
  padding-top: 4px;
  font-size: 14px;
}
</style>
