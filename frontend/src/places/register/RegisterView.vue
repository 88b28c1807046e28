<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useClasses, useRegister, useShelf } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { countOf, dayWords, UNDERSTANDING } from "@/ui/words";
import GiveLesson from "./GiveLesson.vue";

const classes = useClasses();
const shelf = useShelf();
const classId = ref<number | null>(null);
watch(
  () => classes.data.value,
  (now) => {
    if (classId.value === null) classId.value = now?.[0]?.id ?? null;
  },
  { immediate: true },
);
const page = useRegister(classId);
const cells = computed(
  () => new Map(page.data.value?.cells.map((cell) => [`${cell.pupil_id}-${cell.lesson_id}`, cell])),
);

function cellOf(pupilId: number, lessonId: number) {
  const cell = cells.value.get(`${pupilId}-${lessonId}`);
  if (!cell) return { sign: "", label: "not handed in", words: "", tone: "none" };
  const mark = UNDERSTANDING.find((one) => one.value === cell.understanding);
  if (!mark) return { sign: "·", label: "handed in, to be marked", words: "", tone: "open" };
  return {
    sign: mark.sign,
    label: mark.label,
    words: cell.words,
    tone: mark.value.replace(" ", "-"),
  };
}
</script>

<template>
  <section class="register">
    <header>
      <h1>Register</h1>
      <label v-if="classes.data.value?.length">
        <span class="visually-hidden">Class</span>
        <select class="plain" v-model="classId">
          <option v-for="one in classes.data.value" :key="one.id" :value="one.id">
            {{ one.name }}
          </option>
        </select>
      </label>
    </header>
    <state-note
      :loading="classes.isPending.value || (classId !== null && page.isPending.value)"
      :error="classes.error.value ?? page.error.value"
      :empty="classes.data.value?.length === 0 ? 'There is no class yet.' : undefined"
      @retry="page.refetch()"
    />
    <template v-if="page.data.value">
      <give-lesson
        :class-id="page.data.value.class_id"
        :exercises="shelf.data.value ?? []"
        @given="page.refetch()"
      />
      <p v-if="!page.data.value.lessons.length" class="quiet">
        Nothing has been set yet. Set an exercise, and its sheets will appear here.
      </p>
      <div v-else class="page">
        <div class="scroll">
          <table>
            <caption class="visually-hidden">
              What
              {{
                page.data.value.class_name
              }}
              was set, handed in and understood
            </caption>
            <thead>
              <tr>
                <th scope="col">Pupil</th>
                <th v-for="lesson in page.data.value.lessons" :key="lesson.id" scope="col">
                  {{ lesson.exercise_title }}
                  <small>{{ dayWords(lesson.given_on) }}</small>
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="pupil in page.data.value.pupils" :key="pupil.id">
                <th scope="row">{{ pupil.name }}</th>
                <td
                  v-for="lesson in page.data.value.lessons"
                  :key="lesson.id"
                  :class="cellOf(pupil.id, lesson.id).tone"
                >
                  <strong
                    >{{ cellOf(pupil.id, lesson.id).sign }}
                    {{ cellOf(pupil.id, lesson.id).label }}</strong
                  >
                  <p>{{ cellOf(pupil.id, lesson.id).words }}</p>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <aside>
          <p v-if="page.data.value.unnamed" class="quiet">
            {{ countOf(page.data.value.unnamed, "sheet") }} without a name.
            <router-link to="/mark">Say whose they are</router-link>
          </p>
          <section v-if="page.data.value.commonest.length" aria-label="What to teach again">
            <h2>What to teach again</h2>
            <ol>
              <li v-for="one in page.data.value.commonest" :key="one.code">
                {{ one.title }}, on {{ countOf(one.sheets, "sheet") }}
              </li>
            </ol>
          </section>
        </aside>
      </div>
    </template>
  </section>
</template>

<style scoped>
.register {
  display: grid;
  gap: 20px;
  justify-items: start;
  padding: 28px 36px;
}
header {
  display: flex;
  gap: 20px;
  align-items: center;
}
.page {
  display: flex;
  flex-wrap: wrap;
  gap: 20px 48px;
  max-width: 100%;
}
aside {
  display: grid;
  gap: 16px;
  align-content: start;
  max-width: 320px;
}
.scroll {
  max-width: 100%;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
}
th,
td {
  padding: 8px 20px 8px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}
thead th {
  font-weight: 700;
}
tbody th {
  font-weight: 400;
  white-space: nowrap;
}
td {
  max-width: 62ch;
}
td p,
small {
  display: block;
  color: var(--quiet);
  font-size: 14px;
  font-weight: 400;
  white-space: pre-line;
}
.sure strong {
  color: var(--on);
}
.nearly strong {
  color: var(--near);
}
.not-yet strong {
  color: var(--off);
}
.none strong {
  color: var(--quiet);
  font-weight: 400;
}
.quiet {
  color: var(--quiet);
}
ol {
  margin: 8px 0 0;
  padding-left: 20px;
}
</style>
