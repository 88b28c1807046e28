<script setup lang="ts">
import { computed } from "vue";
import type { Exercise } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import type { Units } from "@/ui/measures";
import { heightOf, heightsIn, heightWay, type Height } from "./heights";

/** How high something stands: measured, as high as a level of the room, or up to its ceiling. */
const props = defineProps<{ label: string; height: Height; doc: Exercise; units: Units }>();
const emit = defineEmits<{ set: [height: Height] }>();

const ways = computed(() => heightsIn(props.doc));
const way = computed(() => heightWay(props.height));
</script>

<template>
  <div class="height">
    <choice-field
      :value="way"
      :label="label"
      :options="ways"
      @set="emit('set', heightOf($event, height))"
    />
    <measure-input
      v-if="height.mm"
      label="Measure"
      :value="height.mm"
      :units="units"
      :least="0.5"
      @set="emit('set', { mm: $event })"
    />
  </div>
</template>

<style scoped>
.height {
  display: grid;
  grid-template-columns: 1fr 104px;
  gap: 8px;
}
</style>
