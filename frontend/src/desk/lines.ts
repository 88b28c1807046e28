import type { Step, Stroke, XY } from "@/api/client";

/** How a line looks at one moment of the construction. */
type LineState = "new" | "light" | "dark" | "fine" | "struck" | "hidden";

export interface DeskLine {
  key: string;
  stroke: Pick<Stroke, "from" | "to" | "family" | "piece" | "curve">;
  state: LineState;
  fate?: "keep" | "guide" | "erase";
}

/** Every line on the sheet after a step (from 1); lines erased before it are gone. */
export function linesAfter(steps: readonly Step[], number: number): DeskLine[] {
  const now = steps[number - 1];
  if (!now) return [];
  const gone = new Set(steps.slice(0, number - 1).flatMap((step) => step.erases));
  const dark = new Set(steps.slice(0, number).flatMap((step) => step.darkens));
  const struck = new Set(now.erases);
  const lines: DeskLine[] = [];
  let position = 0;
  for (const step of steps.slice(0, number)) {
    for (const stroke of step.strokes) {
      const state: LineState = struck.has(position)
        ? "struck"
        : dark.has(position)
          ? "dark"
          : step === now
            ? "new"
            : "light";
      if (!gone.has(position)) {
        lines.push({ key: `${step.number}-${position}`, stroke, state, fate: stroke.fate });
      }
      position += 1;
    }
  }
  return lines;
}

/** The marks to show at a step (from 1): its own, and those that its words name; points have signs. */
export function marksAt(
  steps: readonly Step[],
  number: number,
  points: readonly { name: string }[],
): Step["marks"] {
  const now = steps[number - 1];
  if (!now) return [];
  const named = new Set(now.names);
  const own = new Set(now.marks.map((mark) => mark.name));
  return steps
    .slice(0, number)
    .flatMap((step) => step.marks)
    .filter(({ name }) => own.has(name) || named.has(name))
    .filter(({ name }) => !points.some((point) => point.name === name));
}

/** Whether a mark lies where a step's marks crowd: its letter stands in the enlarged place. */
export function inCrowd(
  step: Pick<Step, "crowd"> | undefined,
  mark: { at: readonly [number, number] },
): boolean {
  if (!step?.crowd) return false;
  const [left, top, right, bottom] = step.crowd;
  const [x, y] = mark.at;
  const near = 1e-3;
  return x >= left - near && x <= right + near && y >= top - near && y <= bottom + near;
}

export interface DeskPoint {
  name: string;
  x_mm: number;
  y_mm: number;
}

/** The distance and measuring points that the setting has placed by a step (from 1). */
export function helpingPoints(steps: readonly Step[], number: number): DeskPoint[] {
  return steps
    .slice(0, number)
    .filter((step) => step.key.startsWith("/helping-points/"))
    .flatMap((step) => step.marks)
    .map((mark) => ({ name: mark.name, x_mm: mark.at[0], y_mm: mark.at[1] }));
}

/** The roles of what stays, and how each looks. */
const FINISHED: Partial<Record<Stroke["role"], LineState>> = {
  outline: "dark",
  hidden: "hidden",
  shadow: "fine",
};

/** The finished drawing, with its hidden edges when they are asked for. */
export function finishedLines(strokes: readonly Stroke[], withHidden: boolean): DeskLine[] {
  return strokes
    .filter(({ role }) => role in FINISHED && (role !== "hidden" || withHidden))
    .map((stroke, i) => ({
      key: `f-${i}`,
      stroke,
      state: FINISHED[stroke.role] ?? "dark",
    }));
}

/** All light lines that help, without what stays. */
export function guideLines(steps: readonly Step[]): DeskLine[] {
  return steps.flatMap((one) =>
    one.strokes
      .filter((stroke) => stroke.fate !== "keep")
      .map((stroke, i) => ({ key: `g-${one.number}-${i}`, stroke, state: "light" as const })),
  );
}

/** The chords of each curve gathered into one run of places; a straight line has two. */
export function runsOf(lines: readonly DeskLine[]): { first: DeskLine; places: XY[] }[] {
  const runs: { first: DeskLine; places: XY[] }[] = [];
  for (const line of lines) {
    const { curve, from, to } = line.stroke;
    const last = runs.at(-1);
    const goesOn =
      last !== undefined &&
      typeof curve === "number" &&
      last.first.stroke.curve === curve &&
      last.first.state === line.state;
    if (goesOn) last.places.push(to);
    else runs.push({ first: line, places: [from, to] });
  }
  return runs;
}

/** Whether a line's piece is the chosen one or a part of it: ``fern:1`` is the first of ``fern``. */
export function belongsTo(piece: string | null | undefined, chosen: string | null | undefined) {
  return chosen != null && (piece === chosen || piece?.startsWith(`${chosen}:`) === true);
}

/** The points that are placed on the sheet; those of roofs are found by drawing. */
export function placedPoints(
  points: readonly { name: string; x_mm?: number | null; y_mm?: number | null }[],
): { name: string; x_mm: number; y_mm: number }[] {
  return points
    .filter((vp) => /VP\d$/.test(vp.name))
    .map((vp) => ({ name: vp.name, x_mm: vp.x_mm ?? 0, y_mm: vp.y_mm ?? 0 }));
}

/** The cross at a place where nothing is drawn. */
export function crossAt(x: number, y: number, r: number): string {
  return `M${x - r},${y - r}l${2 * r},${2 * r}M${x + r},${y - r}l${-2 * r},${2 * r}`;
}

const ROOF = ":roof ";

/** The points of roofs, which are found by drawing. */
export function roofPoints(
  points: readonly { name: string; x_mm?: number | null; y_mm?: number | null }[],
): { name: string; x_mm: number; y_mm: number }[] {
  return points.flatMap(({ name, x_mm, y_mm }) =>
    name.includes(ROOF) && typeof x_mm === "number" && typeof y_mm === "number"
      ? [{ name, x_mm, y_mm }]
      : [],
  );
}

/** What a point is called on the screen: a roof's own by what it is. */
export function pointLabel(name: string): string {
  return name.includes(ROOF) ? "roof’s point" : name;
}

/** The colour of a family on paper, as a CSS value. */
export function familyColour(family: string): string {
  const short = family.split(":").at(-1);
  return short === "VP1" || short === "VP2" || short === "VP3"
    ? `var(--${short.toLowerCase()})`
    : "var(--graphite)";
}

/** Corners of a point's sign, so that colour is never the only one: ◂ ▸ ▴. */
export function pointSign(name: string, [x, y]: XY, radius: number): string {
  const shapes: Record<string, XY[]> = {
    VP1: [
      [-1, 0],
      [0.8, -1],
      [0.8, 1],
    ],
    VP2: [
      [1, 0],
      [-0.8, -1],
      [-0.8, 1],
    ],
    VP3: [
      [0, -1],
      [-1, 0.8],
      [1, 0.8],
    ],
  };
  const shape = shapes[name.split(":").at(-1) ?? ""] ?? [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ];
  return shape.map(([dx, dy]) => `${x + dx * radius},${y + dy * radius}`).join(" ");
}
