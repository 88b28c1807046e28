"""A long attack: kills, made-up calls, extreme measures, and files far too large.

The same attacks run in the tests, small. Here each goes on for longer, and the memory that large
files take is measured beside what is promised.
"""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
from collections import Counter
from collections.abc import Callable, Iterable
from concurrent.futures import ProcessPoolExecutor, ThreadPoolExecutor
from contextlib import suppress
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
KILLS = 40
CALLS = 20_000
EXTREMES = 6_000
LARGE_BYTES = 150_000_000
AT_ONCE = 4
PROMISED_BYTES = 1_000_000_000


def faults() -> None:
    """All attacks, one after the other; ends with an error where one got through."""
    print("\nFaults")
    failed = [
        *_tests(f"{KILLS} kills", "tests/web/test_kills.py", ORTHOPSIS_KILLS=KILLS),
        *_tests(
            f"{CALLS} made-up calls", "tests/web/test_generated_calls.py", ORTHOPSIS_CALLS=CALLS
        ),
        *_tests("evil files", "tests/marking/test_evil_files.py"),
        *_extremes(),
        *_large_files(),
    ]
    if failed:
        sys.exit("\n".join(failed))


def _tests(what: str, *which: str, **more: int) -> list[str]:
    began = time.monotonic()
    done = subprocess.run(
        [sys.executable, "-m", "pytest", "-q", *which],
        cwd=ROOT,
        env={**os.environ, **{name: str(value) for name, value in more.items()}},
        capture_output=True,
        text=True,
        check=False,
    )
    print(f"  {what:<24} {'held' if done.returncode == 0 else 'BROKEN'}", end="")
    print(f" ({time.monotonic() - began:.0f} s)", flush=True)
    return [] if done.returncode == 0 else [done.stdout[-2000:]]


def _extremes() -> list[str]:
    """Good documents with measures at their limits, in everything that is made of a document."""
    counted: Counter[str] = Counter()
    with ProcessPoolExecutor() as pool:
        for found in pool.map(_outcomes, range(0, EXTREMES, 100)):
            counted.update(found)
    failed = [outcome for outcome in counted if outcome not in ("answer", "refusal")]
    print(f"  extreme measures         {dict(counted) if not failed else 'BROKEN'}", flush=True)
    return failed


def _outcomes(first: int) -> list[str]:
    sys.path.insert(0, str(ROOT))
    from tests.mutations import everything, extreme

    return outcomes(range(first, first + 100), extreme, everything)


def outcomes(
    seeds: Iterable[int], made: Callable[[int], Any], judged: Callable[[Any], str]
) -> list[str]:
    """What each made-up document comes to: an answer, a refusal, or the fault that it found."""
    found = []
    for seed in seeds:
        try:
            found.append(judged(made(seed)))
        except Exception as failure:
            found.append(f"{made.__name__} seed {seed}: {failure!r}")
    return found


def _large_files() -> list[str]:
    """Four large files at once: what the server, its helpers and the database take together."""
    with tempfile.TemporaryDirectory() as folder:
        pages = Path(folder, "pages")
        (pages / "assets").mkdir(parents=True)
        (pages / "index.html").write_text("<title>Orthopsis</title>")
        server = subprocess.Popen(
            [sys.executable, "-m", "orthopsis.serve", "--folder", f"{folder}/data", "--pages",
             str(pages), "--port", "8417"],
            stdout=subprocess.PIPE, text=True, start_new_session=True,
        )  # fmt: skip
        try:
            assert server.stdout is not None
            address = next(line.split("ready: ")[1] for line in server.stdout if "ready: " in line)
            return _send_large(address.strip(), Path(folder))
        finally:
            server.terminate()
            server.wait()


def _send_large(address: str, folder: Path) -> list[str]:
    from tests.documents import ONE_POINT

    def ask(path: str, body: object = None) -> object:
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(address + path, data, {"Content-Type": "application/json"})
        with urllib.request.urlopen(request, timeout=120) as answer:
            return json.loads(answer.read())

    group: dict[str, int] = ask("api/classes", {"name": "8 Rowan"})  # type: ignore[assignment]
    row: dict[str, int] = ask("api/exercises", ONE_POINT)  # type: ignore[assignment]
    day = {"class_id": group["id"], "exercise_id": row["id"], "given_on": "2026-11-27"}
    lesson: dict[str, int] = ask("api/lessons", day)  # type: ignore[assignment]
    file = folder / "large"
    with file.open("wb") as stream:
        stream.write(b"%PDF-1.7 not really\n")
        stream.write(os.urandom(1_000_000) * (LARGE_BYTES // 1_000_000))
    before, most, done = _memory(folder), [0], threading.Event()

    def watch() -> None:
        while not done.wait(0.05):
            most[0] = max(most[0], _memory(folder))

    def send(_: int) -> int:
        sent = subprocess.run(
            ["curl", "-s", "-o", "/dev/null", "-w", "%{http_code}", "-F",
             f"files=@{file};filename=class.pdf", f"{address}api/lessons/{lesson['id']}/sheets"],
            capture_output=True, text=True, check=True,
        )  # fmt: skip
        return int(sent.stdout)

    watcher = threading.Thread(target=watch)
    watcher.start()
    with ThreadPoolExecutor(AT_ONCE) as pool:
        codes = list(pool.map(send, range(AT_ONCE)))
    ends = time.monotonic() + 300
    path = f"api/lessons/{lesson['id']}/uploads"
    while time.monotonic() < ends:
        uploads: list[dict[str, str]] = ask(path)  # type: ignore[assignment]
        if all(one["state"] == "failed" for one in uploads):
            break
        time.sleep(0.3)
    done.set()
    watcher.join()
    print(
        f"  {AT_ONCE} files of {LARGE_BYTES // 10**6} MB at once: {most[0] / 1e6:.0f} MB in all, "
        f"{before / 1e6:.0f} MB before, at most {PROMISED_BYTES / 1e6:.0f} MB promised",
        flush=True,
    )
    said = {one["problem"] for one in uploads}
    if codes != [202] * AT_ONCE or said != {next(iter(said))} or most[0] > PROMISED_BYTES:
        return [f"large files: {codes}, {said}, {most[0]} bytes"]
    return []


def _memory(folder: Path) -> int:
    """Bytes that all processes of a folder's server hold alone, shared parts counted once."""
    total = 0
    for process in Path("/proc").glob("[0-9]*"):
        with suppress(OSError, ValueError):
            command = (process / "cmdline").read_bytes()
            ours = os.fsencode(folder) in command or b"spawn_main" in command
            if ours and process.stat().st_uid == os.geteuid():
                for line in (process / "smaps_rollup").read_text().splitlines():
                    if line.startswith("Pss:"):
                        total += 1024 * int(line.split()[1])
    return total
