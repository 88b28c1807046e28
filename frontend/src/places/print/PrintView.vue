<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useRoute } from "vue-router";
import type { DemandOut, PrintOrder } from "@/api/client";
import { useExercise } from "@/api/queries";
import { demandIn, useDemands } from "@/places/prepare/plan/useDemands";
import { useSaid, useSettings } from "@/ui/settings";
import StateNote from "@/ui/StateNote.vue";
import ClassSheets from "./ClassSheets.vue";
import DemandChoice from "./DemandChoice.vue";
import FileExports from "./FileExports.vue";
import OrderPanel from "./OrderPanel.vue";
import { keepOrder, keptOrder, withOffice } from "./parts";
import PdfPages from "./PdfPages.vue";
import { usePack, type PackAsked } from "./usePack";
import { usePageTitle } from "@/ui/usePageTitle";

const props = defineProps<{ id: number }>();
const opened = useExercise(props.id);
const order = ref<PrintOrder>(keptOrder());
watch(order, (now) => keepOrder(now));
const settings = useSettings();
watch(
  settings.data,
  (now) => {
    // The printer's paper is the teacher's, whatever was printed last.
    if (now && now.office !== order.value.office) order.value = withOffice(order.value, now.office);
  },
  { immediate: true },
);

const said = useSaid(() => opened.data.value?.document);
const route = useRoute();
const demand = ref<DemandOut["name"]>(demandIn(route.query.demand));
const demands = useDemands(() => (demand.value === "standard" ? null : said.value));
const classId = ref<number | null>(null);
const document = computed(() =>
  demand.value === "standard"
    ? said.value
    : (demands.data.value?.find((one) => one.name === demand.value)?.document ?? null),
);
const asked = computed<PackAsked | null>(() => {
  const answer = opened.data.value;
  if (!answer || !document.value) return null;
  const code = { exercise: answer.id, version: answer.counter, demand: demand.value };
  return { document: document.value, order: order.value, code, pupils: [] };
});
const { file, address, problem, busy } = usePack(asked);
const title = computed(() => opened.data.value?.document.title ?? "");
const fileName = computed(
  () => `${title.value.replace(/[^\p{L}\p{N} -]/gu, "") || "exercise"}.pdf`,
);
usePageTitle(() => `Print ${title.value}`);
</script>

<template>
  <state-note
    v-if="!opened.data.value"
    class="waiting"
    :loading="opened.isPending.value"
    :error="opened.error.value"
    @retry="opened.refetch()"
  />
  <div v-else class="tray">
    <header>
      <h1>Print {{ title }}</h1>
      <router-link :to="`/prepare/${id}`">To the bench</router-link>
      <router-link :to="`/plan/${id}`">Lesson plan</router-link>
      <router-link :to="`/teach/${id}`">Teach it</router-link>
      <span class="space" />
      <a v-if="address" :href="address" :download="fileName" class="way">Save as PDF</a>
      <a v-if="address" :href="address" target="_blank" class="way first">Open to print</a>
    </header>
    <div class="show">
      <p v-if="problem" class="problem" role="alert">
        <strong v-if="problem.problem.field">{{ problem.problem.field }}: </strong
        >{{ problem.message }}
      </p>
      <pdf-pages :file="file" :busy="busy" />
    </div>
    <aside aria-label="What to print">
      <demand-choice :id="id" v-model="demand" />
      <order-panel v-model="order" />
      <class-sheets :id="id" v-model="classId" :order="order" :demand="demand" />
      <file-exports
        v-if="document"
        :id="id"
        :document="document"
        :order="order"
        :class-id="classId"
        :demand="demand"
      />
    </aside>
  </div>
</template>

<style scoped>
.waiting {
  margin: 24px;
}
.tray {
  display: grid;
  grid-template: "head head" auto "show side" 1fr / minmax(0, 1fr) 360px;
  height: 100%;
}
header {
  grid-area: head;
  display: flex;
  align-items: center;
  gap: 16px;
  flex-wrap: wrap;
  padding: 16px 24px 8px;
}
h1 {
  font-size: 20px;
}
.space {
  flex: 1;
}
.show {
  grid-area: show;
  display: grid;
  grid-template-rows: auto 1fr;
  min-height: 0;
}
.show > :last-child {
  grid-row: 2;
}
aside {
  grid-area: side;
  display: grid;
  gap: 20px;
  align-content: start;
  padding: 8px 20px 24px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
}
.problem {
  padding: 4px 24px;
  color: var(--off);
}
@media (max-width: 900px) {
  .tray {
    grid-template: "head" auto "show" 60vh "side" auto / minmax(0, 1fr);
    height: auto;
  }
  aside {
    border-left: 0;
  }
}
</style>
