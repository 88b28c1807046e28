<script setup lang="ts">
import { computed } from "vue";
import type { PupilSheet } from "@/api/client";
import DeskSheet from "@/desk/DeskSheet.vue";

/** The straightened sheet with every line drawn over it in its verdict. */
const props = defineProps<{ sheet: PupilSheet; chosen: number | null; bare: boolean }>();
const emit = defineEmits<{ choose: [index: number | null] }>();

const verdict = computed(() => props.sheet.verdict);
const points = computed(() =>
  (verdict.value?.vanishing_points ?? []).map((point) => ({
    name: point.name,
    x_mm: point.intended_mm[0],
    y_mm: point.intended_mm[1],
  })),
);
const picture = computed(() => `/api/sheets/${props.sheet.id}/straight.jpg`);

function said(index: number): string {
  const stroke = verdict.value?.strokes[index];
  if (!stroke) return "";
  const angle = stroke.angle_deg === null ? "" : `, ${stroke.angle_deg.toFixed(1)}°`;
  return `Line ${index + 1}, ${stroke.family}, ${stroke.verdict}${angle}`;
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
    @paper="emit('choose', null)"
  >
    <template #default="{ mmPerPx }">
      <image
        :href="picture"
        x="0"
        y="0"
        :width="sheet.sheet.width_mm"
        :height="sheet.sheet.height_mm"
        preserveAspectRatio="none"
        @click="emit('choose', null)"
      />
      <template v-if="!bare">
        <g v-for="(stroke, index) in verdict?.strokes" :key="index">
          <line
            v-if="stroke.true && (stroke.verdict === 'off' || index === chosen)"
            class="true"
            :x1="stroke.true[0][0]"
            :y1="stroke.true[0][1]"
            :x2="stroke.true[1][0]"
            :y2="stroke.true[1][1]"
          />
          <line
            :class="['judged', stroke.verdict, { chosen: index === chosen }]"
            :x1="stroke.from[0]"
            :y1="stroke.from[1]"
            :x2="stroke.to[0]"
            :y2="stroke.to[1]"
          />
          <line
            class="reach"
            tabindex="0"
            role="button"
            :aria-label="said(index)"
            :x1="stroke.from[0]"
            :y1="stroke.from[1]"
            :x2="stroke.to[0]"
            :y2="stroke.to[1]"
            :stroke-width="12 * mmPerPx"
            @click.stop="emit('choose', index)"
            @keydown.enter="emit('choose', index)"
          />
        </g>
      </template>
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
  stroke: #2b6e4f;
}
.near {
  stroke: #7a5c00;
  stroke-dasharray: 14 7;
}
.off {
  stroke: #b3261e;
  stroke-width: 3.5px;
  stroke-dasharray: 0.1 7;
}
.stray {
  stroke: #50545b;
  stroke-dasharray: 4 8;
}
.chosen {
  stroke-width: 5px;
}
.true {
  stroke: #2e4c7e;
  stroke-width: 1.5px;
}
.reach {
  stroke: transparent;
  vector-effect: none;
  cursor: pointer;
  outline: none;
}
.reach:focus-visible {
  stroke: rgb(46 76 126 / 30%);
}
</style>
