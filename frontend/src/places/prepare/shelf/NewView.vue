<script setup lang="ts">
import { useRouter } from "vue-router";
import type { Exercise } from "@/api/client";
import { useNewExercise, useRecipes } from "@/api/queries";
import { useSettings } from "@/ui/settings";
import StateNote from "@/ui/StateNote.vue";
import { POINT_WORDS } from "@/ui/words";
import { newExercise, type PointCount } from "../document/editing";
import { usePageTitle } from "@/ui/usePageTitle";

const recipes = useRecipes();
const adding = useNewExercise();
const router = useRouter();
const settings = useSettings();
const EMPTY_SHEETS: PointCount[] = [1, 2, 3];

function emptySheet(points: PointCount): Exercise {
  const fresh = newExercise(points);
  const size = settings.data.value?.paper ?? "A3";
  return { ...fresh, sheet: { ...fresh.sheet, size } };
}

async function begin(document: Exercise) {
  const added = await adding.mutateAsync(document).catch(() => null);
  if (added) await router.push(`/prepare/${added.id}`);
}
usePageTitle("Begin a new sheet");
</script>

<template>
  <section class="new">
    <p><router-link to="/prepare">Back to the shelf</router-link></p>
    <h1>Begin a new sheet</h1>
    <p v-if="adding.error.value" class="problem" role="alert">{{ adding.error.value.message }}</p>
    <h2>An empty sheet</h2>
    <div class="empty">
      <button
        v-for="points in EMPTY_SHEETS"
        :key="points"
        type="button"
        class="way"
        :disabled="adding.isPending.value"
        @click="begin(emptySheet(points))"
      >
        New {{ ["", "one", "two", "three"][points] }}-point sheet
      </button>
    </div>
    <h2>A good start</h2>
    <state-note
      :loading="recipes.isPending.value"
      :error="recipes.error.value"
      @retry="recipes.refetch()"
    />
    <ul>
      <li v-for="recipe in recipes.data.value" :key="recipe.name">
        <button
          type="button"
          :disabled="adding.isPending.value"
          :aria-describedby="`why-${recipe.name}`"
          @click="begin(recipe.document)"
        >
          <img :src="`/api/recipes/${recipe.name}/cover.svg`" alt="" width="196" height="139" />
          <strong>{{ recipe.title }}</strong>
        </button>
        <div :id="`why-${recipe.name}`" class="why">
          <p class="about">
            {{ POINT_WORDS[recipe.points] }} · from age {{ recipe.age }} · about
            {{ Math.round(recipe.minutes) }} min
          </p>
          <p>{{ recipe.learn }}</p>
          <p class="measures"><strong>Its measures:</strong> {{ recipe.why }}</p>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.new {
  display: grid;
  gap: 16px;
  max-width: 1120px;
  padding: 28px 36px;
}
h2 {
  margin-top: 12px;
}
.empty {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(480px, 1fr));
  gap: 28px 32px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 196px 1fr;
  gap: 16px;
}
li button {
  display: grid;
  gap: 8px;
  align-content: start;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
li button:hover strong {
  text-decoration: underline;
}
img {
  width: 196px;
  height: auto;
  box-shadow: var(--shadow);
}
.why {
  display: grid;
  gap: 6px;
  align-content: start;
  font-size: 14px;
}
.about,
.measures {
  color: var(--quiet);
}
.problem {
  color: var(--off);
}
@media (max-width: 640px) {
  ul {
    grid-template-columns: 1fr;
  }
}
</style>
