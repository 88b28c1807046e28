<script setup lang="ts">
import { NButton, NInput } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { PupilSheet, SchoolClass, Understanding } from "@/api/client";
import { useGiveTo, useSaveMark } from "@/api/marking";
import { UNDERSTANDING } from "@/ui/words";
import { draftOf, forgetDraft, keepDraft, type Draft } from "./drafts";

/** What the teacher says to the pupil: whose sheet it is, words, a mark. Always in sight. */
const props = defineProps<{
  sheet: PupilSheet;
  sheets: readonly PupilSheet[];
  group: SchoolClass | undefined;
}>();
const emit = defineEmits<{
  saved: [before: PupilSheet, onward: boolean];
  show: [sheetId: number];
}>();

const saving = useSaveMark();
const giving = useGiveTo();
/** The other sheet of this pupil that the teacher was asked about. */
const asked = ref<PupilSheet | null>(null);
const both = ref<number | null>(null);
watch(
  () => props.sheet.id,
  () => {
    asked.value = null;
    saving.reset();
  },
);

const draft = computed<Draft>(() => draftOf(props.sheet.id) ?? {});
const kept = computed(() => ({
  pupilId: props.sheet.pupil?.id ?? null,
  understanding: props.sheet.mark?.understanding,
  words: props.sheet.mark?.words ?? props.sheet.first_words,
}));
/** A part of the draft; what is as it was saved is no draft. */
function part<Name extends keyof Draft>(name: Name) {
  return computed({
    get: () =>
      (draft.value[name] === undefined ? kept.value[name] : draft.value[name]) as Draft[Name],
    set: (value) =>
      keepDraft(props.sheet.id, { [name]: value === kept.value[name] ? undefined : value }),
  });
}
const pupilId = part("pupilId");
const understanding = part("understanding");
const words = part("words");
const unsaved = computed(() => Object.keys(draft.value).length > 0);
const missing = computed(() => {
  if ((pupilId.value ?? null) === null) return "Choose the pupil.";
  return understanding.value === undefined ? "Choose a mark." : "";
});
const twin = computed(() =>
  props.sheets.find((one) => one.id !== props.sheet.id && one.pupil?.id === pupilId.value),
);
const nameOf = (id: number | null | undefined) =>
  props.group?.pupils.find((pupil) => pupil.id === id)?.name ?? "this pupil";

/** Adds a sentence, once. */
function say(message: string) {
  const now = words.value ?? "";
  if (now.includes(message)) return;
  words.value = now.trim() ? `${now.trimEnd()}\n${message}` : message;
}

function mark(number: number) {
  const chosen = UNDERSTANDING[number - 1];
  if (chosen) understanding.value = chosen.value as Understanding;
}

async function save(onward: boolean) {
  const before = props.sheet;
  if (missing.value || saving.isPending.value) return;
  if (twin.value && both.value !== before.id) {
    asked.value = twin.value;
    return;
  }
  asked.value = null;
  const saved = await saving
    .mutateAsync({
      sheetId: before.id,
      pupilId: pupilId.value as number,
      understanding: understanding.value as Understanding,
      words: words.value ?? "",
    })
    .catch(() => null);
  if (!saved) return;
  forgetDraft(before.id);
  emit("saved", before, onward);
}

function saveBoth() {
  both.value = props.sheet.id;
  void save(true);
}

defineExpose({ say, mark, save });
</script>

<template>
  <section class="bar" aria-label="To the pupil">
    <label class="field pupil">
      <span>Pupil</span>
      <select v-model="pupilId" class="plain">
        <option :value="null">Whose sheet is it?</option>
        <option v-for="pupil in group?.pupils" :key="pupil.id" :value="pupil.id">
          {{ pupil.name }}
        </option>
      </select>
    </label>
    <p v-if="sheet.guessed && sheet.pupil && pupilId === sheet.pupil.id" class="small">
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
      :autosize="{ minRows: 2, maxRows: 5 }"
      :maxlength="4000"
      :input-props="{ 'aria-label': 'Words to the pupil' }"
      @keydown.ctrl.enter.prevent="save(true)"
      @keydown.meta.enter.prevent="save(true)"
    />
    <fieldset>
      <legend class="visually-hidden">Mark</legend>
      <label v-for="(one, k) in UNDERSTANDING" :key="one.value" :title="`Key ${k + 1}`">
        <input v-model="understanding" type="radio" name="understanding" :value="one.value" />
        <span>{{ one.sign }} {{ one.label }}</span>
      </label>
    </fieldset>
    <div v-if="asked" class="asked" role="alert">
      <p>{{ nameOf(pupilId) }} has another sheet in this stack.</p>
      <n-button size="small" @click="emit('show', asked.id)">Look at the other</n-button>
      <n-button size="small" @click="saveBoth">Both are {{ nameOf(pupilId) }}’s: save</n-button>
    </div>
    <div v-else class="row">
      <n-button
        type="primary"
        :disabled="missing !== ''"
        :loading="saving.isPending.value"
        @click="save(true)"
      >
        Save and next
      </n-button>
      <button type="button" class="toggle" :disabled="missing !== ''" @click="save(false)">
        Save
      </button>
      <span class="small" role="status">
        <template v-if="missing">{{ missing }}</template>
        <template v-else-if="unsaved">Kept as a draft.</template>
        <template v-else-if="sheet.mark">In the register.</template>
      </span>
    </div>
    <p v-if="saving.error.value" class="refused" role="alert">{{ saving.error.value.message }}</p>
  </section>
</template>

<style scoped>
.bar {
  display: grid;
  gap: 8px;
  padding: 12px 20px;
  border-top: 1px solid var(--line);
}
fieldset {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}
fieldset label {
  display: block;
  position: relative;
  cursor: pointer;
}
fieldset input {
  position: absolute;
  inset: 0;
  opacity: 0;
  pointer-events: none;
}
fieldset span {
  display: block;
  padding: 5px 6px;
  border: 1px solid var(--line);
  border-radius: 6px;
  font-size: 14px;
  text-align: center;
  white-space: nowrap;
}
fieldset input:checked + span {
  border-color: var(--action);
  background: var(--action-soft);
  font-weight: 600;
}
fieldset input:focus-visible + span {
  outline: 3px solid var(--action);
  outline-offset: 2px;
}
.row,
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.asked p {
  width: 100%;
}
.small {
  color: var(--quiet);
  font-size: 14px;
}
.refused {
  color: var(--off);
}
</style>
