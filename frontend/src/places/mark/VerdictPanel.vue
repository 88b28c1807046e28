<script setup lang="ts">
import { NButton, NInput } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { PupilSheet, SchoolClass, Understanding } from "@/api/client";
import { useSaveMark } from "@/api/queries";
import { countOf, UNDERSTANDING, VERDICTS } from "@/ui/words";
import LandingTarget from "./LandingTarget.vue";
import { firstWords } from "./words";

/** What the judge found, and what the teacher says: landing targets, words, mark, pupil. */
const props = defineProps<{
  sheet: PupilSheet;
  group: SchoolClass | undefined;
  chosen: number | null;
}>();
const emit = defineEmits<{ choose: [index: number | null]; corners: [] }>();

const saving = useSaveMark();
const pupilId = ref<number | null>(null);
const understanding = ref<Understanding | null>(null);
const words = ref("");
const savedFor = ref("");

watch(
  () => [props.sheet.id, props.sheet.verdict] as const,
  ([id], old) => {
    pupilId.value = props.sheet.pupil?.id ?? null;
    understanding.value = props.sheet.mark?.understanding ?? null;
    words.value = props.sheet.mark?.words ?? firstWords(props.sheet.verdict?.findings ?? []);
    if (id !== old?.[0]) savedFor.value = "";
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
      <p v-if="line" class="line" aria-live="polite">
        <strong>Line {{ (chosen ?? 0) + 1 }}</strong
        >, {{ line.family === "free" ? "no family" : line.family }}: {{ line.verdict
        }}<template v-if="line.angle_deg !== null">, {{ line.angle_deg.toFixed(1) }}°</template>
        <template v-if="line.miss_mm !== null"
          >, passes {{ line.miss_mm.toFixed(1) }} mm beside the point</template
        >
        <template v-if="line.own_deg != null"
          >, {{ line.own_deg.toFixed(1) }}° to their own point</template
        >
      </p>
      <p v-else class="line quiet">Click a line to see its number and the true line.</p>
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
    <ul class="findings">
      <li v-for="(finding, i) in verdict?.findings" :key="i" :class="finding.level">
        {{ finding.message }}
      </li>
    </ul>
    <n-button size="small" @click="emit('corners')">Set the corners by hand</n-button>

    <h2>To the pupil</h2>
    <label class="pupil field">
      <span>Pupil</span>
      <select class="plain" v-model="pupilId">
        <option :value="null">Whose sheet is it?</option>
        <option v-for="pupil in group?.pupils" :key="pupil.id" :value="pupil.id">
          {{ pupil.name }}
        </option>
      </select>
    </label>
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
.targets {
  display: flex;
  gap: 12px;
}
.findings {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.findings li {
  padding-left: 10px;
  border-left: 4px solid var(--line);
}
.findings .praise {
  border-left-color: var(--on);
}
.findings .fix {
  border-left-color: var(--off);
  border-left-style: dashed;
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
