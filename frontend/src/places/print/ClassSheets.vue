<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { DemandName, PrintOrder } from "@/api/client";
import { useClasses, useNamesWithoutCard } from "@/api/queries";
import { countOf } from "@/ui/words";
import { useClassPrint } from "./useClassPrint";

/** A starter sheet for each pupil of a class, with the name and a code for marking. */
const props = defineProps<{ id: number; order: PrintOrder; demand: DemandName }>();

const classId = defineModel<number | null>({ required: true });
const classes = useClasses();
watch(
  classes.data,
  (all) => {
    classId.value ??= all?.[0]?.id ?? null;
  },
  { immediate: true },
);
const failing = useNamesWithoutCard(props.id, classId);
const { job, problem, begin, cancel, under } = useClassPrint(props.id);
const chosen = computed(() => classes.data.value?.find((one) => one.id === classId.value));

/** Some of the class; none chosen means everybody. */
const some = ref<number[]>([]);
watch(classId, () => (some.value = []));
const forWhom = computed(() => {
  const count = some.value.length;
  return count ? `For ${countOf(count, "pupil")}` : "For everybody";
});

function print() {
  if (classId.value === null) return;
  begin({
    class_id: classId.value,
    order: { ...props.order, parts: ["starter"], marks: true },
    demand: props.demand,
    pupil_ids: some.value.length ? some.value : null,
  });
}
</script>

<template>
  <section class="class" aria-label="Sheets for a class">
    <h2>Sheets for a class</h2>
    <p class="about">
      A starter sheet for each pupil, with the name, corner marks and a code. Where the exercise is
      a word, each gets a card with all steps of the own first name in block letters. The code also
      says by which demand a sheet is judged, so one class can draw several.
    </p>
    <p v-if="classes.data.value?.length === 0">
      There is no class yet. <router-link to="/register">Begin one in the register</router-link>
    </p>
    <div v-else class="choose">
      <div class="field">
        <label for="print-class">Class</label>
        <select id="print-class" v-model="classId" class="plain">
          <option v-for="one in classes.data.value" :key="one.id" :value="one.id">
            {{ one.name }}, {{ countOf(one.pupils.length, "pupil") }}
          </option>
        </select>
      </div>
      <n-button v-if="under(job?.state)" @click="cancel">Stop</n-button>
      <n-button v-else :disabled="!chosen?.pupils.length" @click="print">Make the sheets</n-button>
    </div>
    <details v-if="chosen?.pupils.length">
      <summary>{{ forWhom }}</summary>
      <div class="some">
        <label v-for="pupil in chosen.pupils" :key="pupil.id">
          <input v-model="some" type="checkbox" :value="pupil.id" />
          {{ pupil.name }}
        </label>
      </div>
    </details>
    <div v-if="failing.data.value?.length" class="failing" role="status">
      <p>
        {{ countOf(failing.data.value.length, "pupil") }} would get a sheet, but no card with the
        name:
      </p>
      <ul>
        <li v-for="one in failing.data.value" :key="one.pupil">
          <strong>{{ one.pupil }}</strong> {{ one.problem }}
        </li>
      </ul>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="job" role="status">
      <template v-if="under(job.state)">
        <progress :value="job.done" :max="job.total" aria-label="Sheets that are ready" />
        {{ job.done }} of {{ job.total }} sheets are ready
      </template>
      <template v-else-if="job.state === 'cancelled'">Stopped. Nothing was kept.</template>
      <a v-else-if="job.state === 'done'" :href="`/api/prints/${job.id}/file.pdf`" target="_blank">
        Open the {{ countOf(job.total, "sheet") }} to print
      </a>
    </div>
  </section>
</template>

<style scoped>
.class {
  display: grid;
  gap: 8px;
  padding-top: 16px;
  border-top: 1px solid var(--line);
}
.about {
  color: var(--quiet);
  font-size: 14px;
}
.choose {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: end;
}
summary {
  cursor: pointer;
}
.some {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 12px;
  padding-top: 6px;
}
.failing {
  font-size: 14px;
}
.failing ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
progress {
  width: 100%;
  accent-color: var(--action);
}
.problem {
  color: var(--off);
}
</style>
