"""The connection to the records: engine, sessions, and the schema's version."""

from __future__ import annotations

import json
import random
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, Concatenate, ParamSpec, TypeVar

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, create_engine
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session, sessionmaker

from orthopsis.errors import SchoolError
from orthopsis.phrase import Own, say
from orthopsis.school.backup import copy_database

MIGRATIONS = Path(__file__).parent / "migrations"
TAKEN_BACK = {1020, 1062, 1205, 1213}
"""What MariaDB says of two who write at once: changed since it was read, there already, waited too
long, deadlock. It has taken all back, and the same again may do well."""
TRIES = 6

T = TypeVar("T")
P = ParamSpec("P")


class Store:
    """Sessions on one database; each `session()` is one transaction, whole or not at all."""

    def __init__(self, url: str, connections: int = 60) -> None:
        # As many as there can be requests at once: nobody waits for a connection.
        self.engine: Engine = create_engine(
            url,
            pool_pre_ping=True,
            pool_recycle=1800,
            pool_size=min(connections, 10),
            max_overflow=max(0, connections - 10),
            pool_timeout=10,
            connect_args={"connect_timeout": 5},
            json_deserializer=_read_json,
        )
        self._make = sessionmaker(self.engine, expire_on_commit=False)

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A session that commits when the block ends well and takes all back when it does not."""
        with self._make() as session, session.begin():
            yield session

    def done(
        self, work: Callable[Concatenate[Session, P], T], *args: P.args, **named: P.kwargs
    ) -> T:
        """What a piece of work gives, in one transaction; done again where it was taken back."""
        for tried in range(TRIES):
            try:
                with self.session() as session:
                    return work(session, *args, **named)
            except DBAPIError as error:
                if tried + 1 == TRIES or not was_taken_back(error):
                    raise
                time.sleep(pause_s(tried))
        raise AssertionError

    def migrate(self, to: str = "head", copies: Path | None = None) -> None:
        """Bring the schema up to date, or to a revision; refuse one that is newer than this
        program knows.

        Before tables that hold something are changed, a copy is made in `copies`. What was
        interrupted is gone on with. Raises SchoolError.
        """
        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS).replace("%", "%%"))
        scripts = ScriptDirectory.from_config(config)
        known = {script.revision for script in scripts.walk_revisions()}
        try:
            with self.engine.begin() as connection:
                current = MigrationContext.configure(connection).get_current_revision()
                if current is not None and current not in known:
                    raise SchoolError(say("refused-newer-schema", schema=Own(current)))
                wanted = scripts.as_revision_number(to)
                if copies is not None and current is not None and current != wanted:
                    copy_database(connection, copies, f"before-{wanted}")
                config.attributes["connection"] = connection
                command.upgrade(config, to)
        except DBAPIError as error:
            raise SchoolError(say("refused-migration", words=Own(str(error.orig)))) from error

    def close(self) -> None:
        """Give back all connections."""
        self.engine.dispose()


def _read_json(text: str) -> Any:
    """What a row holds as JSON; spoilt text as it is, so that it spoils only its own row."""
    try:
        return json.loads(text)
    except (ValueError, RecursionError):
        return text


def was_taken_back(error: DBAPIError) -> bool:
    """Whether the database took a transaction back because of another, and not for a fault."""
    return code_of(error) in TAKEN_BACK


def code_of(error: DBAPIError) -> object:
    """The database's own number of an error; None where it has none."""
    arguments: tuple[object, ...] = getattr(error.orig, "args", ())
    return next(iter(arguments), None)


def pause_s(tried: int) -> float:
    """How long to let the other finish; two that met once should not meet again at once."""
    return random.uniform(0.01, 0.05) * (tried + 1)
