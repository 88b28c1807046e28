"""Run the app: the private database, the schema, demo data when asked for, and the server.

One process holds the folder; a second start says where the first one answers. Whatever was killed
last time is put right at the next start.
"""

from __future__ import annotations

import argparse
import contextlib
import fcntl
import gc
import json
import logging
import os
import shutil
import signal
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Iterator
from datetime import date
from pathlib import Path

from orthopsis.errors import IN_MM, OrthopsisError, SchoolError
from orthopsis.phrase import Number, Own, say
from orthopsis.picture import warm_up
from orthopsis.school.private_db import LITTLE_ROOM_BYTES, PrivateDatabase, Watch

HOST = "127.0.0.1"
PORTS_TRIED = 50
LAST_PORT = 65535


def tell(message: str) -> None:
    print(f"  {message}", flush=True)


def serve(
    folder: Path,
    pages: Path,
    port: int,
    *,
    demo: bool,
    fresh: bool,
    yes: bool,
    engine: str | None = None,
) -> None:
    """Serve until stopped. Raises OrthopsisError for what a person can put right."""
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    with _sole_holder(folder):
        folder.chmod(0o700)
        _tell_of_little_room(folder)
        database = PrivateDatabase(folder / "db")
        starting = _Starting(database)
        import uvicorn

        from orthopsis.school.store import Store
        from orthopsis.web.app import create_app
        from orthopsis.web.patience import PatientProtocol

        starting.wait()
        store = Store(database.url)
        note = folder / "server.json"
        compiling: _Compiling | None = None
        watch: Watch | None = None
        try:
            store.migrate(copies=folder / "backups")
            if demo:
                _demo_data(store, fresh=fresh, yes=yes)
            listener = _listen(port)
            address = f"http://{HOST}:{listener.getsockname()[1]}/"
            app = create_app(store, pages, folder=folder, engine_address=engine)
            config = uvicorn.Config(
                app, log_level="warning", timeout_graceful_shutdown=5, http=PatientProtocol
            )
            compiling, watch = _Compiling(), database.watched()

            class Server(uvicorn.Server):
                """Says that it is ready once it hears requests and signals, and not before."""

                async def startup(self, sockets: list[socket.socket] | None = None) -> None:
                    await super().startup(sockets)
                    note.write_text(json.dumps({"pid": os.getpid(), "address": address}))
                    print(f"\nOrthopsis is ready: {address}\nCtrl+C stops it.", flush=True)

            Server(config).run(sockets=[listener])
        finally:
            if compiling is not None:
                compiling.stop()
            if watch is not None:
                watch.stop()
            with contextlib.suppress(OSError):
                note.unlink(missing_ok=True)
            store.close()
            database.stop()
    print("Stopped; everything is saved.", flush=True)


def _tell_of_little_room(folder: Path) -> None:
    free = shutil.disk_usage(folder).free
    if free < LITTLE_ROOM_BYTES:
        tell(IN_MM.say(say("note-little-room", free=Number(free // 1_000_000))))


def stop(folder: Path) -> None:
    """Stop the server of this folder and its database, wherever they were started."""
    pid, _ = _running(folder)
    if pid is not None:
        os.kill(pid, signal.SIGTERM)
        for _ in range(2400):
            if not _is_at_work(pid, folder):
                break
            time.sleep(0.05)
    PrivateDatabase(folder / "db").stop()
    print("Stopped." if pid is not None else "Nothing was running.")


class _Starting:
    """The database comes up in the background while the program is still being read."""

    def __init__(self, database: PrivateDatabase) -> None:
        self._error: BaseException | None = None
        self._thread = threading.Thread(target=self._run, args=(database,))
        self._thread.start()

    def _run(self, database: PrivateDatabase) -> None:
        try:
            database.start()
        except BaseException as error:
            self._error = error

    def wait(self) -> None:
        self._thread.join()
        if self._error is not None:
            raise self._error


class _Compiling:
    """The drawing kernel is compiled in a process of its own, at low priority, and then loaded.

    Until then, and if it should fail, drawing works uncompiled; no request waits for a compiler.
    """

    def __init__(self) -> None:
        command = [sys.executable, "-m", "orthopsis.picture.warm_up"]
        self._process = subprocess.Popen(command, stderr=subprocess.PIPE)
        threading.Thread(target=self._load_when_done, daemon=True).start()

    def _load_when_done(self) -> None:
        _, complaint = self._process.communicate()
        if self._process.returncode == 0:
            warm_up.load()
            # What is loaded by now stays; the collector need not look at it on every drawing.
            gc.collect()
            gc.freeze()
            gc.set_threshold(20_000, 20, 50)
        elif self._process.returncode > 0:
            last = complaint.decode(errors="replace").strip().splitlines()[-1:]
            logging.warning("drawing stays uncompiled: %s", *last)

    def stop(self) -> None:
        """Give up compiling, if it is still going on."""
        self._process.terminate()


def _demo_data(store: object, *, fresh: bool, yes: bool) -> None:
    from orthopsis.demo import school
    from orthopsis.school.store import Store

    assert isinstance(store, Store)
    with store.session() as session:
        empty, other_work = school.is_empty(session), school.has_other_work(session)
    if fresh and not empty:
        if other_work and not yes:
            _ask_to_clear()
        with store.session() as session:
            school.clear(session)
        empty = True
    if empty:
        school.fill(store, tell, date.today())


def _ask_to_clear() -> None:
    question = (
        "There is work here beside the demo data. 'demo --fresh' removes all of it.\n"
        "Type 'remove' to go on, or anything else to keep it: "
    )
    try:
        answer = input(question)
    except EOFError:
        answer = ""
    if answer.strip().lower() != "remove":
        raise SchoolError(say("refused-not-removed"))


@contextlib.contextmanager
def _sole_holder(folder: Path) -> Iterator[None]:
    with (folder / "lock").open("w") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            _, address = _running(folder)
            running = say("refused-running", address=Own(address)) if address else None
            raise SchoolError(running or say("refused-still-starting")) from None
        yield


def _running(folder: Path) -> tuple[int | None, str | None]:
    """The server of this folder and its address, if it is alive."""
    try:
        note = json.loads((folder / "server.json").read_text())
        pid, address = int(note["pid"]), str(note["address"])
    except (OSError, ValueError, KeyError, TypeError):
        return None, None
    return (pid, address) if _is_at_work(pid, folder) else (None, None)


def _is_at_work(pid: int, folder: Path) -> bool:
    """Whether our server of this very folder runs under this number.

    Not one that has ended and is not yet missed, nor another that got its number since.
    """
    try:
        words = Path(f"/proc/{pid}/cmdline").read_bytes().split(b"\0")
        given = Path(os.fsdecode(words[words.index(b"--folder") + 1]))
        at = Path(f"/proc/{pid}/cwd").readlink()
    except (OSError, ValueError, IndexError):
        return False
    return b"orthopsis.serve" in words and (at / given).resolve() == folder.resolve()


def _listen(wished: int) -> socket.socket:
    last = min(wished + PORTS_TRIED - 1, LAST_PORT)
    for port in range(wished, last + 1):
        # Named as TCP: only then does asyncio send small answers at once, without waiting 40 ms.
        listener = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listener.bind((HOST, port))
        except OSError:
            listener.close()
            continue
        listener.listen(128)
        if port != wished:
            tell(f"port {wished} is taken, so {port} is used")
        return listener
    raise SchoolError(say("refused-ports", first=Number(wished), last=Number(last)))


def _port(text: str) -> int:
    if not (text.isascii() and text.isdigit() and 0 < int(text[:6]) <= LAST_PORT):
        raise argparse.ArgumentTypeError(
            f"'{text[:20]}' is no port; give a number up to {LAST_PORT}"
        )
    return int(text)


def main() -> None:
    """Entry point of `python -m orthopsis.serve`."""
    parser = argparse.ArgumentParser(prog="orthopsis serve", description=__doc__)
    parser.add_argument("--folder", type=Path, required=True, help="where data is kept")
    parser.add_argument("--pages", type=Path, required=True, help="the built front end")
    parser.add_argument("--port", type=_port, default=8017)
    parser.add_argument("--demo", action="store_true", help="fill empty records with demo data")
    parser.add_argument("--fresh", action="store_true", help="make the demo data anew")
    parser.add_argument("--yes", action="store_true", help="do not ask before removing work")
    parser.add_argument("--stop", action="store_true", help="stop what runs in the folder")
    parser.add_argument("--engine", help="the address of a Dask scheduler that does long work")
    args = parser.parse_args()
    # Nothing that is written here is read by anybody else.
    os.umask(0o077)
    logging.basicConfig(level=logging.WARNING, format="%(levelname)s %(message)s")
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    # A shell may start its background work deaf to Ctrl+C; a server must always hear it.
    signal.signal(signal.SIGINT, signal.default_int_handler)
    try:
        if args.stop:
            stop(args.folder)
        else:
            serve(
                args.folder,
                args.pages,
                args.port,
                demo=args.demo,
                fresh=args.fresh,
                yes=args.yes,
                engine=args.engine,
            )
    except OrthopsisError as error:
        print(f"orthopsis: {error}", file=sys.stderr)
        raise SystemExit(2) from None
    except (OSError, UnicodeError) as error:
        why = getattr(error, "strerror", None) or "it is not text"
        refusal = SchoolError(say("refused-folder", folder=Own(str(args.folder)), why=Own(why)))
        print(f"orthopsis: {refusal}", file=sys.stderr)
        raise SystemExit(2) from None
    except KeyboardInterrupt:
        print("\nStopped; everything is saved.", flush=True)


if __name__ == "__main__":
    main()
