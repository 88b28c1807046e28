import { useQueryClient } from "@tanstack/vue-query";
import { onBeforeUnmount, onMounted, ref, readonly, watch, type Ref } from "vue";
import { answered, api, Refusal, type Exercise } from "@/api/client";

export type SaveState =
  | { kind: "saved" }
  | { kind: "saving" }
  | { kind: "waiting"; message: string }
  | { kind: "conflict"; message: string; keptCopyId: number }
  | { kind: "refused"; message: string };

/** How it stands with saving, to be shown beside a title. */
export const saveWords = (state: SaveState) =>
  "message" in state ? state.message : state.kind === "saved" ? "Saved" : "Saving…";

const PAUSE_MS = 700;
const RETRY_MS = 3000;

/**
 * Saves the document by itself, with the counter of the version that was opened. A newer version
 * elsewhere ends the saving here: the server has kept both. Without a connection it tries again.
 */
export function useAutosave(id: number, document: Readonly<Ref<Exercise | null>>) {
  const state = ref<SaveState>({ kind: "saved" });
  const client = useQueryClient();
  let counter = 0;
  let saved: Exercise | null = null;
  let timer = 0;
  let running: Promise<void> | null = null;

  function opened(version: number, asOpened: Exercise) {
    counter = version;
    saved = asOpened;
    state.value = { kind: "saved" };
  }

  function plan(pause: number) {
    window.clearTimeout(timer);
    timer = window.setTimeout(() => void save(), pause);
  }

  async function save(): Promise<void> {
    window.clearTimeout(timer);
    if (running) await running;
    running = saveOnce();
    await running;
    running = null;
  }

  async function saveOnce() {
    const now = document.value;
    if (!now || state.value.kind === "conflict") return;
    if (now === saved) {
      // Undone again before it was saved: there is nothing to do.
      state.value = { kind: "saved" };
      return;
    }
    state.value = { kind: "saving" };
    try {
      const answer = await answered(
        api.PUT("/api/exercises/{exercise_id}", {
          params: { path: { exercise_id: id } },
          body: { counter, document: now },
        }),
      );
      counter = answer.counter;
      saved = now;
      state.value = { kind: "saved" };
      void client.invalidateQueries({ queryKey: ["exercises"] });
      if (document.value !== now) plan(0);
    } catch (fault) {
      if (!(fault instanceof Refusal)) throw fault;
      const { status, detail, kept_copy_id: keptCopyId } = fault.problem;
      if (status === 409)
        state.value = { kind: "conflict", message: detail, keptCopyId: keptCopyId ?? 0 };
      else if (status === 0 || status >= 500) {
        state.value = {
          kind: "waiting",
          message: "Not saved yet: no connection. It is tried again.",
        };
        plan(RETRY_MS);
      } else state.value = { kind: "refused", message: detail };
    }
  }

  watch(document, (now) => {
    if (now && counter && state.value.kind !== "conflict") {
      if (state.value.kind !== "saving") state.value = { kind: "saving" };
      plan(PAUSE_MS);
    }
  });

  function beforeUnload(event: BeforeUnloadEvent) {
    if (document.value !== saved && state.value.kind !== "conflict") {
      void save();
      event.preventDefault();
    }
  }
  onMounted(() => window.addEventListener("beforeunload", beforeUnload));
  onBeforeUnmount(() => {
    window.removeEventListener("beforeunload", beforeUnload);
    // Who opens it next must see what was saved last.
    void save().then(() => client.invalidateQueries({ queryKey: ["exercise"] }));
  });

  return { state: readonly(state), opened, save };
}
