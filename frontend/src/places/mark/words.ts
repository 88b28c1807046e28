import { countOf } from "@/ui/words";

/** Where a line of a family goes: "to VP1", "straight up and down", "level". */
export function wayWords(family: string): string {
  if (family === "vertical") return "straight up and down";
  return family === "horizontal" ? "level" : `to ${family}`;
}

/** Said when photos come that the lesson had already, by name while they are few. */
export function knownWords(names: readonly string[]): string {
  const [first, second] = names;
  const what = second ? `${countOf(names.length, "photo")} are` : `${first} is`;
  return `${what} on the stack already, and not taken twice.`;
}
