<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import type { Exercise, Grip, Piece, XY } from "@/api/client";
import type { Units } from "@/ui/measures";
import type { PieceKind } from "./editing";
import PieceCard from "./PieceCard.vue";

/** What stands on the sheet, each thing with its measures. */
const props = defineProps<{
  doc: Exercise;
  grips: readonly Grip[];
  units: Units;
  chosen: string | null;
  placing: PieceKind | null;
}>();
const emit = defineEmits<{
  choose: [id: string | null];
  change: [index: number, piece: Piece, merge?: string];
  remove: [index: number];
  place: [kind: PieceKind | null];
  placeAt: [place: XY];
}>();

const pieces = computed(() => props.doc.pieces ?? []);
/** Only the open card shows its grips: the others need not be drawn anew at every move. */
const NONE: Grip[] = [];
const gripsOfChosen = computed(() => props.grips.filter((grip) => grip.piece === props.chosen));
const sheetMiddle = computed<XY>(() => {
  const view = props.doc.view;
  const x =
    view.kind === "one-point"
      ? view.vanishing_point_mm - 60
      : (view.left_vp_mm + view.right_vp_mm) / 2;
  return [Math.max(40, x), view.eye_level_mm + 90];
});
</script>

<template>
  <section class="pieces" aria-label="Pieces">
    <p v-if="!pieces.length" class="empty">
      The sheet is empty. Add something and click where its nearest corner goes.
    </p>
    <piece-card
      v-for="(piece, index) in pieces"
      :key="index"
      :piece="piece"
      :grips="piece.id === chosen ? gripsOfChosen : NONE"
      :units="units"
      :open="piece.id === chosen"
      @choose="emit('choose', piece.id === chosen ? null : piece.id)"
      @change="(changed, merge) => emit('change', index, changed, merge)"
      @remove="emit('remove', index)"
    />
    <div v-if="placing" class="placing" role="status">
      <p>Click on the sheet where its nearest corner goes.</p>
      <n-button size="small" @click="emit('placeAt', sheetMiddle)">Put it in the middle</n-button>
      <n-button size="small" quaternary @click="emit('place', null)">Leave it</n-button>
    </div>
    <div v-else class="add">
      <n-button type="primary" @click="emit('place', 'box')">Add a box</n-button>
      <n-button @click="emit('place', 'letters')">Add letters</n-button>
      <n-button @click="emit('place', 'cylinder')">Add a round thing</n-button>
      <n-button @click="emit('place', 'outline')">Add a shape</n-button>
    </div>
  </section>
</template>

<style scoped>
.pieces {
  display: grid;
  gap: 8px;
  justify-items: stretch;
}
.empty {
  color: var(--quiet);
}
.placing {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 12px;
  border: 2px dashed var(--action);
  border-radius: 6px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.placing p {
  width: 100%;
}
</style>
