<script setup lang="ts">
import { computed } from "vue";
import type { DemandOut, DemandSpec, Exercise } from "@/api/client";
import DrawnLines from "@/desk/DrawnLines.vue";
import EyeLevelLines from "@/desk/EyeLevelLines.vue";
import { finishedLines } from "@/desk/lines";
import TonedPlanes from "@/desk/TonedPlanes.vue";
import ChoiceField from "@/ui/ChoiceField.vue";
import DraftInput from "@/ui/DraftInput.vue";
import { countOf } from "@/ui/words";
import { usePicture } from "../bench/usePicture";
import { textOf, toldOf } from "../pieces/kinds";
import { useKinds } from "../pieces/useKinds";

/** One demand: its drawing, what it costs in time, and what it asks for. */
const props = defineProps<{
  id: number;
  name: DemandOut["name"];
  title: string;
  made: DemandOut | undefined;
  doc: Exercise;
}>();
const emit = defineEmits<{ change: [spec: DemandSpec] }>();

const AS_IT_IS = "as in the exercise";
const DEPTHS = [
  { value: "as it is", label: AS_IT_IS },
  { value: "by eye", label: "chosen by eye" },
  { value: "measured", label: "measured along the line" },
  { value: "true", label: "true, by distance or measuring point" },
] as const;
const TONES = [
  { value: "", label: AS_IT_IS },
  { value: "shaded", label: "shaded" },
  { value: "lines", label: "lines only" },
] as const;
const WAYS = [
  { value: "", label: "as in the exercise" },
  { value: "quick", label: "quick, by hand and eye" },
  { value: "exact", label: "exact, by marks" },
];
const GIVEN = [
  { value: "", label: AS_IT_IS },
  { value: "measures", label: "all measures" },
  { value: "points", label: "the points; sizes are their own" },
  { value: "rules", label: "only the rules; points are their own, too" },
] as const;

const drawn = computed(() => props.made?.document ?? null);
const { picture } = usePicture(drawn, { linesAlone: true });
const spec = computed(() => props.made?.spec);
const standard = computed(() => props.name === "standard");
const pieces = computed(() => props.doc.pieces ?? []);
const kinds = useKinds();
/** How many letters the first word has; 0 where there is none. */
const letters = computed(() => {
  const words = pieces.value
    .map((piece) => toldOf(kinds.value, piece))
    .map((one) => one && textOf(one));
  return words.find(Boolean)?.length ?? 0;
});

/** How many houses the longest row has; 0 where there is none. */
const houses = computed(() =>
  Math.max(0, ...pieces.value.map((piece) => ("buildings" in piece ? piece.buildings.length : 0))),
);
/** What there may be fewer of, with the most that the exercise has. */
const fewer = computed(() =>
  (
    [
      { field: "letters", label: "Letters of the word", most: letters.value },
      { field: "houses", label: "Houses of each row", most: houses.value },
    ] as const
  ).filter(({ most }) => most > 0),
);

function set(change: Partial<DemandSpec>) {
  if (spec.value) emit("change", { ...spec.value, ...change });
}

function keep(piece: string, wanted: boolean) {
  const out = (spec.value?.leave_out ?? []).filter((one) => one !== piece);
  set({ leave_out: wanted ? out : [...out, piece] });
}
const checked = (event: Event) => (event.target as HTMLInputElement).checked;
</script>

<template>
  <article class="column" :aria-label="title">
    <h2>{{ title }}</h2>
    <div class="frame">
      <svg
        v-if="picture"
        :viewBox="`0 0 ${picture.drawing.sheet.width_mm} ${picture.drawing.sheet.height_mm}`"
        role="img"
        :aria-label="`Drawing of ${title}`"
      >
        <toned-planes :planes="picture.planes" />
        <eye-level-lines :lines="picture.eye_level" :width="1" />
        <drawn-lines
          :lines="finishedLines(picture.drawing.strokes, false)"
          :mm-per-px="picture.drawing.sheet.width_mm / 330"
        />
      </svg>
    </div>
    <p v-if="made?.problem" class="problem" role="alert">{{ made.problem }}</p>
    <p v-else-if="made" class="about">
      {{ countOf(made.steps, "step") }} · about {{ Math.round(made.minutes) }} min
    </p>
    <template v-if="spec && !standard">
      <fieldset v-if="pieces.length > 1">
        <legend>What is on the sheet</legend>
        <label v-for="piece in pieces" :key="piece.id" class="check">
          <input
            type="checkbox"
            :checked="!spec.leave_out?.includes(piece.id)"
            @change="keep(piece.id, checked($event))"
          />
          {{ piece.id }}
        </label>
      </fieldset>
      <div v-for="{ field, label, most } in fewer" :key="field" class="field">
        <label :for="`${name.replace(' ', '-')}-${field}`">{{ label }}</label>
        <draft-input
          :id="`${name.replace(' ', '-')}-${field}`"
          :value="spec[field] ?? most"
          :least="1"
          :most="most"
          @set="set({ [field]: Number($event) || null })"
        />
      </div>
      <label class="check">
        <input
          type="checkbox"
          :checked="spec.points_printed"
          @change="set({ points_printed: checked($event) })"
        />
        Eye level and points are printed already
      </label>
      <choice-field
        label="Depth"
        :value="spec.depth"
        :options="DEPTHS"
        @set="set({ depth: $event })"
      />
      <choice-field
        label="Tone"
        :value="spec.tone == null ? '' : spec.tone ? 'shaded' : 'lines'"
        :options="TONES"
        @set="set({ tone: $event === '' ? null : $event === 'shaded' })"
      />
      <choice-field
        label="Circles and curves"
        :value="spec.quick == null ? '' : spec.quick ? 'quick' : 'exact'"
        :options="WAYS"
        @set="set({ quick: $event === '' ? null : $event === 'quick' })"
      />
      <choice-field
        label="Pupils take from the sheet"
        :value="spec.given ?? ''"
        :options="GIVEN"
        @set="set({ given: $event || null })"
      />
    </template>
    <p class="ways">
      <router-link :to="{ path: `/print/${id}`, query: { demand: name } }"
        >Print<span class="visually-hidden"> {{ title }}</span></router-link
      >
    </p>
  </article>
</template>

<style scoped>
.column {
  display: grid;
  gap: 10px;
  align-content: start;
}
.frame {
  aspect-ratio: 1.414;
  display: flex;
  align-items: center;
}
svg {
  width: 100%;
  max-height: 100%;
  background: var(--paper);
  box-shadow: var(--shadow);
}
.about {
  color: var(--quiet);
}
.problem {
  color: var(--off);
}
fieldset {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
  color: var(--quiet);
  font-size: 13px;
}
</style>
