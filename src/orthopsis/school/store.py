"""The connection to the records: engine, sessions, and the schema's version."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, create_engine
from sqlalchemy.orm import Session, sessionmaker

from orthopsis.errors import SchoolError
from orthopsis.phrase import Own, say

MIGRATIONS = Path(__file__).parent / "migrations"


class Store:
    """Sessions on one database; each `session()` is one transaction, whole or not at all."""

    def __init__(self, url: str) -> None:
        self.engine: Engine = create_engine(url, pool_pre_ping=True, pool_recycle=1800)
        self._make = sessionmaker(self.engine, expire_on_commit=False)

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A session that commits when the block ends well and takes all back when it does not."""
        with self._make() as session, session.begin():
            yield session

    def migrate(self, to: str = "head") -> None:
        """Bring the schema up to date, or to a revision; refuse one that is newer than this
        program knows.
        """
        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS).replace("%", "%%"))
        known = {script.revision for script in ScriptDirectory.from_config(config).walk_revisions()}
        with self.engine.begin() as connection:
            current = MigrationContext.configure(connection).get_current_revision()
            if current is not None and current not in known:
                raise SchoolError(say("refused-newer-schema", schema=Own(current)))
            config.attributes["connection"] = connection
            command.upgrade(config, to)

    def close(self) -> None:
        """Give back all connections."""
        self.engine.dispose()
