import { describe, expect, it } from "vitest";
import type { XY } from "@/api/client";
import { useHand } from "./useHand";

function onDesk() {
  const done: [string, ...number[]][] = [];
  const captured: number[] = [];
  const hand = useHand(
    {
      toSheet: ({ clientX, clientY }): XY => [clientX / 2, clientY / 2],
      zoomBy: (factor, at) => done.push(["zoom", Number(factor.toFixed(3)), ...at]),
      panBy: (dx, dy) => done.push(["pan", dx, dy]),
    },
    (place) => done.push(["click", ...place]),
  );
  const at = (clientX: number, clientY: number, pointerId = 1, type = "pointermove") =>
    ({
      clientX,
      clientY,
      pointerId,
      type,
      button: 0,
      currentTarget: { setPointerCapture: (id: number) => captured.push(id) },
    }) as unknown as PointerEvent;
  return { hand, done, captured, at };
}

describe("the hand on the desk", () => {
  it("clicks where it is pressed and let go", () => {
    const { hand, done, captured, at } = onDesk();
    hand.down(at(100, 80));
    hand.move(at(101, 81));
    hand.up(at(101, 81, 1, "pointerup"));
    expect(done).toEqual([["click", 50.5, 40.5]]);
    expect(captured, "a click belongs to what lies under it").toEqual([]);
  });

  it("moves the desk when it moves, and does not click then", () => {
    const { hand, done, captured, at } = onDesk();
    hand.down(at(100, 80));
    hand.move(at(110, 80));
    hand.move(at(110, 95));
    hand.up(at(110, 95, 1, "pointerup"));
    expect(done).toEqual([
      ["pan", 10, 0],
      ["pan", 0, 15],
    ]);
    expect(captured).toContain(1);
  });

  it("brings nearer with two fingers that spread", () => {
    const { hand, done, at } = onDesk();
    hand.down(at(100, 100, 1));
    hand.down(at(200, 100, 2));
    hand.move(at(300, 100, 2));
    expect(done).toEqual([
      ["pan", 50, 0],
      ["zoom", 2, 100, 50],
    ]);
    hand.up(at(300, 100, 2, "pointerup"));
    hand.up(at(100, 100, 1, "pointerup"));
    expect(done.filter(([what]) => what === "click")).toEqual([]);
  });

  it("forgets a finger that is taken away by the system", () => {
    const { hand, done, at } = onDesk();
    hand.down(at(100, 100));
    hand.up(at(100, 100, 1, "pointercancel"));
    hand.move(at(150, 100));
    expect(done).toEqual([]);
  });

  it("turns the wheel into nearer, and with Shift into moving", () => {
    const { hand, done } = onDesk();
    const wheel = (more: object) =>
      hand.wheel({
        deltaX: 0,
        deltaY: -100,
        deltaMode: 0,
        ctrlKey: false,
        shiftKey: false,
        clientX: 20,
        clientY: 10,
        preventDefault() {},
        ...more,
      } as WheelEvent);
    wheel({});
    wheel({ shiftKey: true });
    expect(done[0]).toEqual(["zoom", 1.174, 10, 5]);
    expect(done[1]).toEqual(["pan", 100, 0]);
  });
});
