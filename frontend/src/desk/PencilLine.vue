<script setup lang="ts">
import type { XY } from "@/api/client";

/** One straight line on a sheet, from one place to another (mm). */
defineProps<{ from: XY; to: XY }>();
</script>

<template>
  <line :x1="from[0]" :y1="from[1]" :x2="to[0]" :y2="to[1]" />
</template>
