<script setup lang="ts">
import type { JudgedStroke, SeenFace } from "@/api/client";
import PencilLine from "@/desk/PencilLine.vue";

/** Over a drawing: a wrong line with the right one beside it, or the diagonals of a face. */
defineProps<{ line?: JudgedStroke; face?: SeenFace }>();
</script>

<template>
  <pencil-line v-if="line" class="wrong" :from="line.from" :to="line.to" />
  <pencil-line v-if="line?.true" class="right" :from="line.true[0]" :to="line.true[1]" />
  <path
    v-if="face"
    class="right"
    :d="`M${face.corners[0]} L${face.corners[2]} M${face.corners[1]} L${face.corners[3]}`"
  />
</template>

<style scoped>
.wrong,
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
.right {
  stroke: var(--paper-action);
  stroke-dasharray: 12 6;
}
</style>
