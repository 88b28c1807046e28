<script setup lang="ts">
import { computed } from "vue";
import type { Picture } from "@/api/client";
import DeskSheet from "@/desk/DeskSheet.vue";
import { crossAt, familyColour, placedPoints } from "@/desk/lines";
import type { Asked } from "./cornerTest";

/** The fronts with their numbered corners; what is answered has its line, or a cross for none. */
const props = defineProps<{ picture: Picture; asked: Asked; label: string }>();

const drawing = computed(() => props.picture.drawing);
const points = computed(() => {
  const goals = new Set(props.asked.test.corners.map((one) => one.to.join()));
  return placedPoints(drawing.value.vanishing_points).filter((vp) =>
    goals.has([vp.x_mm, vp.y_mm].join()),
  );
});
const colour = computed(() => familyColour(points.value[0]?.name ?? "VP1"));
</script>

<template>
  <desk-sheet
    plain
    fit="points"
    :width="drawing.sheet.width_mm"
    :height="drawing.sheet.height_mm"
    :eye-level="drawing.eye_level_mm"
    :points="points"
    :units="picture.units"
    :label="label"
  >
    <template #default="{ mmPerPx }">
      <line
        class="level"
        x1="0"
        :x2="drawing.sheet.width_mm"
        :y1="drawing.eye_level_mm"
        :y2="drawing.eye_level_mm"
        :stroke-width="1.2 * mmPerPx"
      />
      <template v-for="(one, k) in asked.test.corners.slice(0, asked.open)" :key="k">
        <line
          v-if="one.draws"
          :x1="one.x_mm"
          :y1="one.y_mm"
          :x2="one.to[0]"
          :y2="one.to[1]"
          :stroke="colour"
          :stroke-width="(k === asked.open - 1 ? 3 : 1.2) * mmPerPx"
        />
        <path
          v-else
          class="none"
          :d="crossAt(one.x_mm, one.y_mm, 6 * mmPerPx)"
          fill="none"
          :stroke-width="2.4 * mmPerPx"
        />
      </template>
      <line
        v-for="([from, to], i) in asked.test.fronts"
        :key="`front ${i}`"
        class="front"
        :x1="from[0]"
        :y1="from[1]"
        :x2="to[0]"
        :y2="to[1]"
        :stroke-width="2.5 * mmPerPx"
      />
      <g v-for="(one, k) in asked.test.corners" :key="`number ${k}`" class="number">
        <circle :cx="one.x_mm" :cy="one.y_mm" :r="3 * mmPerPx" />
        <text
          :x="one.x_mm + 6 * mmPerPx"
          :y="one.y_mm - 6 * mmPerPx"
          :font-size="(k === asked.open ? 22 : 15) * mmPerPx"
          :font-weight="k === asked.open ? 700 : 400"
          :stroke-width="4 * mmPerPx"
        >
          {{ k + 1 }}
        </text>
      </g>
    </template>
  </desk-sheet>
</template>

<style scoped>
.level {
  stroke: var(--graphite);
}
.front {
  stroke: var(--pencil);
  stroke-linecap: round;
}
/* Paper is light in both themes. */
.none {
  stroke: var(--paper-off);
}
.number circle,
.number text {
  fill: var(--pencil);
}
.number text {
  stroke: var(--paper);
  stroke-linejoin: round;
  paint-order: stroke;
}
</style>
