import { onBeforeUnmount, onMounted } from "vue";

/** The keys of a lesson; PageUp, PageDown and the full stop are what presenters' remotes send. */
export function useLessonKeys(actions: {
  forward(): void;
  back(): void;
  first(): void;
  last(): void;
  play(): void;
  freeze(): void;
  finished(): void;
  guides(): void;
  leave(): void;
}) {
  const run: Record<string, () => void> = {
    ArrowRight: actions.forward,
    PageDown: actions.forward,
    ArrowLeft: actions.back,
    PageUp: actions.back,
    Home: actions.first,
    End: actions.last,
    " ": actions.play,
    f: actions.freeze,
    ".": actions.freeze,
    d: actions.finished,
    g: actions.guides,
    Escape: actions.leave,
  };

  function onKey(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const action = run[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    // Sliders and lists keep their own keys.
    if (!action || target.closest("input, select, textarea")) return;
    if (event.key === " " && target.closest("button, a, summary")) return;
    event.preventDefault();
    action();
  }
  onMounted(() => window.addEventListener("keydown", onKey));
  onBeforeUnmount(() => window.removeEventListener("keydown", onKey));
}
