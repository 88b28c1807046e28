<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import type { Corrections, Finding, Lesson, PupilSheet, XY } from "@/api/client";
import {
  getReady,
  underWay,
  useAway,
  useCorrect,
  useForgetMark,
  useJudge,
  useMoveSheet,
  useSaveMark,
  useStack,
} from "@/api/marking";
import { useClasses, useLessons } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { useAddress } from "@/ui/useAddress";
import { useListed } from "@/ui/useListed";
import ClassGlance from "./ClassGlance.vue";
import CornerSetter from "./CornerSetter.vue";
import JudgedSheet from "./JudgedSheet.vue";
import { withChange } from "./corrections";
import MarkBar from "./MarkBar.vue";
import MendedSheet from "./MendedSheet.vue";
import { inOrder, nextUnmarked, isAside, type StackOrder } from "./order";
import SheetStack from "./SheetStack.vue";
import StandsAside from "./StandsAside.vue";
import { useUndo } from "./useUndo";
import VerdictPanel from "./VerdictPanel.vue";
import { usePageTitle } from "@/ui/usePageTitle";

const ORDER = "orthopsis.stack-order";

const lessons = useLessons();
const classes = useClasses();
const lessonId = ref<number | null>(null);
const { sheets, uploads } = useStack(lessonId);
const sheetId = ref<number | null>(null);
useAddress({ lesson: lessonId, sheet: sheetId });
const chosenLine = ref<number | null>(null);
const cornersByHand = ref(false);
const bare = ref(false);
const adding = ref(false);
const mended = ref(false);
const glance = ref(false);
const correcting = useCorrect();
const judging = useJudge();
const away = useAway();
const marking = useSaveMark();
const forgetting = useForgetMark();
const moving = useMoveSheet();
const { latest, busy: undoing, did, undo } = useUndo();
const bar = ref<InstanceType<typeof MarkBar> | null>(null);
/** Where on the sheet a finding is, beside its lines. */
const place = ref<XY | null>(null);
const told = ref("");
const order = ref<StackOrder>((localStorage.getItem(ORDER) as StackOrder) ?? "unmarked");
watch(order, (now) => localStorage.setItem(ORDER, now));
const groups = computed(() => inOrder(sheets.data.value ?? [], order.value));
const listed = computed(() =>
  sheets.data.value ? [...groups.value.toMark, ...groups.value.aside] : undefined,
);

useListed(lessonId, lessons.data);
useListed(sheetId, listed);
watch(sheetId, () => {
  chosenLine.value = null;
  place.value = null;
  cornersByHand.value = false;
  adding.value = false;
  mended.value = false;
});

const sheet = computed(() => sheets.data.value?.find((one) => one.id === sheetId.value));
const lesson = computed(() => lessons.data.value?.find((one) => one.id === lessonId.value));
const group = computed(() => classes.data.value?.find((one) => one.id === lesson.value?.class_id));

const nameOf = (one: PupilSheet) => one.pupil?.name ?? one.file_name;

function turn(by: number) {
  const all = listed.value ?? [];
  const at = all.findIndex((one) => one.id === sheetId.value);
  const next = all[at + by];
  if (next) sheetId.value = next.id;
}

function choose(id: number) {
  sheetId.value = id;
  glance.value = false;
}

async function correct(corrections: Corrections) {
  if (!sheet.value) return;
  adding.value = false;
  const number = chosen.value?.number;
  const { id, corrections: before } = sheet.value;
  const answer = await correcting.mutateAsync({ sheetId: id, corrections }).catch(() => null);
  if (answer)
    did(`what you changed on ${nameOf(answer)}’s sheet`, () =>
      correcting.mutateAsync({ sheetId: id, corrections: before }),
    );
  // Numbers stay, places in the list do not.
  const place = answer?.verdict?.strokes.findIndex((stroke) => stroke.number === number) ?? -1;
  if (answer) chosenLine.value = place >= 0 ? place : null;
}
const chosen = computed(() =>
  chosenLine.value === null ? undefined : sheet.value?.verdict?.strokes[chosenLine.value],
);
function change(part: { meant?: boolean; dismissed?: boolean }) {
  const line = chosen.value;
  if (line && sheet.value) void correct(withChange(sheet.value.corrections, line.number, part));
}

function show(finding: Finding) {
  const strokes = sheet.value?.verdict?.strokes ?? [];
  const index = strokes.findIndex((stroke) => stroke.number === finding.lines?.[0]);
  chosenLine.value = index >= 0 ? index : null;
  place.value = finding.where as XY;
}

/** After a mark is saved: it can be taken back, and the next unmarked sheet comes. */
function saved(before: PupilSheet, onward: boolean) {
  const { id, mark, pupil } = before;
  did(`the mark of ${nameOf(sheets.data.value?.find((one) => one.id === id) ?? before)}`, () => {
    sheetId.value = id;
    if (!mark || !pupil) return forgetting.mutateAsync(id);
    const { understanding, words } = mark;
    return marking.mutateAsync({ sheetId: id, pupilId: pupil.id, understanding, words });
  });
  const next = onward ? nextUnmarked(listed.value ?? [], id) : null;
  told.value = next || !onward ? "" : "Every sheet of this stack is marked.";
  if (next) sheetId.value = next.id;
}

async function takeAway(gone: PupilSheet) {
  const done = await away.mutateAsync({ sheetId: gone.id, away: true }).catch(() => null);
  if (done)
    did(`taking ${nameOf(gone)} from the stack`, () =>
      away.mutateAsync({ sheetId: gone.id, away: false }),
    );
}

async function move(one: PupilSheet, lesson: Lesson) {
  const [sheet_id, lesson_id] = [one.id, one.lesson_id];
  const title = `${lesson.exercise_title}, ${lesson.class_name}`;
  const moved = await moving
    .mutateAsync({ sheetId: one.id, lessonId: lesson.id })
    .catch(() => null);
  if (!moved) return;
  told.value = `Moved to ${title}.`;
  did(`moving ${nameOf(one)} to ${title}`, () =>
    moving.mutateAsync({ sheetId: sheet_id, lessonId: lesson_id }),
  );
}

/** What lies over the drawing is closed first, the nearest thing at a time. */
function close() {
  if (adding.value) adding.value = false;
  else if (mended.value) mended.value = false;
  else if (cornersByHand.value) cornersByHand.value = false;
  else if (glance.value) glance.value = false;
  else {
    chosenLine.value = null;
    place.value = null;
  }
}

function onKey(event: KeyboardEvent) {
  const typing = (event.target as HTMLElement).closest("input, textarea, select") !== null;
  const key = event.key.toLowerCase();
  if (key === "escape") return close();
  if (typing || event.altKey) return;
  if (event.ctrlKey || event.metaKey) {
    if (key === "z" && !event.shiftKey) {
      event.preventDefault();
      void undo();
    }
    return;
  }
  const pressing = (event.target as HTMLElement).closest("button, a, [role='button']") !== null;
  if (key === "enter" && !pressing) void bar.value?.save(true);
  else if (["1", "2", "3"].includes(key)) bar.value?.mark(Number(key));
  else if (key === "n") turn(1);
  else if (key === "p") turn(-1);
  else if (key === "m") change({ meant: !chosen.value?.meant });
  else if (key === "d" || key === "delete") change({ dismissed: true });
  else if (key === "a") adding.value = !adding.value;
}
onMounted(() => {
  getReady();
  window.addEventListener("keydown", onKey);
});
onBeforeUnmount(() => window.removeEventListener("keydown", onKey));
usePageTitle(() =>
  lesson.value ? `Mark ${lesson.value.exercise_title}, ${lesson.value.class_name}` : "Mark",
);
</script>

<template>
  <div v-if="!lesson || lessonId === null" class="none">
    <h1>Mark</h1>
    <state-note
      :loading="lessons.isPending.value"
      :error="lessons.error.value"
      :empty="
        lessons.data.value?.length === 0
          ? 'No lesson has been given yet. Set an exercise to a class in the register.'
          : undefined
      "
      @retry="lessons.refetch()"
    >
      <router-link to="/register">Go to the register</router-link>
      <router-link to="/mark/any">Look at any drawing or photograph</router-link>
    </state-note>
  </div>
  <div v-else class="mark">
    <h1 class="visually-hidden">Mark {{ lesson.exercise_title }}, {{ lesson.class_name }}</h1>
    <sheet-stack
      v-model:order="order"
      :lessons="lessons.data.value ?? []"
      :lesson="lesson"
      :to-mark="groups.toMark"
      :aside="groups.aside"
      :uploads="uploads.data.value ?? []"
      :chosen="sheetId"
      :glance="glance"
      :latest="undoing ? '' : latest"
      :told="told"
      @undo="undo"
      @lesson="lessonId = $event"
      @choose="choose"
      @glance="glance = !glance"
      @away="takeAway"
    />
    <class-glance v-if="glance" :lesson-id="lesson.id" @choose="choose" />
    <div v-else class="desk">
      <state-note
        v-if="!sheet"
        class="inset"
        :loading="sheets.isPending.value"
        :error="sheets.error.value"
        :empty="'No sheet has been handed in yet. Add photos at the left, or drop them there.'"
        @retry="sheets.refetch()"
      />
      <corner-setter
        v-else-if="cornersByHand"
        :key="sheet.id"
        :sheet="sheet"
        @done="cornersByHand = false"
      />
      <state-note
        v-else-if="underWay(sheet)"
        class="inset"
        empty="This sheet is being looked at. Those that are done can be marked meanwhile."
      />
      <state-note
        v-else-if="!sheet.verdict"
        class="inset"
        :empty="sheet.problem ?? 'This sheet has not been judged yet.'"
      >
        <n-button
          v-if="sheet.state === 'cancelled'"
          type="primary"
          @click="judging.mutate(sheet.id)"
        >
          Judge it now
        </n-button>
      </state-note>
      <state-note
        v-else-if="!sheet.verdict.sheet_found"
        class="inset"
        empty="No sheet was found in this photo. Set its corners by hand."
      >
        <n-button type="primary" @click="cornersByHand = true">Set the corners</n-button>
      </state-note>
      <mended-sheet v-else-if="mended" :sheet="sheet" :chosen="chosenLine" @done="mended = false" />
      <template v-else>
        <judged-sheet
          :sheet="sheet"
          :chosen="chosenLine"
          :bare="bare"
          :adding="adding"
          :place="place"
          @choose="((chosenLine = $event), (place = null))"
          @correct="correct"
        />
        <div class="below">
          <button type="button" class="toggle" @click="turn(-1)">Previous</button>
          <button type="button" class="toggle" @click="turn(1)">Next sheet</button>
          <button type="button" class="toggle" :aria-pressed="adding" @click="adding = !adding">
            {{ adding ? "Draw along it" : "Add a line" }}
          </button>
          <button type="button" class="toggle" :aria-pressed="bare" @click="bare = !bare">
            Photo alone
          </button>
          <button type="button" class="toggle" @click="mended = true">Show it mended</button>
        </div>
      </template>
    </div>
    <aside v-if="sheet && !glance" class="side" aria-label="Verdict">
      <verdict-panel
        :sheet="sheet"
        :chosen="chosenLine"
        :exercise-id="lesson.exercise_id"
        :busy="correcting.isPending.value"
        :fault="correcting.error.value?.message ?? null"
        @correct="correct"
        @choose="chosenLine = $event"
        @show="show"
        @say="bar?.say($event)"
        @corners="cornersByHand = true"
      >
        <stands-aside
          v-if="sheet.verdict?.unjudged"
          :sheet="sheet"
          :lessons="lessons.data.value ?? []"
          :busy="correcting.isPending.value || moving.isPending.value"
          :fault="moving.error.value?.message ?? null"
          @anyway="correct({ ...sheet.corrections, anyway: true })"
          @corners="cornersByHand = true"
          @move="move(sheet, $event)"
        />
      </verdict-panel>
      <mark-bar
        v-if="!isAside(sheet) || sheet.mark"
        ref="bar"
        :sheet="sheet"
        :sheets="sheets.data.value ?? []"
        :group="group"
        @saved="saved"
        @show="choose"
      />
    </aside>
  </div>
</template>

<style scoped>
.none {
  padding: 28px 36px;
}
.mark {
  display: grid;
  grid-template-columns: 236px minmax(0, 1fr) 372px;
  height: 100%;
}
.desk {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-width: 0;
  min-height: 0;
}
.side {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  border-left: 1px solid var(--line);
}
.inset {
  margin: 24px;
}

.below {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 8px 20px 12px;
}
.below > * {
  white-space: nowrap;
}
</style>
