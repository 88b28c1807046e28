<script setup lang="ts">
import { computed, ref } from "vue";
import { usePutClassAway } from "@/api/classes";
import type { SchoolClass } from "@/api/client";
import { useClasses, useRegister, useShelf } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { useAddress } from "@/ui/useAddress";
import { useListed } from "@/ui/useListed";
import { countOf, dayWords, UNDERSTANDING } from "@/ui/words";
import ClassList from "./ClassList.vue";
import GiveLesson from "./GiveLesson.vue";
import NewClass from "./NewClass.vue";
import { usePageTitle } from "@/ui/usePageTitle";

const classes = useClasses();
const shelf = useShelf();
const classId = ref<number | null>(null);
useListed(classId, classes.data);
const page = useRegister(classId);
useAddress({ class: classId });
const group = computed(() => classes.data.value?.find((one) => one.id === classId.value));
const listed = ref(false);
/** A class that was put away on this page, so that it can be brought back. */
const away = ref<SchoolClass | null>(null);
const puttingAway = usePutClassAway();

async function began(id: number) {
  await classes.refetch();
  classId.value = id;
  listed.value = true;
}

async function putAway(one: SchoolClass) {
  const gone = await puttingAway.mutateAsync({ id: one.id, left: true }).catch(() => null);
  if (gone) away.value = one;
}

async function bringBack(id: number) {
  const back = await puttingAway.mutateAsync({ id, left: false }).catch(() => null);
  if (!back) return;
  away.value = null;
  await began(id);
}
const cells = computed(
  () => new Map(page.data.value?.cells.map((cell) => [`${cell.pupil_id}-${cell.lesson_id}`, cell])),
);

const sheetAt = (one: { lesson_id: number; sheet_id: number }) =>
  `/mark?lesson=${one.lesson_id}&sheet=${one.sheet_id}`;

function cellOf(pupilId: number, lessonId: number) {
  const cell = cells.value.get(`${pupilId}-${lessonId}`);
  const none = { lesson: lessonId, sheet: "", sign: "", label: "not handed in", words: "" };
  if (!cell) return { ...none, tone: "none" };
  const sheet = sheetAt(cell);
  const mark = UNDERSTANDING.find((one) => one.value === cell.understanding);
  if (!mark && cell.guessed) {
    const words = "Told by the file’s name alone: open the sheet to say whose it is.";
    return { ...none, sheet, sign: "?", label: "handed in, a guess", words, tone: "open" };
  }
  if (!mark) return { ...none, sheet, sign: "·", label: "handed in, to be marked", tone: "open" };
  const { words } = cell;
  return { ...none, ...mark, sheet, words, tone: mark.value.replace(" ", "-") };
}
usePageTitle("Register");
</script>

<template>
  <section class="register">
    <header>
      <h1>Register</h1>
      <label v-if="classes.data.value?.length">
        <span class="visually-hidden">Class</span>
        <select v-model="classId" class="plain">
          <option v-for="one in classes.data.value" :key="one.id" :value="one.id">
            {{ one.name }}
          </option>
        </select>
      </label>
      <button
        v-if="group"
        type="button"
        class="toggle"
        :aria-pressed="listed"
        @click="listed = !listed"
      >
        Class list
      </button>
      <new-class @began="began" @back="bringBack" />
    </header>
    <p v-if="puttingAway.error.value" role="alert">{{ puttingAway.error.value.message }}</p>
    <p v-if="away" role="status">
      {{ away.name }} was put away with its sheets and marks.
      <button type="button" class="toggle" @click="bringBack(away.id)">Bring it back</button>
    </p>
    <class-list v-if="group && listed" :key="group.id" :group="group" @away="putAway(group)" />
    <state-note
      :loading="classes.isPending.value || (classId !== null && page.isPending.value)"
      :error="classes.error.value ?? page.error.value"
      :empty="
        classes.data.value?.length === 0
          ? 'There is no class yet. Begin one, and add its pupils.'
          : undefined
      "
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
                  v-for="cell in page.data.value.lessons.map((one) => cellOf(pupil.id, one.id))"
                  :key="cell.lesson"
                  :class="cell.tone"
                >
                  <router-link v-if="cell.sheet" :to="cell.sheet" class="said">
                    {{ cell.sign }} {{ cell.label }}
                  </router-link>
                  <span v-else class="said">{{ cell.label }}</span>
                  <p>{{ cell.words }}</p>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <aside>
          <p v-if="page.data.value.unnamed[0]" class="quiet">
            {{ countOf(page.data.value.unnamed.length, "sheet") }} without a name.
            <router-link :to="sheetAt(page.data.value.unnamed[0])">Say whose they are</router-link>
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
  display: grid;
  gap: 20px;
  max-width: 100%;
}
/* Above the table: a class of thirty is longer than the page. */
aside {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 48px;
  align-items: baseline;
  order: -1;
}
aside section {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
}
aside ol {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 36px;
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
/* The words stand whole beside the sheet, one click away. */
td p {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
}
small {
  display: block;
}
td p,
small {
  color: var(--quiet);
  font-size: 14px;
  font-weight: 400;
  white-space: pre-line;
}
.said {
  font-weight: 700;
}
.sure .said {
  color: var(--on);
}
.nearly .said {
  color: var(--near);
}
.not-yet .said {
  color: var(--off);
}
.none .said {
  color: var(--quiet);
  font-weight: 400;
}
.quiet {
  color: var(--quiet);
}
ol {
  margin: 0;
  padding-left: 20px;
}
</style>
