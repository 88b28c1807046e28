<script setup lang="ts">
import { computed } from "vue";
import type { Piece } from "@/api/client";
import MeasureInput from "@/ui/MeasureInput.vue";
import type { Units } from "@/ui/measures";
import { frontWidthOf, stackOf } from "./editing";

/** Where a piece takes hold of the sheet: its front, its front edge, or another's lines. */
const props = defineProps<{ piece: Piece; units: Units }>();
const emit = defineEmits<{ change: [piece: Piece] }>();

const stack = computed(() => stackOf(props.piece));
const width = computed(() => frontWidthOf(props.piece));

function set(part: "front" | "edge" | "stack", field: string, value: number) {
  const before = (props.piece as Record<string, unknown>)[part] as object;
  emit("change", { ...props.piece, [part]: { ...before, [field]: value } } as Piece);
}
</script>

<template>
  <div v-if="piece.front" class="grid">
    <measure-input
      label="From the left"
      :value="piece.front.x_mm"
      :units="units"
      @set="set('front', 'x_mm', $event)"
    />
    <measure-input
      label="From the top"
      :value="piece.front.y_mm"
      :units="units"
      @set="set('front', 'y_mm', $event)"
    />
    <measure-input
      v-if="width !== null"
      label="Width"
      :least="1"
      :value="width"
      :units="units"
      @set="set('front', 'width_mm', $event)"
    />
    <measure-input
      label="Height"
      :least="1"
      :value="piece.front.height_mm"
      :units="units"
      @set="set('front', 'height_mm', $event)"
    />
  </div>
  <div v-else-if="piece.edge" class="grid">
    <measure-input
      label="From the left"
      :value="piece.edge.x_mm"
      :units="units"
      @set="set('edge', 'x_mm', $event)"
    />
    <template v-if="piece.edge.length_mm">
      <measure-input
        label="Upper end, from the top"
        :value="piece.edge.y_mm ?? 0"
        :units="units"
        @set="set('edge', 'y_mm', $event)"
      />
      <measure-input
        label="Length, toward VP3"
        :least="1"
        :value="piece.edge.length_mm"
        :units="units"
        @set="set('edge', 'length_mm', $event)"
      />
    </template>
    <template v-else>
      <span />
      <measure-input
        label="Top, from the top"
        :value="piece.edge.top_mm ?? 0"
        :units="units"
        @set="set('edge', 'top_mm', $event)"
      />
      <measure-input
        label="Foot, from the top"
        :value="piece.edge.bottom_mm ?? 0"
        :units="units"
        @set="set('edge', 'bottom_mm', $event)"
      />
    </template>
  </div>
  <div v-else-if="stack" class="grid">
    <p class="on-lines">On the lines of {{ stack.on }}</p>
    <measure-input
      label="Top, from the top"
      :value="stack.top_mm"
      :units="units"
      @set="set('stack', 'top_mm', $event)"
    />
    <measure-input
      label="Foot, from the top"
      :value="stack.bottom_mm"
      :units="units"
      @set="set('stack', 'bottom_mm', $event)"
    />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.on-lines {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
