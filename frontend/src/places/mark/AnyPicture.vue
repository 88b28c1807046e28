<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { FreeReading, XY } from "@/api/client";
import DeskSheet from "@/desk/DeskSheet.vue";
import DragHandle from "@/desk/DragHandle.vue";
import { familyColour } from "@/desk/lines";
import PencilLine from "@/desk/PencilLine.vue";

/** A picture with its lines by family, its eye level, and points that can be dragged. */
const props = defineProps<{
  pictureId: number;
  name: string;
  reading: FreeReading;
  bare: boolean;
}>();
const emit = defineEmits<{ set: [name: string, at: XY] }>();

/** The desk's measures: the picture lies there as large as a sheet. */
const LONG = 420;
const scale = computed(() => LONG / Math.max(...props.reading.image_px));
const width = computed(() => props.reading.image_px[0] * scale.value);
const height = computed(() => props.reading.image_px[1] * scale.value);
const onDesk = ([x, y]: readonly [number, number]): XY => [x * scale.value, y * scale.value];

/** A point under the hand, until the answer comes. */
const held = ref<{ name: string; at: XY } | null>(null);
watch(
  () => props.reading,
  () => (held.value = null),
);
const points = computed(() =>
  props.reading.vanishing_points.map((point) => {
    const [x_mm, y_mm] = held.value?.name === point.name ? held.value.at : onDesk(point.found_px);
    return { name: point.name, x_mm, y_mm };
  }),
);
const level = computed(() => props.reading.eye_level_px?.map(onDesk));

function dropped() {
  if (!held.value) return;
  const [x, y] = held.value.at;
  emit("set", held.value.name, [x / scale.value, y / scale.value]);
}
</script>

<template>
  <desk-sheet
    plain
    fit="points"
    :width="width"
    :height="height"
    :eye-level="0"
    :points="points"
    units="mm"
    :label="`Picture ${name}`"
  >
    <template #default="{ mmPerPx, toSheet }">
      <image
        :href="`/api/pictures/${pictureId}/photo`"
        x="0"
        y="0"
        :width="width"
        :height="height"
        preserveAspectRatio="none"
      />
      <template v-if="!bare">
        <pencil-line
          v-for="(stroke, k) in reading.strokes"
          :key="k"
          class="read"
          :class="stroke.verdict"
          :from="onDesk(stroke.from)"
          :to="onDesk(stroke.to)"
          :stroke="familyColour(stroke.family)"
        />
        <pencil-line v-if="level" class="level" :from="level[0]!" :to="level[1]!" />
        <drag-handle
          v-for="point in points"
          :key="point.name"
          shape="point"
          across
          down
          :x="point.x_mm"
          :y="point.y_mm"
          :mm-per-px="mmPerPx"
          :to-sheet="toSheet"
          :nudge="1"
          :label="`Vanishing point ${point.name}`"
          :reading="`${Math.round(point.x_mm / scale)}, ${Math.round(point.y_mm / scale)} pixels`"
          @move="held = { name: point.name, at: $event }"
          @end="dropped"
        />
      </template>
    </template>
  </desk-sheet>
</template>

<style scoped>
.read {
  stroke-width: 2.5px;
  vector-effect: non-scaling-stroke;
}
.near {
  stroke-dasharray: 14 7;
}
.off {
  stroke-width: 3.5px;
  stroke-dasharray: 0.1 7;
  stroke-linecap: round;
}
.stray {
  stroke-width: 1.2px;
}
.level {
  stroke: var(--paper-action);
  stroke-width: 1.5px;
  stroke-dasharray: 10 4;
  vector-effect: non-scaling-stroke;
}
</style>
