import { beforeEach, expect, it, vi } from "vitest";

const store = new Map<string, string>();

beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal("localStorage", {
    getItem: (name: string) => store.get(name) ?? null,
    setItem: (name: string, value: string) => store.set(name, value),
  });
});

it("keeps what is typed for each sheet, also through a reload, until it is saved", async () => {
  const first = await import("./drafts");
  first.keepDraft(3, { words: "Good guide lines." });
  first.keepDraft(4, { understanding: "sure" });
  vi.resetModules();
  const again = await import("./drafts");
  expect(again.draftOf(3)).toEqual({ words: "Good guide lines." });
  again.forgetDraft(3);
  expect(again.draftOf(3)).toBeUndefined();
  again.keepDraft(4, { understanding: undefined });
  expect(again.draftOf(4)).toBeUndefined();
});

it("begins without drafts where what was kept cannot be read", async () => {
  store.set("orthopsis.drafts", "{spoilt");
  const { draftOf, keepDraft } = await import("./drafts");
  expect(draftOf(1)).toBeUndefined();
  keepDraft(1, { words: "x" });
  expect(draftOf(1)).toEqual({ words: "x" });
});
