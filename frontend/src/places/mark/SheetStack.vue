<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref } from "vue";
import type { DemandName, Lesson, PupilSheet, SheetUpload } from "@/api/client";
import { underWay, useLessonWork, useSendSheet } from "@/api/marking";
import { useServer } from "@/api/queries";
import ChoiceField from "@/ui/ChoiceField.vue";
import { dayWords, UNDERSTANDING } from "@/ui/words";
import { draftOf } from "./drafts";
import { ORDERS, sureWords, type StackOrder } from "./order";
import { knownWords, tooLarge } from "./words";

/** The pupils' sheets of a lesson, one after the other, and a place to hand in more. */
const props = defineProps<{
  lessons: readonly Lesson[];
  lesson: Lesson;
  toMark: readonly PupilSheet[];
  /** Those that cannot be marked as they are. */
  aside: readonly PupilSheet[];
  uploads: readonly SheetUpload[];
  chosen: number | null;
  glance: boolean;
  /** What was done last and can be taken back, and what became of it. */
  latest: string;
  told: string;
}>();
const emit = defineEmits<{
  lesson: [id: number];
  choose: [id: number];
  glance: [];
  away: [sheet: PupilSheet];
  undo: [];
}>();
const order = defineModel<StackOrder>("order", { required: true });

const sendSheet = useSendSheet(() => props.lesson.id);
const { cancel, forget, beStrict } = useLessonWork(() => props.lesson.id);
const limits = useServer();
const input = ref<HTMLInputElement | null>(null);
const sending = ref(0);
const refused = ref<string[]>([]);
/** Photos just sent that the lesson had already. */
const known = ref<string[]>([]);
let stopped = false;

const DEMANDS: { value: DemandName; label: string }[] = [
  { value: "first steps", label: "mild: on up to 2°" },
  { value: "standard", label: "usual: on up to 0.8°" },
  { value: "stretch", label: "strict: on up to 0.5°" },
];
const sheets = computed(() => [...props.toMark, ...props.aside]);
const groups = computed(() => [
  { title: "", sheets: props.toMark },
  { title: "Standing aside", sheets: props.aside },
]);
const marked = computed(() => props.toMark.filter((sheet) => sheet.mark).length);
const working = computed(
  () => sheets.value.filter(underWay).length + props.uploads.filter(underWay).length,
);
const done = computed(() => sheets.value.filter((sheet) => !underWay(sheet)).length);
const failed = computed(() => props.uploads.filter((upload) => upload.state === "failed"));

async function take(files: FileList | null | undefined) {
  const all = [...(files ?? [])];
  sending.value += all.length;
  refused.value = [];
  known.value = [];
  stopped = false;
  for (const file of all) {
    const large = tooLarge(file, limits.data.value);
    if (large) refused.value.push(large);
    else if (!stopped) {
      try {
        known.value.push(...(await sendSheet.mutateAsync(file)).known);
      } catch (fault) {
        refused.value.push(`${file.name}: ${(fault as Error).message}`);
      }
    }
    sending.value -= 1;
  }
  if (input.value) input.value.value = "";
}

function stop() {
  stopped = true;
  cancel.mutate();
}

const ASIDE: Record<string, string> = {
  "no-sheet": "no sheet found",
  "blank-sheet": "nothing drawn",
  "poor-photo": "take it again",
  "another-exercise": "another exercise",
};

function stateOf(sheet: PupilSheet): string {
  const mark = UNDERSTANDING.find((one) => one.value === sheet.mark?.understanding);
  if (draftOf(sheet.id)?.understanding ?? draftOf(sheet.id)?.words) return "a draft, not saved";
  if (mark) return `${mark.sign} ${mark.label}`;
  if (underWay(sheet)) return "being looked at…";
  if (sheet.state === "failed") return "cannot be read";
  if (sheet.state === "cancelled") return "not judged yet";
  const code = sheet.verdict?.unjudged ? sheet.verdict.findings[0]?.code : undefined;
  return code ? (ASIDE[code] ?? "not judged") : "to be marked";
}
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
        :value="lesson.id"
        @change="emit('lesson', Number(($event.target as HTMLSelectElement).value))"
      >
        <option v-for="one in lessons" :key="one.id" :value="one.id">
          {{ one.exercise_title }}, {{ one.class_name }}, {{ dayWords(one.given_on) }}
        </option>
      </select>
    </label>
    <choice-field
      label="Judged"
      :value="lesson.demand"
      :options="DEMANDS"
      @set="beStrict.mutate($event)"
    />
    <div v-if="working || sending" class="waiting" role="status">
      <progress :value="done" :max="done + working + sending" aria-label="Sheets looked at" />
      <span>{{ done }} looked at, {{ working + sending }} to go</span>
      <n-button size="tiny" @click="stop">Stop</n-button>
    </div>
    <choice-field :value="order" label="Order" :options="ORDERS" @set="order = $event" />
    <p class="hint" role="status">{{ marked }} of {{ toMark.length }} marked. {{ told }}</p>
    <p v-if="latest" class="hint">
      <button type="button" class="toggle" title="Ctrl+Z" @click="emit('undo')">Undo</button>
      {{ latest }}
    </p>
    <template v-for="one in groups" :key="one.title">
      <h2 v-if="one.title && one.sheets.length" class="group">
        {{ one.title }} ({{ one.sheets.length }})
      </h2>
      <ol v-if="one.sheets.length">
        <li v-for="sheet in one.sheets" :key="sheet.id">
          <button
            type="button"
            class="sheet"
            :aria-current="sheet.id === chosen && !glance"
            @click="emit('choose', sheet.id)"
          >
            <img
              v-if="sheet.verdict?.sheet_found"
              :src="`/api/sheets/${sheet.id}/straight.jpg`"
              alt=""
              loading="lazy"
            />
            <span v-else class="lost">{{ underWay(sheet) ? "…" : "no sheet" }}</span>
            <span>
              <strong>{{ sheet.pupil?.name ?? sheet.file_name }}</strong>
              <small>{{ stateOf(sheet) }}</small>
              <small v-if="sureWords(sheet)" class="look">{{ sureWords(sheet) }}</small>
              <small v-if="sheet.guessed">pupil guessed by the file’s name</small>
            </span>
          </button>
          <button
            v-if="sheet.id === chosen && !glance"
            type="button"
            class="quietly away"
            @click="emit('away', sheet)"
          >
            Take from the stack
          </button>
        </li>
      </ol>
    </template>
    <p v-for="upload in failed" :key="upload.id" class="refused" role="alert">
      {{ upload.file_name }}: {{ upload.problem }}
      <n-button size="tiny" @click="forget.mutate(upload.id)">Understood</n-button>
    </p>
    <p v-if="known.length" role="status">{{ knownWords(known) }}</p>
    <p v-for="message in refused" :key="message" class="refused" role="alert">{{ message }}</p>
    <n-button :disabled="sending > 0" @click="input?.click()">Add sheets</n-button>
    <p class="hint">
      Photos, scans, a PDF from the copier, or a ZIP of them{{
        limits.data.value
          ? `: photos up to ${limits.data.value.most_photo_mb} MB, a PDF or ZIP up to ${limits.data.value.most_file_mb} MB`
          : ""
      }}.
    </p>
    <input
      ref="input"
      type="file"
      accept="image/jpeg,image/png,image/webp,image/heic,image/heif,image/tiff,.heic,.pdf,.zip"
      multiple
      hidden
      aria-label="Photos of sheets"
      @change="take(($event.target as HTMLInputElement).files)"
    />
    <button type="button" class="toggle" :aria-pressed="glance" @click="emit('glance')">
      The class at a glance
    </button>
    <router-link to="/mark/any">Any drawing or photograph</router-link>
    <a :href="`/api/lessons/${lesson.id}/slips.pdf`" target="_blank">Print all slips</a>
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
  text-overflow: ellipsis;
}
ol {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.sheet {
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
.sheet[aria-current="true"] {
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
  color: var(--pencil-quiet);
  font-size: 12px;
}
.waiting {
  display: grid;
  gap: 6px;
  justify-items: start;
}
progress {
  width: 100%;
  accent-color: var(--action);
}
.group {
  margin-top: 4px;
  font-size: 15px;
}
.look {
  color: var(--near);
}
.away {
  margin-left: 88px;
}
.hint {
  color: var(--quiet);
  font-size: 13px;
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
