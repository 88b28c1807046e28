<script setup lang="ts">
import { computed, ref } from "vue";
import type { PupilSheet, XY } from "@/api/client";
import { useFaces } from "@/api/marking";
import MendedLines from "./MendedLines.vue";
import { wayWords } from "./words";

/**
 * Their own drawing, mended: what one correction would change. The drawing stretched as if the
 * points lay further apart, the right line beside the wrong one, or the true middle of a face.
 */
const props = defineProps<{ sheet: PupilSheet; chosen: number | null }>();
const emit = defineEmits<{ done: [] }>();

type Way = "spread" | "line" | "middle";
const WAYS: { value: Way; label: string }[] = [
  { value: "line", label: "The right line" },
  { value: "middle", label: "The true middle" },
  { value: "spread", label: "Points further apart" },
];
/** With one point there is nothing to spread. */
const ways = computed(() =>
  WAYS.filter((one) => one.value !== "spread" || props.sheet.families.includes("VP2")),
);
/** The most useful correction, if it is about the points or about lines that should not be there. */
const first = computed(() =>
  props.sheet.verdict?.findings.find((one) => one.level === "fix" || one.stretch != null),
);
const way = ref<Way>(first.value?.stretch ? "spread" : "line");
const spread = ref(Math.round((first.value?.stretch ?? 1.4) * 20) * 5);
const faces = useFaces(() => props.sheet.id);
const faceNumber = ref(0);
const face = computed(() => faces.data.value?.[faceNumber.value % (faces.data.value.length || 1)]);
const picture = computed(() => `/api/sheets/${props.sheet.id}/straight.jpg`);
const width = computed(() => props.sheet.sheet.width_mm);
const height = computed(() => props.sheet.sheet.height_mm);

const HIDDEN = ["through-letter", "hidden-drawn"];
/** Lines that should not be there at all, unless another is chosen. */
const forbidden = computed(() => {
  if (props.chosen !== null) return [];
  const numbers = HIDDEN.includes(first.value?.code ?? "") ? (first.value?.lines ?? []) : [];
  return (props.sheet.verdict?.strokes ?? []).filter((stroke) => numbers.includes(stroke.number));
});

/** The chosen line, or the worst that is off. */
const line = computed(() => {
  const strokes = props.sheet.verdict?.strokes ?? [];
  const chosen = props.chosen === null ? undefined : strokes[props.chosen];
  if (chosen?.true) return chosen;
  if (forbidden.value.length) return undefined;
  return strokes
    .filter((stroke) => stroke.true && stroke.verdict === "off")
    .sort((a, b) => (b.angle_deg ?? 0) - (a.angle_deg ?? 0))[0];
});

const crossed = computed(() => (way.value === "line" ? forbidden.value : []));
const shownLine = computed(() => (way.value === "line" ? line.value : undefined));
const shownFace = computed(() => (way.value === "middle" ? face.value : undefined));

const DETAIL = 60;
/** A window on the sheet around a place, kept within it. */
function near([x, y]: XY): string {
  const half = DETAIL / 2;
  const left = Math.max(0, Math.min(width.value - DETAIL, x - half));
  const top = Math.max(0, Math.min(height.value - DETAIL, y - half));
  return `${left} ${top} ${DETAIL} ${DETAIL}`;
}
const whole = computed(() => `0 0 ${width.value} ${height.value}`);
const detail = computed(() => {
  if (way.value === "middle") return face.value ? near(face.value.middle) : null;
  const place = forbidden.value.length ? first.value?.where : line.value?.to;
  return place ? near(place as XY) : null;
});
const empty = computed(() => {
  if (way.value === "line" && !line.value && !forbidden.value.length)
    return "No line is off, and none is chosen.";
  if (way.value === "middle" && faces.data.value?.length === 0)
    return "No face has all four sides found, so its middle cannot be shown.";
  return "";
});
const root = ref<HTMLElement | null>(null);
const show = () => void root.value?.requestFullscreen?.();
</script>

<template>
  <div ref="root" class="mended">
    <div class="bar">
      <button
        v-for="one in ways"
        :key="one.value"
        type="button"
        class="toggle"
        :aria-pressed="way === one.value"
        @click="way = one.value"
      >
        {{ one.label }}
      </button>
      <label v-if="way === 'spread'" class="slider">
        <span>Spread {{ spread }} %</span>
        <input v-model.number="spread" type="range" min="100" max="260" step="5" />
      </label>
      <button
        v-if="way === 'middle' && (faces.data.value?.length ?? 0) > 1"
        type="button"
        class="toggle"
        @click="faceNumber += 1"
      >
        Next face
      </button>
      <span class="onward">
        <button type="button" class="toggle" @click="show">Full screen</button>
        <button type="button" class="toggle" @click="emit('done')">Back to the lines</button>
      </span>
    </div>
    <p v-if="empty" class="empty">{{ empty }}</p>
    <div
      v-else
      class="pair"
      :class="way"
      :style="{ '--spread': spread / 100, '--shape': width / height }"
    >
      <figure>
        <svg :viewBox="whole" role="img" aria-label="The drawing as it is">
          <image :href="picture" :width="width" :height="height" preserveAspectRatio="none" />
          <mended-lines :line="shownLine" :face="shownFace" :crossed="crossed" />
        </svg>
        <figcaption>{{ way === "spread" ? "As it was drawn" : "The whole drawing" }}</figcaption>
      </figure>
      <figure v-if="way === 'spread'">
        <svg
          :viewBox="whole"
          preserveAspectRatio="none"
          role="img"
          aria-label="The drawing stretched sideways"
        >
          <image :href="picture" :width="width" :height="height" preserveAspectRatio="none" />
        </svg>
        <figcaption>
          With both points {{ spread - 100 }} % further apart: every angle opens
        </figcaption>
      </figure>
      <figure v-else-if="detail">
        <svg :viewBox="detail" role="img" aria-label="One place, enlarged">
          <image :href="picture" :width="width" :height="height" preserveAspectRatio="none" />
          <mended-lines :line="shownLine" :face="shownFace" :crossed="crossed" />
          <template v-if="shownFace">
            <circle class="dot" :cx="shownFace.middle[0]" :cy="shownFace.middle[1]" r="1" />
            <path
              class="halfway"
              :d="`M${shownFace.halfway[0] - 2} ${shownFace.halfway[1]} h4 M${shownFace.halfway[0]} ${shownFace.halfway[1] - 2} v4`"
            />
          </template>
        </svg>
        <figcaption v-if="way === 'line' && forbidden.length">
          Crossed out: what should not be there. Rub it out.
        </figcaption>
        <figcaption v-else-if="way === 'line'">
          Dotted: as drawn. Dashed: where it should go, {{ wayWords(line?.family ?? "") }}.
        </figcaption>
        <figcaption v-else>
          Where the diagonals cross is the middle we see; the cross is the ruler's halfway.
        </figcaption>
      </figure>
    </div>
  </div>
</template>

<style scoped>
.mended {
  display: grid;
  grid-row: 1 / -1;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  background: var(--desk);
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 12px 16px;
}
.onward {
  display: flex;
  gap: 8px;
  margin-left: auto;
}
.slider {
  display: flex;
  gap: 8px;
  align-items: center;
}
.slider input {
  accent-color: var(--action);
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 16px;
  align-content: center;
  align-items: center;
  min-height: 0;
  padding: 8px 16px;
  overflow: auto;
}
figure {
  min-width: 0;
  margin: 0;
}
/* One below the other at one scale, so large that the wider one still fits. */
.pair.spread {
  container-type: size;
  grid-template-columns: minmax(0, 1fr);
}
.pair.spread figure {
  --high: min(50cqh - 42px, 100cqw / var(--shape) / var(--spread));
}
.pair.spread svg {
  width: calc(var(--high) * var(--shape));
  height: var(--high);
}
.pair.spread figure:last-child svg {
  width: calc(var(--high) * var(--shape) * var(--spread));
}
svg {
  display: block;
  width: 100%;
  background: var(--paper);
  box-shadow: var(--shadow);
}
figcaption {
  margin-top: 6px;
  font-size: 14px;
}
.halfway {
  fill: none;
  stroke: var(--paper-off);
  stroke-width: 3px;
  stroke-linecap: round;
  vector-effect: non-scaling-stroke;
}
.dot {
  fill: var(--paper-action);
}
.empty {
  padding: 24px;
}
</style>
