<script setup lang="ts">
import { NButton } from "naive-ui";
import { nextTick, onBeforeUnmount, onMounted, ref, toRef, watch } from "vue";
import { usePdf } from "./usePdf";

/** The finished PDF, page by page. */
const props = defineProps<{ file: Blob | null; busy: boolean }>();
const { page, pages, document: opened, draw, turn } = usePdf(toRef(props, "file"));

const room = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
let drawing = Promise.resolve();

function redraw() {
  // One page at a time: a canvas cannot be drawn on twice at once.
  drawing = drawing.then(async () => {
    await nextTick();
    if (!room.value || !canvas.value) return;
    const { clientWidth, clientHeight } = room.value;
    await draw(canvas.value, { width: clientWidth - 32, height: clientHeight - 32 });
  });
}
watch([opened, page], redraw);
const observer = new ResizeObserver(redraw);
onMounted(() => room.value && observer.observe(room.value));
onBeforeUnmount(() => observer.disconnect());

function key(event: KeyboardEvent) {
  const run: Record<string, () => void> = {
    ArrowLeft: () => turn(page.value - 1),
    ArrowRight: () => turn(page.value + 1),
    Home: () => turn(1),
    End: () => turn(pages.value),
  };
  const action = run[event.key];
  if (!action) return;
  event.preventDefault();
  action();
}
</script>

<template>
  <section class="pages" aria-label="What will be printed">
    <div
      ref="room"
      class="room"
      tabindex="0"
      role="group"
      :aria-label="`Page ${page} of ${pages}; arrow keys turn the page`"
      @keydown="key"
    >
      <canvas ref="canvas" class="sheet" role="img" :aria-label="`Page ${page}`" />
    </div>
    <p class="turn" aria-live="polite">
      <n-button :disabled="page <= 1" @click="turn(page - 1)">Page back</n-button>
      <span class="measure">{{ pages ? `Page ${page} of ${pages}` : "No page yet" }}</span>
      <n-button :disabled="page >= pages" @click="turn(page + 1)">Next page</n-button>
      <span v-if="busy" role="status">Setting the pages…</span>
    </p>
  </section>
</template>

<style scoped>
.pages {
  display: grid;
  grid-template-rows: 1fr auto;
  min-height: 0;
  min-width: 0;
}
.room {
  display: grid;
  place-items: center;
  min-height: 0;
  overflow: hidden;
}
.sheet {
  background: white;
  box-shadow: var(--shadow);
}
.turn {
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 16px;
  padding: 8px 16px 16px;
}
</style>
