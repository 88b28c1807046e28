<script setup lang="ts">
import { ref, watch } from "vue";

/** A word in block letters; what has none is said by the core. */
const props = defineProps<{ label: string; value: string }>();
const emit = defineEmits<{ set: [text: string] }>();

const MOST_LETTERS = 24;
const text = ref(props.value);
watch(
  () => props.value,
  (now) => (text.value = now),
);

function take() {
  // Block letters are capitals.
  const word = text.value.toUpperCase().trim();
  text.value = word || props.value;
  if (word && word !== props.value) emit("set", word);
}
</script>

<template>
  <label class="field word">
    <span>{{ label }}</span>
    <input
      v-model="text"
      class="plain"
      :maxlength="MOST_LETTERS"
      @change="take"
      @keydown.enter="take"
    />
  </label>
</template>

<style scoped>
.word {
  grid-column: 1 / -1;
}
</style>
