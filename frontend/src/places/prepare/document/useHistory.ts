import { computed, shallowRef } from "vue";

/** Undo and redo without limit. Changes with the same `merge` word in a row count as one. */
export function useHistory<State>() {
  const past = shallowRef<State[]>([]);
  const present = shallowRef<State | null>(null);
  const future = shallowRef<State[]>([]);
  let lastMerge: string | null = null;

  function reset(state: State) {
    past.value = [];
    future.value = [];
    present.value = state;
    lastMerge = null;
  }

  function change(state: State, merge: string | null = null) {
    if (present.value !== null && (merge === null || merge !== lastMerge)) {
      past.value = [...past.value, present.value];
    }
    present.value = state;
    future.value = [];
    lastMerge = merge;
  }

  /** The next change starts a new entry even under the same word. */
  function settle() {
    lastMerge = null;
  }

  function undo() {
    const before = past.value.at(-1);
    if (before === undefined || present.value === null) return;
    future.value = [present.value, ...future.value];
    past.value = past.value.slice(0, -1);
    present.value = before;
    settle();
  }

  function redo() {
    const after = future.value[0];
    if (after === undefined || present.value === null) return;
    past.value = [...past.value, present.value];
    future.value = future.value.slice(1);
    present.value = after;
    settle();
  }

  return {
    present,
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    reset,
    change,
    settle,
    undo,
    redo,
  };
}
