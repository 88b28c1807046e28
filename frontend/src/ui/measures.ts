/** Measures as a ruler shows them: mm, cm, and inches with real fractions. */

export type Units = "mm" | "cm" | "in";

const MM_PER_INCH = 25.4;
const GLYPHS: Record<string, string> = {
  "1/2": "½",
  "1/4": "¼",
  "3/4": "¾",
  "1/8": "⅛",
  "3/8": "⅜",
  "5/8": "⅝",
  "7/8": "⅞",
};

/** "11.4 cm", "3⅜ in", "114 mm": to half a millimetre, or a sixteenth of an inch. */
export function formatMeasure(mm: number, units: Units, withUnit = true): string {
  const unit = withUnit ? ` ${units}` : "";
  if (units === "in") return inches(mm / MM_PER_INCH) + unit;
  const nearest = Math.round(mm * 2) / 2;
  const shown = units === "cm" ? nearest / 10 : nearest;
  return String(Number(shown.toFixed(2))).replace("-", "−") + unit;
}

function inches(value: number): string {
  const sixteenths = Math.round(Math.abs(value) * 16);
  const sign = value < 0 && sixteenths > 0 ? "−" : "";
  const whole = Math.floor(sixteenths / 16);
  let above = sixteenths % 16;
  if (above === 0) return `${sign}${whole}`;
  let below = 16;
  while (above % 2 === 0) {
    above /= 2;
    below /= 2;
  }
  const glyph = GLYPHS[`${above}/${below}`];
  if (glyph) return `${sign}${whole || ""}${glyph}`;
  return `${sign}${whole ? `${whole} ` : ""}${above}⁄${below}`;
}

/**
 * Millimetres of what was typed: "114", "11,4 cm", "3 3/8", "3⅜ in", "-2 cm".
 * Without a unit the given one counts; null when it is no measure.
 */
export function parseMeasure(text: string, units: Units): number | null {
  let rest = text.trim().replace("−", "-").replace(",", ".").replace("⁄", "/");
  for (const [fraction, glyph] of Object.entries(GLYPHS)) {
    rest = rest.replace(glyph, ` ${fraction}`);
  }
  const found =
    /^(-?)\s*(\d+(?:\.\d+)?)?(?:\s*\s(\d+)\/(\d+)|(?<!\d)\s*(\d+)\/(\d+))?\s*(mm|cm|in|")?$/.exec(
      rest.replace(/\s+/g, " ").replace(/^(-?) (\d+\/\d+)/, "$1$2"),
    );
  if (!found) return null;
  const [, minus, whole, a1, b1, a2, b2, unit] = found;
  if (whole === undefined && a1 === undefined && a2 === undefined) return null;
  const above = Number(a1 ?? a2 ?? 0);
  const below = Number(b1 ?? b2 ?? 1);
  if (below === 0) return null;
  const size = Number(whole ?? 0) + above / below;
  const mmPer = { mm: 1, cm: 10, in: MM_PER_INCH }[
    unit === '"' ? "in" : ((unit as Units) ?? units)
  ];
  return (minus ? -size : size) * mmPer;
}

/** The step of round measures: 5 mm, or a quarter of an inch. */
export function roundStepMm(units: Units): number {
  return units === "in" ? MM_PER_INCH / 4 : 5;
}

/** The step of one arrow key: 1 mm, or a sixteenth of an inch. */
export function nudgeStepMm(units: Units): number {
  return units === "in" ? MM_PER_INCH / 16 : 1;
}

/** The nearest round measure, without digits that arithmetic left behind. */
export function rounded(mm: number, step: number): number {
  return Number((Math.round(mm / step) * step).toFixed(4));
}
