"""A copy of the whole database in a file, made before its tables are changed."""

from __future__ import annotations

import os
import shutil
import subprocess
import time
from pathlib import Path

from sqlalchemy import Connection, text

from orthopsis.errors import SchoolError
from orthopsis.phrase import Number, Own, say
from orthopsis.school.private_db import program

KEPT_COPIES = 3
ROOM = 1.5
"""So many times the size of the tables has to be free before they are copied."""


def copy_database(connection: Connection, folder: Path, name: str) -> Path:
    """Write a copy as SQL, whole or not at all, readable by its owner only.

    It is put back by giving it to the `mariadb` client. The oldest copies make room for new ones.
    Raises SchoolError where there is no room, or the copy cannot be made.
    """
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    size = connection.scalar(
        text(
            "SELECT COALESCE(SUM(data_length), 0) FROM information_schema.tables "
            "WHERE table_schema = DATABASE()"
        )
    )
    free = shutil.disk_usage(folder).free
    if free < ROOM * int(size or 0):
        needed = round(ROOM * int(size or 0) / 1e6)
        raise SchoolError(
            say("refused-no-room-for-copy", needed=Number(needed), free=Number(free // 10**6))
        )
    url = connection.engine.url
    target = folder / f"{name}-{time.strftime('%Y-%m-%d-%H%M%S')}.sql"
    part = target.with_suffix(".part")
    command = [
        program("mariadb-dump", "mysqldump"),
        "--no-defaults",
        f"--socket={url.query['unix_socket']}",
        f"--user={url.username}",
        "--single-transaction",
        "--quick",
        "--hex-blob",
        "--no-tablespaces",
        str(url.database),
    ]
    try:
        with os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600), "wb") as file:
            done = subprocess.run(
                command,
                stdout=file,
                stderr=subprocess.PIPE,
                check=False,
                env={**os.environ, "MYSQL_PWD": str(url.password)},
            )
        if done.returncode != 0:
            words = done.stderr.decode(errors="replace").strip()[-300:]
            raise SchoolError(say("refused-no-copy", words=Own(words)))
        part.replace(target)
    except OSError as error:
        raise SchoolError(say("refused-no-copy", words=Own(error.strerror or ""))) from None
    finally:
        part.unlink(missing_ok=True)
    for old in sorted(folder.glob("*.sql"), key=lambda file: file.stat().st_mtime)[:-KEPT_COPIES]:
        old.unlink()
    return target
