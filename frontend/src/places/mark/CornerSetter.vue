<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref } from "vue";
import type { PupilSheet, XY } from "@/api/client";
import { useSetCorners } from "@/api/marking";
import DragHandle from "@/desk/DragHandle.vue";
import { useDesk } from "@/desk/useDesk";

/** The photo with four corners to drag, for when the search failed or went wrong. */
const props = defineProps<{ sheet: PupilSheet }>();
const emit = defineEmits<{ done: [] }>();

const [width, height] = props.sheet.verdict?.photo_px ?? [4000, 3000];
const NAMES = ["top left", "top right", "bottom right", "bottom left"] as const;
const corners = ref<XY[]>(
  props.sheet.verdict?.corners_px?.map(([x, y]): XY => [x, y]) ?? [
    [width * 0.1, height * 0.1],
    [width * 0.9, height * 0.1],
    [width * 0.9, height * 0.9],
    [width * 0.1, height * 0.9],
  ],
);
const setting = useSetCorners();
const { hold, viewBox, mmPerPx, toSheet } = useDesk({ width, height, points: [] }, "sheet", false);
const outline = computed(() => corners.value.map((corner) => corner.join(",")).join(" "));

/** The corner that is held or has the focus is shown enlarged: the loupe. */
const LOUPE_PX = 45;
const held = ref<number | null>(null);
const under = computed(() => (held.value === null ? undefined : corners.value[held.value]));

function move(index: number, [x, y]: XY) {
  corners.value[index] = [Math.min(width, Math.max(0, x)), Math.min(height, Math.max(0, y))];
}

async function straighten() {
  const answer = await setting
    .mutateAsync({ sheetId: props.sheet.id, corners: corners.value })
    .catch(() => null);
  if (answer) emit("done");
}
</script>

<template>
  <div class="setter">
    <p class="hint">Drag the four corners onto the corners of the paper.</p>
    <svg
      v-if="under"
      :class="['loupe', { left: held === 1 || held === 2 }]"
      :viewBox="`${under[0] - LOUPE_PX} ${under[1] - LOUPE_PX} ${2 * LOUPE_PX} ${2 * LOUPE_PX}`"
      aria-hidden="true"
    >
      <image :href="`/api/sheets/${sheet.id}/photo`" :width="width" :height="height" />
      <path
        :d="`M${under[0] - LOUPE_PX} ${under[1]} h${2 * LOUPE_PX} M${under[0]} ${under[1] - LOUPE_PX} v${2 * LOUPE_PX}`"
      />
    </svg>
    <svg :ref="hold" :viewBox="viewBox" role="group" aria-label="Photo with the sheet's corners">
      <image :href="`/api/sheets/${sheet.id}/photo`" :width="width" :height="height" />
      <polygon :points="outline" pointer-events="none" />
      <drag-handle
        v-for="(corner, i) in corners"
        :key="NAMES[i]"
        shape="cut"
        across
        down
        :x="corner[0]"
        :y="corner[1]"
        :mm-per-px="mmPerPx"
        :to-sheet="toSheet"
        :nudge="2"
        :label="`Sheet's ${NAMES[i]} corner`"
        :reading="NAMES[i] ?? ''"
        @move="move(i, $event)"
        @focusin="held = i"
      />
    </svg>
    <div class="row">
      <n-button type="primary" :loading="setting.isPending.value" @click="straighten">
        Straighten and judge
      </n-button>
      <n-button @click="emit('done')">Leave it as it was</n-button>
      <span v-if="setting.error.value" role="alert">{{ setting.error.value.message }}</span>
    </div>
  </div>
</template>

<style scoped>
.setter {
  position: relative;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100%;
}
.hint,
.row {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 12px 20px;
}
.loupe {
  position: absolute;
  top: 44px;
  right: 20px;
  z-index: 1;
  width: 190px;
  height: 190px;
  border-radius: 50%;
  background: var(--paper);
  box-shadow: var(--shadow);
  pointer-events: none;
}
.loupe.left {
  right: auto;
  left: 20px;
}
.loupe path {
  stroke: var(--paper-action);
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}
svg:not(.loupe) {
  width: 100%;
  height: 100%;
  touch-action: none;
}
polygon {
  fill: none;
  stroke: var(--paper-action);
  stroke-width: 2px;
  stroke-dasharray: 8 5;
  vector-effect: non-scaling-stroke;
}
[role="alert"] {
  color: var(--off);
}
</style>
