<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { Outline } from "@/api/client";
import type { Units } from "@/ui/measures";
import { cornersFrom, cornersText } from "./shape";
import ShapeEditor from "./ShapeEditor.vue";

/** A shape by its corners: pairs of millimetres from the left and the top of its face. */
const props = defineProps<{ label: string; piece: Outline; units: Units }>();
const emit = defineEmits<{ change: [piece: Outline, merge?: string] }>();

const shown = computed(() => cornersText(props.piece.corners));
const text = ref(shown.value);
const wrong = ref(false);
watch(shown, (now) => {
  text.value = now;
  wrong.value = false;
});

function take() {
  const corners = cornersFrom(text.value);
  wrong.value = corners === null;
  if (corners && text.value !== shown.value) emit("change", { ...props.piece, corners });
}
</script>

<template>
  <div class="corners">
    <shape-editor
      :piece="piece"
      :units="units"
      @change="(changed, merge) => emit('change', changed, merge)"
    />
    <label class="field">
      <span>{{ label }}</span>
      <textarea v-model="text" class="plain" rows="3" :aria-invalid="wrong" @change="take" />
    </label>
    <p v-if="wrong" class="wrong" role="alert">
      Write three corners or more as pairs of numbers: 0&nbsp;60, 40&nbsp;0, 80&nbsp;60.
    </p>
  </div>
</template>

<style scoped>
.corners {
  display: grid;
  gap: 8px;
}
textarea {
  height: auto;
  padding: 4px 8px;
  resize: vertical;
}
.wrong {
  margin: 0;
  font-size: 13px;
  color: var(--off);
}
</style>
