/**
 * Names as they are typed or pasted, one on a line; numbers of a list before them fall away. Of a
 * list with several columns the first two with words are the name, the surname before a comma.
 */
export function namesIn(text: string): string[] {
  return text
    .split(/\r?\n/)
    .map((line) => tidied(/[\t;]/.test(line) ? nameOf(line.split(/[\t;]/)) : line))
    .filter(Boolean);
}

function nameOf(columns: readonly string[]): string {
  const words = columns.map(tidied).filter((one) => /^[\p{L}\p{M}'’ .-]+$/u.test(one));
  return words.slice(0, 2).join(", ");
}

function tidied(text: string): string {
  return text
    .replace(/^\s*\d+\s*[.)]?\s+/, "")
    .replace(/\s+/g, " ")
    .trim();
}
