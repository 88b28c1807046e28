<script setup lang="ts">
import { NCheckbox } from "naive-ui";
import { computed } from "vue";
import type { Cut, Exercise, FieldSpec, Grip, Outline, Piece } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import type { Units } from "@/ui/measures";
import { withValue } from "../document/editing";
import CornersField from "./CornersField.vue";
import CutField from "./CutField.vue";
import HeightField from "./HeightField.vue";
import type { Height, Levels } from "./heights";
import LevelsField from "./LevelsField.vue";
import { nearOf } from "./cuts";
import { fieldsOf, lengthsOf, pointsOf, valueAt, type Told } from "./kinds";
import type { Part } from "./parts";
import PartsField from "./PartsField.vue";
import WordField from "./WordField.vue";

/** A piece's fields, each edited as its role tells; a few have an editor of their own. */
const props = defineProps<{ told: Told; doc: Exercise; grips: readonly Grip[]; units: Units }>();
const emit = defineEmits<{
  change: [piece: Piece, merge?: string];
  /** A choice that the core makes, as other measures may follow from it. */
  choose: [field: string, value: string | boolean | null];
  /** One more part, or one more in one of them. */
  add: [what: string, within?: string];
}>();

const EDITORS = ["word", "corners", "parts", "height", "levels"] as const;
type Way = (typeof EDITORS)[number] | "cut" | "list" | "flag" | "number" | "measure";
const WAYS: Partial<Record<FieldSpec["role"], Way>> = {
  depth: "cut",
  run: "cut",
  choice: "list",
  count: "list",
  reference: "list",
  flag: "flag",
  fixed: "number",
};

const rows = computed(() =>
  fieldsOf(props.told).map((field) => {
    const { path, editor, role } = field;
    const own = EDITORS.find((one) => one === editor);
    const way: Way = own ?? WAYS[role] ?? "measure";
    // What is not there has no fields either, whatever they would begin with.
    const there = path.length < 2 || valueAt(props.told.piece, path.slice(0, -1)) !== null;
    const value = there ? (valueAt(props.told.piece, path) ?? field.default) : null;
    return { key: path.join("."), field, way, value, on: value !== null, last: path.at(-1) ?? "" };
  }),
);
/** What is only ticked stands together below the rest. */
const ticks = computed(() =>
  rows.value.filter(({ way, field }) => way === "flag" || field.editor === "switch"),
);
/** What only has fields of its own, as the arm of a post, is ticked and has no measure itself. */
const groups = ({ role, editor }: FieldSpec) => role === "parts" && editor === "switch";
const others = computed(() =>
  rows.value.filter(({ way, field, on }) => way !== "flag" && on && !groups(field)),
);
const points = computed(() => pointsOf(props.doc));
const earlier = computed(() => {
  const ids = (props.doc.pieces ?? []).map(({ id }) => id);
  return ids.slice(0, ids.indexOf(props.told.piece.id)).map((id) => ({ value: id, label: id }));
});

/** What a list offers: choices for these points, numbers, or the pieces listed before. */
function optionsOf(field: FieldSpec): { value: string; label: string }[] {
  if (field.role === "count") return countsOf(field);
  if (field.role === "reference") return earlier.value;
  return field.choices.filter(({ systems }) => systems.includes(points.value));
}
const countsOf = ({ least, most }: FieldSpec) =>
  Array.from({ length: (most ?? 0) - (least ?? 0) + 1 }, (_, i) => {
    const count = String((least ?? 0) + i);
    return { value: count, label: count === "0" ? "none" : count };
  });
const leastOf = ({ least, above }: FieldSpec) => (above ? 0.5 : (least ?? undefined));
const near = (field: string) =>
  nearOf(
    props.grips.find((one) => one.field === field),
    lengthsOf(props.told)[0],
  );

function set(path: readonly string[], value: unknown) {
  emit("change", withValue(props.told.piece, path, value));
}

function pick({ role, path }: FieldSpec, value: string) {
  if (role === "choice") emit("choose", path.join("."), value);
  else set(path, role === "count" ? Number(value) : value);
}
</script>

<template>
  <div class="fields">
    <template v-for="{ key, field, way, value, last } in others" :key="key">
      <word-field
        v-if="way === 'word'"
        :label="field.label"
        :value="String(value)"
        @set="set(field.path, $event)"
      />
      <corners-field
        v-else-if="way === 'corners'"
        :label="field.label"
        :piece="told.piece as Outline"
        :units="units"
        class="wide"
        @change="(changed, merge) => emit('change', changed, merge)"
      />
      <parts-field
        v-else-if="way === 'parts'"
        class="wide"
        :field="field"
        :parts="(value ?? []) as Part[]"
        :doc="doc"
        :units="units"
        @set="set(field.path, $event)"
        @add="(what, within) => emit('add', what, within)"
        @choose="(name, chosen) => emit('choose', name, chosen)"
      />
      <height-field
        v-else-if="way === 'height'"
        class="wide"
        :label="field.label"
        :height="value as Height"
        :doc="doc"
        :units="units"
        @set="set(field.path, $event)"
      />
      <levels-field
        v-else-if="way === 'levels'"
        class="wide"
        :label="field.label"
        :levels="(value ?? {}) as Levels"
        :units="units"
        @set="set(field.path, $event)"
      />
      <cut-field
        v-else-if="way === 'cut'"
        class="wide"
        :label="field.label"
        :cut="value as Cut"
        :near="near(last)"
        :units="units"
        @set="set(field.path, $event)"
      />
      <choice-field
        v-else-if="way === 'list'"
        class="wide"
        :label="field.label"
        :value="String(value)"
        :options="optionsOf(field)"
        @set="pick(field, $event)"
      />
      <label v-else-if="way === 'number'" class="field">
        <span>{{ field.label }}</span>
        <input
          class="plain"
          type="number"
          :min="leastOf(field)"
          step="0.5"
          :value="Number(value)"
          @change="set(field.path, Number(($event.target as HTMLInputElement).value))"
        />
      </label>
      <measure-input
        v-else
        :label="field.label"
        :value="Number(value)"
        :units="units"
        :least="leastOf(field)"
        @set="set(field.path, $event)"
      />
    </template>
    <div class="ticks">
      <n-checkbox
        v-for="{ key, field, way, value, on } in ticks"
        :key="key"
        :checked="way === 'flag' ? value === true : on"
        @update:checked="
          way === 'flag' ? set(field.path, $event) : emit('choose', key, $event || null)
        "
      >
        {{ field.label }}
      </n-checkbox>
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.wide,
.ticks {
  grid-column: 1 / -1;
}
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
