<script setup lang="ts">
import { NButton } from "naive-ui";
import { computed, ref } from "vue";
import { underWay } from "@/api/marking";
import {
  useForgetPicture,
  usePicture,
  usePictures,
  useSendPicture,
  useSetPoints,
} from "@/api/pictures";
import { useServer } from "@/api/queries";
import StateNote from "@/ui/StateNote.vue";
import { useAddress } from "@/ui/useAddress";
import { useListed } from "@/ui/useListed";
import { countOf } from "@/ui/words";
import { getReady } from "@/api/marking";
import AnyPicture from "./AnyPicture.vue";
import { tooLarge } from "./words";
import { usePageTitle } from "@/ui/usePageTitle";

/** Any drawing or photograph: its eye level, its points, and its lines by family. */
const pictures = usePictures();
const pictureId = ref<number | null>(null);
useAddress({ picture: pictureId });
useListed(pictureId, pictures.data);
const listed = computed(() => pictures.data.value?.find((one) => one.id === pictureId.value));
const picture = usePicture(pictureId, () => listed.value?.state);
const sending = useSendPicture();
const forgetting = useForgetPicture();
const setting = useSetPoints();
const limits = useServer();
const input = ref<HTMLInputElement | null>(null);
const refused = ref("");
const bare = ref(false);
getReady();

const reading = computed(() => picture.data.value?.reading ?? null);
const points = computed(() => reading.value?.vanishing_points ?? []);
const NAMES = ["VP1", "VP2", "VP3"] as const;
/** The next point that is not on the picture yet. */
const missing = computed(() =>
  NAMES.find((name) => !points.value.some((point) => point.name === name)),
);
const FAIR = 0.6;

async function take(files: FileList | null | undefined) {
  refused.value = "";
  for (const file of files ?? []) {
    const large = tooLarge(file, limits.data.value);
    if (large) {
      refused.value = large;
      continue;
    }
    const sent = await sending.mutateAsync(file).catch((fault: Error) => fault);
    if (sent instanceof Error) refused.value = `${file.name}: ${sent.message}.`;
    else pictureId.value = sent.id;
  }
  if (input.value) input.value.value = "";
}

function set(name: string, at: readonly [number, number]) {
  if (!picture.data.value) return;
  const now = Object.fromEntries(points.value.map((point) => [point.name, point.found_px]));
  setting.mutate({ id: picture.data.value.id, points: { ...now, [name]: [at[0], at[1]] } });
}

/** A new point begins in the middle, where a hand finds it. */
function add(name: string) {
  const [width, height] = reading.value?.image_px ?? [0, 0];
  const level = reading.value?.eye_level_px?.[0][1] ?? height / 2;
  const aside = { VP1: 0.25, VP2: 0.75 }[name] ?? 0.5;
  set(name, [width * aside, name === "VP3" ? height * 0.9 : level]);
}

function without(name: string) {
  const left = points.value.filter((point) => point.name !== name);
  const places = Object.fromEntries(left.map((point) => [point.name, point.found_px]));
  if (picture.data.value) setting.mutate({ id: picture.data.value.id, points: places });
}

function byItself() {
  if (picture.data.value) setting.mutate({ id: picture.data.value.id, points: {} });
}
usePageTitle("Any drawing or photograph");
</script>

<template>
  <div class="any">
    <aside
      class="list"
      aria-label="Pictures"
      @dragover.prevent
      @drop.prevent="take($event.dataTransfer?.files)"
    >
      <router-link to="/mark">Back to the stack</router-link>
      <h1>Any drawing or photograph</h1>
      <p class="hint">
        Without an exercise: where its eye level and its vanishing points are, and which lines lead
        there.
      </p>
      <n-button :loading="sending.isPending.value" @click="input?.click()">Add a picture</n-button>
      <input
        ref="input"
        type="file"
        accept="image/jpeg,image/png,image/webp,image/heic,image/heif,image/tiff,.heic"
        multiple
        hidden
        aria-label="Pictures"
        @change="take(($event.target as HTMLInputElement).files)"
      />
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      <ol>
        <li v-for="one in pictures.data.value" :key="one.id">
          <button
            type="button"
            class="one"
            :aria-current="one.id === pictureId"
            @click="pictureId = one.id"
          >
            {{ one.file_name }}
            <small v-if="underWay(one)">being looked at…</small>
            <small v-else-if="one.state === 'failed'">cannot be read</small>
          </button>
          <button
            v-if="one.id === pictureId"
            type="button"
            class="quietly"
            @click="forgetting.mutate(one.id)"
          >
            Remove it
          </button>
        </li>
      </ol>
    </aside>
    <div class="desk">
      <state-note
        v-if="!listed"
        class="inset"
        :loading="pictures.isPending.value"
        :error="pictures.error.value"
        empty="No picture lies here. Add one at the left, or drop it there: a drawing, a photo of a street, a picture from a book."
        @retry="pictures.refetch()"
      />
      <state-note
        v-else-if="underWay(listed)"
        class="inset"
        empty="This picture is being looked at."
      />
      <state-note v-else-if="listed.problem" class="inset" :empty="listed.problem" />
      <state-note
        v-else-if="!reading"
        class="inset"
        :loading="picture.isPending.value"
        :error="picture.error.value"
        empty="This picture has not been looked at yet."
        @retry="picture.refetch()"
      />
      <any-picture
        v-else
        :key="listed.id"
        :picture-id="listed.id"
        :name="listed.file_name"
        :reading="reading"
        :bare="bare"
        @set="set"
      />
    </div>
    <aside v-if="reading" class="said" aria-label="What it shows">
      <p v-if="!reading.eye_level_px">The eye level cannot be told.</p>
      <ul class="points">
        <li v-for="point in points" :key="point.name">
          <strong>{{ point.name }}</strong> {{ countOf(point.lines, "line") }}
          <span v-if="picture.data.value?.by_hand">set by hand</span>
          <span v-else>{{ Math.round(100 * point.sure) }} % sure</span>
          <em v-if="!picture.data.value?.by_hand && point.sure < FAIR">
            not sure: drag it where it belongs
          </em>
          <button type="button" class="quietly" @click="without(point.name)">Take it off</button>
        </li>
      </ul>
      <div class="row">
        <button v-if="missing" type="button" class="toggle" @click="add(missing)">
          Add {{ missing }}
        </button>
        <button v-if="picture.data.value?.by_hand" type="button" class="toggle" @click="byItself">
          As it was found
        </button>
        <button type="button" class="toggle" :aria-pressed="bare" @click="bare = !bare">
          Picture alone
        </button>
      </div>
      <p v-if="setting.error.value" class="refused" role="alert">
        {{ setting.error.value.message }}.
      </p>
      <ul class="findings">
        <li v-for="(one, k) in reading.findings" :key="k" :class="one.level">
          {{ one.level === "praise" ? "✓" : "✕" }} {{ one.message }}
        </li>
      </ul>
    </aside>
  </div>
</template>

<style scoped>
.any {
  display: grid;
  grid-template-columns: 236px minmax(0, 1fr) 300px;
  height: 100%;
}
.list,
.said {
  display: grid;
  gap: 12px;
  align-content: start;
  justify-items: start;
  padding: 20px 16px;
  overflow-y: auto;
  border-right: 1px solid var(--line);
}
.said {
  border-right: 0;
  border-left: 1px solid var(--line);
}
h1 {
  font-size: 20px;
}
.hint {
  color: var(--quiet);
  font-size: 14px;
}
ol,
ul {
  display: grid;
  gap: 8px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
.one {
  width: 100%;
  padding: 6px 8px;
  border: 2px solid transparent;
  border-radius: 6px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  overflow-wrap: anywhere;
  cursor: pointer;
}
.one[aria-current="true"] {
  border-color: var(--action);
  background: var(--action-soft);
}
.desk {
  min-width: 0;
  min-height: 0;
}
.inset {
  margin: 24px;
}
.points li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.findings li {
  padding-left: 10px;
  border-left: 4px dashed var(--off);
}
.findings .praise {
  border-left: 4px solid var(--on);
}
.refused {
  color: var(--off);
}
small {
  color: var(--quiet);
}
</style>
