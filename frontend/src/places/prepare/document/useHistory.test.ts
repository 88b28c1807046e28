import { expect, test } from "vitest";
import { useHistory } from "./useHistory";

test("undo and redo walk through every change", () => {
  const history = useHistory<number>();
  history.reset(0);
  for (let i = 1; i <= 50; i += 1) history.change(i);
  for (let i = 49; i >= 0; i -= 1) {
    history.undo();
    expect(history.present.value).toBe(i);
  }
  expect(history.canUndo.value).toBe(false);
  history.redo();
  expect(history.present.value).toBe(1);
});

test("one drag is one change, the next drag another", () => {
  const history = useHistory<number>();
  history.reset(0);
  for (let i = 1; i <= 5; i += 1) history.change(i, "eye level");
  history.settle();
  for (let i = 6; i <= 9; i += 1) history.change(i, "eye level");
  history.undo();
  expect(history.present.value).toBe(5);
  history.undo();
  expect(history.present.value).toBe(0);
});

test("a change after undo forgets what was undone", () => {
  const history = useHistory<number>();
  history.reset(0);
  history.change(1);
  history.undo();
  history.change(2);
  history.redo();
  expect(history.present.value).toBe(2);
  expect(history.canRedo.value).toBe(false);
});
