<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { Advice, Piece, XY } from "@/api/client";
import DeskSheet from "@/desk/DeskSheet.vue";
import DrawnLines from "@/desk/DrawnLines.vue";
import OnwardLines from "@/desk/OnwardLines.vue";
import { finishedLines, linesAfter, marksAt } from "@/desk/lines";
import RunThrough from "@/desk/RunThrough.vue";
import StepCaption from "@/desk/StepCaption.vue";
import TonedPlanes from "@/desk/TonedPlanes.vue";
import TriedLines from "@/desk/TriedLines.vue";
import StateNote from "@/ui/StateNote.vue";
import AdviceNotes from "./AdviceNotes.vue";
import BenchBar from "./BenchBar.vue";
import BenchHandles from "./BenchHandles.vue";
import { pieceAt, withValue, type PieceKind } from "./editing";
import PiecesPanel from "./PiecesPanel.vue";
import SetupPanel from "./SetupPanel.vue";
import { useBench } from "./useBench";
import { useBenchKeys } from "./useBenchKeys";

const props = defineProps<{ id: number }>();
const bench = useBench(props.id);
const { document: doc, history, units, step } = bench;
const { picture, steps, pictureProblem, stepsProblem } = bench.drawn;

const chosenStep = ref(0);
const chosenPiece = ref<string | null>(null);
const placing = ref<PieceKind | null>(null);
const fit = ref<"sheet" | "points">("sheet");
const withGuides = ref(false);
const withHidden = ref(false);

watch(steps, (now) => {
  if (chosenStep.value > now.length) chosenStep.value = 0;
});
watch(picture, (now, before) => {
  // A point on a strip is in sight from the start.
  if (now && !before && now.facts.strips.length) fit.value = "points";
});
const sheet = computed(() => picture.value?.drawing.sheet);
const points = computed(() =>
  (picture.value?.drawing.vanishing_points ?? []).map((vp) => ({
    name: vp.name,
    x_mm: vp.x_mm ?? 0,
    y_mm: vp.y_mm ?? 0,
  })),
);
const lines = computed(() => {
  if (chosenStep.value) return linesAfter(steps.value, chosenStep.value);
  const finished = finishedLines(picture.value?.drawing.strokes ?? [], withHidden.value);
  if (!withGuides.value) return finished;
  const guides = steps.value.flatMap((one) =>
    one.strokes
      .filter((stroke) => stroke.fate !== "keep" && stroke.piece !== null)
      .map((stroke, i) => ({ key: `g-${one.number}-${i}`, stroke, state: "light" as const })),
  );
  return [...guides, ...finished];
});
const flags = computed(() =>
  (steps.value[chosenStep.value - 1]?.measures ?? []).flatMap((measure) =>
    measure.axis === "along" ? [] : [{ axis: measure.axis, mm: measure.mm }],
  ),
);
const problem = computed(() => pictureProblem.value ?? stepsProblem.value);

function changePiece(index: number, piece: Piece) {
  bench.set(["pieces", index], piece);
  chosenPiece.value = piece.id;
}

function removePiece(index: number) {
  if (!doc.value) return;
  const pieces = (doc.value.pieces ?? []).filter((_, i) => i !== index);
  bench.replace({ ...doc.value, pieces });
}

function paperClicked(place: XY) {
  if (placing.value) placePiece(place);
  else chosenPiece.value = null;
}

function placePiece(place: XY) {
  if (!doc.value || !placing.value) return;
  const piece = pieceAt(doc.value, placing.value, place, step.value);
  bench.replace({ ...doc.value, pieces: [...(doc.value.pieces ?? []), piece] });
  chosenPiece.value = piece.id;
  chosenStep.value = 0;
  placing.value = null;
}

function mend(advice: Advice) {
  let next = doc.value;
  for (const change of advice.changes) next = next && withValue(next, change.path, change.value);
  if (next) bench.replace(next);
}

function stepBy(count: number) {
  const all = steps.value.length;
  if (all) chosenStep.value = (chosenStep.value + count + all + 1) % (all + 1);
}

useBenchKeys({
  back: () => stepBy(-1),
  forward: () => stepBy(1),
  first: () => (chosenStep.value = steps.value.length ? 1 : 0),
  last: () => (chosenStep.value = 0),
  guides: () => (withGuides.value = !withGuides.value),
  hidden: () => (withHidden.value = !withHidden.value),
  undo: history.undo,
  redo: history.redo,
  leave: () => (placing.value = null),
});
</script>

<template>
  <state-note
    v-if="!doc"
    class="waiting"
    :loading="bench.opened.isPending.value"
    :error="bench.opened.error.value"
    @retry="bench.opened.refetch()"
  />
  <div v-else class="bench">
    <bench-bar
      :id="id"
      v-model:fit="fit"
      v-model:guides="withGuides"
      v-model:hidden="withHidden"
      :title="doc.title"
      :state="bench.saving.state.value"
      :can-undo="history.canUndo.value"
      :can-redo="history.canRedo.value"
      @undo="history.undo"
      @redo="history.redo"
      @save="bench.saving.save"
    />
    <div class="desk" :class="{ placing }">
      <desk-sheet
        v-if="sheet && picture"
        :width="sheet.width_mm"
        :height="sheet.height_mm"
        :eye-level="picture.drawing.eye_level_mm"
        :points="points"
        :units="units"
        :fit="fit"
        :flags="flags"
        :label="`${doc.title} on the desk`"
        @paper="paperClicked"
      >
        <template #default="{ mmPerPx, toSheet }">
          <template v-if="!chosenStep">
            <toned-planes :planes="picture.planes" />
            <line
              v-for="([from, to], i) in picture.eye_level"
              :key="i"
              :x1="from[0]"
              :y1="from[1]"
              :x2="to[0]"
              :y2="to[1]"
              stroke="#6a6e75"
              :stroke-width="1.2 * mmPerPx"
              pointer-events="none"
            />
          </template>
          <onward-lines v-if="chosenStep" :lines="lines" :points="points" :mm-per-px="mmPerPx" />
          <drawn-lines :lines="lines" :mm-per-px="mmPerPx" :chosen="chosenPiece" />
          <tried-lines
            v-if="chosenStep"
            :tried="steps[chosenStep - 1]?.tried ?? []"
            :mm-per-px="mmPerPx"
          />
          <g v-if="chosenStep" pointer-events="none">
            <g v-for="mark in marksAt(steps, chosenStep)" :key="mark.name">
              <circle :cx="mark.at[0]" :cy="mark.at[1]" :r="3 * mmPerPx" fill="#23272e" />
              <text
                :x="mark.at[0] + 6 * mmPerPx"
                :y="mark.at[1] - 6 * mmPerPx"
                :font-size="15 * mmPerPx"
                font-weight="700"
                fill="#23272e"
              >
                {{ mark.name }}
              </text>
            </g>
          </g>
          <g v-else pointer-events="none" aria-hidden="true">
            <g v-for="(note, i) in picture.advice" :key="note.code" class="where">
              <circle :cx="note.where[0]" :cy="note.where[1]" :r="9 * mmPerPx" />
              <text
                :x="note.where[0]"
                :y="note.where[1] + 4 * mmPerPx"
                :font-size="12 * mmPerPx"
                text-anchor="middle"
              >
                {{ i + 1 }}
              </text>
            </g>
          </g>
          <bench-handles
            v-if="!placing && !chosenStep"
            :doc="doc"
            :grips="picture.grips"
            :chosen="chosenPiece"
            :units="units"
            :step="step"
            :mm-per-px="mmPerPx"
            :to-sheet="toSheet"
            @set="bench.set"
            @settle="history.settle"
            @choose="chosenPiece = $event"
          />
        </template>
      </desk-sheet>
    </div>
    <div class="under">
      <div class="talk">
        <p v-if="problem" class="problem" role="alert">
          <strong v-if="problem.problem.field">{{ problem.problem.field }}: </strong
          >{{ problem.message }}
          <span v-if="pictureProblem">The last good drawing is shown.</span>
          <n-button v-if="history.canUndo.value" size="tiny" @click="history.undo">Undo</n-button>
        </p>
        <step-caption v-else-if="chosenStep" :step="steps[chosenStep - 1]" :count="steps.length" />
        <advice-notes v-else :advice="picture?.advice ?? []" @mend="mend" />
      </div>
      <run-through
        v-if="sheet"
        :steps="steps"
        :width="sheet.width_mm"
        :height="sheet.height_mm"
        :chosen="chosenStep"
        @choose="chosenStep = $event"
      />
    </div>
    <aside class="side">
      <setup-panel
        :doc="doc"
        :picture="picture"
        :units="units"
        :round-measures="bench.roundMeasures.value"
        @set="(path, value) => bench.set(path, value, path.join('.'))"
        @round="bench.roundMeasures.value = $event"
        @moved="bench.replace"
      />
      <h2>Pieces</h2>
      <pieces-panel
        :doc="doc"
        :grips="picture?.grips ?? []"
        :units="units"
        :chosen="chosenPiece"
        :placing="placing"
        @choose="chosenPiece = $event"
        @change="changePiece"
        @remove="removePiece"
        @place="((placing = $event), (chosenStep = 0))"
        @place-at="placePiece"
      />
    </aside>
  </div>
</template>

<style scoped>
.waiting {
  margin: 24px;
}
.bench {
  display: grid;
  grid-template: "bar bar" auto "desk side" 1fr "under side" auto / minmax(0, 1fr) 360px;
  height: 100%;
}
.bench > :first-child {
  grid-area: bar;
}
.desk {
  grid-area: desk;
  min-height: 0;
}
.placing {
  cursor: crosshair;
}
.under {
  grid-area: under;
  min-width: 0;
}
.side {
  grid-area: side;
  display: grid;
  gap: 16px;
  align-content: start;
  padding: 8px 20px 24px;
  overflow-y: auto;
  border-left: 1px solid var(--line);
}
.talk {
  min-height: 84px;
}
.problem {
  padding: 4px 16px 8px;
  color: var(--off);
}
.where circle {
  fill: #fffdf7;
  stroke: #50545b;
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}
.where text {
  fill: #23272e;
}
</style>
