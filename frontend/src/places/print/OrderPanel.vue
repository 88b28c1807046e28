<script setup lang="ts">
import type { PrintOrder, PrintPart } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import { PART_WORDS, withOffice, withPart } from "./parts";

/** What goes into the pack, and how it is printed. */
const order = defineModel<PrintOrder>({ required: true });

const PER_PAGE = [
  { value: "2", label: "2, large" },
  { value: "4", label: "4" },
  { value: "6", label: "6, small" },
];
const OFFICE = [
  { value: "A4", label: "A4" },
  { value: "Letter", label: "Letter" },
] as const;

function set(part: Partial<PrintOrder>) {
  order.value = { ...order.value, ...part };
}
const wants = (part: PrintPart) => order.value.parts.includes(part);
const checked = (event: Event) => (event.target as HTMLInputElement).checked;

function choose(part: PrintPart, event: Event) {
  order.value = withPart(order.value, part, checked(event));
  // The last part stays: the box must say so, too.
  (event.target as HTMLInputElement).checked = wants(part);
}
</script>

<template>
  <form class="order" @submit.prevent>
    <fieldset>
      <legend>In the pack</legend>
      <label v-for="{ part, name, about } in PART_WORDS" :key="part" class="check">
        <input type="checkbox" :checked="wants(part)" @change="choose(part, $event)" />
        <span
          ><strong>{{ name }}</strong> <span class="about">{{ about }}</span></span
        >
      </label>
    </fieldset>
    <choice-field
      label="Steps to a page"
      :value="String(order.per_page)"
      :options="PER_PAGE"
      @set="set({ per_page: Number($event) as PrintOrder['per_page'] })"
    />
    <choice-field
      label="Paper of the printer"
      :value="order.office"
      :options="OFFICE"
      @set="order = withOffice(order, $event)"
    />
    <choice-field
      label="True-size pages"
      :value="order.paper === 'sheet' ? 'sheet' : 'tiles'"
      :options="[
        { value: 'sheet', label: 'on the exercise’s own sheet' },
        { value: 'tiles', label: `in parts on ${order.office}, to join` },
      ]"
      @set="set({ paper: $event === 'sheet' ? 'sheet' : order.office })"
    />
    <label class="check">
      <input type="checkbox" :checked="order.grey" @change="set({ grey: checked($event) })" />
      <span><strong>Without colour</strong> <span class="about">for a grey printer</span></span>
    </label>
    <label class="check">
      <input type="checkbox" :checked="order.marks" @change="set({ marks: checked($event) })" />
      <span
        ><strong>Corner marks and code</strong>{{ " " }}
        <span class="about">on starter sheets, for marking by photo</span></span
      >
    </label>
  </form>
</template>

<style scoped>
.order {
  display: grid;
  gap: 12px;
}
fieldset {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
  margin-bottom: 8px;
  font-size: 18px;
  font-weight: 700;
}
.about {
  color: var(--quiet);
  font-size: 14px;
}
</style>
