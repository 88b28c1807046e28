import { expect, test } from "vitest";
import { nextTick, ref, shallowRef } from "vue";
import { hosted } from "@/testing/host";
import { useListed } from "./useListed";

test("what is chosen stays while it is listed, and the first takes its place when it is gone", async () => {
  const chosen = ref<number | null>(7);
  const listed = shallowRef<{ id: number }[] | undefined>();
  hosted(() => useListed(chosen, listed));
  expect(chosen.value, "nothing has come yet").toBe(7);
  for (const [ids, now] of [
    [[5, 7], 7],
    [[5, 6], 5],
    [[], null],
    [[8], 8],
  ] as const) {
    listed.value = ids.map((id) => ({ id }));
    await nextTick();
    expect(chosen.value).toBe(now);
  }
});
