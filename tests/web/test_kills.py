"""Killed in random moments: whatever was acknowledged is there, and what waited is done.

A longer run: `./orthopsis bench faults`.
"""

from __future__ import annotations

import contextlib
import http.client
import json
import os
import random
import signal
import threading
import time
import urllib.error
import urllib.request
from pathlib import Path

from orthopsis.demo.scanner import scan_sheet
from tests.documents import ONE_POINT, changed, scene_of
from tests.web.test_serve import end, get, serve

assert serve  # the fixture of a server in a folder of its own

KILLS = int(os.environ.get("ORTHOPSIS_KILLS", "3"))


class Writer:
    """A teacher at work: what the server says that it has kept is noted here."""

    def __init__(self):
        self.titles: set[str] = set()
        self.sheets = 0
        self.lesson = None
        self._number = 0

    def begin(self, address):
        """A class and a lesson to hand sheets in for."""
        group = ask(address, "api/classes", {"name": "8 Rowan"})
        exercise = ask(address, "api/exercises", ONE_POINT)
        day = {"class_id": group["id"], "exercise_id": exercise["id"], "given_on": "2026-11-27"}
        self.lesson = ask(address, "api/lessons", day)["id"]

    def work(self, address, photo, until):
        """Save and hand in until the server is gone."""
        with contextlib.suppress(OSError, urllib.error.URLError, http.client.HTTPException):
            while not until.is_set():
                self.once(address, photo)

    def once(self, address, photo):
        """One thing more, and a sheet with every fourth."""
        self._number += 1
        title = f"Work {self._number}"
        ask(address, "api/exercises", changed(ONE_POINT, title=title))
        self.titles.add(title)
        if self._number % 4 == 1:
            send(address, self.lesson, photo + str(self._number).encode())
            self.sheets += 1


def ask(address, path, body):
    request = urllib.request.Request(
        address + path, json.dumps(body).encode(), {"Content-Type": "application/json"}
    )
    with urllib.request.urlopen(request, timeout=60) as answer:
        return json.loads(answer.read())


def send(address, lesson, photo):
    head = b'--x\r\nContent-Disposition: form-data; name="files"; filename="a.jpg"\r\n\r\n'
    request = urllib.request.Request(
        f"{address}api/lessons/{lesson}/sheets",
        head + photo + b"\r\n--x--\r\n",
        {"Content-Type": "multipart/form-data; boundary=x"},
    )
    urllib.request.urlopen(request, timeout=60).read()


def helpers(folder):
    """The processes that a server of this folder began, and that still live."""
    found = []
    for process in Path("/proc").glob("[0-9]*"):
        with contextlib.suppress(OSError):
            command = (process / "cmdline").read_bytes()
            environment = (process / "environ").read_bytes()
            if b"spawn_main" in command and os.fsencode(folder) in environment:
                found.append(int(process.name))
    return found


def test_what_was_acknowledged_outlives_every_kill(serve):
    rng = random.Random(20261127)
    photo = scan_sheet(scene_of(ONE_POINT), 23, flat=True)[0]
    serve.environment["ORTHOPSIS_TEST_FOLDER"] = str(serve.folder)
    writer = Writer()
    for kill in range(KILLS):
        process, address, heard = serve.start()
        assert address, heard
        if writer.lesson is None:
            writer.begin(address)
        writer.once(address, photo)
        stopped = threading.Event()
        thread = threading.Thread(target=writer.work, args=(address, photo, stopped))
        thread.start()
        time.sleep(rng.uniform(0.1, 2.0))
        if kill % 3 == 2:
            os.kill(int((serve.folder / "db" / "mariadb.pid").read_text()), signal.SIGKILL)
        process.kill()
        process.wait()
        stopped.set()
        thread.join()
        gone = time.monotonic() + 20
        while helpers(serve.folder):
            assert time.monotonic() < gone, "its helpers end with it"
            time.sleep(0.05)
    process, address, _ = serve.start()
    kept = {one["title"] for one in json.loads(get(address, "api/exercises"))}
    assert writer.titles <= kept and len(writer.titles) >= KILLS
    until = time.monotonic() + 240
    while True:
        sheets = json.loads(get(address, f"api/lessons/{writer.lesson}/sheets"))
        if all(one["state"] not in ("waiting", "working") for one in sheets):
            break
        assert time.monotonic() < until, "what waited is done in the end"
        time.sleep(0.3)
    assert len(sheets) >= writer.sheets > 0
    assert {one["state"] for one in sheets} == {"done"}
    end(process)


def test_a_database_that_is_killed_comes_back_under_a_running_server(serve):
    process, address, heard = serve.start()
    assert address, heard
    os.kill(int((serve.folder / "db" / "mariadb.pid").read_text()), signal.SIGKILL)
    until = time.monotonic() + 60
    while True:
        with contextlib.suppress(urllib.error.HTTPError):
            ask(address, "api/exercises", ONE_POINT)
            break
        assert time.monotonic() < until
        time.sleep(0.1)
    assert json.loads(get(address, "api/health"))["well"]
    end(process)
