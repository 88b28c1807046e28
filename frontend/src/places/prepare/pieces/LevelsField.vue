<script setup lang="ts">
import { NButton } from "naive-ui";
import DraftInput from "@/ui/DraftInput.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import type { Units } from "@/ui/measures";
import { refuseName } from "./names";
import { nextLevel, renamedLevel, type Levels } from "./heights";

/** Heights of a room, chosen once at its back and carried round. */
const props = defineProps<{ label: string; levels: Levels; units: Units }>();
const emit = defineEmits<{ set: [levels: Levels] }>();

function without(name: string) {
  emit("set", Object.fromEntries(Object.entries(props.levels).filter(([own]) => own !== name)));
}
function refuse(wanted: string, own: string): string {
  const taken = wanted !== own && wanted in props.levels;
  return refuseName(wanted) || (taken ? "Another height is called so." : "");
}
</script>

<template>
  <fieldset class="levels">
    <legend>{{ label }}</legend>
    <div v-for="(mm, name) in levels" :key="name" class="level">
      <label class="field">
        <span>Name</span>
        <draft-input
          needed
          maxlength="40"
          :value="name"
          :refuse="(wanted: string) => refuse(wanted, String(name))"
          @set="emit('set', renamedLevel(levels, String(name), $event.trim()))"
        />
      </label>
      <measure-input
        label="Over the floor"
        :value="mm"
        :units="units"
        :least="0.5"
        @set="emit('set', { ...levels, [name]: $event })"
      />
      <n-button size="small" :aria-label="`Take off ${name}`" @click="without(String(name))">
        Take off
      </n-button>
    </div>
    <n-button size="small" @click="emit('set', nextLevel(levels))">Add a height</n-button>
  </fieldset>
</template>

<style scoped>
.levels {
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 8px;
  display: grid;
  gap: 8px;
}
.level {
  display: grid;
  grid-template-columns: 1fr 104px auto;
  gap: 8px;
  align-items: end;
}
</style>
