<script setup lang="ts">
import { computed } from "vue";
import { belongsTo, familyColour, runsOf, type DeskLine } from "./lines";

/** Pencil lines on the sheet, each in the state of the moment. */
const props = defineProps<{ lines: DeskLine[]; mmPerPx: number; chosen?: string | null }>();

const WIDTH = { new: 3, light: 1.2, dark: 2.4, fine: 1.2, struck: 1.6, hidden: 1 } as const;
/** What stays: lines of things, and the fine ones round their shadows. */
const INK: ReadonlySet<DeskLine["state"]> = new Set(["dark", "fine"]);
/** Light until they are darkened, lines that stay are still told from those that only help. */
const widthOf = ({ state, fate }: DeskLine) =>
  state === "light" && fate === "keep" ? WIDTH.light * 1.7 : WIDTH[state];

/**
 * Lines of a piece that look the same are one path: hundreds of them follow a moving hand, and a
 * part of the screen is painted without the pieces that lie elsewhere.
 */
const paths = computed(() => {
  const { mmPerPx: mm, chosen } = props;
  const found = new Map<string, { stroke: string; width: number; dash?: string; way: string[] }>();
  for (const { first: line, places } of runsOf(props.lines)) {
    const stroke = INK.has(line.state) ? "var(--pencil)" : familyColour(line.stroke.family);
    const width = widthOf(line) * (belongsTo(line.stroke.piece, chosen) ? 1.5 : 1);
    const key = `${stroke} ${width} ${line.state} ${line.stroke.piece ?? ""}`;
    let path = found.get(key);
    if (!path) {
      const dash =
        line.state === "struck"
          ? `${4 * mm} ${5 * mm}`
          : line.state === "hidden"
            ? `${3 * mm} ${3 * mm}`
            : undefined;
      path = { stroke, width: width * mm, dash, way: [] };
      found.set(key, path);
    }
    path.way.push(`M${places.map(([x, y]) => `${x} ${y}`).join("L")}`);
  }
  return [...found].map(([key, path]) => ({ key, ...path, way: path.way.join("") }));
});
</script>

<template>
  <g
    class="lines"
    :data-lines="lines.length"
    pointer-events="none"
    fill="none"
    stroke-linecap="round"
    stroke-linejoin="round"
  >
    <path
      v-for="path in paths"
      :key="path.key"
      :d="path.way"
      :stroke="path.stroke"
      :stroke-width="path.width"
      :stroke-dasharray="path.dash"
    />
  </g>
</template>
