<script setup lang="ts">
import { NButton, NInput } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { Corrections, PupilSheet, SchoolClass, Understanding } from "@/api/client";
import { useGiveTo, useSaveMark } from "@/api/marking";
import { countOf, UNDERSTANDING, VERDICTS } from "@/ui/words";
import FindingsList from "./FindingsList.vue";
import LandingTarget from "./LandingTarget.vue";
import LineEditor from "./LineEditor.vue";
import SheetTask from "./SheetTask.vue";

/** What the judge found, and what the teacher says: landing targets, words, mark, pupil. */
const props = defineProps<{
  sheet: PupilSheet;
  group: SchoolClass | undefined;
  chosen: number | null;
  exerciseId: number;
  /** A correction is on its way to the judge. */
  busy: boolean;
  fault: string | null;
}>();
const emit = defineEmits<{
  choose: [index: number | null];
  corners: [];
  correct: [corrections: Corrections];
}>();

const saving = useSaveMark();
const giving = useGiveTo();
const pupilId = ref<number | null>(null);
const understanding = ref<Understanding | null>(null);
const words = ref("");
const savedFor = ref("");
let proposed = "";

watch(
  () => [props.sheet.id, props.sheet.verdict, props.sheet.pupil?.id ?? null] as const,
  ([id, , pupil], old) => {
    const another = id !== old?.[0];
    // What was typed stays when a line is corrected; what was proposed follows the verdict.
    if (another || words.value === proposed)
      words.value = props.sheet.mark?.words ?? props.sheet.first_words;
    proposed = words.value;
    // Whose it is may come with the verdict; a choice that was made here stays.
    if (another || pupilId.value === (old?.[2] ?? null)) pupilId.value = pupil;
    if (!another) return;
    understanding.value = props.sheet.mark?.understanding ?? null;
    savedFor.value = "";
  },
  { immediate: true },
);

const verdict = computed(() => props.sheet.verdict);
const counts = computed(() =>
  (["on", "near", "off", "stray"] as const).flatMap((kind) => {
    const count = verdict.value?.strokes.filter((stroke) => stroke.verdict === kind).length ?? 0;
    return count ? [{ kind, count, ...VERDICTS[kind] }] : [];
  }),
);
const line = computed(() =>
  props.chosen === null ? undefined : verdict.value?.strokes[props.chosen],
);
/** How the sheet was found, and how well. */
const photoWords = computed(() => {
  const photo = verdict.value?.photo;
  if (!photo) return "";
  const how = {
    edges: "by its edges",
    marks: "by its corner marks",
    scan: "as a flat scan",
    hand: "by corners set by hand",
  }[photo.how];
  return `Sheet found ${how ?? ""}, ${Math.round(100 * photo.sure)} % sure, ${photo.px_per_mm.toFixed(1)} pixels to a millimetre.`;
});

function show(lines: readonly number[]) {
  const index = verdict.value?.strokes.findIndex((stroke) => stroke.number === lines[0]) ?? -1;
  emit("choose", index >= 0 ? index : null);
}
const say = (message: string) =>
  (words.value = words.value.trim() ? `${words.value.trimEnd()}\n${message}` : message);
const missing = computed(() => {
  if (pupilId.value === null) return "Choose the pupil.";
  return understanding.value === null ? "Choose a mark." : "";
});

async function save() {
  if (pupilId.value === null || understanding.value === null) return;
  const saved = await saving
    .mutateAsync({
      sheetId: props.sheet.id,
      pupilId: pupilId.value,
      understanding: understanding.value,
      words: words.value,
    })
    .catch(() => null);
  if (saved) savedFor.value = saved.pupil?.name ?? "";
}
</script>

<template>
  <aside class="verdict" aria-label="Verdict">
    <template v-if="verdict?.sheet_found">
      <p class="counts">
        <span v-for="one in counts" :key="one.kind" :class="one.kind">
          {{ one.sign }} {{ one.count }} {{ one.word }}
        </span>
      </p>
      <line-editor
        v-if="line"
        :sheet="sheet"
        :line="line"
        :place="chosen ?? 0"
        :busy="busy"
        @correct="emit('correct', $event)"
      />
      <p v-else class="line quiet">
        Click a line to see its number and the true line. {{ photoWords }}
      </p>
      <div class="targets">
        <landing-target
          v-for="point in verdict.vanishing_points"
          :key="point.name"
          :point="point"
          :strokes="verdict.strokes"
          :chosen="chosen"
          @choose="emit('choose', $event)"
        />
      </div>
    </template>
    <p v-if="fault" class="refused" role="alert">{{ fault }}</p>
    <findings-list
      :findings="verdict?.findings ?? []"
      :exercise-id="exerciseId"
      @show="show($event.lines ?? [])"
      @say="say"
    />
    <button type="button" class="toggle" @click="emit('corners')">Set the corners by hand</button>
    <sheet-task :sheet="sheet" />

    <h2>To the pupil</h2>
    <label class="pupil field">
      <span>Pupil</span>
      <select v-model="pupilId" class="plain">
        <option :value="null">Whose sheet is it?</option>
        <option v-for="pupil in group?.pupils" :key="pupil.id" :value="pupil.id">
          {{ pupil.name }}
        </option>
      </select>
    </label>
    <p v-if="sheet.guessed && sheet.pupil && pupilId === sheet.pupil.id" class="guess">
      Guessed from the file’s name, “{{ sheet.file_name }}”.
      <n-button
        size="tiny"
        :loading="giving.isPending.value"
        @click="giving.mutate({ sheetId: sheet.id, pupilId: sheet.pupil.id })"
      >
        Yes, it is {{ sheet.pupil.name }}’s
      </n-button>
    </p>
    <n-input
      v-model:value="words"
      type="textarea"
      placeholder=""
      :autosize="{ minRows: 4, maxRows: 8 }"
      :maxlength="4000"
      :input-props="{ 'aria-label': 'Words to the pupil' }"
    />
    <fieldset>
      <legend class="visually-hidden">Mark</legend>
      <label v-for="one in UNDERSTANDING" :key="one.value">
        <input v-model="understanding" type="radio" name="understanding" :value="one.value" />
        <span>{{ one.sign }} {{ one.label }}</span>
      </label>
    </fieldset>
    <n-button
      type="primary"
      :disabled="missing !== ''"
      :loading="saving.isPending.value"
      @click="save"
    >
      Save to the register
    </n-button>
    <a :href="`/api/sheets/${sheet.id}/slip.pdf`" target="_blank">Print the slip</a>
    <p v-if="saving.error.value" class="refused" role="alert">{{ saving.error.value.message }}</p>
    <p v-else-if="savedFor" role="status">
      Saved for {{ savedFor }}. <router-link to="/register">See the register</router-link>
    </p>
    <p v-else-if="missing" class="quiet">
      {{ missing }} {{ countOf(verdict?.strokes.length ?? 0, "line") }} judged.
    </p>
  </aside>
</template>

<style scoped>
.verdict {
  display: grid;
  grid-auto-rows: max-content;
  gap: 12px;
  align-content: start;
  justify-items: start;
  padding: 20px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
}
.counts {
  display: flex;
  gap: 14px;
  font-weight: 700;
}
.counts .on {
  color: var(--on);
}
.counts .near {
  color: var(--near);
}
.counts .off {
  color: var(--off);
}
.line {
  min-height: 44px;
  font-size: 14px;
}
.quiet {
  color: var(--quiet);
  font-size: 14px;
}
.guess {
  margin: 0;
  font-size: 14px;
}
.targets {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.pupil,
.verdict :deep(.n-input) {
  width: 100%;
}
fieldset {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  border: 0;
}
fieldset label {
  display: flex;
  gap: 4px;
  align-items: center;
  cursor: pointer;
}
.refused {
  color: var(--off);
}
</style>
