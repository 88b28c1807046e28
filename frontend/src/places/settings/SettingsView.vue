<script setup lang="ts">
import { computed } from "vue";
import type { Settings } from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";
import MeasureInput from "@/ui/MeasureInput.vue";
import StateNote from "@/ui/StateNote.vue";
import { useSaveSettings, useSettings } from "@/ui/settings";
import { useTheme } from "@/ui/theme";
import { usePageTitle } from "@/ui/usePageTitle";

/** What holds everywhere: on the bench, in teaching, on paper. */
const settings = useSettings();
const saving = useSaveSettings();
const { dark, toggle } = useTheme();
const now = computed(() => settings.data.value);

type Choice = { name: keyof Settings; title: string; options: [string, string][]; own?: boolean };
const EACH = "as each exercise says";
const CHOICES: { title: string; choices: Choice[] }[] = [
  {
    title: "Words and measures",
    choices: [
      {
        name: "units",
        title: "Measures",
        options: [
          ["cm", "centimetres"],
          ["mm", "millimetres"],
          ["in", "inches with fractions"],
        ],
      },
      {
        name: "line",
        title: "The line is called",
        options: [
          ["eye level", "eye level line"],
          ["horizon", "horizon line"],
        ],
      },
      {
        name: "spelling",
        title: "Spelling",
        options: [
          ["UK", "British"],
          ["US", "American"],
        ],
      },
      {
        name: "reading",
        title: "Sentences",
        options: [
          ["full", "full"],
          ["simple", "short, one thought each"],
        ],
      },
    ],
  },
  {
    title: "Tools in the room",
    choices: [
      {
        name: "square",
        title: "Uprights are trued with",
        options: [
          ["set square", "a set square"],
          ["see-through ruler", "a see-through ruler"],
          ["folded paper", "folded paper"],
        ],
      },
      {
        name: "far",
        title: "Where a ruler does not reach",
        options: [
          ["long ruler", "a long ruler"],
          ["book edge", "the edge of a large book"],
          ["ladders", "ladders at the sheet’s edges"],
        ],
      },
    ],
  },
  {
    title: "Paper",
    choices: [
      {
        name: "paper",
        title: "New sheets are",
        own: true,
        options: ["A5", "A4", "A3", "A2", "A1", "9x12in", "11x17in", "12x18in", "18x24in"].map(
          (size) => [size, size.replace("x", " × ").replace("in", " in")],
        ),
      },
      {
        name: "office",
        title: "The printer has",
        own: true,
        options: [
          ["A4", "A4"],
          ["Letter", "Letter"],
        ],
      },
    ],
  },
];

function set(change: Partial<Settings>) {
  if (now.value) saving.mutate({ ...now.value, ...change });
}
const optionsOf = ({ options, own }: Choice) => [
  ...(own ? [] : [{ value: "", label: EACH }]),
  ...options.map(([value, label]) => ({ value, label })),
];
/** Said when the last change has arrived, as leaving before that would break it off. */
const kept = computed(() =>
  saving.isPending.value ? "Saving …" : saving.isSuccess.value ? "Saved" : "",
);
const hasRuler = computed(() => now.value?.ruler_mm != null);
usePageTitle("Settings");
</script>

<template>
  <section class="settings">
    <h1>Settings</h1>
    <p class="about">
      They hold everywhere: on the bench, in teaching, on paper.
      <span role="status">{{ kept }}</span>
    </p>
    <p v-if="saving.error.value" class="problem" role="alert">{{ saving.error.value.message }}</p>
    <state-note
      :loading="settings.isPending.value"
      :error="settings.error.value"
      @retry="settings.refetch()"
    />
    <template v-if="now">
      <fieldset v-for="group in CHOICES" :key="group.title">
        <legend>{{ group.title }}</legend>
        <choice-field
          v-for="choice in group.choices"
          :key="choice.name"
          :label="choice.title"
          :value="String(now[choice.name] ?? '')"
          :options="optionsOf(choice)"
          @set="set({ [choice.name]: $event || null })"
        />
        <template v-if="group.title === 'Tools in the room'">
          <label class="check">
            <input
              type="checkbox"
              :checked="hasRuler"
              @change="set({ ruler_mm: hasRuler ? null : 300 })"
            />
            Say where the pupils’ ruler does not reach a point
          </label>
          <measure-input
            v-if="now.ruler_mm != null"
            label="The pupils’ ruler is long"
            :value="now.ruler_mm"
            :units="now.units ?? 'cm'"
            :least="100"
            @set="set({ ruler_mm: Math.min(2000, $event) })"
          />
        </template>
      </fieldset>
      <fieldset>
        <legend>The desk</legend>
        <label class="check">
          <input
            type="checkbox"
            :checked="now.left_handed"
            @change="set({ left_handed: !now.left_handed })"
          />
          Left-handed teaching: the words stand at the left
        </label>
        <label class="check">
          <input type="checkbox" :checked="dark" @change="toggle" />
          Dark desk
        </label>
      </fieldset>
    </template>
  </section>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 16px;
  max-width: 640px;
  padding: 28px 36px;
}
.about {
  color: var(--quiet);
}
fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 20px;
  margin: 8px 0 0;
  padding: 0;
  border: 0;
}
legend {
  grid-column: 1 / -1;
  padding: 0 0 8px;
  font-size: 18px;
  font-weight: 700;
}
.check {
  grid-column: 1 / -1;
}
.problem {
  color: var(--off);
}
</style>
