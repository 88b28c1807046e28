<script setup lang="ts">
import { computed } from "vue";
import type { ShelfItem, ShelfPlace } from "@/api/client";
import { countOf, POINT_WORDS } from "@/ui/words";

/** One exercise on the shelf: its drawing, what it asks for, and what can be done with it. */
const props = defineProps<{ item: ShelfItem }>();
const emit = defineEmits<{ put: [place: ShelfPlace]; copy: [] }>();

const WAYS: Record<ShelfPlace, { place: ShelfPlace; words: string }[]> = {
  shelf: [
    { place: "archive", words: "Put in the archive" },
    { place: "bin", words: "Put in the bin" },
  ],
  archive: [
    { place: "shelf", words: "Put back on the shelf" },
    { place: "bin", words: "Put in the bin" },
  ],
  bin: [{ place: "shelf", words: "Put back on the shelf" }],
};
const about = computed(() => {
  const { points, pieces, age, minutes } = props.item;
  const time =
    minutes === null ? "cannot be drawn in steps yet" : `about ${Math.round(minutes)} min`;
  const from = age === null ? [] : [`from age ${age}`];
  return [POINT_WORDS[points], countOf(pieces, "piece"), ...from, time].join(" · ");
});

function choose(event: Event, action: () => void) {
  (event.target as HTMLElement).closest("details")?.removeAttribute("open");
  action();
}
</script>

<template>
  <li class="card">
    <router-link :to="`/prepare/${item.id}`" class="cover">
      <span class="frame">
        <span v-if="item.problem" class="spoilt">{{ item.problem }}</span>
        <img
          v-else
          :src="`/api/exercises/${item.id}/cover.svg?v=${item.counter}`"
          :alt="`Drawing of ${item.title}`"
          width="264"
          height="187"
          loading="lazy"
        />
      </span>
      <strong>{{ item.title }}</strong>
      <span v-if="!item.problem" class="about">{{ about }}</span>
    </router-link>
    <div class="ways">
      <router-link v-if="!item.problem" :to="`/teach/${item.id}`"
        >Teach<span class="visually-hidden"> {{ item.title }}</span></router-link
      >
      <router-link v-if="!item.problem" :to="`/print/${item.id}`"
        >Print<span class="visually-hidden"> {{ item.title }}</span></router-link
      >
      <details @keydown.esc="($event.currentTarget as HTMLElement).removeAttribute('open')">
        <summary>
          More<span class="visually-hidden"> for {{ item.title }}</span>
        </summary>
        <div class="more">
          <button type="button" @click="choose($event, () => emit('copy'))">Make a copy</button>
          <a :href="`/api/exercises/${item.id}/document.json`" download>Save as a file</a>
          <button
            v-for="way in WAYS[item.place]"
            :key="way.place"
            type="button"
            @click="choose($event, () => emit('put', way.place))"
          >
            {{ way.words }}
          </button>
        </div>
      </details>
    </div>
  </li>
</template>

<style scoped>
.cover {
  display: grid;
  gap: 4px;
  color: inherit;
  text-decoration: none;
}
.cover strong {
  font-size: 17px;
}
.cover:hover strong {
  text-decoration: underline;
}
.frame {
  display: flex;
  align-items: end;
  height: 248px;
  margin-bottom: 12px;
}
/* The place is there before the drawing: nothing moves when it comes. */
.frame img {
  width: 100%;
  height: 100%;
  object-fit: contain;
  object-position: left bottom;
  filter: drop-shadow(0 1px 2px color-mix(in srgb, var(--pencil) 25%, transparent))
    drop-shadow(0 4px 10px color-mix(in srgb, var(--pencil) 14%, transparent));
}
.spoilt {
  align-self: stretch;
  width: 100%;
  padding: 20px;
  background: var(--paper);
  color: var(--pencil-quiet);
  box-shadow: var(--shadow);
}
.about {
  color: var(--quiet);
  font-size: 14px;
}
.ways {
  display: flex;
  gap: 16px;
  margin-top: 6px;
  font-size: 14px;
}
details {
  position: relative;
}
summary {
  color: var(--action);
  text-decoration: underline;
  cursor: pointer;
}
.more {
  position: absolute;
  z-index: 5;
  left: 0;
  display: grid;
  width: 196px;
  padding: 4px;
  border-radius: 6px;
  background: var(--card);
  box-shadow: var(--shadow);
}
.more > * {
  padding: 8px 12px;
  border: 0;
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  text-decoration: none;
  cursor: pointer;
}
.more > *:hover {
  background: var(--action-soft);
}
</style>
