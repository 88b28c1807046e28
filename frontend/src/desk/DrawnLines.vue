<script setup lang="ts">
import { computed } from "vue";
import { belongsTo, familyColour, runsOf, type DeskLine } from "./lines";

/** Pencil lines on the sheet, each in the state of the moment. */
const props = defineProps<{ lines: DeskLine[]; mmPerPx: number; chosen?: string | null }>();

const WIDTH = { new: 3, light: 1.2, dark: 2.4, struck: 1.6, hidden: 1 } as const;
/** Light until they are darkened, lines that stay are still told from those that only help. */
const widthOf = ({ state, fate }: DeskLine) =>
  state === "light" && fate === "keep" ? WIDTH.light * 1.7 : WIDTH[state];
const drawn = computed(() =>
  runsOf(props.lines).map(({ first: line, places }) => {
    const mm = props.mmPerPx;
    return {
      key: line.key,
      from: line.stroke.from,
      to: line.stroke.to,
      curve: places.length > 2 ? places.map(([x, y]) => `${x},${y}`).join(" ") : null,
      stroke: line.state === "dark" ? "#23272e" : familyColour(line.stroke.family),
      width: widthOf(line) * mm * (belongsTo(line.stroke.piece, props.chosen) ? 1.5 : 1),
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
    <template v-for="line in drawn" :key="line.key">
      <polyline
        v-if="line.curve"
        :points="line.curve"
        :stroke="line.stroke"
        :stroke-width="line.width"
        :stroke-dasharray="line.dash"
        stroke-linejoin="round"
      />
      <line
        v-else
        :x1="line.from[0]"
        :y1="line.from[1]"
        :x2="line.to[0]"
        :y2="line.to[1]"
        :stroke="line.stroke"
        :stroke-width="line.width"
        :stroke-dasharray="line.dash"
      />
    </template>
  </g>
</template>
