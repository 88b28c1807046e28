"""How the tables came to be, version after version; run by Alembic at the server's start.

MariaDB cannot take back a change of tables, so each step of a version is one that may be repeated
(`once.py`), and a copy of the database is kept before any (`school/backup.py`). Start in `env.py`.
"""
