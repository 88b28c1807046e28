<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref } from "vue";
import { useAddPupils, useLeave, useRenameClass, useRenamePupil } from "@/api/classes";
import type { SchoolClass } from "@/api/client";
import DraftInput from "@/ui/DraftInput.vue";
import { namesIn } from "./names";

/** Who is in a class: names added, written anew, taken off the list and put back. */
const props = defineProps<{ group: SchoolClass }>();
const emit = defineEmits<{ away: [] }>();

const adding = useAddPupils();
const renamingClass = useRenameClass();
const renaming = useRenamePupil();
const leaving = useLeave();

const text = ref("");
const names = computed(() => namesIn(text.value));
const left = ref<{ id: number; name: string } | null>(null);
const fault = computed(
  () =>
    [adding, renamingClass, renaming, leaving]
      .map((change) => change.error.value?.message)
      .find(Boolean) ?? "",
);

async function add() {
  const added = await adding
    .mutateAsync({ id: props.group.id, names: names.value })
    .catch(() => null);
  if (added) text.value = "";
}

/** A name as it was typed; what is refused stays in its field, with the reason above the list. */
async function rename(way: typeof renaming, id: number, text: string) {
  await way.mutateAsync({ id, name: text.trim() }).catch(() => null);
}

async function takeOff(pupil: { id: number; name: string }) {
  const done = await leaving.mutateAsync({ id: pupil.id, left: true }).catch(() => null);
  if (done) left.value = pupil;
}

async function putBack() {
  if (!left.value) return;
  const back = await leaving.mutateAsync({ id: left.value.id, left: false }).catch(() => null);
  if (back) left.value = null;
}
</script>

<template>
  <section class="list" :aria-label="`List of ${group.name}`">
    <div class="head">
      <label class="field">
        <span>Name of the class</span>
        <draft-input
          :key="group.id"
          needed
          maxlength="60"
          :value="group.name"
          @set="rename(renamingClass, group.id, $event)"
        />
      </label>
      <n-button @click="emit('away')">Put the class away</n-button>
    </div>
    <p v-if="fault" class="fault" role="alert">{{ fault }}.</p>
    <p v-if="left" role="status">
      {{ left.name }} is off the list; sheets and marks are kept.
      <n-button size="tiny" @click="putBack">Put back</n-button>
    </p>
    <ol v-if="group.pupils.length">
      <li v-for="pupil in group.pupils" :key="pupil.id">
        <draft-input
          needed
          maxlength="60"
          :value="pupil.name"
          :aria-label="`Name of ${pupil.name}`"
          @set="rename(renaming, pupil.id, $event)"
        />
        <button type="button" class="quietly" @click="takeOff(pupil)">
          Take off<span class="visually-hidden"> {{ pupil.name }}</span>
        </button>
      </li>
    </ol>
    <p v-else class="quiet">Nobody is in this class yet.</p>
    <form @submit.prevent="add">
      <label class="field">
        <span>Add pupils, one name on each line</span>
        <textarea v-model="text" class="plain" rows="4" />
      </label>
      <n-button attr-type="submit" :disabled="!names.length" :loading="adding.isPending.value">
        {{ names.length > 1 ? `Add these ${names.length}` : "Add" }}
      </n-button>
    </form>
  </section>
</template>

<style scoped>
.list {
  display: grid;
  gap: 16px;
  width: min(720px, 100%);
  padding: 16px 20px;
  border: 1px solid var(--line);
  border-radius: 6px;
}
.head {
  display: flex;
  gap: 12px;
  align-items: end;
}
.head .field {
  flex: 1;
}
ol {
  columns: 2 280px;
  column-gap: 28px;
  margin: 0;
  padding-left: 28px;
}
li {
  break-inside: avoid;
  padding: 2px 0;
}
li input {
  width: calc(100% - 88px);
}
.quietly {
  margin-left: 8px;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
}
form .field {
  width: 100%;
}
textarea {
  width: 100%;
  height: auto;
  padding: 6px 8px;
  resize: vertical;
}
.quiet {
  color: var(--quiet);
}
.fault {
  color: var(--off);
}
</style>
