<script setup lang="ts">
import { computed, ref } from "vue";
import type { Corrections, PupilSheet, XY } from "@/api/client";
import DeskSheet from "@/desk/DeskSheet.vue";
import DragHandle from "@/desk/DragHandle.vue";
import { placedPoints } from "@/desk/lines";
import PencilLine from "@/desk/PencilLine.vue";
import { withChange, withLine } from "./corrections";
import EdgeTargets from "./EdgeTargets.vue";

/** The straightened sheet with every line drawn over it in its verdict, to be corrected by hand. */
const props = defineProps<{
  sheet: PupilSheet;
  chosen: number | null;
  bare: boolean;
  /** The next drag on the paper draws a line that was not found. */
  adding: boolean;
  /** Where something is said of the sheet; a ring shows it. */
  place: XY | null;
}>();
const emit = defineEmits<{
  choose: [index: number | null];
  correct: [corrections: Corrections];
}>();

const verdict = computed(() => props.sheet.verdict);
const points = computed(() =>
  placedPoints(
    (verdict.value?.vanishing_points ?? []).map((point) => ({
      name: point.name,
      x_mm: point.intended_mm[0],
      y_mm: point.intended_mm[1],
    })),
  ),
);
const picture = computed(() => `/api/sheets/${props.sheet.id}/straight.jpg`);
const chosenLine = computed(() =>
  props.chosen === null ? undefined : verdict.value?.strokes[props.chosen],
);

/** An end that is being dragged, or a line that is being drawn. */
const moving = ref<{ from: XY; to: XY } | null>(null);
const shown = computed(() => moving.value ?? chosenLine.value);

function drag(end: "from" | "to", at: XY) {
  const line = chosenLine.value;
  if (!line) return;
  const now = moving.value ?? { from: line.from as XY, to: line.to as XY };
  moving.value = { ...now, [end]: at };
}

function dropped() {
  const line = chosenLine.value;
  if (line && moving.value) {
    const { from, to } = moving.value;
    emit("correct", withChange(props.sheet.corrections, line.number, { moved: [from, to] }));
  }
  moving.value = null;
}

function beginLine(event: PointerEvent, toSheet: (event: PointerEvent) => XY) {
  const at = toSheet(event);
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  moving.value = { from: at, to: at };
}

function endLine() {
  const line = moving.value;
  moving.value = null;
  if (!line || Math.hypot(line.to[0] - line.from[0], line.to[1] - line.from[1]) < 3) return;
  emit("correct", withLine(props.sheet.corrections, line.from, line.to));
}

function said(index: number): string {
  const stroke = verdict.value?.strokes[index];
  if (!stroke) return "";
  const angle = stroke.angle_deg === null ? "" : `, ${stroke.angle_deg.toFixed(1)}°`;
  return `Line ${index + 1}, ${stroke.family}, ${stroke.meant ? "on purpose" : stroke.verdict}${angle}`;
}
</script>

<template>
  <desk-sheet
    plain
    :width="sheet.sheet.width_mm"
    :height="sheet.sheet.height_mm"
    :eye-level="points[0]?.y_mm ?? 0"
    :points="points"
    units="mm"
    :label="`Sheet of ${sheet.pupil?.name ?? sheet.file_name}`"
    @paper="adding ? undefined : emit('choose', null)"
  >
    <template #default="{ mmPerPx, toSheet }">
      <image
        :href="picture"
        x="0"
        y="0"
        :width="sheet.sheet.width_mm"
        :height="sheet.sheet.height_mm"
        preserveAspectRatio="none"
      />
      <template v-if="!bare">
        <g v-for="(stroke, index) in verdict?.strokes" :key="stroke.number">
          <pencil-line
            v-if="stroke.true && (stroke.verdict === 'off' || index === chosen)"
            class="true"
            :from="stroke.true[0]"
            :to="stroke.true[1]"
          />
          <pencil-line
            v-if="!(index === chosen && moving)"
            :class="[
              'judged',
              stroke.meant ? 'meant' : stroke.verdict,
              { chosen: index === chosen },
            ]"
            :from="stroke.from"
            :to="stroke.to"
          />
          <pencil-line
            class="reach"
            tabindex="0"
            role="button"
            :aria-label="said(index)"
            :from="stroke.from"
            :to="stroke.to"
            :stroke-width="12 * mmPerPx"
            @click.stop="emit('choose', index)"
            @keydown.enter="emit('choose', index)"
          />
        </g>
        <pencil-line
          v-for="line in sheet.dismissed"
          :key="`gone-${line.number}`"
          class="judged dismissed"
          tabindex="0"
          role="button"
          :aria-label="`Line that was dismissed; put it back`"
          :from="line.from"
          :to="line.to"
          @click.stop="
            emit('correct', withChange(sheet.corrections, line.number, { dismissed: false }))
          "
          @keydown.enter="
            emit('correct', withChange(sheet.corrections, line.number, { dismissed: false }))
          "
        />
        <circle v-if="place" class="place" :cx="place[0]" :cy="place[1]" :r="22 * mmPerPx" />
        <edge-targets :sheet="sheet" :mm-per-px="mmPerPx" />
        <template v-if="chosenLine && shown && !adding">
          <pencil-line v-if="moving" class="judged moving" :from="moving.from" :to="moving.to" />
          <drag-handle
            v-for="end in ['from', 'to'] as const"
            :key="end"
            shape="corner"
            across
            down
            :x="shown[end][0]"
            :y="shown[end][1]"
            :mm-per-px="mmPerPx"
            :to-sheet="toSheet"
            :nudge="0.2"
            :label="end === 'from' ? 'First end of the line' : 'Last end of the line'"
            :reading="end === 'from' ? 'first end' : 'last end'"
            @move="drag(end, $event)"
            @end="dropped"
          />
        </template>
      </template>
      <rect
        v-if="adding"
        class="pad"
        x="0"
        y="0"
        :width="sheet.sheet.width_mm"
        :height="sheet.sheet.height_mm"
        @pointerdown.stop.prevent="beginLine($event, toSheet)"
        @pointermove="moving && (moving = { ...moving, to: toSheet($event) })"
        @pointerup="endLine"
      />
      <pencil-line
        v-if="adding && moving"
        class="judged moving"
        pointer-events="none"
        :from="moving.from"
        :to="moving.to"
      />
    </template>
  </desk-sheet>
</template>

<style scoped>
line {
  vector-effect: non-scaling-stroke;
  stroke-linecap: round;
}
.judged {
  stroke-width: 2.5px;
}
.on {
  stroke: var(--paper-on);
}
.near {
  stroke: var(--paper-near);
  stroke-dasharray: 14 7;
}
.off {
  stroke: var(--paper-off);
  stroke-width: 3.5px;
  stroke-dasharray: 0.1 7;
}
.stray {
  stroke: var(--pencil-quiet);
  stroke-dasharray: 4 8;
}
.meant {
  stroke: var(--paper-on);
  stroke-dasharray: 14 5 0.1 5;
}
.dismissed {
  stroke: var(--graphite);
  stroke-dasharray: 1 9;
  cursor: pointer;
}
.moving {
  stroke: var(--paper-action);
}
.chosen {
  stroke-width: 5px;
}
.place {
  fill: none;
  stroke: var(--paper-action);
  stroke-width: 3px;
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.true {
  stroke: var(--paper-action);
  stroke-width: 1.5px;
}
.pad {
  fill: transparent;
  cursor: crosshair;
}
.reach {
  stroke: transparent;
  vector-effect: none;
  cursor: pointer;
  outline: none;
}
.reach:focus-visible,
.dismissed:focus-visible {
  stroke: color-mix(in srgb, var(--paper-action) 30%, transparent);
}
</style>
