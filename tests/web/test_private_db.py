"""The private database: who may enter, what others can read, and what is never touched."""

from __future__ import annotations

import os
import shutil
import signal
import subprocess
import time
from concurrent.futures import ThreadPoolExecutor

import pymysql
import pytest
from sqlalchemy import create_engine, text

from orthopsis.errors import SchoolError
from orthopsis.school.private_db import PrivateDatabase
from orthopsis.school.store import Store


def enters(database, user, password):
    try:
        pymysql.connect(unix_socket=str(database._socket()), user=user, password=password).close()
    except pymysql.MySQLError:
        return False
    return True


def accounts(database):
    """All accounts, read as the server's own first statements may: nobody else can."""
    peek = database.folder / "peek.sql"
    peek.write_text(
        "CREATE TABLE orthopsis.peek AS "
        "SELECT User, Host FROM mysql.global_priv WHERE Host <> '';\n"
    )
    init = database._first_statements
    database._first_statements = lambda: init() + peek.read_text()
    database.stop()
    database.start()
    database._first_statements = init
    store = Store(database.url, connections=1)
    with store.engine.begin() as connection:
        found = connection.exec_driver_sql("SELECT User, Host FROM peek").all()
        connection.exec_driver_sql("DROP TABLE peek")
    store.close()
    return [tuple(row) for row in found]


def of_before(folder):
    """A folder as an older version set it up: on a port, its administrators without a password."""
    folder.mkdir()
    as_root = ["--user=root"] if os.geteuid() == 0 else []
    subprocess.run(
        ["mariadb-install-db", "--no-defaults", "--datadir=./data",
         "--auth-root-authentication-method=normal", *as_root],
        cwd=folder, check=True, capture_output=True,
    )  # fmt: skip
    (folder / "port").write_text("3399")
    (folder / "password").write_text("kept")
    for path in (folder, folder / "data", folder / "password"):
        path.chmod(0o777)


def test_nobody_enters_without_the_password_also_in_a_folder_of_before(tmp_path):
    of_before(tmp_path / "db")
    database = PrivateDatabase(tmp_path / "db")
    database.start()
    try:
        found = accounts(database)
        assert ("orthopsis", "localhost") in found
        assert {user for user, _ in found} <= {"orthopsis", "root", "mariadb.sys"}
        for user in {*(user for user, _ in found), "", "nobody"}:
            assert not enters(database, user, ""), f"'{user}' enters without a password"
        assert enters(database, "orthopsis", "kept"), "who had the password keeps it"
        assert not enters(database, "root", "kept"), "the administrator is locked"
    finally:
        database.stop()


def test_it_listens_on_no_network_and_opens_no_files(own_database):
    listening = subprocess.run(["ss", "-ltnp"], capture_output=True, text=True).stdout
    assert f"pid={own_database.running_pid()}," not in listening
    store = Store(own_database.url, connections=1)
    with store.engine.connect() as connection:
        value = dict(connection.exec_driver_sql("SHOW VARIABLES").all())
        assert value["local_infile"] == "OFF"
        assert not os.listdir(value["secure_file_priv"])
        assert value["innodb_snapshot_isolation"] == "ON", "as newer servers have it"
        assert value["tx_isolation"] == "REPEATABLE-READ"
        for statement in ("SELECT 1 INTO OUTFILE '/tmp/x'", "SELECT LOAD_FILE('/etc/passwd')"):
            if statement.startswith("SELECT LOAD"):
                assert connection.exec_driver_sql(statement).scalar() is None
                continue
            with pytest.raises(Exception, match=r"denied|privilege|secure"):
                connection.exec_driver_sql(statement)
    store.close()


def test_nothing_in_the_folder_is_read_by_others(own_database):
    own_database.stop()
    (own_database.data / "ib_logfile0").chmod(0o644)
    own_database.start()
    for path in (own_database.folder, *own_database.folder.rglob("*")):
        if path.name != "private.sock":
            assert not path.lstat().st_mode & 0o077, path


@pytest.mark.parametrize("half", ["aria_log_control", "ibdata1"])
def test_a_half_restored_folder_is_refused_and_left_as_it_is(tmp_path, half):
    folder = tmp_path / "db"
    (folder / "data").mkdir(parents=True)
    (folder / "data" / half).write_bytes(b"a school's only copy")
    with pytest.raises(SchoolError, match="nothing was touched") as refused:
        PrivateDatabase(folder).start()
    assert str(folder / "data") in str(refused.value)
    assert (folder / "data" / half).read_bytes() == b"a school's only copy"


def test_a_path_too_long_for_a_socket_is_reached_all_the_same(tmp_path):
    folder = tmp_path / ("a very long name " * 6) / "db"
    database = PrivateDatabase(folder)
    database.start()
    try:
        assert database._socket().is_symlink()
        assert PrivateDatabase(folder).url == database.url, "the same link again"
    finally:
        database.stop()
        shutil.rmtree(database._socket().parent)


def test_a_database_that_dies_is_brought_up_again(own_database):
    watch = own_database.watched()
    try:
        before = own_database.running_pid()
        os.kill(before, signal.SIGKILL)
        until = time.monotonic() + 60
        while own_database.running_pid() in (None, before) or not own_database._answers():
            assert time.monotonic() < until
            time.sleep(0.05)
    finally:
        watch.stop()


def test_several_are_set_up_at_once_and_clear_nothing_of_one_another(tmp_path):
    # A database that starts clears its folder for what passes; a shared one broke the others.
    databases = [PrivateDatabase(tmp_path / f"school {number}'s data") for number in range(4)]
    with ThreadPoolExecutor(len(databases)) as pool:
        list(pool.map(PrivateDatabase.start, databases))
    try:
        for database in databases:
            with create_engine(database.url).connect() as connection:
                folder = connection.execute(text("SELECT @@tmpdir")).scalar()
            assert folder == str(database.folder / "passing")
    finally:
        for database in databases:
            database.stop()
