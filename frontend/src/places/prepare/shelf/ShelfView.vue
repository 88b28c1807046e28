<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref } from "vue";
import type { Exercise, ShelfItem, ShelfPlace } from "@/api/client";
import { useCopyExercise, useNewExercise, usePutExercise, useShelf } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { answers, ANYTHING, documentIn, type Wanted } from "./shelf";
import ShelfCard from "./ShelfCard.vue";
import ShelfFilter from "./ShelfFilter.vue";
import { usePageTitle } from "@/ui/usePageTitle";

const place = ref<ShelfPlace>("shelf");
const shelf = useShelf(place);
const adding = useNewExercise();
const copying = useCopyExercise();
const putting = usePutExercise();

const wanted = ref<Wanted>({ ...ANYTHING });
const found = computed(() =>
  (shelf.data.value ?? []).filter((item) => answers(item, wanted.value)),
);
const over = ref(false);
/** What was done last, with the way back. */
const done = ref<{ words: string; undo?: () => Promise<unknown> } | null>(null);
const refused = ref<string | null>(null);

const PLACES: { place: ShelfPlace; name: string }[] = [
  { place: "shelf", name: "Shelf" },
  { place: "archive", name: "Archive" },
  { place: "bin", name: "Bin" },
];
const EMPTY: Record<ShelfPlace, string> = {
  shelf: "The shelf is empty. Begin a new sheet, or open a file.",
  archive: "The archive is empty. What you use again next year can rest here.",
  bin: "The bin is empty. Nothing in it is ever lost: it can always be put back.",
};
const WHERE: Record<ShelfPlace, string> = {
  shelf: "is back on the shelf",
  archive: "is in the archive",
  bin: "is in the bin",
};

async function told(work: Promise<unknown>): Promise<boolean> {
  refused.value = null;
  try {
    await work;
    return true;
  } catch (fault) {
    refused.value = fault instanceof Error ? fault.message : String(fault);
    return false;
  }
}

async function put(item: ShelfItem, to: ShelfPlace) {
  const from = item.place;
  if (!(await told(putting.mutateAsync({ id: item.id, place: to })))) return;
  done.value = {
    words: `“${item.title}” ${WHERE[to]}.`,
    undo: () => putting.mutateAsync({ id: item.id, place: from }),
  };
}

async function undo() {
  const back = done.value?.undo;
  if (back && (await told(back()))) done.value = { words: "Undone." };
}

async function copy(item: ShelfItem) {
  if (await told(copying.mutateAsync(item.id)))
    done.value = { words: `A copy of “${item.title}” is on the shelf.` };
}

async function open(files: Iterable<File>) {
  for (const file of files) {
    const work = documentIn(file).then((data) => adding.mutateAsync(data as Exercise));
    if (!(await told(work))) {
      refused.value = `${file.name}: ${refused.value}`;
      return;
    }
    place.value = "shelf";
    done.value = { words: `“${file.name}” is on the shelf.` };
  }
}

function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  void open([...(input.files ?? [])]).then(() => (input.value = ""));
}
usePageTitle("The shelf");
</script>

<template>
  <section
    class="shelf"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave.self="over = false"
    @drop.prevent="((over = false), open($event.dataTransfer?.files ?? []))"
  >
    <header>
      <h1>The shelf</h1>
      <div class="begin">
        <label class="way file">
          Open a file
          <input
            type="file"
            accept="application/json,.json"
            multiple
            class="visually-hidden"
            @change="chosen"
          />
        </label>
        <router-link to="/prepare/new" class="way first">Begin a new sheet</router-link>
      </div>
    </header>
    <div class="choose">
      <div class="places" role="group" aria-label="Where to look">
        <button
          v-for="one in PLACES"
          :key="one.place"
          type="button"
          :aria-pressed="place === one.place"
          @click="place = one.place"
        >
          {{ one.name }}
        </button>
      </div>
      <shelf-filter v-model="wanted" />
    </div>
    <p v-if="refused" class="problem" role="alert">{{ refused }}</p>
    <p class="done" role="status">
      <template v-if="done">
        {{ done.words }}
        <n-button v-if="done.undo" size="small" @click="undo">Undo</n-button>
      </template>
    </p>
    <state-note
      :loading="shelf.isPending.value"
      :error="shelf.error.value"
      :empty="shelf.data.value?.length === 0 ? EMPTY[place] : undefined"
      @retry="shelf.refetch()"
    />
    <p v-if="shelf.data.value?.length && !found.length" class="none">
      Nothing here answers all these wishes.
      <n-button size="small" @click="wanted = { ...ANYTHING }">Show everything</n-button>
    </p>
    <ul v-if="found.length" class="covers">
      <shelf-card
        v-for="item in found"
        :key="item.id"
        :item="item"
        @put="put(item, $event)"
        @copy="copy(item)"
      />
    </ul>
  </section>
</template>

<style scoped>
.shelf {
  min-height: 100%;
  padding: 28px 36px;
}
.over {
  outline: 3px dashed var(--action);
  outline-offset: -12px;
}
header,
.begin,
.choose,
.places {
  display: flex;
  align-items: center;
  gap: 16px;
  flex-wrap: wrap;
}
header {
  justify-content: space-between;
}
.file:focus-within {
  outline: 3px solid var(--action);
  outline-offset: 2px;
}
.choose {
  align-items: end;
  justify-content: space-between;
  margin-top: 20px;
}
.places {
  gap: 4px;
}
.places button {
  padding: 6px 12px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.places button[aria-pressed="true"] {
  border-bottom-color: var(--action);
  font-weight: 700;
}
.done {
  min-height: 32px;
  margin-top: 8px;
}
.none {
  padding: 24px 0;
}
.covers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(264px, 1fr));
  gap: 36px;
  margin: 12px 0 0;
  padding: 0;
  list-style: none;
}
.problem {
  padding-top: 12px;
  color: var(--off);
}
</style>
