<script setup lang="ts">
import { NButton } from "naive-ui";
import { ref } from "vue";
import {
  answered,
  api,
  Refusal,
  type DemandName,
  type Exercise,
  type PrintOrder,
} from "@/api/client";
import ChoiceField from "@/ui/ChoiceField.vue";

/** The drawing, or a step of it, in an open format; and everything at once. */
const props = defineProps<{
  id: number;
  document: Exercise;
  order: PrintOrder;
  /** Whose sheets go into the archive. */
  classId: number | null;
  demand: DemandName;
}>();

const FORMATS = [
  { value: "svg", label: "SVG" },
  { value: "pdf", label: "PDF" },
  { value: "png", label: "PNG" },
  { value: "dxf", label: "DXF" },
  { value: "gltf", label: "glTF, solid" },
  { value: "json", label: "Exercise" },
] as const;
const format = ref<(typeof FORMATS)[number]["value"]>("svg");
const step = ref<number | null>(null);
const refused = ref<string | null>(null);
const busy = ref(false);

async function take(work: Promise<unknown>, ending: string) {
  busy.value = true;
  refused.value = null;
  try {
    const address = URL.createObjectURL((await work) as Blob);
    const link = window.document.createElement("a");
    link.href = address;
    link.download = `${props.document.title}.${ending}`;
    link.click();
    // The browser reads it after this turn.
    window.setTimeout(() => URL.revokeObjectURL(address), 10_000);
  } catch (fault) {
    refused.value = fault instanceof Refusal ? fault.message : "The file could not be made.";
  }
  busy.value = false;
}

function one() {
  const body = { document: props.document, format: format.value, step: step.value || null };
  void take(answered(api.POST("/api/export", { body, parseAs: "blob" })), format.value);
}

function pack() {
  const work = api.POST("/api/exercises/{exercise_id}/pack.zip", {
    params: { path: { exercise_id: props.id } },
    body: { order: props.order, class_id: props.classId, demand: props.demand },
    parseAs: "blob",
  });
  void take(answered(work), "zip");
}
</script>

<template>
  <section class="files" aria-label="Files">
    <h2>Files</h2>
    <div class="row">
      <choice-field label="Format" :value="format" :options="FORMATS" @set="format = $event" />
      <div class="field">
        <label for="file-step">After step</label>
        <input
          id="file-step"
          v-model.number="step"
          class="plain"
          type="number"
          min="1"
          placeholder="all"
        />
      </div>
      <n-button :disabled="busy" @click="one">Save the drawing</n-button>
    </div>
    <n-button :loading="busy" @click="pack">Save everything as one ZIP</n-button>
    <p v-if="refused" class="problem" role="alert">{{ refused }}</p>
  </section>
</template>

<style scoped>
.files {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding-top: 16px;
  border-top: 1px solid var(--line);
}
.row {
  display: grid;
  grid-template-columns: 1fr 76px auto;
  gap: 8px;
  align-items: end;
  width: 100%;
}
.problem {
  color: var(--off);
}
</style>
