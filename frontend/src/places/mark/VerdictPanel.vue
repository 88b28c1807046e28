<script setup lang="ts">
import { computed } from "vue";
import type { Corrections, Finding, PupilSheet } from "@/api/client";
import { countOf, VERDICTS } from "@/ui/words";
import { changedLines, NOTHING } from "./corrections";
import FindingsList from "./FindingsList.vue";
import LandingTarget from "./LandingTarget.vue";
import LineEditor from "./LineEditor.vue";
import { sureWords } from "./order";
import SheetTask from "./SheetTask.vue";

/** What the judge found: landing targets, the chosen line, what can be said, how sure it is. */
const props = defineProps<{
  sheet: PupilSheet;
  chosen: number | null;
  exerciseId: number;
  /** A correction is on its way to the judge. */
  busy: boolean;
  fault: string | null;
}>();
const emit = defineEmits<{
  choose: [index: number | null];
  corners: [];
  show: [finding: Finding];
  say: [words: string];
  correct: [corrections: Corrections];
}>();

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

const doubts = computed(() => verdict.value?.doubts ?? []);
const changed = computed(() => changedLines(props.sheet.corrections));
</script>

<template>
  <div class="verdict">
    <slot />
    <template v-if="verdict && !verdict.unjudged">
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
      v-if="!verdict?.unjudged"
      :findings="verdict?.findings ?? []"
      :exercise-id="exerciseId"
      @show="emit('show', $event)"
      @say="emit('say', $event)"
    />
    <section v-if="doubts.length" class="doubts" aria-label="How sure the judge is">
      <h3>{{ sureWords(sheet) || "nearly sure" }}</h3>
      <ul>
        <li v-for="one in doubts" :key="one.message">{{ one.message }}</li>
      </ul>
    </section>
    <p v-if="changed" class="quiet changed">
      You changed {{ countOf(changed, "line") }} here.
      <button type="button" class="quietly" :disabled="busy" @click="emit('correct', NOTHING)">
        As the judge found it
      </button>
    </p>
    <button type="button" class="toggle" @click="emit('corners')">Set the corners by hand</button>
    <sheet-task :sheet="sheet" />
  </div>
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
.doubts {
  width: 100%;
  padding: 8px 12px;
  border-left: 4px dotted var(--near);
  font-size: 14px;
}
.doubts ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
.changed {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
.targets {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.refused {
  color: var(--off);
}
</style>
