<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import type { Corrections } from "@/api/client";
import { getReady, underWay, useCorrect, useJudge, useStack } from "@/api/marking";
import { useClasses, useLessons } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { useAddress } from "@/ui/useAddress";
import { useListed } from "@/ui/useListed";
import ClassGlance from "./ClassGlance.vue";
import CornerSetter from "./CornerSetter.vue";
import JudgedSheet from "./JudgedSheet.vue";
import { withChange } from "./corrections";
import MendedSheet from "./MendedSheet.vue";
import SheetStack from "./SheetStack.vue";
import VerdictPanel from "./VerdictPanel.vue";

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

useListed(lessonId, lessons.data);
useListed(sheetId, sheets.data);
watch(sheetId, () => {
  chosenLine.value = null;
  cornersByHand.value = false;
  adding.value = false;
  mended.value = false;
});

const sheet = computed(() => sheets.data.value?.find((one) => one.id === sheetId.value));
const lesson = computed(() => lessons.data.value?.find((one) => one.id === lessonId.value));
const group = computed(() => classes.data.value?.find((one) => one.id === lesson.value?.class_id));

function turn(by: number) {
  const all = sheets.data.value ?? [];
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
  const answer = await correcting
    .mutateAsync({ sheetId: sheet.value.id, corrections })
    .catch(() => null);
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

function onKey(event: KeyboardEvent) {
  const typing = (event.target as HTMLElement).closest("input, textarea, select") !== null;
  if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
  const key = event.key.toLowerCase();
  if (key === "n") turn(1);
  else if (key === "p") turn(-1);
  else if (key === "m") change({ meant: !chosen.value?.meant });
  else if (key === "d" || key === "delete") change({ dismissed: true });
  else if (key === "a") adding.value = !adding.value;
  else if (key === "escape") {
    if (adding.value) adding.value = false;
    else chosenLine.value = null;
  }
}
onMounted(() => {
  getReady();
  window.addEventListener("keydown", onKey);
});
onBeforeUnmount(() => window.removeEventListener("keydown", onKey));
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
    </state-note>
  </div>
  <div v-else class="mark">
    <h1 class="visually-hidden">Mark {{ lesson.exercise_title }}, {{ lesson.class_name }}</h1>
    <sheet-stack
      :lessons="lessons.data.value ?? []"
      :lesson="lesson"
      :sheets="sheets.data.value ?? []"
      :uploads="uploads.data.value ?? []"
      :chosen="sheetId"
      :glance="glance"
      @lesson="lessonId = $event"
      @choose="choose"
      @glance="glance = !glance"
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
          @choose="chosenLine = $event"
          @correct="correct"
        />
        <div class="below">
          <button type="button" class="toggle" @click="turn(-1)">Previous</button>
          <button type="button" class="toggle" @click="turn(1)">Next sheet</button>
          <button type="button" class="toggle" :aria-pressed="adding" @click="adding = !adding">
            {{ adding ? "Draw along it" : "Add a line" }}
          </button>
          <button type="button" class="toggle" :aria-pressed="bare" @click="bare = !bare">
            Bare
          </button>
          <button type="button" class="toggle" @click="mended = true">Mend it</button>
        </div>
      </template>
    </div>
    <verdict-panel
      v-if="sheet && !glance"
      :sheet="sheet"
      :group="group"
      :chosen="chosenLine"
      :exercise-id="lesson.exercise_id"
      :busy="correcting.isPending.value"
      :fault="correcting.error.value?.message ?? null"
      @correct="correct"
      @choose="chosenLine = $event"
      @corners="cornersByHand = true"
    />
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
