<script setup lang="ts">
import { NButton } from "naive-ui";
import { ref } from "vue";
import type { Lesson, PupilSheet } from "@/api/client";
import { useHandIn } from "@/api/queries";
import { dayWords, UNDERSTANDING } from "@/ui/words";

/** The pupils' sheets of a lesson, one after the other, and a place to hand in more. */
const props = defineProps<{
  lessons: readonly Lesson[];
  lessonId: number;
  sheets: readonly PupilSheet[];
  chosen: number | null;
}>();
const emit = defineEmits<{ lesson: [id: number]; choose: [id: number] }>();

const handIn = useHandIn(() => props.lessonId);
const input = ref<HTMLInputElement | null>(null);
const waiting = ref(0);
const refused = ref<string[]>([]);
/** The photo under way is still judged; those after it are not sent. */
const stopped = ref(false);

async function take(files: FileList | null | undefined) {
  const photos = [...(files ?? [])];
  waiting.value += photos.length;
  refused.value = [];
  stopped.value = false;
  for (const photo of photos) {
    if (stopped.value) {
      waiting.value -= 1;
      continue;
    }
    try {
      const sheet = await handIn.mutateAsync(photo);
      emit("choose", sheet.id);
    } catch (fault) {
      refused.value.push(`${photo.name}: ${(fault as Error).message}`);
    }
    waiting.value -= 1;
  }
  if (input.value) input.value.value = "";
}

const signOf = (sheet: PupilSheet) =>
  UNDERSTANDING.find((one) => one.value === sheet.mark?.understanding);
</script>

<template>
  <aside
    class="stack"
    aria-label="The stack"
    @dragover.prevent
    @drop.prevent="take($event.dataTransfer?.files)"
  >
    <label>
      <span class="visually-hidden">Lesson</span>
      <select
        class="plain"
        :value="lessonId"
        @change="emit('lesson', Number(($event.target as HTMLSelectElement).value))"
      >
        <option v-for="lesson in lessons" :key="lesson.id" :value="lesson.id">
          {{ lesson.class_name }}, {{ lesson.exercise_title }}, {{ dayWords(lesson.given_on) }}
        </option>
      </select>
    </label>
    <ol>
      <li v-for="sheet in sheets" :key="sheet.id">
        <button type="button" :aria-current="sheet.id === chosen" @click="emit('choose', sheet.id)">
          <img
            v-if="sheet.verdict?.sheet_found"
            :src="`/api/sheets/${sheet.id}/straight.jpg`"
            alt=""
          />
          <span v-else class="lost">no sheet found</span>
          <span>
            <strong>{{ sheet.pupil?.name ?? sheet.file_name }}</strong>
            <small v-if="signOf(sheet)">{{ signOf(sheet)?.sign }} {{ signOf(sheet)?.label }}</small>
            <small v-else>to be marked</small>
          </span>
        </button>
      </li>
    </ol>
    <div v-if="waiting" class="waiting" role="status">
      <span>Looking at {{ waiting }} {{ waiting === 1 ? "photo" : "photos" }}…</span>
      <n-button v-if="waiting > 1 && !stopped" size="tiny" @click="stopped = true">
        Stop after this one
      </n-button>
    </div>
    <p v-for="message in refused" :key="message" class="refused" role="alert">{{ message }}</p>
    <n-button :disabled="waiting > 0" @click="input?.click()">Add photos of sheets</n-button>
    <input
      ref="input"
      type="file"
      accept="image/jpeg,image/png"
      multiple
      hidden
      aria-label="Photos of sheets"
      @change="take(($event.target as HTMLInputElement).files)"
    />
  </aside>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 12px;
  align-content: start;
  padding: 20px 12px;
  overflow-y: auto;
  border-right: 1px solid var(--line);
}
select {
  width: 100%;
}
ol {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
button[aria-current] {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 6px;
  border: 2px solid transparent;
  border-radius: 6px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
button[aria-current="true"] {
  border-color: var(--action);
  background: var(--action-soft);
}
img,
.lost {
  width: 72px;
  min-height: 46px;
  background: var(--paper);
  box-shadow: var(--shadow);
}
.lost {
  padding: 4px;
  color: #50545b;
  font-size: 12px;
}
.waiting {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
small {
  display: block;
  color: var(--quiet);
}
.refused {
  color: var(--off);
  font-size: 14px;
}
</style>
