<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, onBeforeUnmount, onMounted, ref, watch } from "vue";
import { useClasses, useLessons, useSheets } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import CornerSetter from "./CornerSetter.vue";
import JudgedSheet from "./JudgedSheet.vue";
import SheetStack from "./SheetStack.vue";
import VerdictPanel from "./VerdictPanel.vue";

const lessons = useLessons();
const classes = useClasses();
const lessonId = ref<number | null>(null);
const sheets = useSheets(lessonId);
const sheetId = ref<number | null>(null);
const chosenLine = ref<number | null>(null);
const cornersByHand = ref(false);
const bare = ref(false);

watch(
  () => lessons.data.value,
  (now) => {
    if (lessonId.value === null) lessonId.value = now?.[0]?.id ?? null;
  },
  { immediate: true },
);
watch(
  () => sheets.data.value,
  (now) => {
    if (!now?.some((one) => one.id === sheetId.value)) sheetId.value = now?.[0]?.id ?? null;
  },
  { immediate: true },
);
watch(sheetId, () => {
  chosenLine.value = null;
  cornersByHand.value = false;
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

function onKey(event: KeyboardEvent) {
  const typing = (event.target as HTMLElement).closest("input, textarea, select") !== null;
  if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
  const key = event.key.toLowerCase();
  if (key === "n") turn(1);
  else if (key === "p") turn(-1);
  else if (key === "escape") chosenLine.value = null;
}
onMounted(() => window.addEventListener("keydown", onKey));
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
      :lesson-id="lessonId"
      :sheets="sheets.data.value ?? []"
      :chosen="sheetId"
      @lesson="lessonId = $event"
      @choose="sheetId = $event"
    />
    <div class="desk">
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
        v-else-if="!sheet.verdict?.sheet_found"
        class="inset"
        empty="No sheet was found in this photo. Set its corners by hand."
      >
        <n-button type="primary" @click="cornersByHand = true">Set the corners</n-button>
      </state-note>
      <template v-else>
        <judged-sheet
          :sheet="sheet"
          :chosen="chosenLine"
          :bare="bare"
          @choose="chosenLine = $event"
        />
        <div class="below">
          <n-button size="small" @click="turn(-1)">Previous (P)</n-button>
          <n-button size="small" @click="turn(1)">Next sheet (N)</n-button>
          <n-button size="small" quaternary :aria-pressed="bare" @click="bare = !bare">
            {{ bare ? "Show the verdicts" : "Show the drawing alone" }}
          </n-button>
        </div>
      </template>
    </div>
    <verdict-panel
      v-if="sheet"
      :sheet="sheet"
      :group="group"
      :chosen="chosenLine"
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
  gap: 8px;
  padding: 8px 20px 12px;
}
</style>
