<script setup lang="ts">
import type { ShelfItem } from "@/api/client";
import { useShelf } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { POINT_WORDS } from "@/ui/words";
import { usePageTitle } from "@/ui/usePageTitle";

const shelf = useShelf();

function about({ points, minutes }: ShelfItem): string {
  const time = minutes === null ? [] : [`about ${Math.round(minutes)} minutes`];
  return [POINT_WORDS[points], ...time].join(", ");
}
usePageTitle("What do you teach today?");
</script>

<template>
  <section class="choose">
    <h1>What do you teach today?</h1>
    <state-note
      :loading="shelf.isPending.value"
      :error="shelf.error.value"
      :empty="
        shelf.data.value?.length === 0 ? 'There is no exercise yet. Prepare one first.' : undefined
      "
      @retry="shelf.refetch()"
    />
    <ul v-if="shelf.data.value?.length">
      <li v-for="item in shelf.data.value" :key="item.id">
        <router-link v-if="!item.problem" :to="`/teach/${item.id}`">
          <img :src="`/api/exercises/${item.id}/cover.svg?v=${item.counter}`" alt="" />
          <span>
            <strong>{{ item.title }}</strong>
            {{ about(item) }}
          </span>
        </router-link>
        <router-link v-else :to="`/prepare/${item.id}`">
          <span class="blank" />
          <span>
            <strong>{{ item.title }}</strong>
            This cannot be shown. Open it at the bench to see why.
          </span>
        </router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.choose {
  padding: 28px 36px;
}
ul {
  display: grid;
  gap: 20px;
  max-width: 620px;
  margin: 24px 0 0;
  padding: 0;
  list-style: none;
}
a {
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 8px;
  color: inherit;
  text-decoration: none;
}
a:hover strong {
  text-decoration: underline;
}
img,
.blank {
  width: 148px;
  box-shadow: var(--shadow);
}
.blank {
  flex: none;
  height: 105px;
  background: var(--paper);
}
strong {
  display: block;
  font-size: 20px;
}
</style>
