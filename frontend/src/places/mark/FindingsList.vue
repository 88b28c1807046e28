<script setup lang="ts">
import { NButton, NInput } from "naive-ui";
import { ref } from "vue";
import type { Finding } from "@/api/client";
import { useSavePhrase } from "@/api/marking";

/** What the judge says, best news first; each correction can be put in the teacher's own words. */
const props = defineProps<{ findings: readonly Finding[]; exerciseId: number }>();
const emit = defineEmits<{ show: [finding: Finding]; say: [words: string] }>();

const SIGNS = { praise: "✓", fix: "✕", tidy: "·", ask: "?" } as const;
const saving = useSavePhrase(() => props.exerciseId);
const editing = ref<string | null>(null);
const words = ref("");

function edit(finding: Finding) {
  editing.value = finding.code;
  words.value = finding.message;
}

async function keep(text: string) {
  if (editing.value === null) return;
  const kept = await saving.mutateAsync({ code: editing.value, words: text }).catch(() => null);
  if (kept) editing.value = null;
}
</script>

<template>
  <ul class="findings">
    <li v-for="(finding, i) in findings" :key="i" :class="finding.level">
      <span class="sign" aria-hidden="true">{{ SIGNS[finding.level] }}</span>
      <div>
        <button type="button" class="said" title="Show its place" @click="emit('show', finding)">
          {{ finding.message }}
        </button>
        <p v-if="finding.level === 'ask'" class="alone">
          For you to look at: the pupil is not told.
        </p>
        <span v-else class="tools">
          <button type="button" class="quiet" @click="emit('say', finding.message)">
            Say this
          </button>
          <button
            v-if="finding.level !== 'praise'"
            type="button"
            class="quiet"
            @click="edit(finding)"
          >
            Own words
          </button>
        </span>
        <div v-if="editing === finding.code" class="own">
          <n-input
            v-model:value="words"
            type="textarea"
            :autosize="{ minRows: 2, maxRows: 5 }"
            :maxlength="1000"
            :input-props="{ 'aria-label': 'Your own words for this correction' }"
          />
          <span class="tools">
            <n-button size="tiny" type="primary" @click="keep(words)"
              >Keep for this exercise</n-button
            >
            <n-button size="tiny" @click="keep('')">Usual words</n-button>
            <n-button size="tiny" quaternary @click="editing = null">Leave it</n-button>
          </span>
          <p v-if="saving.error.value" role="alert">{{ saving.error.value.message }}</p>
        </div>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.findings {
  display: grid;
  gap: 8px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  padding-left: 8px;
  border-left: 4px solid var(--line);
}
.praise {
  border-left-color: var(--on);
}
.fix {
  border-left-color: var(--off);
  border-left-style: dashed;
}
.ask {
  border-left-style: dotted;
}
.alone {
  margin: 2px 0 0;
  color: var(--quiet);
  font-size: 13px;
}
.said,
.quiet {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 2px;
}
.quiet {
  min-height: 24px;
  color: var(--quiet);
  font-size: 13px;
  text-decoration: underline;
}
.own {
  display: grid;
  gap: 4px;
}
[role="alert"] {
  color: var(--off);
}
</style>
