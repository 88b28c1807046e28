import { beforeEach, describe, expect, it, vi } from "vitest";
import { shallowRef } from "vue";
import type { Exercise } from "@/api/client";
import { hosted, settled } from "@/testing/host";
import { lastOf, questions, quiet } from "@/testing/server";

vi.mock("@/api/client", async () => (await import("@/testing/server")).client);
vi.mock("@tanstack/vue-query", () => ({
  useQueryClient: () => ({ invalidateQueries: () => Promise.resolve() }),
}));
const { useAutosave } = await import("./useAutosave");

const doc = (title: string) => ({ title }) as Exercise;
const PATH = "/api/exercises/{exercise_id}";

beforeEach(() => {
  quiet();
  vi.useFakeTimers();
  vi.stubGlobal(
    "window",
    Object.assign(globalThis, { addEventListener() {}, removeEventListener() {} }),
  );
});

function opened() {
  const first = doc("first");
  const document = shallowRef<Exercise | null>(first);
  const host = hosted(() => useAutosave(7, document));
  host.made.opened(3, first);
  return { document, first, ...host };
}

describe("saving by itself", () => {
  it("waits for a pause and names the version it was made from", async () => {
    const { document, made } = opened();
    for (const title of ["a", "b", "c"]) {
      document.value = doc(title);
      await settled();
      await vi.advanceTimersByTimeAsync(200);
    }
    expect(questions).toEqual([]);
    expect(made.state.value.kind).toBe("saving");
    await vi.advanceTimersByTimeAsync(700);
    expect(lastOf(PATH).body).toEqual({ counter: 3, document: { title: "c" } });
    lastOf(PATH).answer({ counter: 4 });
    await settled();
    expect(made.state.value.kind).toBe("saved");
    document.value = doc("d");
    await settled();
    await vi.advanceTimersByTimeAsync(700);
    expect(lastOf(PATH).body).toMatchObject({ counter: 4 });
  });

  it("has nothing to do when a change is undone in time", async () => {
    const { document, first, made } = opened();
    document.value = doc("a");
    await settled();
    document.value = first;
    await settled();
    await vi.advanceTimersByTimeAsync(2000);
    expect(questions).toEqual([]);
    expect(made.state.value.kind).toBe("saved");
  });

  it("saves again what changed while it was saving", async () => {
    const { document } = opened();
    document.value = doc("a");
    await settled();
    await vi.advanceTimersByTimeAsync(700);
    document.value = doc("b");
    await settled();
    lastOf(PATH).answer({ counter: 4 });
    await settled();
    await vi.advanceTimersByTimeAsync(700);
    expect(lastOf(PATH).body).toEqual({ counter: 4, document: { title: "b" } });
    expect(questions).toHaveLength(2);
  });

  it("ends where another window was first, and says where both are", async () => {
    const { document, made } = opened();
    document.value = doc("a");
    await settled();
    await vi.advanceTimersByTimeAsync(700);
    lastOf(PATH).refuse(409, "both are kept");
    await settled();
    expect(made.state.value).toMatchObject({ kind: "conflict", message: "both are kept" });
    document.value = doc("b");
    await settled();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(questions).toHaveLength(1);
  });

  it("tries again without a connection, and says so", async () => {
    const { document, made } = opened();
    document.value = doc("a");
    await settled();
    await vi.advanceTimersByTimeAsync(700);
    lastOf(PATH).refuse(0);
    await settled();
    expect(made.state.value.kind).toBe("waiting");
    await vi.advanceTimersByTimeAsync(3000);
    expect(questions).toHaveLength(2);
    lastOf(PATH).answer({ counter: 4 });
    await settled();
    expect(made.state.value.kind).toBe("saved");
  });

  it("tells what is refused and does not insist", async () => {
    const { document, made } = opened();
    document.value = doc("");
    await settled();
    await vi.advanceTimersByTimeAsync(700);
    lastOf(PATH).refuse(422, "title: is empty");
    await settled();
    expect(made.state.value).toEqual({ kind: "refused", message: "title: is empty" });
    await vi.advanceTimersByTimeAsync(10_000);
    expect(questions).toHaveLength(1);
  });

  it("saves what is left when it is closed", async () => {
    const { document, leave } = opened();
    document.value = doc("last words");
    await settled();
    leave();
    await settled();
    expect(lastOf(PATH).body).toMatchObject({ document: { title: "last words" } });
  });
});
