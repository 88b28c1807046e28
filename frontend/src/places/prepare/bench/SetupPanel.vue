<script setup lang="ts">
import { NCheckbox, NInput } from "naive-ui";
import { computed } from "vue";
import type { Exercise, Picture } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import { formatMeasure, type Units } from "@/ui/measures";
import WordingFields from "./WordingFields.vue";
import SchoolFields from "./SchoolFields.vue";
import ToneFields from "./ToneFields.vue";
import ViewerSteps from "./ViewerSteps.vue";

/** Sheet, eye level, points and words, with the facts that follow from them. */
const props = defineProps<{
  doc: Exercise;
  picture: Picture | null;
  units: Units;
  roundMeasures: boolean;
}>();
const emit = defineEmits<{
  set: [path: (string | number)[], value: unknown];
  round: [on: boolean];
  moved: [doc: Exercise];
}>();

const SIZES = ["A5", "A4", "A3", "A2", "A1", "9x12in", "11x17in", "12x18in", "18x24in"].map(
  (size) => ({ value: size, label: size.replace("x", " × ").replace("in", " in") }),
);
const size = computed(() => (typeof props.doc.sheet.size === "string" ? props.doc.sheet.size : ""));
const strips = computed(() => props.picture?.facts?.strips ?? []);
</script>

<template>
  <section class="panel" aria-label="Set-up">
    <label class="field">
      <span>Title</span>
      <n-input
        :value="doc.title"
        placeholder=""
        size="small"
        :maxlength="120"
        :input-props="{ 'aria-label': 'Title' }"
        @update:value="$event && emit('set', ['title'], $event)"
      />
    </label>
    <div class="pair">
      <choice-field
        v-if="size"
        label="Sheet"
        :value="size"
        :options="SIZES"
        @set="emit('set', ['sheet', 'size'], $event)"
      />
      <choice-field
        v-if="size"
        label="Held"
        :value="doc.sheet.orientation ?? 'landscape'"
        :options="[
          { value: 'landscape', label: 'wide' },
          { value: 'portrait', label: 'tall' },
        ]"
        @set="emit('set', ['sheet', 'orientation'], $event)"
      />
    </div>
    <div class="pair">
      <measure-input
        label="Eye level, from the top"
        :value="doc.view.eye_level_mm"
        :units="units"
        @set="emit('set', ['view', 'eye_level_mm'], $event)"
      />
      <template v-if="doc.view.kind === 'one-point'">
        <measure-input
          label="VP1, from the left"
          :value="doc.view.vanishing_point_mm"
          :units="units"
          @set="emit('set', ['view', 'vanishing_point_mm'], $event)"
        />
        <measure-input
          label="Viewing distance"
          :value="doc.view.viewing_distance_mm ?? (picture?.drawing.sheet.width_mm ?? 400) / 2"
          :units="units"
          :least="10"
          @set="emit('set', ['view', 'viewing_distance_mm'], $event)"
        />
      </template>
      <template v-else>
        <span />
        <measure-input
          label="VP1, from the left"
          :value="doc.view.left_vp_mm"
          :units="units"
          @set="emit('set', ['view', 'left_vp_mm'], $event)"
        />
        <measure-input
          label="VP2, from the left"
          :value="doc.view.right_vp_mm"
          :units="units"
          @set="emit('set', ['view', 'right_vp_mm'], $event)"
        />
      </template>
      <template v-if="doc.view.kind === 'three-point'">
        <measure-input
          label="VP3, from the left"
          :value="doc.view.third_vp_mm[0]"
          :units="units"
          @set="emit('set', ['view', 'third_vp_mm', 0], $event)"
        />
        <measure-input
          label="VP3, from the top"
          :value="doc.view.third_vp_mm[1]"
          :units="units"
          @set="emit('set', ['view', 'third_vp_mm', 1], $event)"
        />
      </template>
    </div>
    <dl v-if="picture?.facts" class="facts">
      <template v-if="picture.facts.lowest_corner_deg !== null">
        <dt>Lowest corner</dt>
        <dd>{{ Math.round(picture.facts.lowest_corner_deg) }}°</dd>
      </template>
      <dt>In the 60° cone</dt>
      <dd>{{ Math.round(picture.facts.share_in_cone * 100) }} %</dd>
      <template v-for="strip in strips" :key="strip.name">
        <dt>Strip for {{ strip.name }}</dt>
        <dd>
          {{ formatMeasure(strip.length_mm, units) }};
          {{ strip.ruler_mm ? `${formatMeasure(strip.ruler_mm, units)} ruler` : "no ruler" }}
        </dd>
      </template>
    </dl>
    <viewer-steps :doc="doc" @moved="emit('moved', $event)" />
    <div class="pair">
      <wording-fields :doc="doc" :units="units" @set="(path, value) => emit('set', path, value)" />
      <school-fields :doc="doc" @set="(path, value) => emit('set', path, value)" />
      <tone-fields :doc="doc" :units="units" @set="(path, value) => emit('set', path, value)" />
    </div>
    <n-checkbox :checked="roundMeasures" @update:checked="emit('round', $event)">
      Round measures ({{ units === "in" ? "¼ in" : "5 mm" }})
    </n-checkbox>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  gap: 12px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.facts {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  font-size: 14px;
  margin: 0;
  padding: 8px 12px;
  border-left: 3px solid var(--line);
}
dt {
  color: var(--quiet);
  white-space: nowrap;
}
dd {
  margin: 0;
  text-align: right;
  font-variant-numeric: tabular-nums;
  font-weight: 600;
}
</style>
