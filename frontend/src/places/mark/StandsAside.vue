<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { Lesson, PupilSheet } from "@/api/client";
import { dayWords } from "@/ui/words";

/** A sheet that was not held against the exercise: why, and what to do with it. */
const props = defineProps<{
  sheet: PupilSheet;
  lessons: readonly Lesson[];
  busy: boolean;
  fault: string | null;
}>();
const emit = defineEmits<{ anyway: []; corners: []; move: [lesson: Lesson] }>();

const others = computed(() => props.lessons.filter((one) => one.id !== props.sheet.lesson_id));
const code = computed(() => props.sheet.verdict?.findings[0]?.code);
const target = ref<number | null>(null);
watch(
  () => props.sheet.id,
  () => (target.value = props.sheet.likely_lessons[0] ?? null),
  { immediate: true },
);

function move() {
  const lesson = others.value.find((one) => one.id === target.value);
  if (lesson) emit("move", lesson);
}
</script>

<template>
  <section class="aside" aria-label="This sheet stands aside">
    <p class="why">{{ sheet.verdict?.findings[0]?.message }}</p>
    <p class="small">
      It is not judged: no words go to the pupil, and the class’s figures leave it out.
    </p>
    <div v-if="code === 'another-exercise'" class="move">
      <label class="field">
        <span>It belongs to</span>
        <select v-model="target" class="plain">
          <option :value="null">Which lesson?</option>
          <option v-for="one in others" :key="one.id" :value="one.id">
            {{ one.exercise_title }}, {{ one.class_name }}, {{ dayWords(one.given_on) }}
          </option>
        </select>
      </label>
      <n-button type="primary" :disabled="target === null" :loading="busy" @click="move">
        Move it there
      </n-button>
    </div>
    <div class="row">
      <button v-if="code === 'no-sheet'" type="button" class="toggle" @click="emit('corners')">
        Set the corners by hand
      </button>
      <button v-else type="button" class="toggle" :disabled="busy" @click="emit('anyway')">
        Judge it all the same
      </button>
    </div>
    <p v-if="fault" class="refused" role="alert">{{ fault }}.</p>
  </section>
</template>

<style scoped>
.aside {
  display: grid;
  gap: 12px;
  width: 100%;
  padding: 12px 16px;
  border-left: 4px dotted var(--near);
}
.why {
  font-size: 16px;
  font-weight: 600;
}
.small {
  color: var(--quiet);
  font-size: 14px;
}
.move {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.move .field {
  width: 100%;
}
.row {
  display: flex;
  gap: 8px;
}
.refused {
  color: var(--off);
}
</style>
