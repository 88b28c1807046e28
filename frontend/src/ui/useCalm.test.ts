import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { ref } from "vue";
import { hosted } from "@/testing/host";
import { useCalm } from "./useCalm";

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("window", globalThis);
});
afterEach(() => void vi.useRealTimers());

test("while a hand moves few values pass, and the last of them is never lost", () => {
  const source = ref(0);
  const { made: calm, leave } = hosted(() => useCalm(source, true, 100));
  source.value = 1;
  expect(calm.value).toBe(1);
  for (let now = 2; now <= 9; now += 1) source.value = now;
  expect(calm.value, "it rests").toBe(1);
  vi.advanceTimersByTime(100);
  expect(calm.value).toBe(9);
  source.value = 10;
  leave();
  vi.advanceTimersByTime(1000);
  expect(calm.value, "nothing is passed on to a page that is gone").toBe(9);
});

test("at rest nothing is ever late", () => {
  const source = ref(0);
  const moving = ref(false);
  const { made: calm } = hosted(() => useCalm(source, moving, 100));
  for (const now of [1, 2, 3]) {
    source.value = now;
    expect(calm.value).toBe(now);
  }
  moving.value = true;
  source.value = 4;
  expect(calm.value).toBe(3);
  moving.value = false;
  expect(calm.value, "the hand lets go").toBe(4);
});
