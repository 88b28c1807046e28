"""The bench in a browser: frames and new drawings while the eye level of forty boxes is dragged."""

from __future__ import annotations

import asyncio
import json
import math
import os
import shutil
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
SECONDS = 4.0
MOVES_A_SECOND = 60
REACH_PX = 60.0

FORTY_BOXES: dict[str, Any] = {
    "format": "orthopsis-exercise", "version": 1, "title": "Forty boxes",
    "sheet": {"size": "A3", "orientation": "landscape"},
    "view": {"kind": "one-point", "eye_level_mm": 148.5, "vanishing_point_mm": 210,
             "viewing_distance_mm": 360},
    "pieces": [
        {"kind": "box", "id": f"b{k}", "depth": {"fraction": 0.3},
         "front": {"x_mm": 20 + k % 8 * 48, "y_mm": 15 + k // 8 * 55, "width_mm": 30,
                   "height_mm": 30}}
        for k in range(40)
    ],
}  # fmt: skip

COUNT = """() => {
  window.seen = { frames: [], drawings: 0, last: "" };
  const look = (now) => {
    seen.frames.push(now);
    const drawn = document.querySelector(".lines path")?.getAttribute("d") ?? "";
    if (drawn !== seen.last) seen.drawings += 1;
    seen.last = drawn;
    seen.next = requestAnimationFrame(look);
  };
  seen.next = requestAnimationFrame(look);
}"""
COUNTED = "() => { cancelAnimationFrame(seen.next); return [seen.frames, seen.drawings]; }"


def desk() -> None:
    """Frames and new drawings a second, beside the frames of the same page at rest."""
    print("\nThe bench in a browser")
    program = shutil.which("chromium")
    if program is None:
        print("  left out: Chromium is not installed; ./orthopsis test installs it")
        return
    with _server() as address:
        body = json.dumps(FORTY_BOXES).encode()
        asked = urllib.request.Request(
            f"{address}api/exercises", body, {"Content-Type": "application/json"}
        )
        with urllib.request.urlopen(asked) as answer:
            number = json.load(answer)["id"]
        rest, moved, drawn = asyncio.run(_measured(program, f"{address}prepare/{number}"))
    print(
        f"{'frames a second, 40 boxes dragged':<44} {moved:9.1f}      {moved / rest:7.2f} × at rest"
    )
    print(f"{'new drawings a second':<44} {drawn:9.1f}      {drawn / rest:7.2f} × frames at rest")


@contextmanager
def _server() -> Iterator[str]:
    with tempfile.TemporaryDirectory() as folder:
        command = [sys.executable, "-m", "orthopsis.serve", "--folder", folder, "--demo",
                   "--pages", str(ROOT / "frontend" / "dist"), "--port", "8217"]  # fmt: skip
        environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
        process = subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True)
        try:
            assert process.stdout is not None
            ready = next((line for line in process.stdout if "ready: " in line), None)
            if ready is None:
                sys.exit("the server ended before it was ready")
            yield ready.split("ready: ")[1].strip()
        finally:
            process.terminate()
            process.wait(60)


async def _measured(program: str, page_address: str) -> tuple[float, float, float]:
    """Frames a second at rest and while dragging, and new drawings a second."""
    from playwright.async_api import async_playwright

    async with async_playwright() as playwright:
        browser = await playwright.chromium.launch(executable_path=program, args=["--no-sandbox"])
        page = await browser.new_page(viewport={"width": 1280, "height": 800})
        await page.goto(page_address)
        await page.get_by_label("Round measures").uncheck()
        # The kernel is compiled beside the first drawings.
        await asyncio.sleep(8.0)
        box = await page.locator("#handle-eye-level .reach").bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        rest, _ = await _counted(page, asyncio.sleep(SECONDS))
        await page.mouse.move(x, y)
        await page.mouse.down()
        hand = await page.context.new_cdp_session(page)
        moved = await _counted(page, _drag(hand, x, y))
        await page.mouse.up()
        await browser.close()
    return rest, *moved


async def _counted(page: Any, meanwhile: Any) -> tuple[float, float]:
    await page.evaluate(COUNT)
    await meanwhile
    frames, drawings = await page.evaluate(COUNTED)
    seconds = (frames[-1] - frames[0]) / 1000
    return (len(frames) - 1) / seconds, drawings / seconds


async def _drag(hand: Any, x: float, y: float) -> None:
    """A hand that reports sixty times a second, whether the page keeps up or not."""
    began, told = time.monotonic(), []
    for number in range(int(SECONDS * MOVES_A_SECOND)):
        moment = number / MOVES_A_SECOND
        await asyncio.sleep(max(0.0, began + moment - time.monotonic()))
        there = {"x": x, "y": y + REACH_PX * math.sin(2.0 * moment)}
        move = {"type": "mouseMoved", "button": "left", "buttons": 1, **there}
        told.append(asyncio.create_task(hand.send("Input.dispatchMouseEvent", move)))
    await asyncio.gather(*told)
