import {
  computed,
  onBeforeUnmount,
  onMounted,
  ref,
  shallowRef,
  toValue,
  watch,
  type MaybeRefOrGetter,
  type Ref,
} from "vue";
import type { XY } from "@/api/client";
import { panned, WHOLE, zoomed, type Look } from "./look";

export type Fit = "sheet" | "points";

export interface DeskContent {
  width: number;
  height: number;
  /** Places that the fit "points" takes in, in sheet mm. */
  points: XY[];
}

const RULER_PX = 34;
const MARGIN_PX = 18;
/** Below a sheet with rulers lie the buttons that bring it nearer: they never cover it. */
const FOOT_PX = 28;

/** A place on the screen in the measures of a drawing. */
export function placeIn(
  drawing: SVGSVGElement | null,
  event: { clientX: number; clientY: number },
): XY {
  const matrix = drawing?.getScreenCTM()?.inverse();
  if (!matrix) return [0, 0];
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
  return [at.x, at.y];
}

/** The view of the desk in sheet millimetres, and the way from the screen to the sheet. */
export function useDesk(
  content: MaybeRefOrGetter<DeskContent>,
  fit: MaybeRefOrGetter<Fit>,
  rulers: MaybeRefOrGetter<boolean>,
) {
  const svg = ref<SVGSVGElement | null>(null);
  const size = ref<XY>([800, 500]);
  let observer: ResizeObserver | null = null;
  onMounted(() => {
    observer = new ResizeObserver(([entry]) => {
      if (entry) size.value = [entry.contentRect.width || 1, entry.contentRect.height || 1];
    });
    if (svg.value) observer.observe(svg.value);
  });
  onBeforeUnmount(() => observer?.disconnect());

  /** Left, top, right, bottom of what there is to be seen, in mm. */
  const whatThereIs = computed(() => {
    const { width, height, points } = toValue(content);
    let [left, top, right, bottom] = [0, 0, width, height];
    if (toValue(fit) === "points") {
      for (const [x, y] of points) {
        left = Math.min(left, x - 12);
        right = Math.max(right, x + 12);
        top = Math.min(top, y - 12);
        bottom = Math.max(bottom, y + 12);
      }
    }
    return { left, top, right, bottom };
  });

  /**
   * While a hand drags something the view stands still: a point that is dragged outward would push
   * the edge of the view along, and run away from the hand.
   */
  const still = shallowRef<typeof whatThereIs.value | null>(null);
  const bounds = computed(() => still.value ?? whatThereIs.value);
  const standStill = () => (still.value = whatThereIs.value);
  const letGo = () => (still.value = null);

  const rulerPx = computed(() => (toValue(rulers) ? RULER_PX : 0));
  const footPx = computed(() => (toValue(rulers) ? FOOT_PX : 0));

  const look = shallowRef<Look>(WHOLE);
  watch(
    () => toValue(fit),
    () => (look.value = WHOLE),
  );

  /** Millimetres of paper to a screen pixel when all is in view. */
  const fitMmPerPx = computed(() => {
    const [w, h] = size.value;
    const { left, top, right, bottom } = bounds.value;
    const across = Math.max(50, w - rulerPx.value - 2 * MARGIN_PX);
    const down = Math.max(50, h - rulerPx.value - footPx.value - 2 * MARGIN_PX);
    return Math.max((right - left) / across, (bottom - top) / down);
  });

  const mmPerPx = computed(() => fitMmPerPx.value / look.value.zoom);
  const fitCentre = computed<XY>(() => {
    const { left, top, right, bottom } = bounds.value;
    const ruler = (rulerPx.value / 2) * fitMmPerPx.value;
    const foot = (footPx.value / 2) * fitMmPerPx.value;
    return [(left + right) / 2 - ruler, (top + bottom) / 2 - ruler + foot];
  });

  const viewBox = computed(() => {
    const [w, h] = size.value;
    const mm = mmPerPx.value;
    const [cx, cy] = look.value.centre ?? fitCentre.value;
    return `${cx - (w / 2) * mm} ${cy - (h / 2) * mm} ${w * mm} ${h * mm}`;
  });

  function zoomBy(factor: number, at: XY = look.value.centre ?? fitCentre.value) {
    look.value = zoomed(look.value, factor, at, fitCentre.value);
  }

  /** Move the desk by so many pixels of the screen. */
  function panBy(dx: number, dy: number) {
    look.value = panned(look.value, dx * mmPerPx.value, dy * mmPerPx.value, fitCentre.value);
  }

  function whole() {
    look.value = WHOLE;
  }

  const toSheet = (event: { clientX: number; clientY: number }) => placeIn(svg.value, event);

  /** Hands over the svg element once it is there. */
  function hold(element: unknown) {
    svg.value = element instanceof SVGSVGElement ? element : null;
  }

  return {
    hold,
    viewBox,
    mmPerPx,
    toSheet,
    look: look as Readonly<Ref<Look>>,
    zoomBy,
    panBy,
    whole,
    standStill,
    letGo,
  };
}
