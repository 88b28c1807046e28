<script setup lang="ts">
import { NCheckbox } from "naive-ui";
import { ref, watch } from "vue";
import type { Letters } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import { ranTo } from "./editing";

/** The word itself, where the letters' lines lie, and the side along which it runs. */
const props = defineProps<{ piece: Letters }>();
const emit = defineEmits<{ change: [piece: Letters] }>();

const text = ref(props.piece.text);
watch(
  () => props.piece.text,
  (now) => (text.value = now),
);

const ALPHABETS = [
  { value: "measured", label: "in round measures" },
  { value: "quartered", label: "on halves and quarters, by diagonals" },
] as const;
const FORMS = [
  { value: "block", label: "straight block letters" },
  { value: "curved", label: "round letters with curves" },
] as const;
const BANDS = ["0", "1", "2", "3", "4"].map((value) => ({
  value,
  label: value === "0" ? "none" : `${value} lines`,
}));
const RUNS = [
  { value: "right", label: "to the right" },
  { value: "left", label: "to the left" },
] as const;

function alongStreet(on: boolean) {
  // Letters along a street stand on the ground.
  const standing = on ? ("ground" as const) : props.piece.standing;
  emit("change", { ...props.piece, standing, street: on ? { fraction: 0.35 } : null });
}

function take() {
  // Block letters are capitals; what has none is said by the server.
  const word = text.value.toUpperCase().trim();
  text.value = word || props.piece.text;
  if (word && word !== props.piece.text) emit("change", { ...props.piece, text: word });
}
</script>

<template>
  <label class="field">
    <span>Word, in capitals</span>
    <input v-model="text" class="plain" maxlength="24" @change="take" @keydown.enter="take" />
  </label>
  <choice-field
    label="Its lines lie"
    :value="piece.alphabet ?? 'measured'"
    :options="ALPHABETS"
    @set="emit('change', { ...piece, alphabet: $event })"
  />
  <choice-field
    label="Their form"
    :value="piece.form ?? 'block'"
    :options="FORMS"
    @set="emit('change', { ...piece, form: $event })"
  />
  <choice-field
    label="Pattern bands on the sides"
    :value="String(piece.bands ?? 0)"
    :options="BANDS"
    @set="emit('change', { ...piece, bands: Number($event) })"
  />
  <n-checkbox v-if="piece.front" :checked="Boolean(piece.street)" @update:checked="alongStreet">
    One behind the other, along a street
  </n-checkbox>
  <choice-field
    v-if="piece.run"
    label="The word runs"
    :value="piece.run"
    :options="RUNS"
    @set="emit('change', ranTo(piece, $event))"
  />
</template>
