<script setup lang="ts" generic="Value extends string">
/** A few choices as a native list: small, quick, and known to every keyboard. */
defineProps<{
  value: Value;
  label: string;
  options: readonly { value: Value; label: string }[];
  hideLabel?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ set: [value: Value] }>();

function choose(event: Event) {
  emit("set", (event.target as HTMLSelectElement).value as Value);
}
</script>

<template>
  <label class="field">
    <span :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <select class="plain" :value="value" :disabled="disabled" @change="choose">
      <option v-for="option in options" :key="option.value" :value="option.value">
        {{ option.label }}
      </option>
    </select>
  </label>
</template>
