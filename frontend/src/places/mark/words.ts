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

interface Limits {
  most_photo_mb: number;
  most_file_mb: number;
}

/** Why a file is not worth sending: it is larger than is taken. Null when it may be sent. */
export function tooLarge(file: { name: string; size: number }, limits?: Limits): string | null {
  if (!limits) return null;
  const several = /\.(pdf|zip|tiff?)$/i.test(file.name);
  const most = several ? limits.most_file_mb : limits.most_photo_mb;
  if (file.size <= most * 1e6) return null;
  const size = Math.ceil(file.size / 1e6);
  return `${file.name} has ${size} MB, and up to ${most} MB are taken. Nothing of it was sent: ${
    several ? "send it in two parts" : "take it with fewer pixels"
  }.`;
}
