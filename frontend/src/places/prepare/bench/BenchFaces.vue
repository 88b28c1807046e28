<script setup lang="ts">
import type { OpenFace, XY } from "@/api/client";
import type { Tool } from "./tools";

/** The walls and slopes that something may be put on. */
const props = defineProps<{
  faces: readonly OpenFace[];
  tool: Tool | null;
  toSheet: (event: PointerEvent) => XY;
}>();
const emit = defineEmits<{
  put: [face: OpenFace, at: XY | null];
  choose: [face: OpenFace];
}>();

const outline = (face: OpenFace) => face.outline.map(([x, y]) => `${x},${y}`).join(" ");
const lit = (face: OpenFace) => props.tool?.does === "part" && face.takes.includes(props.tool.what);
const nameOf = (face: OpenFace) => `${face.label} of ${face.member || face.piece}`;

function press(event: PointerEvent, face: OpenFace) {
  if (props.tool && !lit(face)) return;
  // The right button and a second finger do nothing here.
  if (event.button !== 0 || !event.isPrimary) return;
  // The paper below would take it for a click on itself.
  event.stopPropagation();
  if (props.tool) emit("put", face, props.toSheet(event));
  else emit("choose", face);
}
</script>

<template>
  <g class="faces">
    <template v-for="face in faces" :key="`${face.piece}-${face.member}-${face.name}`">
      <polygon
        v-if="lit(face)"
        class="lit"
        tabindex="0"
        role="button"
        :points="outline(face)"
        :aria-label="`Put it on the ${nameOf(face)}`"
        @pointerdown="press($event, face)"
        @keydown.enter.prevent.stop="emit('put', face, null)"
        @keydown.space.prevent.stop="emit('put', face, null)"
      >
        <title>{{ nameOf(face) }}</title>
      </polygon>
      <!-- What is nearer covers what shines through from behind it. -->
      <polygon
        v-else
        :class="tool?.does === 'part' ? 'cover' : 'quiet'"
        :points="outline(face)"
        @pointerdown="press($event, face)"
      />
    </template>
  </g>
</template>

<style scoped>
polygon {
  fill: transparent;
}
.quiet {
  cursor: pointer;
}
.cover {
  fill: var(--paper);
}
.lit {
  cursor: copy;
  fill: color-mix(in srgb, var(--paper-action) 12%, var(--paper));
  stroke: var(--paper-action);
  stroke-width: 2px;
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
  outline: none;
}
.lit:hover,
.lit:focus-visible {
  fill: color-mix(in srgb, var(--paper-action) 28%, var(--paper));
  stroke-width: 3px;
  stroke-dasharray: none;
}
</style>
