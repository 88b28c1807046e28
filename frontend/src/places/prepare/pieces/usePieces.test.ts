import { beforeEach, expect, test, vi } from "vitest";
import { shallowRef } from "vue";
import type { Exercise } from "@/api/client";
import { hosted, settled } from "@/testing/host";
import { countOf, lastOf, quiet } from "@/testing/server";

vi.mock("@/api/client", async () => (await import("@/testing/server")).client);
const { usePieces } = await import("./usePieces");

const doc = (title: string) => ({ title }) as Exercise;
const NAME = "/api/pieces/name";

function begun() {
  const document = shallowRef<Exercise | null>(doc("as it was"));
  const { made } = hosted(() => usePieces(document, (next) => (document.value = next)));
  return { document, ...made };
}

beforeEach(quiet);

test("a change that the core makes becomes the document", async () => {
  const { document, put, choose } = begun();
  const adding = put("wedge", [100, 200], 5);
  expect(lastOf("/api/pieces").body).toMatchObject({ kind: "wedge", at: [100, 200], step_mm: 5 });
  lastOf("/api/pieces").answer({ document: doc("with a wedge"), piece: "wedge 1" });
  expect(await adding).toBe("wedge 1");
  expect(document.value?.title).toBe("with a wedge");
  const choosing = choose("wedge 1", "axis", "away");
  expect(lastOf("/api/pieces/field").body).toMatchObject({ field: "axis", value: "away" });
  lastOf("/api/pieces/field").answer({ document: doc("turned"), piece: "wedge 1" });
  await choosing;
  expect(document.value?.title).toBe("turned");
});

test("what a hand changed meanwhile is not lost: the change is asked for again", async () => {
  const { document, rename } = begun();
  const renaming = rename("crate", "tray");
  document.value = doc("moved by hand");
  lastOf(NAME).answer({ document: doc("as it was, renamed"), piece: "tray" });
  await settled();
  expect(countOf(NAME)).toBe(2);
  expect(lastOf(NAME).body).toMatchObject({ document: { title: "moved by hand" } });
  lastOf(NAME).answer({ document: doc("moved and renamed"), piece: "tray" });
  expect(await renaming).toBe("tray");
  expect(document.value?.title).toBe("moved and renamed");
});

test("a refusal is said and changes nothing, until something else is done", async () => {
  const { document, rename, problem } = begun();
  const renaming = rename("crate", "tray");
  lastOf(NAME).refuse(422, "'tray' is used twice; rename one");
  expect(await renaming).toBeNull();
  expect(problem.value?.message).toBe("'tray' is used twice; rename one");
  expect(document.value?.title).toBe("as it was");
  document.value = doc("another");
  await settled();
  expect(problem.value).toBeNull();
});
