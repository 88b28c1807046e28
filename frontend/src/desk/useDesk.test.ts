import { createRenderer, nextTick, ref } from "vue";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { XY } from "@/api/client";
import { useDesk, type Fit } from "./useDesk";

let resized: ((entries: { contentRect: { width: number; height: number } }[]) => void) | undefined;
const observed = { count: 0 };

beforeEach(() => {
  vi.stubGlobal(
    "ResizeObserver",
    class {
      constructor(heard: typeof resized) {
        resized = heard;
      }
      observe() {
        observed.count += 1;
      }
      disconnect() {
        observed.count -= 1;
      }
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

const points = ref<XY[]>([
  [-150, 100],
  [570, 100],
]);

class Svg {}

/** Nothing is drawn: only the life of a component is needed. */
const { createApp } = createRenderer<object, object>({
  createElement: () => ({}),
  createText: () => ({}),
  createComment: () => ({}),
  insert: () => {},
  remove: () => {},
  patchProp: () => {},
  setText: () => {},
  setElementText: () => {},
  parentNode: () => null,
  nextSibling: () => null,
});

function desk(fit = ref<Fit>("sheet"), rulers = ref(false)) {
  vi.stubGlobal("SVGSVGElement", Svg);
  let made!: ReturnType<typeof useDesk>;
  const app = createApp({
    setup() {
      made = useDesk(() => ({ width: 420, height: 297, points: points.value }), fit, rulers);
      made.hold(new Svg());
      return () => null;
    },
  });
  app.mount({});
  return { made, app, fit, rulers };
}

const box = (text: string) => text.split(" ").map(Number);

/** What is shown, as left, top, right, bottom in mm. */
function shown(viewBox: string) {
  const [x, y, w, h] = box(viewBox) as [number, number, number, number];
  return { left: x, top: y, right: x + w, bottom: y + h };
}

test("the whole sheet is in view, in the middle and in its proportions", async () => {
  const { made } = desk();
  resized!([{ contentRect: { width: 1000, height: 600 } }]);
  await nextTick();
  const view = shown(made.viewBox.value);
  expect(view.left).toBeLessThan(0);
  expect(view.right).toBeGreaterThan(420);
  expect(view.top).toBeLessThan(0);
  expect(view.bottom).toBeGreaterThan(297);
  expect((view.left + view.right) / 2).toBeCloseTo(210);
  expect((view.top + view.bottom) / 2).toBeCloseTo(148.5);
  const [, , w, h] = box(made.viewBox.value);
  expect(w! / h!).toBeCloseTo(1000 / 600);
});

test("far points are taken in when they are asked for", async () => {
  const { made, fit } = desk();
  resized!([{ contentRect: { width: 1000, height: 600 } }]);
  const near = made.mmPerPx.value;
  fit.value = "points";
  await nextTick();
  const view = shown(made.viewBox.value);
  expect(view.left).toBeLessThan(-150);
  expect(view.right).toBeGreaterThan(570);
  expect(made.mmPerPx.value).toBeGreaterThan(near);
});

test("rulers and the buttons below take room from the sheet, not the sheet from them", async () => {
  const { made, rulers } = desk();
  resized!([{ contentRect: { width: 600, height: 600 } }]);
  const without = made.mmPerPx.value;
  rulers.value = true;
  await nextTick();
  expect(made.mmPerPx.value).toBeGreaterThan(without);
  const view = shown(made.viewBox.value);
  const rulerMm = 34 * made.mmPerPx.value;
  expect(view.left + rulerMm).toBeLessThan(0);
  expect(view.right).toBeGreaterThan(420);
});

test("what is looked at nearer stays under the hand, and another fit begins anew", async () => {
  const { made, fit } = desk();
  resized!([{ contentRect: { width: 800, height: 500 } }]);
  const before = made.mmPerPx.value;
  const at: XY = [100, 50];
  const share = (v: ReturnType<typeof shown>) => (at[0] - v.left) / (v.right - v.left);
  const was = share(shown(made.viewBox.value));
  made.zoomBy(2, at);
  expect(made.mmPerPx.value).toBeCloseTo(before / 2);
  expect(share(shown(made.viewBox.value))).toBeCloseTo(was);
  const left = shown(made.viewBox.value).left;
  made.panBy(10, 0);
  expect(Math.abs(shown(made.viewBox.value).left - left)).toBeCloseTo(10 * made.mmPerPx.value);
  made.whole();
  expect(made.mmPerPx.value).toBeCloseTo(before);
  made.zoomBy(3);
  fit.value = "points";
  await nextTick();
  expect(made.look.value.zoom).toBe(1);
});

test("without a place on the screen a hand is at the origin, and nothing is left watching", () => {
  const { made, app } = desk();
  expect(observed.count).toBeGreaterThan(0);
  made.hold(null);
  expect(made.toSheet({ clientX: 5, clientY: 5 })).toEqual([0, 0]);
  const before = observed.count;
  app.unmount();
  expect(observed.count).toBe(before - 1);
});

test("the view stands still while something is dragged, and takes all in when it is let go", async () => {
  const { made } = desk(ref<Fit>("points"));
  const before = made.viewBox.value;
  made.standStill();
  points.value = [
    [-150, 100],
    [900, 100],
  ];
  await nextTick();
  expect(made.viewBox.value).toBe(before);
  made.letGo();
  expect(box(made.viewBox.value)[2]).toBeGreaterThan(box(before)[2]!);
});
