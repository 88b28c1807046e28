<script setup lang="ts">
import { computed } from "vue";
import type { Exercise, Grip, KindSpec, Piece, XY } from "@/api/client";
import DragHandle from "@/desk/DragHandle.vue";
import { formatMeasure, nudgeStepMm, rounded, type Units } from "@/ui/measures";
import { valueAtPlace, valueByKey } from "../pieces/cuts";
import {
  anchorOf,
  lengthsOf,
  movedWith,
  sizeCornerOf,
  sizedTo,
  toldOf,
  valueAt,
} from "../pieces/kinds";
import type { Told } from "../pieces/kinds";
import { lightWay, sunOf } from "./tone";

/** Everything on the sheet that can be taken hold of. */
const props = defineProps<{
  doc: Exercise;
  kinds: readonly KindSpec[];
  grips: readonly Grip[];
  chosen: string | null;
  /** Which of its members, where it has several. */
  member: string;
  units: Units;
  step: number;
  mmPerPx: number;
  toSheet: (event: PointerEvent) => XY;
}>();
const emit = defineEmits<{
  set: [path: (string | number)[], value: unknown, merge: string];
  choose: [id: string];
  settle: [];
}>();

const NONE: Piece[] = [];
const nudge = computed(() => nudgeStepMm(props.units));
const read = (mm: number) => formatMeasure(mm, props.units);
const view = computed(() => props.doc.view);
const points = computed(() =>
  view.value.kind === "one-point"
    ? [{ name: "VP1", field: "vanishing_point_mm", x: view.value.vanishing_point_mm }]
    : [
        { name: "VP1", field: "left_vp_mm", x: view.value.left_vp_mm },
        { name: "VP2", field: "right_vp_mm", x: view.value.right_vp_mm },
      ],
);
const sun = computed(() => sunOf(props.doc));
const third = computed(() => (view.value.kind === "three-point" ? view.value.third_vp_mm : null));
/** The same list as before while only the view moves, so that nothing of it is worked out anew. */
const own = computed(() => props.doc.pieces ?? NONE);
const pieces = computed(() =>
  own.value.flatMap((piece, index) => {
    const told = toldOf(props.kinds, piece);
    const anchor = told && anchorOf(told);
    // What stands on the lines of another is moved with it.
    if (!told || !anchor) return [];
    const size = lengthsOf(told).map(read).join(" × ");
    return { told, piece, index, anchor, corner: sizeCornerOf(told), size };
  }),
);

const FINE_MM = 0.0001;
const stepFor = (exact: boolean) => (exact ? FINE_MM : props.step);

function moveEyeLevel(to: XY, exact: boolean) {
  emit("set", ["view", "eye_level_mm"], rounded(to[1], stepFor(exact)), "eye level");
}

function movePoint(field: string, to: XY, exact: boolean) {
  emit("set", ["view", field], rounded(to[0], stepFor(exact)), field);
}

function moveThird(to: XY, exact: boolean) {
  const place = to.map((mm) => rounded(mm, stepFor(exact)));
  emit("set", ["view", "third_vp_mm"], place, "third point");
}

function moveSun(to: XY, exact: boolean) {
  const [x_mm, y_mm] = to.map((mm) => rounded(mm, stepFor(exact)));
  emit("set", ["tone", "light"], { ...sun.value, x_mm, y_mm }, "sun");
}

function movePiece(index: number, told: Told, to: XY, exact: boolean) {
  for (const [number, piece] of movedWith(props.kinds, own.value, told, to, stepFor(exact)))
    emit("set", ["pieces", number], piece, `move ${index}`);
}

function sizePiece(index: number, told: Told, to: XY, exact: boolean) {
  emit("set", ["pieces", index], sizedTo(told, to, stepFor(exact)), `size ${index}`);
}

function moveGrip(grip: Grip, to: XY, exact: boolean) {
  const index = own.value.findIndex((piece) => piece.id === grip.piece);
  const value = (exact ? valueByKey : valueAtPlace)(grip, to, stepFor(exact));
  if (index < 0 || value === null) return;
  const path = ["pieces", index, ...grip.field.split("."), grip.way];
  emit("set", path, value, `grip ${index} ${grip.field} ${grip.way}`);
}

function gripReading(grip: Grip): string {
  const piece = own.value.find((one) => one.id === grip.piece);
  const value = piece ? Number(valueAt(piece, [...grip.field.split("."), grip.way])) : 0;
  if (grip.reads === "stops") return `${value} ${grip.label}`;
  return grip.reads === "share" ? `${Math.round(value * 100)} % of the way` : read(value);
}
</script>

<template>
  <g class="handles">
    <drag-handle
      id="handle-eye-level"
      shape="line"
      :x="0"
      :y="view.eye_level_mm"
      down
      label="Eye level"
      :reading="`${read(view.eye_level_mm)} from the top`"
      :mm-per-px="mmPerPx"
      :to-sheet="toSheet"
      :nudge="nudge"
      @move="moveEyeLevel"
      @end="emit('settle')"
    />
    <drag-handle
      v-for="point in points"
      :id="`handle-${point.name}`"
      :key="point.name"
      shape="point"
      :x="point.x"
      :y="view.eye_level_mm"
      across
      :label="`Vanishing point ${point.name}`"
      :reading="`${read(point.x)} from the left`"
      :mm-per-px="mmPerPx"
      :to-sheet="toSheet"
      :nudge="nudge"
      @move="(to, exact) => movePoint(point.field, to, exact)"
      @end="emit('settle')"
    />
    <drag-handle
      v-if="third"
      id="handle-VP3"
      shape="point"
      :x="third[0]"
      :y="third[1]"
      across
      down
      label="Vanishing point VP3"
      :reading="`${read(third[0])} from the left, ${read(third[1])} from the top`"
      :mm-per-px="mmPerPx"
      :to-sheet="toSheet"
      :nudge="nudge"
      @move="moveThird"
      @end="emit('settle')"
    />
    <drag-handle
      v-if="sun"
      id="handle-sun"
      shape="sun"
      :x="sun.x_mm"
      :y="sun.y_mm"
      across
      down
      :label="lightWay(doc) === 'sun' ? 'Sun' : 'Where the rays of the sun behind us meet'"
      :reading="`${read(sun.x_mm)} from the left, ${read(sun.y_mm)} from the top`"
      :mm-per-px="mmPerPx"
      :to-sheet="toSheet"
      :nudge="nudge"
      @move="moveSun"
      @end="emit('settle')"
    />
    <!-- Of many things only the one that moves is drawn anew. -->
    <g
      v-for="one in pieces"
      :key="one.index"
      v-memo="[one.piece, one.index, one.piece.id === chosen, mmPerPx, units]"
    >
      <drag-handle
        shape="corner"
        :x="one.anchor[0]"
        :y="one.anchor[1]"
        across
        down
        :label="`Place of ${one.piece.id}`"
        :reading="`${read(one.anchor[0])}, ${read(one.anchor[1])}`"
        :mm-per-px="mmPerPx"
        :to-sheet="toSheet"
        :nudge="nudge"
        @start="emit('choose', one.piece.id)"
        @move="(to, exact) => movePiece(one.index, one.told, to, exact)"
        @end="emit('settle')"
      />
      <drag-handle
        v-if="one.corner && one.piece.id === chosen"
        shape="corner"
        :x="one.corner[0]"
        :y="one.corner[1]"
        across
        down
        :label="`Size of ${one.piece.id}`"
        :reading="one.size"
        :mm-per-px="mmPerPx"
        :to-sheet="toSheet"
        :nudge="nudge"
        @move="(to, exact) => sizePiece(one.index, one.told, to, exact)"
        @end="emit('settle')"
      />
    </g>
    <template v-for="grip in grips" :key="`${grip.piece}-${grip.field}-${grip.way}`">
      <drag-handle
        v-if="grip.piece === chosen && grip.member === member && grip.reads !== 'nothing'"
        shape="cut"
        :x="grip.at[0]"
        :y="grip.at[1]"
        across
        down
        :label="`${grip.label} of ${grip.member || grip.piece}`"
        :reading="gripReading(grip)"
        :mm-per-px="mmPerPx"
        :to-sheet="toSheet"
        :nudge="nudge"
        @move="(to, exact) => moveGrip(grip, to, exact)"
        @end="emit('settle')"
      />
    </template>
  </g>
</template>
