<script setup lang="ts">
import type { JudgedStroke, SeenFace } from "@/api/client";

/** Over a drawing: a wrong line with the right one beside it, or the diagonals of a face. */
defineProps<{ line?: JudgedStroke; face?: SeenFace }>();
</script>

<template>
  <line
    v-if="line"
    class="wrong"
    :x1="line.from[0]"
    :y1="line.from[1]"
    :x2="line.to[0]"
    :y2="line.to[1]"
  />
  <line
    v-if="line?.true"
    class="right"
    :x1="line.true[0][0]"
    :y1="line.true[0][1]"
    :x2="line.true[1][0]"
    :y2="line.true[1][1]"
  />
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
  stroke: #b3261e;
  stroke-dasharray: 0.1 7;
  stroke-width: 4px;
}
.right {
  stroke: #2e4c7e;
  stroke-dasharray: 12 6;
}
</style>
