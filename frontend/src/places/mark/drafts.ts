import { reactive } from "vue";
import type { Understanding } from "@/api/client";

/**
 * What a teacher typed or chose about a sheet and has not saved yet. It is kept in this browser at
 * once, so that neither the next sheet nor a reload loses it.
 */
export interface Draft {
  words?: string;
  pupilId?: number | null;
  understanding?: Understanding;
}

const PLACE = "orthopsis.drafts";

function read(): Record<string, Draft> {
  try {
    return JSON.parse(localStorage.getItem(PLACE) ?? "{}") as Record<string, Draft>;
  } catch {
    return {};
  }
}

const drafts = reactive(read());

function keep() {
  try {
    localStorage.setItem(PLACE, JSON.stringify(drafts));
  } catch {
    // Without room the drafts last as long as the page.
  }
}

export const draftOf = (sheetId: number): Draft | undefined => drafts[sheetId];

/** Keeps a part of a draft; what is undefined is as it was saved, and no draft. */
export function keepDraft(sheetId: number, part: Partial<Draft>) {
  const next = { ...drafts[sheetId], ...part };
  const left = Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined));
  if (Object.keys(left).length) drafts[sheetId] = left;
  else delete drafts[sheetId];
  keep();
}

export function forgetDraft(sheetId: number) {
  delete drafts[sheetId];
  keep();
}
