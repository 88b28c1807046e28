import type { XY } from "@/api/client";
import { wheelFactor } from "./look";

const CLICK_PX = 4;

interface Desk {
  toSheet(event: { clientX: number; clientY: number }): XY;
  zoomBy(factor: number, at: XY): void;
  panBy(dx: number, dy: number): void;
}

/**
 * The hand on the desk: the wheel brings nearer, a drag moves the desk, two fingers do both, and a
 * press without moving is a click on the paper. Things that can be taken hold of keep their own
 * pointers.
 */
export function useHand(desk: Desk, clicked: (place: XY) => void) {
  const fingers = new Map<number, XY>();
  let moved = 0;

  const middle = () => {
    const all = [...fingers.values()];
    const mean = (k: 0 | 1) => all.reduce((sum, one) => sum + one[k], 0) / all.length;
    return { clientX: mean(0), clientY: mean(1) };
  };
  const apart = () => {
    const [a, b] = [...fingers.values()];
    return a && b ? Math.hypot(a[0] - b[0], a[1] - b[1]) : 0;
  };

  function down(event: PointerEvent) {
    if (event.button > 1) return;
    fingers.set(event.pointerId, [event.clientX, event.clientY]);
    if (fingers.size === 1) moved = 0;
  }

  function move(event: PointerEvent) {
    if (!fingers.has(event.pointerId)) return;
    const before = { ...middle(), apart: apart() };
    fingers.set(event.pointerId, [event.clientX, event.clientY]);
    const now = middle();
    const [dx, dy] = [now.clientX - before.clientX, now.clientY - before.clientY];
    moved += Math.hypot(dx, dy);
    if (moved < CLICK_PX && fingers.size === 1) return;
    // Only a hand that moves is kept: a click belongs to what lies under it.
    (event.currentTarget as SVGSVGElement).setPointerCapture(event.pointerId);
    desk.panBy(dx, dy);
    if (before.apart && apart()) desk.zoomBy(apart() / before.apart, desk.toSheet(now));
  }

  function up(event: PointerEvent) {
    if (!fingers.delete(event.pointerId) || fingers.size) return;
    if (moved < CLICK_PX && event.type === "pointerup") clicked(desk.toSheet(event));
  }

  function wheel(event: WheelEvent) {
    event.preventDefault();
    if (event.shiftKey && !event.ctrlKey) desk.panBy(-event.deltaX - event.deltaY, 0);
    else desk.zoomBy(wheelFactor(event), desk.toSheet(event));
  }

  return { down, move, up, wheel };
}
