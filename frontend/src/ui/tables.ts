/** More columns than this do not stand side by side where words have a third of the screen. */
const MOST_COLUMNS = 4;

interface Table {
  columns: readonly string[];
  rows: readonly (readonly string[])[];
}

/** A table with many columns and few rows on its side: a row for each heading. */
export function turnedIfWide(
  columns: readonly string[],
  rows: readonly (readonly string[])[],
): Table {
  if (columns.length <= MOST_COLUMNS || rows.length >= columns.length) return { columns, rows };
  const all = [columns, ...rows];
  const turned = columns.map((_, k) => all.map((line) => line[k] ?? ""));
  return { columns: turned[0]!, rows: turned.slice(1) };
}
