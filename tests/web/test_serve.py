"""The server as a process: one holder of a folder, clean stops, demo data made anew."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import time
import urllib.error
import urllib.request

import pytest

from tests.documents import EXAMPLE_TITLES, ONE_POINT, ROOT, changed


class Serve:
    """`python -m orthopsis.serve` on a folder, with pages that are only a placeholder."""

    def __init__(self, folder):
        self.folder = folder / "a school's data"
        self.pages = folder / "pages"
        (self.pages / "assets").mkdir(parents=True)
        (self.pages / "index.html").write_text("<title>Orthopsis</title>")
        self.program = ["-m", "orthopsis.serve"]
        self.environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}

    def command(self, *options):
        return [
            sys.executable, *self.program, "--folder", self.folder, "--pages", self.pages,
            "--port", "8317", *options,
        ]  # fmt: skip

    def start(self, *options, answer=""):
        process = subprocess.Popen(
            self.command(*options), env=self.environment, text=True,
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, stderr=subprocess.STDOUT,
        )  # fmt: skip
        process.stdin.write(answer)
        process.stdin.close()
        heard = ""
        for line in process.stdout:
            heard += line
            if "ready: " in line:
                return process, line.split("ready: ")[1].strip(), heard
        return process, None, heard

    def run(self, *options):
        return subprocess.run(
            self.command(*options), env=self.environment, capture_output=True, text=True,
            check=False, stdin=subprocess.DEVNULL,
        )  # fmt: skip


@pytest.fixture
def serve(tmp_path):
    serve = Serve(tmp_path)
    yield serve
    serve.run("--stop")


def end(process, by=signal.SIGINT):
    process.send_signal(by)
    rest = process.stdout.read()
    process.wait(300)
    return rest


def get(address, path):
    with urllib.request.urlopen(address + path, timeout=240) as answer:
        return answer.read().decode()


def put_on_shelf(address, title):
    request = urllib.request.Request(
        address + "api/exercises",
        json.dumps(changed(ONE_POINT, title=title)).encode(),
        {"Content-Type": "application/json"},
    )
    urllib.request.urlopen(request, timeout=240).read()


def titles(address):
    return {one["title"] for one in json.loads(get(address, "api/exercises"))}


def test_a_second_start_points_to_the_first_and_stop_stops_both(serve):
    process, address, _ = serve.start()
    assert address.startswith("http://127.0.0.1:83")
    second = serve.run()
    assert second.returncode == 2
    assert second.stderr.strip() == f"orthopsis: it is already running at {address}"
    assert serve.run("--stop").stdout.strip() == "Stopped."
    process.wait(300)
    with pytest.raises(urllib.error.URLError):
        get(address, "api/server")
    assert serve.run("--stop").stdout.strip() == "Nothing was running."
    assert not (serve.folder / "server.json").exists()


@pytest.mark.parametrize("by", [signal.SIGINT, signal.SIGTERM])
def test_both_ways_of_ending_stop_the_database_too(serve, by):
    process, _, _ = serve.start()
    pid = int((serve.folder / "db" / "mariadb.pid").read_text())
    end(process, by)
    until = time.monotonic() + 240
    while os.path.exists(f"/proc/{pid}/exe") and time.monotonic() < until:
        time.sleep(0.1)
    assert not (serve.folder / "db" / "mariadb.pid").exists()


def test_every_place_of_the_app_is_the_one_page_and_the_api_is_not(serve):
    process, address, _ = serve.start()
    for path in ("", "prepare", "prepare/3", "register"):
        assert "<title>Orthopsis</title>" in get(address, path)
    with pytest.raises(urllib.error.HTTPError) as refused:
        get(address, "api/attic")
    assert refused.value.code == 404
    for outside in ("../../etc/passwd", "..%2f..%2fpyproject.toml", "assets/../../x"):
        try:
            assert "<title>" in get(address, outside)
        except urllib.error.HTTPError as error:
            assert error.code == 404
    end(process)


# All ten sheets are judged by a test of the records.
WITH_ONE_SHEET = """
from orthopsis.demo import school
school.LESSONS = [one for one in school.LESSONS if one[0] == "fern"]
from orthopsis.serve import main
main()
"""


def test_fresh_demo_data_ask_before_other_work_is_removed(serve):
    serve.program = ["-c", WITH_ONE_SHEET]
    process, address, _ = serve.start()
    put_on_shelf(address, "My own")
    end(process)

    process, address, heard = serve.start("--demo")
    assert "drawing and judging" not in heard, "what is there is used again"
    assert titles(address) == {"My own"}
    end(process)

    process, address, heard = serve.start("--demo", "--fresh", answer="no\n")
    assert address is None
    assert "There is work here beside the demo data" in heard
    assert "nothing was removed" in heard
    assert process.wait(300) == 2

    process, address, heard = serve.start("--demo", "--fresh", answer="remove\n")
    assert "drawing and judging" in heard
    assert titles(address) == EXAMPLE_TITLES
    end(process)


def test_a_killed_server_and_a_killed_database_are_put_right_by_the_next_start(serve):
    process, address, _ = serve.start()
    put_on_shelf(address, "Kept")
    process.kill()
    process.wait()
    os.kill(int((serve.folder / "db" / "mariadb.pid").read_text()), signal.SIGKILL)
    process, address, _ = serve.start()
    assert titles(address) == {"Kept"}
    end(process)


@pytest.mark.parametrize("port", ["0", "99999", "x", "-1", "٣", "1" * 5000])
def test_a_bad_port_is_told_in_a_sentence(serve, port):
    refused = serve.run("--port", port)
    assert refused.returncode == 2
    assert "is no port" in refused.stderr or "expected one argument" in refused.stderr
    assert "Traceback" not in refused.stderr and len(refused.stderr) < 800


@pytest.mark.parametrize("note", ["[]", "{", '{"pid": "x", "address": 3}', '{"pid": 1}', "\0"])
def test_a_spoilt_note_on_who_runs_here_is_no_obstacle(serve, note):
    serve.folder.mkdir(parents=True)
    (serve.folder / "server.json").write_text(note)
    assert serve.run("--stop").stdout.strip() == "Nothing was running."


def test_stop_ends_only_what_runs_in_its_own_folder(serve, tmp_path):
    process, _, _ = serve.start()
    other = Serve(tmp_path / "other")
    other.folder.mkdir()
    (other.folder / "server.json").write_text((serve.folder / "server.json").read_text())
    assert other.run("--stop").stdout.strip() == "Nothing was running."
    assert process.poll() is None
    end(process)


@pytest.mark.parametrize("kind", ["a file", "below a file", "read-only"])
def test_a_folder_that_cannot_be_used_is_told_in_a_sentence(serve, kind):
    if kind == "read-only":
        if os.geteuid() == 0:
            serve.folder = type(serve.folder)("/proc/orthopsis")  # nobody, not even root, writes it
        else:
            serve.folder.mkdir(mode=0o500)
    elif kind == "a file":
        serve.folder.write_text("x")
    else:
        serve.folder.write_text("x")
        serve.folder = serve.folder / "below"
    refused = serve.run()
    assert refused.returncode == 2
    assert "cannot be used" in refused.stderr and "Traceback" not in refused.stderr
