<script setup lang="ts">
import { NButton } from "naive-ui";
import { ref } from "vue";
import type { ShelfItem } from "@/api/client";
import { useGiveLesson } from "@/api/queries";

/** Set an exercise from the shelf to the class, for a day. */
const props = defineProps<{ classId: number; exercises: readonly ShelfItem[] }>();
const emit = defineEmits<{ given: [] }>();

const giving = useGiveLesson();
const exerciseId = ref<number | null>(null);
const day = ref(new Date().toLocaleDateString("sv-SE"));

async function give() {
  if (exerciseId.value === null) return;
  const given = await giving
    .mutateAsync({ class_id: props.classId, exercise_id: exerciseId.value, given_on: day.value })
    .catch(() => null);
  if (given) {
    exerciseId.value = null;
    emit("given");
  }
}
</script>

<template>
  <form class="give" @submit.prevent="give">
    <label class="field">
      <span>Set an exercise</span>
      <select v-model="exerciseId" class="plain">
        <option :value="null">Choose from the shelf</option>
        <option v-for="item in exercises" :key="item.id" :value="item.id">{{ item.title }}</option>
      </select>
    </label>
    <label class="field">
      <span>On</span>
      <input v-model="day" class="plain" type="date" required />
    </label>
    <n-button attr-type="submit" :disabled="exerciseId === null" :loading="giving.isPending.value">
      Set it
    </n-button>
    <p v-if="giving.error.value" role="alert">{{ giving.error.value.message }}</p>
  </form>
</template>

<style scoped>
.give {
  display: flex;
  gap: 12px;
  align-items: end;
  flex-wrap: wrap;
}
[role="alert"] {
  color: var(--off);
}
</style>
