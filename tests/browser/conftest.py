"""A whole server with demo data of its own, and headless Chromium; every page is watched."""

from __future__ import annotations

import os
import shutil
import signal
import subprocess
import sys
import time
import urllib.request

import pytest
from playwright.sync_api import Browser, Page, expect, sync_playwright

from tests.documents import ROOT

# Chromium must not ask anything of any other machine, and runs as root in a container too.
CHROMIUM_OPTIONS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
]


# A busy machine may be slow; a test that passes is never slowed by patience.
PATIENCE_MS = 120_000
expect.set_options(timeout=PATIENCE_MS)


class Server:
    """`serve` as a process, with its address."""

    def __init__(self, folder, port):
        self.folder, self.port = folder, port
        self.process = None
        self.address = ""

    def start(self, *options):
        environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
        self.process = subprocess.Popen(
            [sys.executable, "-m", "orthopsis.serve", "--folder", self.folder,
             "--pages", ROOT / "frontend" / "dist", "--port", str(self.port), *options],
            env=environment, stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        for line in self.process.stdout:
            if "ready: " in line:
                self.address = line.split("ready: ")[1].strip()
                return self
        raise AssertionError("the server ended before it was ready")

    def stop(self):
        self.process.send_signal(signal.SIGINT)
        assert self.process.wait(300) == 0
        return self.process.stdout.read()

    def wait_until_it_answers(self, seconds):
        until = time.monotonic() + seconds
        while time.monotonic() < until:
            try:
                with urllib.request.urlopen(self.address + "prepare", timeout=1) as page:
                    return page.status
            except OSError:
                time.sleep(0.05)
        raise AssertionError("no answer")


@pytest.fixture(scope="session")
def server(tmp_path_factory):
    server = Server(tmp_path_factory.mktemp("the school's data"), 8117).start("--demo")
    yield server
    server.stop()


@pytest.fixture(scope="session")
def browser():
    program = shutil.which("chromium") or "/usr/bin/chromium"
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=program, args=CHROMIUM_OPTIONS)
        yield browser
        browser.close()


class Watched:
    """A page with what went wrong on it."""

    def __init__(self, browser: Browser, address: str) -> None:
        self.context = browser.new_context(viewport={"width": 1280, "height": 800})
        self.address = address
        self.faults: list[str] = []
        self.asked: set[str] = set()
        self.page = self.open()

    def open(self) -> Page:
        page = self.context.new_page()
        page.set_default_timeout(PATIENCE_MS)
        page.on("console", lambda m: self._heard(m.type, m.text))
        page.on("pageerror", lambda error: self.faults.append(str(error)))
        page.on("request", lambda request: self.asked.add(request.url))
        return page

    def _heard(self, kind, words):
        # A refusal by the server is expected where a test makes one; nothing else is.
        if kind in ("warning", "error") and "status of 4" not in words:
            self.faults.append(f"{kind}: {words}")

    def go(self, path):
        self.page.goto(self.address + path)
        self.page.wait_for_load_state("networkidle")
        return self.page


@pytest.fixture
def watched(browser, server):
    watched = Watched(browser, server.address)
    yield watched
    watched.context.close()
    assert watched.faults == []
    foreign = [
        url for url in watched.asked if not url.startswith((server.address, "blob:", "data:"))
    ]
    assert foreign == [], "no request leaves the machine"
