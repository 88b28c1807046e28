import { beforeEach, describe, expect, it, vi } from "vitest";
import { nextTick, ref, shallowRef } from "vue";
import type { Exercise, Step } from "@/api/client";
import { hosted, settled } from "@/testing/host";
import { lastOf, questions, quiet } from "@/testing/server";
import type { Shown } from "./useProjector";

vi.mock("@/api/client", async () => (await import("@/testing/server")).client);
const { useLesson } = await import("./useLesson");
const { useDemonstration } = await import("./useDemonstration");
const { useBoard } = await import("./useBoard");
const { useShowing, useShown } = await import("./useProjector");

const step = (number: number, more: Partial<Step> = {}) =>
  ({
    number,
    minutes: 2,
    strokes: [{ curve: null }, { curve: null }],
    hidden: false,
    ...more,
  }) as Step;
const doc = { title: "x" } as Exercise;

beforeEach(() => {
  quiet();
  vi.useRealTimers();
  vi.stubGlobal("window", globalThis);
  vi.stubGlobal("matchMedia", () => ({ matches: false }));
});

describe("the lesson", () => {
  const steps = shallowRef([
    step(1, { hidden: true }),
    step(2),
    step(3),
    step(4, { hidden: true }),
  ]);

  function lesson() {
    vi.useFakeTimers();
    return hosted(() => useLesson(steps));
  }

  it("begins at the first step that is said, and passes over hidden ones", () => {
    const { made } = lesson();
    expect(made.number.value).toBe(2);
    expect(made.place.value).toBe(1);
    made.by(1);
    expect(made.number.value).toBe(3);
    made.by(1);
    expect(made.finished.value, "after the last that is said comes the end").toBe(true);
    made.by(-1);
    expect(made.number.value).toBe(3);
    made.by(-9);
    expect(made.number.value).toBe(2);
  });

  it("draws line by line and waits", async () => {
    const { made } = lesson();
    expect(made.drawn.value).toBe(0);
    await vi.advanceTimersByTimeAsync(300);
    expect(made.drawn.value).toBe(1);
    await vi.advanceTimersByTimeAsync(600);
    expect(made.drawn.value).toBe(2);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(made.number.value, "the next move waits").toBe(2);
  });

  it("goes on by itself while it plays, and stops at the end", async () => {
    const { made } = lesson();
    made.togglePlay();
    await vi.advanceTimersByTimeAsync(30_000);
    expect(made.finished.value).toBe(true);
    expect(made.playing.value).toBe(false);
  });

  it("counts seconds and what is left", async () => {
    const { made } = lesson();
    await vi.advanceTimersByTimeAsync(65_000);
    expect(made.secondsInLesson.value).toBe(65);
    expect(made.minutesLeft.value).toBe(6);
    made.by(1);
    expect(made.secondsInStep.value).toBe(0);
    expect(made.minutesLeft.value).toBe(4);
  });

  it("comes back to the moment after a look at the end or the guide lines", () => {
    const { made } = lesson();
    made.toggleLook("finished");
    expect(made.look.value).toBe("finished");
    made.toggleLook("guides");
    expect(made.look.value).toBe("guides");
    made.toggleLook("guides");
    expect(made.look.value).toBe("moment");
    made.toggleLook("guides");
    made.by(1);
    expect(made.look.value).toBe("moment");
  });
});

describe("a demonstration", () => {
  it("asks one thing at a time, the latest next, and ends without a trace", async () => {
    const { made } = hosted(() => useDemonstration(shallowRef(doc)));
    for (const up_mm of [1, 2, 3]) {
      made.demo.value = { kind: "climb", up_mm };
      await settled();
    }
    expect(questions).toHaveLength(1);
    questions[0]!.answer({ document: { title: "copy" }, sentence: "Look." });
    await settled();
    expect(questions.map((one) => (one.body as { show: { up_mm: number } }).show.up_mm)).toEqual([
      1, 3,
    ]);
    expect(made.sentence.value).toBe("Look.");
    questions[1]!.refuse(422, "too high");
    await settled();
    expect(made.refused.value).toBe("too high");
    made.demo.value = null;
    await settled();
    expect([made.shown.value, made.sentence.value, made.refused.value]).toEqual([null, null, null]);
  });
});

describe("board measures", () => {
  it("come and go as they are wanted", async () => {
    const { made } = hosted(() => useBoard(shallowRef(doc)));
    made.wanted.value = true;
    await settled();
    lastOf("/api/board").answer({
      document: { title: "large" },
      step_notes: ["n"],
      points_note: "",
    });
    await settled();
    expect(made.board.value?.notes).toEqual(["n"]);
    made.wanted.value = false;
    await settled();
    expect(made.board.value).toBeNull();
  });

  it("are told when they cannot be", async () => {
    const { made } = hosted(() => useBoard(shallowRef(doc)));
    made.wanted.value = true;
    await settled();
    lastOf("/api/board").refuse(422, "too large");
    await settled();
    expect(made.refused.value).toBe("too large");
    expect(made.wanted.value).toBe(false);
  });
});

describe("the projector's window", () => {
  const at = (number: number): Shown => ({
    document: doc,
    number,
    drawn: 0,
    look: "moment",
    sentence: null,
    corners: null,
  });
  const until = async (true_: () => boolean) => {
    for (let i = 0; i < 200 && !true_(); i += 1) await new Promise((go) => setTimeout(go, 5));
    expect(true_()).toBe(true);
  };

  it("follows, is frozen, and follows again", async () => {
    const shown = ref<Shown | null>(at(1));
    const teacher = hosted(() => useShowing(41, shown));
    const wall = hosted(() => useShown(41));
    await until(() => wall.made.value?.number === 1);
    expect(teacher.made.followed.value).toBe(true);
    teacher.made.frozen.value = true;
    await nextTick();
    shown.value = at(2);
    await nextTick();
    await new Promise((go) => setTimeout(go, 40));
    expect(wall.made.value?.number).toBe(1);
    const late = hosted(() => useShown(41));
    await until(() => late.made.value?.number === 1);
    teacher.made.frozen.value = false;
    await until(() => wall.made.value?.number === 2);
    teacher.leave();
    wall.leave();
    late.leave();
  });
});
