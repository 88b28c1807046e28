import { expect, it, vi } from "vitest";
import { useUndo } from "./useUndo";

it("takes back the latest first, and keeps what cannot be taken back", async () => {
  const { latest, did, undo } = useUndo();
  const order: string[] = [];
  did("one", async () => order.push("one"));
  did("two", async () => order.push("two"));
  await undo();
  expect(latest.value).toBe("one");
  const refuses = vi.fn().mockRejectedValue(new Error("no"));
  did("three", refuses);
  await undo();
  expect(latest.value).toBe("three");
  refuses.mockResolvedValue(null);
  await undo();
  await undo();
  expect(order).toEqual(["two", "one"]);
  expect(latest.value).toBe("");
});
