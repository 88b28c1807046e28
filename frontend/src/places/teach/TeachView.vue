<script setup lang="ts">
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { useExercise } from "@/api/queries";
import { usePicture } from "@/places/prepare/bench/usePicture";
import { useSaid, useSettings } from "@/ui/settings";
import StateNote from "@/ui/StateNote.vue";
import { QUESTION, saidOf } from "./cornerTest";
import CornerSheet from "./CornerSheet.vue";
import DemoPanel from "./DemoPanel.vue";
import LessonBar from "./LessonBar.vue";
import LessonSheet from "./LessonSheet.vue";
import StepWords from "./StepWords.vue";
import { useBoard } from "./useBoard";
import { useCornerTest } from "./useCornerTest";
import { useDemonstration } from "./useDemonstration";
import { useLesson } from "./useLesson";
import { useLessonKeys } from "./useLessonKeys";
import { useShowing, type Shown } from "./useProjector";
import { usePageTitle } from "@/ui/usePageTitle";

const props = defineProps<{ id: number }>();
const router = useRouter();
const opened = useExercise(props.id);
const kept = useSaid(() => opened.data.value?.document);
const settings = useSettings();
const { wanted: atBoard, board, refused: boardRefused } = useBoard(kept);
const doc = computed(() => (atBoard.value && board.value ? board.value.document : kept.value));
const { picture, steps, pictureProblem, stepsProblem } = usePicture(doc);
const lesson = useLesson(steps);
const { step, number, drawn, look } = lesson;

const demonstration = useDemonstration(kept);
const demoDrawn = usePicture(demonstration.shown, { linesAlone: true });
const demoPicture = computed(() => (demonstration.on.value ? demoDrawn.picture.value : null));
const panel = ref(false);

const corners = useCornerTest(doc);
const asked = corners.asked;
const said = computed(() => demonstration.sentence.value ?? (asked.value && saidOf(asked.value)));

const fault = computed(() => opened.error.value ?? pictureProblem.value ?? stepsProblem.value);
const boardNotes = computed(() => {
  if (!board.value) return [];
  const here = board.value.notes[number.value - 1];
  const placing = step.value?.marks.some((mark) => mark.name.startsWith("VP"));
  return [placing ? board.value.points : "", here ?? ""].filter(Boolean);
});

const shown = computed<Shown | null>(() => {
  const document = demonstration.shown.value ?? doc.value;
  if (!document) return null;
  return {
    document,
    number: number.value,
    drawn: drawn.value,
    look: demonstration.sentence.value ? "finished" : look.value,
    sentence: said.value,
    corners: demonstration.on.value ? null : asked.value,
  };
});
const { frozen, followed, open } = useShowing(props.id, shown);

function togglePanel() {
  panel.value = !panel.value;
  if (!panel.value) demonstration.demo.value = null;
}

/** One step of the lesson further, or one corner of the test. */
function by(count: number) {
  if (asked.value) corners.answerTo(asked.value.open + count);
  else lesson.by(count);
}

function toEnd(last: boolean) {
  if (asked.value) corners.answerTo(last ? Infinity : 0);
  else lesson.go(last ? steps.value.length + 1 : (lesson.said.value[0] ?? 1));
}

useLessonKeys({
  forward: () => by(1),
  back: () => by(-1),
  first: () => toEnd(false),
  last: () => toEnd(true),
  play: lesson.togglePlay,
  freeze: () => (frozen.value = !frozen.value),
  finished: () => lesson.toggleLook("finished"),
  guides: () => lesson.toggleLook("guides"),
  leave: () => (corners.on.value ? (corners.on.value = false) : void router.push("/teach")),
});
usePageTitle(() => doc.value && `Teach ${doc.value.title}`);
</script>

<template>
  <state-note
    v-if="fault || !picture"
    class="waiting"
    :loading="!fault"
    :error="fault"
    @retry="opened.refetch()"
  />
  <div v-else class="teach" :class="{ left: settings.data.value?.left_handed }">
    <div class="sheet">
      <lesson-sheet
        v-if="demoPicture"
        :picture="demoPicture"
        :steps="[]"
        :number="1"
        :drawn="0"
        look="finished"
        :label="`${doc?.title}, a demonstration`"
      />
      <corner-sheet
        v-else-if="asked"
        :picture="picture"
        :asked="asked"
        :label="`${doc?.title}, the corner test`"
      />
      <lesson-sheet
        v-else
        :picture="picture"
        :steps="steps"
        :number="number"
        :drawn="drawn"
        :look="look"
        :label="`${doc?.title}, step ${number}`"
      />
    </div>
    <step-words
      class="words"
      :steps="steps"
      :number="number"
      :look="look"
      :instead="said"
      :heading="asked && !demonstration.on.value ? QUESTION : undefined"
    >
      <p v-for="note in boardNotes" :key="note" class="board">{{ note }}</p>
      <p v-if="corners.refused.value" class="board" role="alert">{{ corners.refused.value }}</p>
      <p v-if="boardRefused" class="board" role="alert">{{ boardRefused }}</p>
      <p v-if="step?.note && look === 'moment' && !demonstration.on.value && !asked" class="note">
        <strong>For you:</strong> {{ step.note }}
      </p>
      <demo-panel
        v-if="panel && kept"
        v-model="demonstration.demo.value"
        :doc="kept"
        :refused="demonstration.refused.value"
      />
    </step-words>
    <lesson-bar
      :id="id"
      v-model:frozen="frozen"
      v-model:board="atBoard"
      v-model:corners="corners.on.value"
      class="bar"
      :lesson="lesson"
      :steps="steps"
      :followed="followed"
      :panel="panel"
      :asked="asked"
      @by="by"
      @panel="togglePanel"
      @projector="open"
    />
  </div>
</template>

<style scoped>
.waiting {
  margin: 32px;
}
.teach {
  display: grid;
  grid-template: "sheet words" 1fr "foot foot" auto / minmax(0, 1fr) minmax(320px, 32%);
  height: 100%;
}
/* The words stand where a left hand does not cover them. */
.left {
  grid-template: "words sheet" 1fr "foot foot" auto / minmax(320px, 32%) minmax(0, 1fr);
}
.left .words {
  padding-right: 8px;
  padding-left: 32px;
}
.sheet {
  grid-area: sheet;
  min-height: 0;
}
.words {
  grid-area: words;
  min-height: 0;
}
.bar {
  grid-area: foot;
}
.board,
.note {
  font-size: 20px;
}
.note {
  padding: 12px 16px;
  border-radius: 6px;
  background: var(--card);
}
@media (max-aspect-ratio: 1/1) {
  .teach {
    grid-template: "sheet" 1fr "words" auto "foot" auto / minmax(0, 1fr);
  }
}
</style>
