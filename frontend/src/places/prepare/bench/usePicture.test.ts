import { beforeEach, describe, expect, it, vi } from "vitest";
import { shallowRef } from "vue";
import type { Exercise } from "@/api/client";
import { hosted, settled } from "@/testing/host";
import { countOf, lastOf, questions, quiet } from "@/testing/server";

vi.mock("@/api/client", async () => (await import("@/testing/server")).client);
const { usePicture } = await import("./usePicture");

const doc = (title: string) => ({ title }) as Exercise;
const PICTURE = "/api/picture";
const STEPS = "/api/steps";
const full = { facts: { share_in_cone: 1 }, advice: ["mind"], drawing: {} };

beforeEach(() => {
  quiet();
  vi.useFakeTimers();
  vi.stubGlobal("window", globalThis);
});

async function begun() {
  const document = shallowRef<Exercise | null>(doc("first"));
  const host = hosted(() => usePicture(document, { chosen: shallowRef("crate") }));
  lastOf(PICTURE).answer(full);
  await settled();
  await vi.advanceTimersByTimeAsync(0);
  lastOf(STEPS).answer({ steps: [{ number: 1 }] });
  await settled();
  return { document, ...host };
}

describe("the picture of a document", () => {
  it("comes whole at first, then the steps", async () => {
    const { made } = await begun();
    expect(questions.map((one) => one.path)).toEqual([PICTURE, STEPS]);
    expect(questions[0]!.query.lines_only).toBe(false);
    expect(made.picture.value?.advice).toEqual(["mind"]);
    expect(made.steps.value).toHaveLength(1);
  });

  it("asks one question at a time while a hand moves, and the latest next", async () => {
    const { document, made } = await begun();
    quiet();
    for (const title of ["a", "b", "c", "d"]) {
      document.value = doc(title);
      await settled();
    }
    expect(questions.map((one) => (one.body as Exercise).title)).toEqual(["a"]);
    expect(questions[0]!.query).toEqual({ lines_only: true, hidden: false, chosen: "crate" });
    questions[0]!.answer({ ...full, facts: null, advice: null, drawing: { of: "a" } });
    await settled();
    expect(questions.map((one) => (one.body as Exercise).title)).toEqual(["a", "d"]);
    expect(made.picture.value?.advice, "advice stays until the hand rests").toEqual(["mind"]);
  });

  it("brings advice and steps when the hand rests", async () => {
    const { document, made } = await begun();
    quiet();
    document.value = doc("moved");
    await settled();
    lastOf(PICTURE).answer({ ...full, facts: null, advice: null });
    await settled();
    await vi.advanceTimersByTimeAsync(200);
    expect(lastOf(PICTURE).query.lines_only).toBe(false);
    lastOf(PICTURE).answer({ ...full, advice: ["new"] });
    await settled();
    lastOf(STEPS).answer({ steps: [] });
    await settled();
    expect(made.picture.value?.advice).toEqual(["new"]);
    expect(made.steps.value).toEqual([]);
    await vi.advanceTimersByTimeAsync(10_000);
    expect(questions).toHaveLength(3);
  });

  it("keeps the last good picture when a document is refused", async () => {
    const { document, made } = await begun();
    document.value = doc("wrong");
    await settled();
    lastOf(PICTURE).refuse(422, "too deep");
    await settled();
    expect(made.pictureProblem.value?.message).toBe("too deep");
    expect(made.picture.value).not.toBeNull();
    document.value = doc("right");
    await settled();
    await vi.advanceTimersByTimeAsync(0);
    lastOf(PICTURE).answer(full);
    await settled();
    expect(made.pictureProblem.value).toBeNull();
  });

  it("asks again until the server can be reached", async () => {
    const { document, made } = await begun();
    document.value = doc("alone");
    await settled();
    lastOf(PICTURE).refuse(0);
    await settled();
    await vi.advanceTimersByTimeAsync(200);
    lastOf(PICTURE).refuse(0);
    await settled();
    lastOf(STEPS).refuse(0);
    await settled();
    expect(made.steps.value, "what was there stays").toHaveLength(1);
    const before = countOf(PICTURE);
    await vi.advanceTimersByTimeAsync(3100);
    expect(countOf(PICTURE)).toBe(before + 1);
  });

  it("asks nothing more once it is left", async () => {
    const { document, leave } = await begun();
    document.value = doc("late");
    leave();
    quiet();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(questions).toEqual([]);
  });
});
