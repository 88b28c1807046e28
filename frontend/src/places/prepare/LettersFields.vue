<script setup lang="ts">
import { ref, watch } from "vue";
import type { Letters } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";

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
const RUNS = [
  { value: "right", label: "to the right" },
  { value: "left", label: "to the left" },
] as const;

function take() {
  // Block letters are capitals; what has none is said by the server.
  const word = text.value.toUpperCase().trim();
  text.value = word || props.piece.text;
  if (word && word !== props.piece.text) emit("change", { ...props.piece, text: word });
}
</script>

<template>
  <label class="word">
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
    v-if="piece.run"
    label="The word runs"
    :value="piece.run"
    :options="RUNS"
    @set="
      emit('change', { ...piece, run: $event, length: piece.thickness, thickness: piece.length })
    "
  />
</template>

<style scoped>
.word span {
  display: block;
  font-size: 13px;
  color: var(--quiet);
}
input {
  width: 100%;
}
</style>
