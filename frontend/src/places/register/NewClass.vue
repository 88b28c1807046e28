<script setup lang="ts">
import { NButton } from "naive-ui";
import { nextTick, ref } from "vue";
import { useAddClass, useClassesAway } from "@/api/classes";

/** A new class by its name, or one that was put away. */
const emit = defineEmits<{ began: [id: number]; back: [id: number] }>();

const adding = useAddClass();
const away = useClassesAway();
const open = ref(false);
const name = ref("");
const field = ref<HTMLInputElement | null>(null);

async function ask() {
  open.value = true;
  adding.reset();
  await nextTick();
  field.value?.focus();
}

async function begin() {
  const made = await adding.mutateAsync(name.value.trim()).catch(() => null);
  if (!made) return;
  emit("began", made.id);
  open.value = false;
  name.value = "";
}
</script>

<template>
  <button v-if="!open" type="button" class="toggle" @click="ask">New class</button>
  <form v-else @submit.prevent="begin" @keydown.escape="open = false">
    <input
      ref="field"
      v-model="name"
      class="plain"
      maxlength="60"
      placeholder="Name, such as 9 Hazel"
      aria-label="Name of the new class"
    />
    <n-button attr-type="submit" :disabled="!name.trim()" :loading="adding.isPending.value">
      Begin the class
    </n-button>
    <button
      v-for="one in away.data.value"
      :key="one.id"
      type="button"
      class="toggle"
      @click="((open = false), emit('back', one.id))"
    >
      Bring back {{ one.name }}
    </button>
    <p v-if="adding.error.value" role="alert">{{ adding.error.value.message }}.</p>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
[role="alert"] {
  color: var(--off);
}
</style>
