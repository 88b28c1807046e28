<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import type { Step } from "@/api/client";
import type { Asked } from "./cornerTest";
import { clockWords, type useLesson } from "./useLesson";

/** The lesson's controls and clocks, at the foot of the teacher's window. */
const props = defineProps<{
  id: number;
  lesson: ReturnType<typeof useLesson>;
  steps: readonly Step[];
  followed: boolean;
  panel: boolean;
  asked: Asked | null;
}>();
const emit = defineEmits<{ by: [count: number]; panel: []; projector: [] }>();
const frozen = defineModel<boolean>("frozen", { required: true });
const board = defineModel<boolean>("board", { required: true });
const corners = defineModel<boolean>("corners", { required: true });
const atStart = computed(() =>
  props.asked
    ? props.asked.open < 1
    : props.lesson.place.value <= 1 && !props.lesson.finished.value,
);
const atEnd = computed(() =>
  props.asked ? props.asked.open >= props.asked.test.corners.length : props.lesson.finished.value,
);
const numberIn = (event: Event) => Number((event.target as HTMLSelectElement).value);
</script>

<template>
  <footer>
    <n-button :disabled="atStart" @click="emit('by', -1)">Back</n-button>
    <n-button type="primary" :disabled="atEnd" @click="emit('by', 1)">{{
      asked ? "Answer" : "Next"
    }}</n-button>
    <n-button @click="lesson.togglePlay">{{ lesson.playing.value ? "Hold" : "Play" }}</n-button>
    <label class="jump">
      <span class="visually-hidden">Go to a step</span>
      <select
        class="plain"
        :value="lesson.finished.value ? steps.length + 1 : lesson.number.value"
        @change="lesson.go(numberIn($event))"
      >
        <option v-for="(at, i) in lesson.said.value" :key="at" :value="at">
          {{ i + 1 }}. {{ steps[at - 1]?.title }}
        </option>
        <option :value="steps.length + 1">Finished drawing</option>
      </select>
    </label>
    <span v-if="!lesson.finished.value" class="clock measure" aria-label="Clock">
      <span
        >step {{ clockWords(lesson.secondsInStep.value) }} of
        {{ lesson.step.value?.minutes }} min</span
      >
      <span
        >lesson {{ clockWords(lesson.secondsInLesson.value) }},
        {{ Math.round(lesson.minutesLeft.value) }} min left</span
      >
    </span>
    <span class="space" />
    <button
      type="button"
      class="toggle"
      title="G"
      :aria-pressed="lesson.look.value === 'guides'"
      @click="lesson.toggleLook('guides')"
    >
      Guide lines
    </button>
    <button
      type="button"
      class="toggle"
      title="D"
      :aria-pressed="lesson.look.value === 'finished'"
      @click="lesson.toggleLook('finished')"
    >
      Finished
    </button>
    <button type="button" class="toggle" :aria-pressed="board" @click="board = !board">
      Board
    </button>
    <button type="button" class="toggle" :aria-pressed="corners" @click="corners = !corners">
      Corner test
    </button>
    <button type="button" class="toggle" :aria-pressed="panel" @click="emit('panel')">
      Demonstrate
    </button>
    <button type="button" class="toggle" @click="emit('projector')">Projector</button>
    <button
      v-if="followed"
      type="button"
      title="F"
      :aria-pressed="frozen"
      @click="frozen = !frozen"
    >
      Freeze it
    </button>
    <router-link :to="`/print/${id}`">Print</router-link>
    <router-link to="/teach">Leave</router-link>
  </footer>
</template>

<style scoped>
footer {
  display: flex;
  align-items: center;
  gap: 8px 10px;
  flex-wrap: wrap;
  padding: 10px 20px;
  border-top: 1px solid var(--line);
}
.jump select {
  width: 176px;
}
.clock {
  display: grid;
  font-size: 14px;
  line-height: 1.25;
}
.space {
  flex: 1;
}
</style>
