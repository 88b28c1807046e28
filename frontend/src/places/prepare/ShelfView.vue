<script setup lang="ts">
import { NButton } from "naive-ui";
import { useRouter } from "vue-router";
import { useNewExercise, useShelf } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { countOf, POINT_WORDS } from "@/ui/words";
import { newExercise, type PointCount } from "./editing";

const shelf = useShelf();
const adding = useNewExercise();
const router = useRouter();

async function begin(points: PointCount) {
  const added = await adding.mutateAsync(newExercise(points)).catch(() => null);
  if (added) await router.push(`/prepare/${added.id}`);
}
</script>

<template>
  <section class="shelf">
    <header>
      <h1>The shelf</h1>
      <div class="begin">
        <n-button :loading="adding.isPending.value" @click="begin(1)">New one-point sheet</n-button>
        <n-button :loading="adding.isPending.value" @click="begin(2)">New two-point sheet</n-button>
        <n-button :loading="adding.isPending.value" @click="begin(3)">
          New three-point sheet
        </n-button>
      </div>
    </header>
    <p v-if="adding.error.value" class="problem" role="alert">{{ adding.error.value.message }}</p>
    <state-note
      :loading="shelf.isPending.value"
      :error="shelf.error.value"
      :empty="shelf.data.value?.length === 0 ? 'The shelf is empty. Begin a new sheet.' : undefined"
      @retry="shelf.refetch()"
    />
    <ul v-if="shelf.data.value?.length" class="covers">
      <li v-for="item in shelf.data.value" :key="item.id">
        <router-link :to="`/prepare/${item.id}`" class="cover">
          <span class="frame">
            <img
              :src="`/api/exercises/${item.id}/cover.svg?v=${item.counter}`"
              :alt="`Drawing of ${item.title}`"
              loading="lazy"
            />
          </span>
          <strong>{{ item.title }}</strong>
          <span class="about">
            {{ POINT_WORDS[item.points] }} · {{ countOf(item.pieces, "piece") }}
            <template v-if="item.minutes !== null">
              · about {{ Math.round(item.minutes) }} min</template
            >
            <template v-else> · cannot be drawn in steps yet</template>
          </span>
        </router-link>
        <div class="ways">
          <router-link :to="`/teach/${item.id}`"
            >Teach<span class="visually-hidden"> {{ item.title }}</span></router-link
          >
          <a :href="`/api/exercises/${item.id}/handout.pdf`" target="_blank">
            Print the handout<span class="visually-hidden"> of {{ item.title }}</span>
          </a>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.shelf {
  padding: 28px 36px;
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  flex-wrap: wrap;
}
.begin {
  display: flex;
  gap: 8px;
}
.covers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(264px, 1fr));
  gap: 36px;
  margin: 28px 0 0;
  padding: 0;
  list-style: none;
}
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
.frame img {
  min-width: 0;
  max-width: 100%;
  max-height: 100%;
  object-fit: contain;
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
.problem {
  padding-top: 12px;
  color: var(--off);
}
</style>
