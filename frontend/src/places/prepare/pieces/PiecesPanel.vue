<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import type { Exercise, Grip, KindSpec, Piece, XY } from "@/api/client";
import type { Units } from "@/ui/measures";
import type { Offered, Tool } from "../bench/tools";
import { kindsFor, pointsOf, toldOf } from "./kinds";
import PieceCard from "./PieceCard.vue";

/** What stands on the sheet, each thing with its measures. */
const props = defineProps<{
  doc: Exercise;
  kinds: readonly KindSpec[];
  grips: readonly Grip[];
  units: Units;
  chosen: string | null;
  tool: Tool | null;
  offered: readonly Offered[];
}>();
const emit = defineEmits<{
  choose: [id: string | null];
  change: [index: number, piece: Piece, merge?: string];
  rename: [id: string, wanted: string];
  /** A choice that the core makes. */
  pick: [id: string, field: string, value: string | boolean | null];
  /** One more part in a piece. */
  add: [id: string, what: string, within?: string];
  remove: [index: number];
  take: [tool: Tool | null];
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
      @add="(what, within) => emit('add', id, what, within)"
      @remove="emit('remove', index)"
    />
    <div v-if="tool" class="placing" role="status">
      <p v-if="tool.does === 'place'">Click on the sheet where its nearest corner goes.</p>
      <p v-else-if="tool.does === 'part'">
        <strong>{{ tool.label }}:</strong> click on each wall or slope that gets one.
      </p>
      <p v-else>
        <strong>{{ tool.label }}:</strong> click on the plus where it goes.
      </p>
      <n-button v-if="tool.does === 'place'" size="small" @click="emit('placeAt', sheetMiddle)"
        >Put it in the middle</n-button
      >
      <n-button size="small" quaternary @click="emit('take', null)">{{
        tool.does === "place" ? "Leave it" : "Done"
      }}</n-button>
    </div>
    <template v-else>
      <div class="add">
        <n-button
          v-for="({ kind, add }, i) in addable"
          :key="kind"
          :type="i === 0 ? 'primary' : 'default'"
          @click="emit('take', { does: 'place', kind })"
        >
          {{ add }}
        </n-button>
      </div>
      <div v-if="offered.length" class="add" role="group" aria-label="On what stands there">
        <n-button
          v-for="one in offered"
          :key="one.what"
          size="small"
          @click="emit('take', { ...one })"
        >
          {{ one.label }}
        </n-button>
      </div>
    </template>
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
