import type { Exercise, Settings } from "@/api/client";

const WORDS = ["units", "line", "spelling", "reading", "square", "ruler_mm", "far"] as const;

/** The exercise in the teacher's own words and measures. */
export function asSaid(doc: Exercise, settings: Settings | undefined): Exercise {
  const own = Object.fromEntries(
    WORDS.flatMap((name) => (settings?.[name] == null ? [] : [[name, settings[name]]])),
  );
  if (!Object.keys(own).length) return doc;
  return { ...doc, wording: { ...doc.wording, ...own } as Exercise["wording"] };
}
