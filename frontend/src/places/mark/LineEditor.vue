<script setup lang="ts">
import { computed } from "vue";
import type { Corrections, JudgedStroke, PupilSheet } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import { VERDICTS } from "@/ui/words";
import { changeOf, withChange } from "./corrections";

/** The chosen line: its numbers, and what a teacher changes of it. */
const props = defineProps<{
  sheet: PupilSheet;
  line: JudgedStroke;
  place: number;
  busy: boolean;
}>();
const emit = defineEmits<{ correct: [corrections: Corrections] }>();

const change = computed(() => changeOf(props.sheet.corrections, props.line.number));
const families = computed(() =>
  [...props.sheet.families, "free"].map((name) => ({
    value: name,
    label: name === "free" ? "part of nothing" : name,
  })),
);
const words = computed(() => {
  const { line } = props;
  const parts = [line.meant ? "on purpose" : VERDICTS[line.verdict].word];
  if (line.angle_deg !== null)
    parts.push(`${line.angle_deg.toFixed(1)}° ± ${Math.max(0.1, 2 * line.sd_deg).toFixed(1)}°`);
  if (line.miss_mm !== null)
    parts.push(`passes ${line.miss_mm.toFixed(1)} mm beside ${line.family}`);
  if (line.own_deg != null) parts.push(`${line.own_deg.toFixed(1)}° to their own point`);
  return parts.join(", ");
});

function set(part: Partial<typeof change.value>) {
  emit("correct", withChange(props.sheet.corrections, props.line.number, part));
}
</script>

<template>
  <section class="editor" aria-label="The chosen line">
    <p aria-live="polite">
      <strong>Line {{ place + 1 }}</strong> {{ words }}
    </p>
    <div class="row">
      <choice-field
        label="Family"
        hide-label
        :value="line.family"
        :options="families"
        :disabled="busy"
        @set="set({ family: $event })"
      />
      <button
        type="button"
        class="toggle"
        :aria-pressed="line.meant"
        title="The rule is bent on purpose (M)"
        @click="set({ meant: !line.meant })"
      >
        On purpose
      </button>
      <button
        type="button"
        class="toggle"
        title="No line of the drawing (D)"
        @click="set({ dismissed: true })"
      >
        Dismiss
      </button>
      <button
        v-if="change.moved || change.family"
        type="button"
        class="toggle"
        @click="set({ moved: null, family: null })"
      >
        As found
      </button>
    </div>
  </section>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 6px;
  width: 100%;
  font-size: 14px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
</style>
