<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import type { Exercise, Grip, KindSpec, Piece, XY } from "@/api/client";
import type { Units } from "@/ui/measures";
import { kindsFor, pointsOf, toldOf } from "./kinds";
import PieceCard from "./PieceCard.vue";

/** What stands on the sheet, each thing with its measures. */
const props = defineProps<{
  doc: Exercise;
  kinds: readonly KindSpec[];
  grips: readonly Grip[];
  units: Units;
  chosen: string | null;
  placing: string | null;
}>();
const emit = defineEmits<{
  choose: [id: string | null];
  change: [index: number, piece: Piece, merge?: string];
  rename: [id: string, wanted: string];
  /** A choice that the core makes. */
  pick: [id: string, field: string, value: string | boolean | null];
  /** One more part in a piece. */
  add: [id: string, what: string];
  remove: [index: number];
  place: [kind: string | null];
  placeAt: [place: XY];
}>();

const pieces = computed(() =>
  (props.doc.pieces ?? []).flatMap((piece, index) => {
    const told = toldOf(props.kinds, piece);
    return told ? [{ index, told, id: piece.id }] : [];
  }),
);
const addable = computed(() => kindsFor(props.kinds, pointsOf(props.doc)));
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
    <p v-if="!doc.pieces?.length" class="empty">
      The sheet is empty. Add something and click where its nearest corner goes.
    </p>
    <piece-card
      v-for="{ index, told, id } in pieces"
      :key="index"
      :told="told"
      :doc="doc"
      :grips="id === chosen ? gripsOfChosen : NONE"
      :units="units"
      :open="id === chosen"
      @choose="emit('choose', id === chosen ? null : id)"
      @change="(changed, merge) => emit('change', index, changed, merge)"
      @rename="emit('rename', id, $event)"
      @pick="(field, value) => emit('pick', id, field, value)"
      @add="emit('add', id, $event)"
      @remove="emit('remove', index)"
    />
    <div v-if="placing" class="placing" role="status">
      <p>Click on the sheet where its nearest corner goes.</p>
      <n-button size="small" @click="emit('placeAt', sheetMiddle)">Put it in the middle</n-button>
      <n-button size="small" quaternary @click="emit('place', null)">Leave it</n-button>
    </div>
    <div v-else class="add">
      <n-button
        v-for="({ kind, add }, i) in addable"
        :key="kind"
        :type="i === 0 ? 'primary' : 'default'"
        @click="emit('place', kind)"
      >
        {{ add }}
      </n-button>
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
