<script setup lang="ts">
import { computed } from "vue";
import { familyColour, type DeskLine } from "./lines";

/** Pencil lines on the sheet, each in the state of the moment. */
const props = defineProps<{ lines: DeskLine[]; mmPerPx: number; chosen?: string | null }>();

const WIDTH = { new: 3, light: 1.2, dark: 2.4, struck: 1.6, hidden: 1 } as const;
const drawn = computed(() =>
  props.lines.map((line) => {
    const [x1, y1] = line.stroke.from;
    const [x2, y2] = line.stroke.to;
    const mm = props.mmPerPx;
    return {
      key: line.key,
      x1,
      y1,
      x2,
      y2,
      stroke: line.state === "dark" ? "#23272e" : familyColour(line.stroke.family),
      width: WIDTH[line.state] * mm * (line.stroke.piece === props.chosen ? 1.5 : 1),
      dash:
        line.state === "struck"
          ? `${4 * mm} ${5 * mm}`
          : line.state === "hidden"
            ? `${3 * mm} ${3 * mm}`
            : undefined,
    };
  }),
);
</script>

<template>
  <g class="lines" pointer-events="none" fill="none" stroke-linecap="round">
    <line
      v-for="line in drawn"
      :key="line.key"
      :x1="line.x1"
      :y1="line.y1"
      :x2="line.x2"
      :y2="line.y2"
      :stroke="line.stroke"
      :stroke-width="line.width"
      :stroke-dasharray="line.dash"
    />
  </g>
</template>
