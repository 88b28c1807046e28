import { formatMeasure, type Units } from "@/ui/measures";

export interface Tick {
  mm: number;
  /** Height in pixels. */
  size: number;
  label: string;
}

const INCH = 25.4;
const LEAST_TICK_PX = 4;
const LEAST_LABEL_PX = 26;

/** A ruler's ticks: as fine as the screen allows, whole centimetres or inches with figures. */
export function rulerTicks(length: number, units: Units, mmPerPx: number): Tick[] {
  const whole = units === "in" ? INCH : 10;
  const parts = units === "in" ? [16, 8, 4, 2, 1] : [10, 2, 1];
  const part = parts.find((count) => whole / count / mmPerPx >= LEAST_TICK_PX) ?? 1;
  const every = [1, 2, 5, 10, 20, 50].find((n) => (n * whole) / mmPerPx >= LEAST_LABEL_PX) ?? 100;
  const ticks: Tick[] = [];
  for (let i = 0; (i * whole) / part <= length + 1e-6; i += 1) {
    const mm = Number(((i * whole) / part).toFixed(4));
    const atWhole = i % part === 0;
    const labelled = atWhole && (i / part) % every === 0 && i > 0;
    const half = (i * 2) % part === 0;
    ticks.push({
      mm,
      size: atWhole ? 8 : half ? 6 : 4,
      label: labelled ? formatMeasure(mm, units, false) : "",
    });
  }
  return ticks;
}
