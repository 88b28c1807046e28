import { onBeforeUnmount, onMounted } from "vue";

export interface BenchActions {
  back(): void;
  forward(): void;
  first(): void;
  last(): void;
  guides(): void;
  hidden(): void;
  undo(): void;
  redo(): void;
  leave(): void;
  nearer(): void;
  further(): void;
  whole(): void;
  pan(dx: number, dy: number): void;
}

const PAN_PX = 60;
const WAYS: Record<string, [number, number]> = {
  ArrowLeft: [PAN_PX, 0],
  ArrowRight: [-PAN_PX, 0],
  ArrowUp: [0, PAN_PX],
  ArrowDown: [0, -PAN_PX],
};

/** The bench's keys; letters are left alone while something is typed. */
export function useBenchKeys(actions: BenchActions) {
  function onKey(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    const typing = target.closest("input, textarea, select") !== null;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") {
      if (typing) return;
      event.preventDefault();
      if (event.shiftKey) actions.redo();
      else actions.undo();
      return;
    }
    const way = WAYS[event.key];
    if (way && event.altKey && !typing) {
      event.preventDefault();
      actions.pan(...way);
      return;
    }
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    const run: Record<string, () => void> = {
      ArrowLeft: actions.back,
      ArrowRight: actions.forward,
      Home: actions.first,
      End: actions.last,
      g: actions.guides,
      h: actions.hidden,
      e: () => focusHandle("handle-eye-level"),
      "1": () => focusHandle("handle-VP1"),
      "2": () => focusHandle("handle-VP2"),
      "3": () => focusHandle("handle-VP3"),
      "+": actions.nearer,
      "-": actions.further,
      "0": actions.whole,
      Escape: actions.leave,
    };
    const action = run[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!action) return;
    event.preventDefault();
    action();
  }
  onMounted(() => window.addEventListener("keydown", onKey));
  onBeforeUnmount(() => window.removeEventListener("keydown", onKey));
}

function focusHandle(id: string) {
  document.getElementById(id)?.focus();
}
