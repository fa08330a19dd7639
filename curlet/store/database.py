"""Opening the database, and its migrations."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path as FilePath

from peewee import OperationalError, PeeweeException, SqliteDatabase
from playhouse.migrate import SqliteMigrator, migrate

from curlet.core.errors import BadInput
from curlet.store.errors import Unavailable
from curlet.store.models import (
    TABLES,
    BrushMaking,
    JsonField,
    KeptFont,
    Lettering,
    Motif,
    Picture,
    database,
)

BUSY_SECONDS = 5.0


def _create(db: SqliteDatabase) -> None:
    db.create_tables(TABLES)


def _add_places(db: SqliteDatabase) -> None:
    """What a run says of single corners, legs and crossings."""
    if "places" not in {column.name for column in db.get_columns("run")}:
        migrate(SqliteMigrator(db).add_column("run", "places", JsonField(default=dict)))


def _add_makings(db: SqliteDatabase) -> None:
    """What a brush was before each change to it."""
    if "making" not in {column.name for column in db.get_columns("brush")}:
        # Added in place: the migrator would make the table anew, which its runs forbid.
        db.execute_sql("ALTER TABLE brush ADD COLUMN making INTEGER NOT NULL DEFAULT 1")  # type: ignore[no-untyped-call]
    db.create_tables([BrushMaking])


def _add_pictures(db: SqliteDatabase) -> None:
    """The pictures that motifs are made of."""
    db.create_tables([Picture])


def _add_motifs(db: SqliteDatabase) -> None:
    """Motifs kept by themselves."""
    db.create_tables([Motif])


def _add_figures(db: SqliteDatabase) -> None:
    """The figure that a path still is."""
    if "figure" not in {column.name for column in db.get_columns("sheet_path")}:
        db.execute_sql("ALTER TABLE sheet_path ADD COLUMN figure TEXT NOT NULL DEFAULT '{}'")  # type: ignore[no-untyped-call]


def _add_hiding(db: SqliteDatabase) -> None:
    """Whether a path is hidden, or locked, and the swell that it was drawn with."""
    there = {column.name for column in db.get_columns("sheet_path")}
    for name, kind in (("hidden", "INTEGER"), ("locked", "INTEGER"), ("swell", "TEXT")):
        if name not in there:
            value = "0" if kind == "INTEGER" else "'[]'"
            db.execute_sql(f"ALTER TABLE sheet_path ADD COLUMN {name} {kind} NOT NULL DEFAULT {value}")  # type: ignore[no-untyped-call]


def _add_lettering(db: SqliteDatabase) -> None:
    """Text whose letters are paths, and the fonts that people bring."""
    db.create_tables([Lettering, KeptFont])
    there = {column.name for column in db.get_columns("sheet_path")}
    if "lettering" not in there:
        db.execute_sql("ALTER TABLE sheet_path ADD COLUMN lettering TEXT")  # type: ignore[no-untyped-call]
        db.execute_sql("ALTER TABLE sheet_path ADD COLUMN part TEXT NOT NULL DEFAULT ''")  # type: ignore[no-untyped-call]


MIGRATIONS: tuple[Callable[[SqliteDatabase], None], ...] = (
    _create,
    _add_places,
    _add_makings,
    _add_pictures,
    _add_motifs,
    _add_figures,
    _add_hiding,
    _add_lettering,
)


def open_database(file: FilePath, *, busy_seconds: float = BUSY_SECONDS) -> SqliteDatabase:
    """Open, or create, the database and bring it to this version's tables.

    Raises
    ------
    BadInput
        If the file is not a database or belongs to a newer version.
    Unavailable
        If it cannot be opened or written.
    """
    db = SqliteDatabase(
        str(file),
        pragmas={
            "journal_mode": "wal",
            "foreign_keys": 1,
            "synchronous": "normal",
            "busy_timeout": int(1000 * busy_seconds),
        },
        timeout=busy_seconds,
    )
    database.initialize(db)
    try:
        file.parent.mkdir(parents=True, exist_ok=True)
        with reading():
            _migrate(db)
    except OSError as error:
        raise Unavailable(
            f"{file.parent} cannot be written ({error.strerror}). Give another folder."
        ) from None
    return db


def _migrate(db: SqliteDatabase) -> None:
    version = db.pragma("user_version")
    if version > len(MIGRATIONS):
        raise BadInput("This database was made by a newer Curlet. Update Curlet to open it.")
    for number, migration in enumerate(MIGRATIONS[version:], version + 1):
        with db.atomic():
            migration(db)
            db.pragma("user_version", number)


@contextmanager
def reading() -> Iterator[None]:
    """A block on this thread's connection, which stays open; faults of the file become Unavailable."""
    try:
        database.connect(reuse_if_open=True)
        yield
    except OperationalError as error:
        raise Unavailable(_explain(str(error))) from error
    except PeeweeException as error:
        if "not a database" in str(error) or "malformed" in str(error):
            raise BadInput("The database file is damaged or is not Curlet's. Restore a copy.") from error
        raise


@contextmanager
def writing() -> Iterator[None]:
    """One transaction that takes the write lock at once, so that it sees the newest state."""
    with reading(), database.atomic("IMMEDIATE"):
        yield


def _explain(text: str) -> str:
    if "locked" in text or "busy" in text:
        return "The database is in use by another program. Nothing was lost: try again in a moment."
    if "readonly" in text or "read-only" in text:
        return "The database is read-only, so nothing can be kept. Make the file and its folder writable."
    if "full" in text:
        return "The disk is full, so nothing can be kept. Free some space and try again."
    return f"The database cannot be used just now ({text}). Try again."
