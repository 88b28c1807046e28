<script setup lang="ts">
import type { JudgedStroke, SeenFace } from "@/api/client";
import PencilLine from "@/desk/PencilLine.vue";

/**
 * Over a drawing: a wrong line with the right one beside it, the diagonals of a face, or lines that
 * should not be there, crossed out.
 */
defineProps<{ line?: JudgedStroke; face?: SeenFace; crossed?: readonly JudgedStroke[] }>();

const SHARES = [0.25, 0.5, 0.75];
const ARM = 1.6;
function crosses(stroke: JudgedStroke): string {
  const [[x0, y0], [x1, y1]] = [stroke.from, stroke.to];
  return SHARES.map((share) => {
    const x = x0 + share * (x1 - x0) - ARM;
    const y = y0 + share * (y1 - y0) - ARM;
    return `M${x} ${y} l${2 * ARM} ${2 * ARM} m0 ${-2 * ARM} l${-2 * ARM} ${2 * ARM}`;
  }).join(" ");
}
</script>

<template>
  <pencil-line v-if="line" class="wrong" :from="line.from" :to="line.to" />
  <pencil-line v-if="line?.true" class="right" :from="line.true[0]" :to="line.true[1]" />
  <template v-for="stroke in crossed" :key="stroke.number">
    <pencil-line class="gone" :from="stroke.from" :to="stroke.to" />
    <path class="gone" :d="crosses(stroke)" />
  </template>
  <path
    v-if="face"
    class="right"
    :d="`M${face.corners[0]} L${face.corners[2]} M${face.corners[1]} L${face.corners[3]}`"
  />
</template>

<style scoped>
.wrong,
.gone,
.right {
  fill: none;
  stroke-width: 3px;
  stroke-linecap: round;
  vector-effect: non-scaling-stroke;
}
.wrong {
  stroke: var(--paper-off);
  stroke-dasharray: 0.1 7;
  stroke-width: 4px;
}
.gone {
  stroke: var(--paper-off);
}
.right {
  stroke: var(--paper-action);
  stroke-dasharray: 12 6;
}
</style>
