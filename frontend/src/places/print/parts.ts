/** The parts of a pack, as the print tray names them, and the choice that is kept. */
import type { PrintOrder, PrintPart } from "@/api/client";

export const PART_WORDS: { part: PrintPart; name: string; about: string }[] = [
  { part: "plan", name: "Lesson plan", about: "lessons, words, what to look for, cautions" },
  { part: "steps", name: "Steps", about: "one picture and sentence for each step" },
  { part: "starter", name: "Starter sheet", about: "eye level and points already printed" },
  { part: "key", name: "Answer key", about: "the finished drawing at true size" },
  { part: "fan", name: "Fan of lines", about: "on transparency, to check by hand" },
  { part: "strips", name: "Strips", about: "to tape on, with the far points marked" },
  { part: "ladders", name: "Edge ladders", about: "ticks that lead a short ruler to a far point" },
  { part: "board", name: "Board card", about: "the same steps in board measures" },
  { part: "corners", name: "Corner test", about: "which corners draw a line? with its key" },
  { part: "slips", name: "Marking slips", about: "eight to a page" },
  { part: "materials", name: "Materials list", about: "what to put out for the class" },
];

export const FIRST_ORDER: PrintOrder = {
  parts: ["steps", "key"],
  per_page: 6,
  paper: "sheet",
  office: "A4",
  grey: false,
  marks: false,
  class_size: 30,
};

const STORED = "orthopsis.print";

/** What was printed last; a choice of an older kind is left aside. */
export function keptOrder(storage: Pick<Storage, "getItem"> = localStorage): PrintOrder {
  try {
    const kept = JSON.parse(storage.getItem(STORED) ?? "{}") as Partial<PrintOrder>;
    const known = PART_WORDS.map(({ part }) => part);
    const parts = (kept.parts ?? []).filter((part) => known.includes(part));
    return { ...FIRST_ORDER, ...kept, parts: parts.length ? parts : FIRST_ORDER.parts };
  } catch {
    return FIRST_ORDER;
  }
}

export function keepOrder(order: PrintOrder, storage: Pick<Storage, "setItem"> = localStorage) {
  storage.setItem(STORED, JSON.stringify(order));
}

/** A part more or less; the last one stays. */
export function withPart(order: PrintOrder, part: PrintPart, wanted: boolean): PrintOrder {
  const rest = order.parts.filter((one) => one !== part);
  const parts = wanted ? [...rest, part] : rest;
  return parts.length ? { ...order, parts } : order;
}

/** Another paper in the printer; tiles come on it, too. */
export function withOffice(order: PrintOrder, office: PrintOrder["office"]): PrintOrder {
  return { ...order, office, paper: order.paper === "sheet" ? "sheet" : office };
}
