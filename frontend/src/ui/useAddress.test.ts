import { expect, test } from "vitest";
import { nextTick, ref } from "vue";
import { createMemoryHistory, createRouter } from "vue-router";
import { hosted } from "@/testing/host";
import { useAddress } from "./useAddress";

async function at(path: string) {
  const routes = [{ path: "/mark", component: { render: () => null } }];
  const router = createRouter({ history: createMemoryHistory(), routes });
  await router.push(path);
  const [lesson, sheet] = [ref<number | null>(null), ref<number | null>(null)];
  const { leave } = hosted(() => useAddress({ lesson, sheet }), [router]);
  return { router, lesson, sheet, leave };
}
const moved = () => new Promise((done) => setTimeout(done, 5));

test("a link comes to its place, and what is no number is not believed", async () => {
  const { lesson, sheet } = await at("/mark?lesson=7&sheet=12");
  expect([lesson.value, sheet.value]).toEqual([7, 12]);
  for (const wrong of ["x", "-3", "1.5", "0", ""]) {
    expect((await at(`/mark?lesson=${wrong}`)).lesson.value).toBeNull();
  }
});

test("the address follows both numbers, without a step back for each", async () => {
  const { router, lesson, sheet, leave } = await at("/mark?lesson=7&sheet=12");
  lesson.value = 8;
  sheet.value = null;
  await moved();
  expect(router.currentRoute.value.fullPath).toBe("/mark?lesson=8");
  sheet.value = 13;
  await moved();
  expect(router.currentRoute.value.query).toEqual({ lesson: "8", sheet: "13" });
  leave();
  sheet.value = 14;
  await nextTick();
  await moved();
  expect(router.currentRoute.value.query.sheet, "a page that is gone moves nothing").not.toBe("14");
});
