<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref, watch } from "vue";
import type { Advice, Piece, XY } from "@/api/client";
import DeskSheet from "@/desk/DeskSheet.vue";
import DrawnLines from "@/desk/DrawnLines.vue";
import EyeLevelLines from "@/desk/EyeLevelLines.vue";
import OnwardLines from "@/desk/OnwardLines.vue";
import CrowdedPlace from "@/desk/CrowdedPlace.vue";
import {
  finishedLines,
  guideLines,
  helpingPoints,
  linesAfter,
  marksAt,
  placedPoints,
  roofPoints,
} from "@/desk/lines";
import RunThrough from "@/desk/RunThrough.vue";
import StepMarks from "@/desk/StepMarks.vue";
import StepCaption from "@/desk/StepCaption.vue";
import SwingingRuler from "@/desk/SwingingRuler.vue";
import TonedPlanes from "@/desk/TonedPlanes.vue";
import TriedLines from "@/desk/TriedLines.vue";
import StateNote from "@/ui/StateNote.vue";
import { useCalm } from "@/ui/useCalm";
import PiecesPanel from "../pieces/PiecesPanel.vue";
import { useKinds } from "../pieces/useKinds";
import { usePieces } from "../pieces/usePieces";
import { withValue } from "../document/editing";
import { withFlow } from "../steps/run";
import StepEditor from "../steps/StepEditor.vue";
import AdviceNotes from "./AdviceNotes.vue";
import AdvicePlaces from "./AdvicePlaces.vue";
import BenchBar from "./BenchBar.vue";
import BenchEnds from "./BenchEnds.vue";
import BenchFaces from "./BenchFaces.vue";
import BenchHandles from "./BenchHandles.vue";
import SetupPanel from "./SetupPanel.vue";
import { offered, type Tool } from "./tools";
import { useBench } from "./useBench";
import { useBenchKeys } from "./useBenchKeys";
import { useTool } from "./useTool";
import { usePageTitle } from "@/ui/usePageTitle";

const props = defineProps<{ id: number }>();
const withHidden = ref(false);
const chosenPiece = ref<string | null>(null);
const bench = useBench(props.id, { withHidden, chosen: chosenPiece });
const { document: doc, history, units, step } = bench;
const kinds = useKinds();
const pieces = usePieces(doc, bench.replace);
const { tool, member, choosePiece, placePiece, putPart, growRow, renamePiece } = useTool(
  pieces,
  chosenPiece,
  step,
);
const { picture, steps, flow, pictureProblem, stepsProblem } = bench.drawn;

/** Read by themselves, so that the page is not drawn anew at each move of a hand. */
const ready = computed(() => doc.value !== null);
const title = computed(() => doc.value?.title ?? "");
usePageTitle(title);

const chosenStep = ref(0);
const fit = ref<"sheet" | "points">("sheet");
const withGuides = ref(false);

const desk = ref<InstanceType<typeof DeskSheet> | null>(null);
const NEARER = 1.25;

/** What the panels show: it follows a moving hand with fewer steps than the sheet does. */
const PANELS_MS = 120;
const moving = ref(false);
const panels = useCalm(() => ({ doc: doc.value, picture: picture.value }), moving, PANELS_MS);

watch(steps, (now) => {
  if (chosenStep.value > now.length) chosenStep.value = 0;
});
watch(picture, (now, before) => {
  // A point on a strip is in sight from the start.
  if (now && !before && now.facts?.strips.length) fit.value = "points";
});
const sheet = computed(() => picture.value?.drawing.sheet);
const points = computed(() => [
  ...placedPoints(picture.value?.drawing.vanishing_points ?? []),
  ...helpingPoints(steps.value, chosenStep.value || steps.value.length),
]);
const goals = computed(() => [
  ...points.value,
  ...roofPoints(picture.value?.drawing.vanishing_points ?? []),
]);
const lines = computed(() => {
  if (chosenStep.value) return linesAfter(steps.value, chosenStep.value);
  const finished = finishedLines(picture.value?.drawing.strokes ?? [], withHidden.value);
  if (!withGuides.value) return finished;
  const guides = guideLines(steps.value).filter(({ stroke }) => stroke.piece !== null);
  return [...guides, ...finished];
});
const flags = computed(() =>
  (steps.value[chosenStep.value - 1]?.measures ?? []).flatMap((measure) =>
    measure.axis === "along" ? [] : [{ axis: measure.axis, mm: measure.mm }],
  ),
);
/** The ruler's move in the chosen step: where it lies for its last line. */
const underRuler = computed(() => {
  const stroke = steps.value[chosenStep.value - 1]?.strokes.at(-1);
  return typeof stroke?.curve === "number" ? undefined : stroke;
});
const problem = computed(() => pieces.problem.value ?? pictureProblem.value ?? stepsProblem.value);

function changePiece(index: number, piece: Piece, merge: string | null = null) {
  bench.set(["pieces", index], piece, merge);
  chosenPiece.value = piece.id;
}

function removePiece(index: number) {
  if (!doc.value) return;
  const pieces = (doc.value.pieces ?? []).filter((_, i) => i !== index);
  bench.replace({ ...doc.value, pieces });
}

function paperClicked(place: XY) {
  if (tool.value?.does === "place") void placePiece(place);
  else if (!tool.value) chosenPiece.value = null;
}

function take(next: Tool | null) {
  tool.value = next;
  if (next) chosenStep.value = 0;
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
  leave: () => (tool.value = null),
  nearer: () => desk.value?.zoomBy(NEARER),
  further: () => desk.value?.zoomBy(1 / NEARER),
  whole: () => desk.value?.whole(),
  pan: (dx, dy) => desk.value?.panBy(dx, dy),
});
</script>

<template>
  <state-note
    v-if="!ready"
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
      :title="title"
      :state="bench.saving.state.value"
      :can-undo="history.canUndo.value"
      :can-redo="history.canRedo.value"
      @undo="history.undo"
      @redo="history.redo"
    />
    <div class="desk" :class="{ placing: tool?.does === 'place' }">
      <desk-sheet
        v-if="sheet && picture"
        ref="desk"
        :width="sheet.width_mm"
        :height="sheet.height_mm"
        :eye-level="picture.drawing.eye_level_mm"
        :points="points"
        :units="units"
        :fit="fit"
        :flags="flags"
        :taped="steps[chosenStep - 1]?.beyond"
        :label="`${title} on the desk`"
        @paper="paperClicked"
      >
        <template #default="{ mmPerPx, toSheet }">
          <template v-if="!chosenStep">
            <toned-planes :planes="picture.planes" />
            <eye-level-lines :lines="picture.eye_level" :width="1.2 * mmPerPx" />
          </template>
          <bench-faces
            v-if="!chosenStep"
            :faces="picture.faces ?? []"
            :tool="tool"
            :to-sheet="toSheet"
            @put="putPart"
            @choose="choosePiece($event.piece, $event.member)"
          />
          <onward-lines v-if="chosenStep" :lines="lines" :points="goals" :mm-per-px="mmPerPx" />
          <drawn-lines :lines="lines" :mm-per-px="mmPerPx" :chosen="chosenPiece" />
          <bench-ends
            v-if="!chosenStep"
            :ends="picture.row_ends ?? []"
            :tool="tool"
            :mm-per-px="mmPerPx"
            @grow="growRow"
          />
          <tried-lines
            v-if="chosenStep"
            :tried="steps[chosenStep - 1]?.tried ?? []"
            :mm-per-px="mmPerPx"
          />
          <swinging-ruler v-if="underRuler" :stroke="underRuler" :mm-per-px="mmPerPx" />
          <step-marks
            v-if="chosenStep"
            :marks="marksAt(steps, chosenStep, points)"
            :mm-per-px="mmPerPx"
            :apart="steps[chosenStep - 1]"
          />
          <advice-places v-else :advice="picture.advice ?? []" :mm-per-px="mmPerPx" />
          <bench-handles
            v-if="doc && !tool && !chosenStep"
            :doc="doc"
            :kinds="kinds"
            :grips="picture.grips"
            :chosen="chosenPiece"
            :member="member"
            :units="units"
            :step="step"
            :mm-per-px="mmPerPx"
            :to-sheet="toSheet"
            @set="(...change) => ((moving = true), bench.set(...change))"
            @settle="((moving = false), history.settle())"
            @choose="chosenPiece = $event"
          />
        </template>
      </desk-sheet>
      <crowded-place
        v-if="chosenStep && steps[chosenStep - 1]?.crowd"
        :step="steps[chosenStep - 1]!"
        :lines="lines"
        :marks="marksAt(steps, chosenStep, points)"
      />
    </div>
    <div class="under">
      <div class="talk">
        <p v-if="problem" class="problem" role="alert">
          <strong v-if="problem.problem.field">{{ problem.problem.field }}: </strong
          >{{ problem.message }}
          <span v-if="pictureProblem">(The last good drawing is shown.)</span>
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
        :flow="flow"
        @choose="chosenStep = $event"
        @flow="doc && bench.replace(withFlow(doc, $event))"
      />
    </div>
    <aside class="side">
      <step-editor
        v-if="chosenStep && steps[chosenStep - 1] && doc"
        :doc="doc"
        :steps="steps"
        :step="steps[chosenStep - 1]!"
        @change="bench.replace($event)"
        @go="chosenStep = $event"
      />
      <setup-panel
        v-if="panels.doc"
        :doc="panels.doc"
        :picture="panels.picture"
        :units="units"
        :round-measures="bench.roundMeasures.value"
        @set="(path, value) => bench.set(path, value, path.join('.'))"
        @round="bench.roundMeasures.value = $event"
        @moved="bench.replace"
      />
      <h2>Pieces</h2>
      <pieces-panel
        v-if="panels.doc"
        :doc="panels.doc"
        :kinds="kinds"
        :grips="panels.picture?.grips ?? []"
        :units="units"
        :chosen="chosenPiece"
        :tool="tool"
        :offered="offered(panels.picture, kinds)"
        @choose="choosePiece"
        @change="changePiece"
        @rename="renamePiece"
        @pick="pieces.choose"
        @add="(id, what, within) => pieces.add(id, what, { member: within })"
        @remove="removePiece"
        @take="take"
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
/* What moves in one part never makes the others be laid out or painted. */
.desk,
.under,
.side {
  contain: layout paint style;
}
/* Above the buttons that bring the desk nearer. */
.desk > .crowded {
  bottom: 64px;
}
.desk {
  position: relative;
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
/* A tablet held upright: the desk above, the panel below it. */
@media (max-width: 1000px) {
  .bench {
    grid-template: "bar" auto "desk" 50vh "under" auto "side" auto / minmax(0, 1fr);
    height: auto;
  }
  .side {
    border-top: 1px solid var(--line);
    border-left: 0;
  }
}
</style>
