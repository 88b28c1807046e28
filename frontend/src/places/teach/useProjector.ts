import { onBeforeUnmount, ref, watch, type Ref } from "vue";
import type { Exercise } from "@/api/client";
import type { Asked } from "./cornerTest";
import type { Look } from "./useLesson";

/** What the projector shows: the moment of the lesson, on the exercise or a copy of it. */
export interface Shown {
  document: Exercise;
  number: number;
  drawn: number;
  look: Look;
  /** A sentence in place of the step's words, while something is demonstrated. */
  sentence: string | null;
  /** The corner test, where it is asked. */
  corners: Asked | null;
}

type Message = { kind: "hello" } | { kind: "shown"; shown: Shown };

const channelOf = (id: number) => new BroadcastChannel(`orthopsis.lesson.${id}`);

/** The teacher's side: the other window follows, unless it is frozen. */
export function useShowing(id: number, shown: Readonly<Ref<Shown | null>>) {
  const frozen = ref(false);
  const followed = ref(false);
  const channel = channelOf(id);
  let last: Shown | null = null;

  function send() {
    if (!frozen.value) last = shown.value;
    // A plain copy: what is reactive cannot be sent.
    if (last)
      channel.postMessage({ kind: "shown", shown: JSON.parse(JSON.stringify(last)) as Shown });
  }
  channel.onmessage = (event: MessageEvent<Message>) => {
    if (event.data.kind !== "hello") return;
    followed.value = true;
    send();
  };
  watch([shown, frozen], send);
  onBeforeUnmount(() => channel.close());

  function open() {
    window.open(`/show/${id}`, `orthopsis-show-${id}`, "popup,width=1280,height=800");
  }
  return { frozen, followed, open };
}

/** The projector's side. */
export function useShown(id: number) {
  const shown = ref<Shown | null>(null);
  const channel = channelOf(id);
  channel.onmessage = (event: MessageEvent<Message>) => {
    if (event.data.kind === "shown") shown.value = event.data.shown;
  };
  channel.postMessage({ kind: "hello" });
  onBeforeUnmount(() => channel.close());
  return shown;
}
