<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import { Refusal } from "@/api/client";

/** What stands in place of content: it is loading, it failed, or there is none yet. */
const props = defineProps<{ loading?: boolean; error?: unknown; empty?: string }>();
defineEmits<{ retry: [] }>();

const message = computed(() =>
  props.error instanceof Refusal ? props.error.message : "Something unexpected went wrong here.",
);
</script>

<template>
  <p v-if="loading" class="note" role="status">Fetching from the cupboard…</p>
  <div v-else-if="error" class="note" role="alert">
    <p>{{ message }}</p>
    <n-button @click="$emit('retry')">Try again</n-button>
  </div>
  <div v-else-if="empty" class="note">
    <p>{{ empty }}</p>
    <slot />
  </div>
</template>

<style scoped>
.note {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 46ch;
  padding: 24px 0;
  color: var(--quiet);
}
</style>
