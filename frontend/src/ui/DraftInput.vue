<script setup lang="ts">
import { ref, watch } from "vue";

/**
 * Words or a number being written: what is typed stays typed, whatever is drawn anew meanwhile, and
 * is handed over when the field is left. What cannot be taken stays too, with the reason under it.
 */
const props = defineProps<{
  value: string | number;
  id?: string;
  /** Rows of a field for longer words; without it one line of words, or a number with bounds. */
  lines?: number;
  least?: number;
  most?: number;
  /** Left empty, the field goes back to what it held. */
  needed?: boolean;
  /** Why these words cannot be taken, or nothing. */
  refuse?: (text: string) => string;
}>();
const emit = defineEmits<{ set: [value: string] }>();
defineOptions({ inheritAttrs: false });

const text = ref(String(props.value));
const wrong = ref("");
watch(() => props.value, goBack);

function goBack() {
  text.value = String(props.value);
  wrong.value = "";
}

function outside(number: number): boolean {
  return number < (props.least ?? -Infinity) || number > (props.most ?? Infinity);
}

function take() {
  // A number field hands over a number, or nothing where no number can be read.
  const now = String(text.value).trim();
  if (props.needed && !now) goBack();
  else if (props.least !== undefined && outside(Number(now || props.least)))
    wrong.value = `A number from ${props.least} to ${props.most}.`;
  else wrong.value = props.refuse?.(now) ?? "";
  if (!wrong.value && String(text.value) !== String(props.value)) emit("set", String(text.value));
}
</script>

<template>
  <textarea
    v-if="lines"
    v-bind="$attrs"
    :id="id"
    v-model="text"
    class="plain"
    :rows="lines"
    @change="take"
  />
  <input
    v-else
    v-bind="$attrs"
    :id="id"
    v-model="text"
    class="plain"
    :type="least === undefined ? 'text' : 'number'"
    :min="least"
    :max="most"
    :aria-invalid="wrong !== ''"
    @change="take"
  />
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
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
.wrong {
  margin: 2px 0 0;
  color: var(--off);
  font-size: 13px;
}
</style>
