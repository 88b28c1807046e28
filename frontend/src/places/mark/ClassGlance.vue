<script setup lang="ts">
import { useSummary } from "@/api/marking";
import StateNote from "@/ui/StateNote.vue";
import { countOf } from "@/ui/words";

/** The class at a glance: what to show again, the commonest mistakes, and who is stuck on what. */
const props = defineProps<{ lessonId: number }>();
const emit = defineEmits<{ choose: [sheetId: number] }>();
const summary = useSummary(() => props.lessonId);
</script>

<template>
  <div class="glance">
    <h2>The class at a glance</h2>
    <state-note
      v-if="!summary.data.value || summary.data.value.judged === 0"
      :loading="summary.isPending.value"
      :error="summary.error.value"
      empty="No sheet has been judged yet."
      @retry="summary.refetch()"
    />
    <template v-else>
      <p class="reteach">{{ summary.data.value.reteach }}</p>
      <section v-if="summary.data.value.commonest.length">
        <h3>Commonest</h3>
        <ol class="common">
          <li v-for="one in summary.data.value.commonest" :key="one.code">
            <strong>{{ one.title }}</strong>
            <span
              >{{ countOf(one.sheets.length, "sheet") }} of {{ summary.data.value.judged }}</span
            >
            <span class="pictures">
              <button
                v-for="id in one.sheets.slice(0, 6)"
                :key="id"
                type="button"
                :aria-label="`Sheet with: ${one.title}`"
                @click="emit('choose', id)"
              >
                <img :src="`/api/sheets/${id}/straight.jpg`" alt="" />
              </button>
            </span>
          </li>
        </ol>
      </section>
      <section>
        <h3>Who is stuck on what</h3>
        <table>
          <thead>
            <tr>
              <th scope="col">Pupil</th>
              <th scope="col">The one correction that helps most</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in summary.data.value.stuck" :key="one.sheet_id">
              <th scope="row">
                <button type="button" class="name" @click="emit('choose', one.sheet_id)">
                  {{ one.who }}
                </button>
              </th>
              <td>{{ one.message }}</td>
            </tr>
          </tbody>
        </table>
        <p>{{ countOf(summary.data.value.without_fault.length, "sheet") }} without a correction.</p>
        <p v-if="summary.data.value.unjudged.length">
          {{ countOf(summary.data.value.unjudged.length, "sheet") }} not counted: nothing was judged
          there.
          <button
            type="button"
            class="name"
            @click="emit('choose', summary.data.value.unjudged[0]!)"
          >
            Look
          </button>
        </p>
      </section>
      <section>
        <h3>How often you overruled the judge</h3>
        <p v-if="summary.data.value.changes">
          {{ countOf(summary.data.value.changes, "change") }} on
          {{ countOf(summary.data.value.overruled.length, "sheet") }} of
          {{ summary.data.value.judged + summary.data.value.unjudged.length }}.
          <button
            v-for="(id, k) in summary.data.value.overruled"
            :key="id"
            type="button"
            class="name number"
            :aria-label="`Look at sheet ${k + 1} that you corrected`"
            @click="emit('choose', id)"
          >
            {{ k + 1 }}
          </button>
        </p>
        <p v-else>Not once in this stack.</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.glance {
  grid-column: 2 / -1;
  padding: 24px 32px;
  overflow-y: auto;
}
h2,
h3 {
  margin-bottom: 8px;
}
section {
  margin-top: 20px;
}
table + p {
  margin-top: 12px;
}
.reteach {
  max-width: 60ch;
  padding: 10px 16px;
  border-left: 4px solid var(--action);
  font-size: 18px;
}
.common {
  display: grid;
  gap: 12px;
  padding-left: 20px;
}
.common li > * {
  margin-right: 12px;
}
.pictures {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}
.pictures button {
  padding: 0;
  border: 0;
  background: var(--paper);
  box-shadow: var(--shadow);
  cursor: pointer;
}
.pictures img {
  display: block;
  width: 96px;
}
table {
  border-collapse: collapse;
  max-width: 900px;
}
th,
td {
  padding: 6px 14px 6px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}
.number {
  min-width: 24px;
  margin-left: 6px;
}
.name {
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 700;
  text-align: left;
  text-decoration: underline;
  white-space: nowrap;
  cursor: pointer;
}
</style>
