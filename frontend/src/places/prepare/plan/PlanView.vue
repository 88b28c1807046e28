<script setup lang="ts">
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { answered, api, type Exercise, type LessonSpec } from "@/api/client";
import DraftInput from "@/ui/DraftInput.vue";
import StateNote from "@/ui/StateNote.vue";
import { useSaid } from "@/ui/settings";
import { countOf } from "@/ui/words";
import { saveWords } from "../document/useAutosave";
import { useDocument } from "../document/useDocument";
import { usePageTitle } from "@/ui/usePageTitle";

/** The lesson plan: made from the exercise, and the teacher's own wherever it is changed. */
const props = defineProps<{ id: number }>();
const kept = useDocument(props.id);
const { document: doc, saving } = kept;
const said = useSaid(() => doc.value);
const plan = useQuery({
  queryKey: ["plan", said],
  enabled: () => said.value !== null,
  placeholderData: (before) => before,
  queryFn: () => answered(api.POST("/api/plan", { body: said.value as Exercise })),
});

const LISTS = [
  { name: "words", title: "Words to introduce" },
  { name: "look_for", title: "While walking round" },
  { name: "materials", title: "To put out" },
  { name: "cautions", title: "Take care" },
] as const;
const EMPTY: LessonSpec = {
  period_min: 45,
  materials: [],
  words: [],
  look_for: [],
  cautions: [],
  notes: "",
};
const spec = computed<LessonSpec>(() => ({ ...EMPTY, ...doc.value?.lesson }));

function set(change: Partial<LessonSpec>) {
  kept.set(["lesson"], { ...spec.value, ...change });
}

function setAge(text: string) {
  const age = Math.round(Number(text));
  kept.set(["age"], age >= 5 && age <= 18 ? age : null);
}

function write(name: (typeof LISTS)[number]["name"], text: string) {
  const lines = text.split("\n").map((one) => one.trim());
  set({ [name]: lines.filter(Boolean) });
}
usePageTitle(() => doc.value && `Lesson plan: ${doc.value.title}`);
</script>

<template>
  <state-note
    v-if="!doc || !plan.data.value"
    class="waiting"
    :loading="!kept.opened.error.value && !plan.error.value"
    :error="kept.opened.error.value ?? plan.error.value"
    @retry="kept.opened.refetch()"
  />
  <section v-else class="plan">
    <header>
      <h1>Lesson plan: {{ doc.title }}</h1>
      <span class="saved" role="status">{{ saveWords(saving.state.value) }}</span>
      <router-link :to="`/prepare/${id}`">To the bench</router-link>
      <router-link :to="`/print/${id}`">Print</router-link>
    </header>
    <div class="sizes">
      <div class="field">
        <label for="plan-age">Age of the pupils</label>
        <draft-input id="plan-age" :value="doc.age ?? ''" :least="5" :most="18" @set="setAge" />
      </div>
      <div class="field">
        <label for="plan-period">A lesson has, in minutes</label>
        <draft-input
          id="plan-period"
          :value="spec.period_min"
          :least="15"
          :most="180"
          @set="set({ period_min: Math.min(180, Math.max(15, Number($event) || 45)) })"
        />
      </div>
    </div>
    <p>
      About {{ Math.round(plan.data.value.minutes) }} minutes of drawing, in
      {{ countOf(plan.data.value.periods.length, "lesson") }}.
    </p>
    <ol class="periods">
      <li v-for="(period, i) in plan.data.value.periods" :key="i">
        <strong>Lesson {{ i + 1 }}</strong
        >: steps {{ period.first }} to {{ period.last }}, {{ Math.round(period.minutes) }} min, up
        to “{{ period.ends_with }}”
      </li>
    </ol>
    <div class="lists">
      <div v-for="{ name, title } in LISTS" :key="name" class="field">
        <label :for="`plan-${name}`">{{ title }}, one to a line</label>
        <draft-input
          :id="`plan-${name}`"
          :lines="7"
          :value="plan.data.value[name].join('\n')"
          @set="write(name, $event)"
        />
        <button v-if="spec[name]?.length" type="button" class="own" @click="set({ [name]: [] })">
          The program’s own list
        </button>
      </div>
      <div class="field">
        <label for="plan-notes">Notes</label>
        <draft-input id="plan-notes" :lines="7" :value="spec.notes" @set="set({ notes: $event })" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.waiting {
  margin: 24px;
}
.plan {
  display: grid;
  gap: 16px;
  max-width: 1120px;
  padding: 28px 36px;
}
header,
.sizes {
  display: flex;
  align-items: baseline;
  gap: 16px;
  flex-wrap: wrap;
}
.saved {
  color: var(--quiet);
}
.periods {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.lists {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(420px, 1fr));
  gap: 20px 28px;
}
.own {
  padding: 4px 0;
  border: 0;
  background: none;
  color: var(--action);
  font: inherit;
  font-size: 14px;
  text-decoration: underline;
  cursor: pointer;
}
@media (max-width: 640px) {
  .lists {
    grid-template-columns: 1fr;
  }
}
</style>
