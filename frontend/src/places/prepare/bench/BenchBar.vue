<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed } from "vue";
import { useRouter } from "vue-router";
import KeysHelp from "@/ui/KeysHelp.vue";
import { saveWords, type SaveState } from "../document/useAutosave";

/** Above the desk: where we are, how it is shown, whether it is saved, and where it goes next. */
const props = defineProps<{
  id: number;
  title: string;
  state: SaveState;
  canUndo: boolean;
  canRedo: boolean;
}>();
const emit = defineEmits<{ undo: []; redo: [] }>();
const fit = defineModel<"sheet" | "points">("fit", { required: true });
const guides = defineModel<boolean>("guides", { required: true });
const hidden = defineModel<boolean>("hidden", { required: true });
const router = useRouter();

const troubled = computed(() => props.state.kind !== "saved" && props.state.kind !== "saving");
</script>

<template>
  <header class="bar">
    <h1 :title="title">{{ title }}</h1>
    <span class="saved" :class="{ troubled }" role="status">{{ saveWords(state) }}</span>
    <template v-if="state.kind === 'conflict'">
      <router-link :to="`/prepare/${state.keptCopyId}`">Open yours</router-link>
      <a href="">Open the other version</a>
    </template>
    <span class="space" />
    <div class="group" role="group" aria-label="Show">
      <button
        type="button"
        class="toggle"
        :aria-pressed="fit === 'points'"
        @click="fit = fit === 'points' ? 'sheet' : 'points'"
      >
        With the points
      </button>
      <button
        type="button"
        class="toggle"
        :aria-pressed="guides"
        title="G"
        @click="guides = !guides"
      >
        Guide lines
      </button>
      <button
        type="button"
        class="toggle"
        :aria-pressed="hidden"
        title="H"
        @click="hidden = !hidden"
      >
        Hidden edges
      </button>
    </div>
    <n-button size="small" quaternary :disabled="!canUndo" title="Ctrl+Z" @click="emit('undo')"
      >Undo</n-button
    >
    <n-button
      size="small"
      quaternary
      :disabled="!canRedo"
      title="Ctrl+Shift+Z"
      @click="emit('redo')"
      >Redo</n-button
    >
    <keys-help />
    <n-button size="small" quaternary @click="router.push(`/demands/${id}`)">Difficulty</n-button>
    <n-button size="small" quaternary @click="router.push(`/plan/${id}`)">Plan</n-button>
    <n-button size="small" @click="router.push(`/print/${id}`)">Print</n-button>
    <n-button size="small" type="primary" @click="router.push(`/teach/${id}`)">Teach it</n-button>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 10px 20px 6px;
  flex-wrap: wrap;
}
h1 {
  flex: 0 1 auto;
  max-width: 260px;
  overflow: hidden;
  font-size: 20px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.saved {
  color: var(--quiet);
  font-size: 13px;
}
.troubled {
  color: var(--off);
  max-width: 50ch;
}
.space {
  flex: 1;
}
.group {
  display: flex;
  gap: 2px;
}
</style>
