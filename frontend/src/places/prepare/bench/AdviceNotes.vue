<script setup lang="ts">
import type { Advice } from "@/api/client";

/** Advice as pencilled notes in the desk's margin; figures lead to their places on the sheet. */
defineProps<{ advice: readonly Advice[] }>();
const emit = defineEmits<{ mend: [advice: Advice] }>();
</script>

<template>
  <ol v-if="advice.length" class="notes" aria-label="Advice">
    <li v-for="note in advice" :key="note.code">
      <p>{{ note.message }}</p>
      <button v-if="note.changes.length" type="button" @click="emit('mend', note)">
        {{ note.remedy }}
      </button>
    </li>
  </ol>
</template>

<style scoped>
.notes {
  display: flex;
  gap: 24px;
  margin: 0;
  padding: 4px 16px 8px;
  list-style: none;
  counter-reset: note;
  overflow-x: auto;
}
li {
  counter-increment: note;
  position: relative;
  max-width: 40ch;
  padding-left: 26px;
  font-style: italic;
  font-size: 14px;
  line-height: 1.35;
}
li::before {
  content: counter(note);
  position: absolute;
  left: 0;
  top: 1px;
  width: 19px;
  height: 19px;
  border: 1.5px solid currentColor;
  border-radius: 50%;
  font-style: normal;
  font-size: 12px;
  line-height: 16px;
  text-align: center;
}
button {
  margin-top: 2px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--action);
  font: inherit;
  font-weight: 700;
  text-align: left;
  text-decoration: underline;
  cursor: pointer;
}
</style>
