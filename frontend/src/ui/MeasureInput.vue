<script setup lang="ts">
import { NInput } from "naive-ui";
import { computed, ref, watch } from "vue";
import { formatMeasure, nudgeStepMm, parseMeasure, type Units } from "./measures";

/** A measure typed as on a ruler: "11.4", "3 3/8", "85 mm". Arrow keys nudge it. */
const props = defineProps<{ value: number; units: Units; label: string; least?: number }>();
const emit = defineEmits<{ set: [mm: number] }>();

const text = ref("");
const wrong = ref(false);
const id = `measure-${Math.random().toString(36).slice(2)}`;
const shown = computed(() => formatMeasure(props.value, props.units, false));
watch(
  shown,
  (now) => {
    text.value = now;
    wrong.value = false;
  },
  { immediate: true },
);

function take() {
  if (text.value === shown.value) return;
  const mm = parseMeasure(text.value, props.units);
  wrong.value = mm === null || (props.least !== undefined && mm < props.least);
  if (mm !== null && !wrong.value) emit("set", Number(mm.toFixed(4)));
}

function nudge(event: KeyboardEvent) {
  if (event.key === "Enter") take();
  const sign = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  if (!sign) return;
  event.preventDefault();
  const mm = props.value + sign * nudgeStepMm(props.units) * (event.shiftKey ? 10 : 1);
  if (props.least === undefined || mm >= props.least) emit("set", Number(mm.toFixed(4)));
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <n-input
      v-model:value="text"
      size="small"
      placeholder=""
      class="measure"
      :status="wrong ? 'error' : undefined"
      :input-props="{ id, 'aria-invalid': wrong, autocomplete: 'off' }"
      @blur="take"
      @keydown="nudge"
    >
      <template #suffix>{{ units }}</template>
    </n-input>
    <p v-if="wrong" class="wrong" role="alert">
      Type a measure such as {{ units === "in" ? "3 3/8" : "11.4" }}.
    </p>
  </div>
</template>

<style scoped>
.wrong {
  font-size: 13px;
  color: var(--off);
}
</style>
