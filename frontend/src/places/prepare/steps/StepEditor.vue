<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { Exercise, Step } from "@/api/client";
import DraftInput from "@/ui/DraftInput.vue";
import StepTable from "@/ui/StepTable.vue";
import { editOf, kept, withEarlier, withEdit } from "./run";

/** How a teacher wants to give one step: in other words, hidden, joined, split or earlier. */
const props = defineProps<{ doc: Exercise; steps: readonly Step[]; step: Step }>();
const emit = defineEmits<{ change: [doc: Exercise]; go: [number: number] }>();

const FIELDS = [
  { name: "title", label: "Title", lines: 1 },
  { name: "instruction", label: "What to do", lines: 4 },
  { name: "check", label: "Check", lines: 2 },
] as const;

const edit = computed(() => editOf(props.doc, props.step));
const firstLines = ref(1);
watch(
  () => props.step.key,
  () => (firstLines.value = 1),
);
const lineCount = computed(() => props.step.strokes.length);
const last = computed(() => props.step.number === props.steps.length);
const second = computed(() => props.step.second);
const reworded = computed(() => FIELDS.some(({ name }) => edit.value[name]));

function say(name: (typeof FIELDS)[number]["name"], text: string) {
  const words = text.trim();
  if (words === props.step[name]) return;
  emit("change", withEdit(props.doc, props.step, { [name]: kept(words, props.step.said) || null }));
}

function ownWords() {
  const plain = { title: null, instruction: null, check: null };
  emit("change", withEdit(props.doc, props.step, plain));
}

function set(change: Parameters<typeof withEdit>[2]) {
  emit("change", withEdit(props.doc, props.step, change));
}

function earlier() {
  emit("change", withEarlier(props.doc, props.steps, props.step));
  emit("go", props.step.number - 1);
}
</script>

<template>
  <section class="editor" aria-label="Change this step">
    <h2>Step {{ step.number }}</h2>
    <template v-if="!second">
      <div v-for="{ name, label, lines } in FIELDS" :key="name" class="field">
        <label :for="`step-${name}`">{{ label }}</label>
        <draft-input
          :id="`step-${name}`"
          :lines="lines"
          :value="step[name]"
          @set="say(name, $event)"
        />
      </div>
      <step-table class="table" :step="step" />
      <p class="hint">Measures in your words follow when the drawing changes.</p>
      <n-button v-if="reworded" size="small" @click="ownWords">The program’s own words</n-button>
      <div class="field">
        <label for="step-note">Note for yourself, seen in your window only</label>
        <draft-input
          id="step-note"
          :lines="2"
          :value="edit.note ?? step.note"
          @set="set({ note: $event.trim() })"
        />
      </div>
    </template>
    <div class="ways">
      <n-button size="small" @click="set({ hidden: !step.hidden })">
        {{ step.hidden ? "Say it again" : "Hide: already on the sheet" }}
      </n-button>
      <n-button v-if="edit.with_next" size="small" @click="set({ with_next: false })">
        Take apart again
      </n-button>
      <n-button v-else-if="!last" size="small" @click="set({ with_next: true })">
        Join with the next
      </n-button>
      <n-button v-if="step.earlier" size="small" @click="earlier">Do it earlier</n-button>
      <n-button v-if="edit.first_lines" size="small" @click="set({ first_lines: null })">
        One step again
      </n-button>
    </div>
    <div v-if="!edit.first_lines && lineCount > 1" class="split">
      <label for="step-split">Split after line</label>
      <input
        id="step-split"
        v-model.number="firstLines"
        class="plain count"
        type="number"
        min="1"
        :max="lineCount - 1"
      />
      <n-button size="small" @click="set({ first_lines: Math.min(firstLines, lineCount - 1) })">
        Split
      </n-button>
    </div>
  </section>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 10px;
  padding-bottom: 16px;
  border-bottom: 1px solid var(--line);
}
.table {
  font-size: 13px;
}
.hint {
  color: var(--quiet);
  font-size: 13px;
}
.ways,
.split {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
}
.count {
  width: 64px;
}
</style>
