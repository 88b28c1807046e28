/** How near the desk is looked at, and where: zooming and panning as plain numbers. */
import type { XY } from "@/api/client";

/** `zoom` 1 is the whole fit; `centre` is the place in the middle, in sheet mm, or the fit's own. */
export interface Look {
  zoom: number;
  centre: XY | null;
}

export const WHOLE: Look = { zoom: 1, centre: null };
export const NEAREST = 16;
export const FURTHEST = 0.5;

/** Nearer by a factor, with the place `at` staying where it is seen. */
export function zoomed(look: Look, factor: number, at: XY, fitCentre: XY): Look {
  const zoom = Math.min(NEAREST, Math.max(FURTHEST, look.zoom * factor));
  const [cx, cy] = look.centre ?? fitCentre;
  const share = look.zoom / zoom;
  return { zoom, centre: [at[0] + (cx - at[0]) * share, at[1] + (cy - at[1]) * share] };
}

/** The desk moved by so many millimetres under the eye. */
export function panned(look: Look, dx: number, dy: number, fitCentre: XY): Look {
  const [cx, cy] = look.centre ?? fitCentre;
  return { ...look, centre: [cx - dx, cy - dy] };
}

/** How much a turn of the wheel brings nearer; a pinch on a touchpad comes as small turns. */
export function wheelFactor(event: { deltaY: number; deltaMode: number; ctrlKey: boolean }) {
  const lines = event.deltaMode === 1 ? 18 : 1;
  return Math.exp(-event.deltaY * lines * (event.ctrlKey ? 0.01 : 0.0016));
}
