<script setup lang="ts">
import { NButton, NModal } from "naive-ui";
import { onBeforeUnmount, onMounted, ref } from "vue";

/** The keys, listed at "?". */
const open = ref(false);
const KEYS = [
  ["← →", "step back, forward"],
  ["Home, End", "first step, finished drawing"],
  ["Space", "play (Teach)"],
  ["E", "take hold of the eye level"],
  ["1, 2, 3", "take hold of a vanishing point"],
  ["arrows", "nudge what is held by 1 mm or 1⁄16 in, with Shift ten times that"],
  ["G, H", "guide lines, hidden edges"],
  ["+, −, 0", "nearer, further, the whole sheet; the wheel does it, too"],
  ["Alt with arrows", "move the desk; dragging the paper does it, too"],
  ["D, F", "finished drawing, freeze the projector (Teach)"],
  ["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
  ["N, P", "next, previous sheet (Mark)"],
  ["1, 2, 3, Enter", "sure of it, nearly there, not yet; save and on to the next (Mark)"],
  ["A, D, M", "add a line, dismiss the chosen one, say that it is on purpose (Mark)"],
  ["?", "this list"],
] as const;

function onKey(event: KeyboardEvent) {
  if (event.key === "?" && !(event.target as HTMLElement).closest("input, textarea")) {
    open.value = !open.value;
  }
}
onMounted(() => window.addEventListener("keydown", onKey));
onBeforeUnmount(() => window.removeEventListener("keydown", onKey));
</script>

<template>
  <n-button size="small" quaternary title="?" @click="open = true">Keys</n-button>
  <n-modal v-model:show="open" preset="card" title="Keys" style="width: 520px">
    <dl>
      <template v-for="[key, what] in KEYS" :key="key">
        <dt>{{ key }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </n-modal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 20px;
  margin: 0;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
</style>
