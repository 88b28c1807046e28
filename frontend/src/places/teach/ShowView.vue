<script setup lang="ts">
import { computed } from "vue";
import { usePicture } from "@/places/prepare/bench/usePicture";
import { QUESTION } from "./cornerTest";
import CornerSheet from "./CornerSheet.vue";
import LessonSheet from "./LessonSheet.vue";
import StepWords from "./StepWords.vue";
import { useShown } from "./useProjector";
import { usePageTitle } from "@/ui/usePageTitle";

/** The window for the projector: it follows the teacher's, and shows no notes and no clock. */
const props = defineProps<{ id: number }>();
const shown = useShown(props.id);
const doc = computed(() => shown.value?.document ?? null);
const { picture, steps } = usePicture(doc);
usePageTitle(() => doc.value?.title);
</script>

<template>
  <div v-if="shown && picture" class="show">
    <corner-sheet
      v-if="shown.corners"
      :picture="picture"
      :asked="shown.corners"
      :label="doc?.title ?? ''"
    />
    <lesson-sheet
      v-else
      :picture="picture"
      :steps="steps"
      :number="shown.number"
      :drawn="shown.drawn"
      :look="shown.look"
      :label="doc?.title ?? ''"
    />
    <step-words
      :steps="steps"
      :number="shown.number"
      :look="shown.look"
      :instead="shown.sentence"
      :heading="shown.corners ? QUESTION : undefined"
    />
  </div>
  <p v-else class="wait" role="status">
    This window follows the lesson. Open the exercise under Teach in the other window.
  </p>
</template>

<style scoped>
.show {
  display: grid;
  grid-template: 1fr / minmax(0, 1fr) minmax(320px, 32%);
  height: 100%;
}
.wait {
  padding: 48px;
  font-size: 28px;
}
@media (max-aspect-ratio: 1/1) {
  .show {
    grid-template: 1fr auto / minmax(0, 1fr);
  }
}
</style>
