<script setup lang="ts">
import { ref, watch } from "vue";

/**
 * Words or a number being written: what is typed stays typed, whatever is drawn anew meanwhile, and
 * is handed over when the field is left.
 */
const props = defineProps<{
  id: string;
  value: string | number;
  lines?: number;
  least?: number;
  most?: number;
}>();
const emit = defineEmits<{ set: [value: string] }>();

const text = ref(String(props.value));
watch(
  () => props.value,
  (now) => (text.value = String(now)),
);

function take() {
  if (text.value !== String(props.value)) emit("set", text.value);
}
</script>

<template>
  <textarea v-if="lines" :id="id" v-model="text" class="plain" :rows="lines" @change="take" />
  <input
    v-else
    :id="id"
    v-model="text"
    class="plain"
    type="number"
    :min="least"
    :max="most"
    @change="take"
  />
</template>

<style scoped>
textarea {
  height: auto;
  padding: 6px 8px;
  line-height: 1.4;
  /* As high as its words, where the browser knows how. */
  field-sizing: content;
  resize: vertical;
}
</style>
