import { beforeEach, describe, expect, it, vi } from "vitest";
import { shallowRef } from "vue";
import type { Exercise } from "@/api/client";
import { hosted, settled } from "@/testing/host";
import { lastOf, questions, quiet } from "@/testing/server";
import { FIRST_ORDER } from "./parts";
import type { PackAsked } from "./usePack";

vi.mock("@/api/client", async () => (await import("@/testing/server")).client);
const { usePack } = await import("./usePack");
const { useClassPrint } = await import("./useClassPrint");

const asked = (title: string): PackAsked => ({
  document: { title } as Exercise,
  order: FIRST_ORDER,
  code: null,
  pupils: [],
});
const revoked: string[] = [];
let made = 0;

beforeEach(() => {
  quiet();
  vi.useFakeTimers();
  vi.stubGlobal("window", globalThis);
  revoked.length = 0;
  made = 0;
  URL.createObjectURL = () => `blob:${(made += 1)}`;
  URL.revokeObjectURL = (address) => void revoked.push(address);
});

describe("the pack", () => {
  it("is set after a pause, and once for many changes", async () => {
    const wanted = shallowRef<PackAsked | null>(null);
    const pack = hosted(() => usePack(wanted));
    for (const title of ["a", "b", "c"]) {
      wanted.value = asked(title);
      await settled();
    }
    await vi.advanceTimersByTimeAsync(200);
    expect(questions).toHaveLength(1);
    expect(pack.made.busy.value).toBe(true);
    questions[0]!.answer(new Blob(["%PDF"]));
    await settled();
    expect(pack.made.address.value).toBe("blob:1");
    expect(pack.made.busy.value).toBe(false);
  });

  it("leaves an older question unanswered", async () => {
    const wanted = shallowRef<PackAsked | null>(asked("a"));
    const pack = hosted(() => usePack(wanted));
    await vi.advanceTimersByTimeAsync(200);
    wanted.value = asked("b");
    await settled();
    await vi.advanceTimersByTimeAsync(200);
    await settled();
    expect(questions).toHaveLength(2);
    questions[1]!.answer(new Blob(["new"]));
    await settled();
    questions[0]!.answer(new Blob(["old"]));
    await settled();
    expect(await pack.made.file.value!.text()).toBe("new");
  });

  it("keeps the last pages beside a refusal, and lets go of what it replaces", async () => {
    const wanted = shallowRef<PackAsked | null>(asked("a"));
    const pack = hosted(() => usePack(wanted));
    await vi.advanceTimersByTimeAsync(200);
    questions[0]!.answer(new Blob(["one"]));
    await settled();
    wanted.value = asked("wrong");
    await settled();
    await vi.advanceTimersByTimeAsync(200);
    questions[1]!.refuse(422, "no");
    await settled();
    expect(pack.made.problem.value?.message).toBe("no");
    expect(pack.made.address.value).toBe("blob:1");
    pack.leave();
    expect(revoked).toEqual(["blob:1"]);
  });
});

describe("a class's sheets", () => {
  const job = (state: string, done: number) => ({ id: 5, state, done, total: 9, problem: null });

  it("are looked at until they are done", async () => {
    const { made: print } = hosted(() => useClassPrint(3));
    print.begin({ class_id: 2, order: FIRST_ORDER, demand: "standard" });
    await settled();
    lastOf("/api/exercises/{exercise_id}/prints").answer(job("waiting", 0));
    await settled();
    expect(print.under(print.job.value?.state)).toBe(true);
    for (const done of [4, 9]) {
      await vi.advanceTimersByTimeAsync(300);
      lastOf("/api/prints/{job_id}").answer(job(done === 9 ? "done" : "working", done));
      await settled();
      expect(print.job.value?.done).toBe(done);
    }
    const before = questions.length;
    await vi.advanceTimersByTimeAsync(5000);
    expect(questions).toHaveLength(before);
  });

  it("are stopped, and a refusal is told", async () => {
    const { made: print } = hosted(() => useClassPrint(3));
    print.begin({ class_id: 2, order: FIRST_ORDER, demand: "standard" });
    await settled();
    lastOf("/api/exercises/{exercise_id}/prints").answer(job("working", 1));
    await settled();
    print.cancel();
    await settled();
    lastOf("/api/prints/{job_id}").answer(job("cancelled", 1));
    await settled();
    expect(print.under(print.job.value?.state)).toBe(false);
    print.begin({ class_id: 2, order: FIRST_ORDER, demand: "standard" });
    await settled();
    lastOf("/api/exercises/{exercise_id}/prints").refuse(422, "nobody is in this class yet");
    await settled();
    expect(print.problem.value).toBe("nobody is in this class yet");
    expect(print.job.value).toBeNull();
  });
});
