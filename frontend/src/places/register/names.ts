/** Names as they are typed or pasted, one on a line; numbers of a list before them fall away. */
export function namesIn(text: string): string[] {
  return text
    .split(/\r?\n/)
    .map((line) =>
      line
        .replace(/^\s*\d+\s*[.)]?\s+/, "")
        .replace(/\s+/g, " ")
        .trim(),
    )
    .filter(Boolean);
}
