<script setup lang="ts">
import { computed } from "vue";
import type { Cut } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import DraftInput from "@/ui/DraftInput.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import type { Units } from "@/ui/measures";
import { cutOf, cutWay, type CutWay } from "./cuts";

/** How far a face goes back, in one of the four ways teachers do it. */
const props = defineProps<{
  cut: Cut;
  label: string;
  units: Units;
  /** What the cut measures now in each way, so that changing the way starts near it. */
  near: Record<CutWay, number>;
}>();
const emit = defineEmits<{ set: [cut: Cut] }>();

const WAYS: { value: CutWay; label: string }[] = [
  { value: "along_mm", label: "along the guide line" },
  { value: "x_mm", label: "from the left edge" },
  { value: "fraction", label: "part of the way" },
  { value: "true_mm", label: "true length" },
];
const given = computed(() => cutWay(props.cut));
const percent = computed(() => Math.round(given.value.value * 100));

function changeWay(way: CutWay) {
  emit("set", cutOf(way, props.near[way], props.cut.from));
}
</script>

<template>
  <div class="cut">
    <choice-field :value="given.way" :label="label" :options="WAYS" @set="changeWay" />
    <label v-if="given.way === 'fraction'" class="field">
      <span>Per cent</span>
      <draft-input
        needed
        :least="1"
        :most="99"
        :value="percent"
        @set="emit('set', cutOf('fraction', Number($event) / 100, cut.from))"
      />
    </label>
    <measure-input
      v-else
      label="Measure"
      :value="given.value"
      :units="units"
      :least="given.way === 'x_mm' ? undefined : 0.5"
      @set="emit('set', cutOf(given.way, $event, cut.from))"
    />
  </div>
</template>

<style scoped>
.cut {
  display: grid;
  grid-template-columns: 1fr 104px;
  gap: 8px;
}
</style>
