<script setup lang="ts">
import { NButton, NCheckbox } from "naive-ui";
import { computed } from "vue";
import type { Cut, Grip, Piece } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import DraftInput from "@/ui/DraftInput.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import { formatMeasure, type Units } from "@/ui/measures";
import CutField from "./CutField.vue";
import {
  CUT_FIELDS,
  cutIn,
  frontWidthOf,
  stackOf,
  type CutField as CutName,
  type CutWay,
} from "./editing";
import LettersFields from "./LettersFields.vue";
import PlaceFields from "./PlaceFields.vue";
import ShapeFields from "./ShapeFields.vue";

/** One piece: its name, its measures, how it stands. */
const props = defineProps<{ piece: Piece; grips: Grip[]; units: Units; open: boolean }>();
const emit = defineEmits<{ choose: []; change: [piece: Piece, merge?: string]; remove: [] }>();

const summary = computed(() => {
  const { front, edge } = props.piece;
  const stack = stackOf(props.piece);
  if (stack) return `on the lines of ${stack.on}`;
  if (props.piece.kind === "letters") return props.piece.text;
  if (front) {
    const width = formatMeasure(frontWidthOf(props.piece) ?? 0, props.units, false);
    return `${width} × ${formatMeasure(front.height_mm, props.units)}`;
  }
  if (!edge) return "";
  if (edge.length_mm) return `${formatMeasure(edge.length_mm, props.units)} long`;
  return `${formatMeasure((edge.bottom_mm ?? 0) - (edge.top_mm ?? 0), props.units)} high`;
});
/** Which way a round thing lies: what the view and its anchor allow. */
const axes = computed(() => {
  const away = { value: "away", label: "away from us" };
  const sides = [
    { value: "left", label: "to the left point" },
    { value: "right", label: "to the right point" },
  ];
  return [{ value: "up", label: "standing upright" }, ...(props.piece.front ? [away] : sides)];
});
const cuts = computed(() =>
  CUT_FIELDS.flatMap((field) => {
    const cut = cutIn(props.piece, field);
    return cut ? [{ field, cut, near: nearOf(field) }] : [];
  }),
);
const LABELS = {
  depth: "Depth",
  left: "Left side",
  right: "Right side",
  length: "Length of the word",
  thickness: "Thickness",
  street: "From letter to letter",
} as const;

function nearOf(field: string): Record<CutWay, number> {
  const grip = props.grips.find((one) => one.field === field);
  if (!grip) return { along_mm: 30, x_mm: 30, fraction: 0.3, true_mm: 50 };
  const along = Math.hypot(grip.at[0] - grip.start[0], grip.at[1] - grip.start[1]);
  const way = Math.hypot(grip.goal[0] - grip.start[0], grip.goal[1] - grip.start[1]);
  const half = (mm: number) => Math.round(mm * 2) / 2;
  return {
    along_mm: Math.max(0.5, half(along)),
    x_mm: half(grip.at[0]),
    fraction: Math.min(0.99, Math.max(0.01, Math.round((along / way) * 100) / 100)),
    true_mm: frontWidthOf(props.piece) ?? 50,
  };
}

function setCut(field: CutName, cut: Cut) {
  emit("change", { ...props.piece, [field]: cut } as Piece);
}

const turned = computed(() => typeof props.piece.turned_vp_mm === "number");
function turn(on: boolean) {
  // A little beside the point that the left side runs to now.
  const left = props.grips.find((grip) => grip.field === "left");
  const beside = Math.round(((left?.goal[0] ?? 0) + 60) / 5) * 5;
  emit("change", { ...props.piece, turned_vp_mm: on ? beside : null });
}

function refuseName(id: string): string {
  return /^[A-Za-z][A-Za-z0-9 _-]{0,39}$/.test(id)
    ? ""
    : "A letter first, then letters, digits, spaces, - and _.";
}
</script>

<template>
  <article class="card" :class="{ open }">
    <button type="button" class="head" :aria-expanded="open" @click="emit('choose')">
      <strong>{{ piece.id }}</strong>
      <span class="measure">{{ summary }}</span>
    </button>
    <div v-if="open" class="body">
      <label class="field">
        <span>Name</span>
        <draft-input
          needed
          maxlength="40"
          :value="piece.id"
          :refuse="refuseName"
          @set="emit('change', { ...piece, id: $event.trim() })"
        />
      </label>
      <letters-fields
        v-if="piece.kind === 'letters'"
        :piece="piece"
        @change="emit('change', $event)"
      />
      <shape-fields
        v-else-if="piece.kind === 'outline'"
        :piece="piece"
        :units="units"
        @change="(changed, merge) => emit('change', changed, merge)"
      />
      <place-fields :piece="piece" :units="units" @change="emit('change', $event)" />
      <choice-field
        v-if="piece.kind === 'cylinder'"
        label="The round thing lies"
        :value="piece.axis"
        :options="axes"
        @set="emit('change', { ...piece, axis: $event } as Piece)"
      />
      <cut-field
        v-for="one in cuts"
        :key="one.field"
        :label="LABELS[one.field]"
        :cut="one.cut"
        :near="one.near"
        :units="units"
        @set="setCut(one.field, $event)"
      />
      <div class="row">
        <n-checkbox
          :checked="piece.standing === 'ground'"
          @update:checked="emit('change', { ...piece, standing: $event ? 'ground' : 'floating' })"
        >
          Stands on the ground
        </n-checkbox>
        <n-checkbox
          :checked="piece.transparent === true"
          @update:checked="emit('change', { ...piece, transparent: $event })"
        >
          Transparent
        </n-checkbox>
        <n-checkbox v-if="piece.edge" :checked="turned" @update:checked="turn">
          Turned, with points of its own
        </n-checkbox>
        <measure-input
          v-if="turned"
          label="One of its points, from the left"
          :value="piece.turned_vp_mm ?? 0"
          :units="units"
          @set="emit('change', { ...piece, turned_vp_mm: $event })"
        />
      </div>
      <n-button size="small" @click="emit('remove')">Take it off the sheet</n-button>
    </div>
  </article>
</template>

<style scoped>
.card {
  border: 1px solid var(--line);
  border-radius: 6px;
}
.open {
  border-color: var(--action);
}
.head {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 8px 12px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.head span {
  color: var(--quiet);
}
.body {
  display: grid;
  gap: 8px;
  padding: 0 12px 12px;
  justify-items: stretch;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
