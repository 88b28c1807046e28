<script setup lang="ts">
import { useServerNotes } from "@/api/queries";

/** A strip of paper above the page while something is amiss on the server; nothing otherwise. */
const notes = useServerNotes();
</script>

<template>
  <div role="status" class="notes">
    <p v-for="note in notes.data.value ?? []" :key="note"><strong>Note</strong> {{ note }}</p>
  </div>
</template>

<style scoped>
.notes:empty {
  display: none;
}
p {
  margin: 0;
  padding: 8px 20px;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid var(--near);
  background: var(--card);
  color: var(--ink);
  font-size: 14px;
}
</style>
