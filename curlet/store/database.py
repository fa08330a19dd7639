"""Opening the database, and its migrations."""

from __future__ import annotations

import sqlite3
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path as FilePath

import orjson
from peewee import OperationalError, PeeweeException, SqliteDatabase
from playhouse.migrate import SqliteMigrator, migrate

from curlet.core.dress.relief import LIGHT
from curlet.core.errors import BadInput
from curlet.formats.older import renamed_throughout
from curlet.store.backups import copy_beside
from curlet.store.errors import Unavailable
from curlet.store.models import (
    TABLES,
    Area,
    BrushVersion,
    CallOut,
    CheckMark,
    Colourway,
    GuidePicture,
    JsonField,
    KeptFont,
    Lettering,
    Motif,
    Picture,
    Shade,
    Single,
    database,
)
from curlet.store.recognise import APPLICATION_ID, MEND, check_file

BUSY_SECONDS = 5.0
_opening = 0


def _create(db: SqliteDatabase) -> None:
    db.create_tables(TABLES)


def _add_places(db: SqliteDatabase) -> None:
    """What a run says of single corners, legs and crossings."""
    if "places" not in {column.name for column in db.get_columns("run")}:
        migrate(SqliteMigrator(db).add_column("run", "places", JsonField(default=dict)))


def _add_versions(db: SqliteDatabase) -> None:
    """What a brush was before each change to it."""
    _add_columns(db, "brush", version="INTEGER NOT NULL DEFAULT 1")
    db.create_tables([BrushVersion])


def _add_pictures(db: SqliteDatabase) -> None:
    """The pictures that motifs are made of."""
    db.create_tables([Picture])


def _add_motifs(db: SqliteDatabase) -> None:
    """Motifs kept by themselves."""
    db.create_tables([Motif])


def _add_figures(db: SqliteDatabase) -> None:
    """The figure that a path still is."""
    _add_columns(db, "sheet_path", figure="TEXT NOT NULL DEFAULT '{}'")


def _add_hiding(db: SqliteDatabase) -> None:
    """Whether a path is hidden, or locked, and the swell that it was drawn with."""
    truth = "INTEGER NOT NULL DEFAULT 0"
    _add_columns(db, "sheet_path", hidden=truth, locked=truth, swell="TEXT NOT NULL DEFAULT '[]'")


def _add_lettering(db: SqliteDatabase) -> None:
    """Text whose letters are paths, and the fonts that people bring."""
    db.create_tables([Lettering, KeptFont])
    _add_columns(db, "sheet_path", lettering="TEXT", part="TEXT NOT NULL DEFAULT ''")


def _add_to_sheets(db: SqliteDatabase) -> None:
    """Units and cloths of sheets, cloths of areas; guide pictures, single repeats and check marks."""
    _add_columns(db, "sheet", background_cloth="TEXT NOT NULL DEFAULT '{}'")
    _add_columns(db, "sheet", unit="TEXT NOT NULL DEFAULT 'mm'", removed="INTEGER NOT NULL DEFAULT 0")
    # Called so until `_rename_cloths`; a new database has it by its name of today.
    if "fill" not in {column.name for column in db.get_columns("sheet_path")}:
        _add_columns(db, "sheet_path", cloth="TEXT NOT NULL DEFAULT '{}'")
    db.create_tables([GuidePicture, Single, CheckMark])


def _rename_versions(db: SqliteDatabase) -> None:
    """A brush's versions were called makings, in the steps of sheets too."""
    if "brush_making" not in db.get_tables():
        return
    for statement in (
        "ALTER TABLE brush RENAME COLUMN making TO version",
        "DROP TABLE IF EXISTS brush_version",
        "ALTER TABLE brush_making RENAME TO brush_version",
        # Within a text a quotation mark is escaped, so that this is a key.
        """UPDATE step SET changes = replace(changes, '"making":', '"version":')""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]


def _rename_settings(db: SqliteDatabase) -> None:
    """Settings of brushes by today's names, in runs, in versions and in the steps of sheets too."""
    for table, column in (
        ("brush", "doc"),
        ("brush_version", "doc"),
        ("motif", "doc"),
        ("run", "own"),
        ("step", "changes"),
    ):
        for row, text in db.execute_sql(f"SELECT rowid, {column} FROM {table}").fetchall():  # type: ignore[no-untyped-call]
            new = _with_names(text)
            if new != text:
                db.execute_sql(f"UPDATE {table} SET {column} = ? WHERE rowid = ?", (new, row))  # type: ignore[no-untyped-call]


# So far apart do the kinds of what is painted lie that were each in an order of their own.
_APART = 1_000_000
_UNDER = {"guide": -3, "path": -2, "run": -1, "single": 0}


def _one_order(db: SqliteDatabase) -> None:
    """Everything that is painted lies in one order: at first as it was, guide pictures under paths under runs
    under single repeats; in the steps of sheets too."""
    for table, kind in (("guide_picture", "guide"), ("sheet_path", "path"), ("run", "run")):
        db.execute_sql(f"UPDATE {table} SET position = position + ?", (_APART * _UNDER[kind],))  # type: ignore[no-untyped-call]
    for row, text in db.execute_sql("SELECT id, changes FROM step").fetchall():  # type: ignore[no-untyped-call]
        try:
            changes = orjson.loads(text)
        except orjson.JSONDecodeError:
            continue
        for change in changes:
            for state in (change.get("before"), change.get("after")):
                if state and change.get("kind") in _UNDER and "position" in state:
                    state["position"] += _APART * _UNDER[change["kind"]]
        db.execute_sql("UPDATE step SET changes = ? WHERE id = ?", (orjson.dumps(changes).decode(), row))  # type: ignore[no-untyped-call]


def _add_removed(db: SqliteDatabase) -> None:
    """What is removed from the Library can be restored."""
    for table in ("brush", "motif"):
        _add_columns(db, table, removed="INTEGER NOT NULL DEFAULT 0")


def _rename_background(db: SqliteDatabase) -> None:
    """A sheet's background was called ground, in the steps of sheets too."""
    there = {column.name for column in db.get_columns("sheet")}
    for old, new in (("ground", "background"), ("ground_cloth", "background_cloth")):
        if old not in there:
            continue
        db.execute_sql(f"ALTER TABLE sheet RENAME COLUMN {old} TO {new}")  # type: ignore[no-untyped-call]
        # Within a text a quotation mark is escaped, so that this is a key.
        db.execute_sql("UPDATE step SET changes = replace(changes, ?, ?)", (f'"{old}":', f'"{new}":'))  # type: ignore[no-untyped-call]


def _add_light(db: SqliteDatabase) -> None:
    """Where a sheet's light comes from."""
    azimuth, elevation = (f"REAL NOT NULL DEFAULT {angle}" for angle in (LIGHT.azimuth, LIGHT.elevation))
    _add_columns(db, "sheet", light_azimuth=azimuth, light_elevation=elevation)


def _add_shades(db: SqliteDatabase) -> None:
    """A sheet's shades and colourways, and single repeats' own settings."""
    db.create_tables([Colourway, Shade])
    _add_columns(db, "sheet", colourway="TEXT NOT NULL DEFAULT ''")
    _add_columns(db, "single", own="TEXT NOT NULL DEFAULT '{}'")


def _add_areas(db: SqliteDatabase) -> None:
    """Areas, and the paths along their edges."""
    db.create_tables([Area])
    _add_columns(db, "sheet_path", area="TEXT")


def _add_crops(db: SqliteDatabase) -> None:
    """What paths and runs are cropped to."""
    for table in ("sheet_path", "run"):
        _add_columns(db, table, crop="TEXT NOT NULL DEFAULT '{}'")


def _rename_cloths(db: SqliteDatabase) -> None:
    """What fills a path was a cloth, and called so, in the steps of sheets too."""
    if "cloth" in {column.name for column in db.get_columns("sheet_path")}:
        db.execute_sql("ALTER TABLE sheet_path RENAME COLUMN cloth TO fill")  # type: ignore[no-untyped-call]
        # Within a text a quotation mark is escaped, so that this is a key.
        db.execute_sql("""UPDATE step SET changes = replace(changes, '"cloth":', '"fill":')""")  # type: ignore[no-untyped-call]


def _add_halves(db: SqliteDatabase) -> None:
    """What a path is the live half of."""
    _add_columns(db, "sheet_path", half="TEXT NOT NULL DEFAULT '{}'")


def _add_more_crops(db: SqliteDatabase) -> None:
    """What guide pictures and single repeats are cropped to."""
    for table in ("guide_picture", "single"):
        _add_columns(db, table, crop="TEXT NOT NULL DEFAULT '{}'")


def _add_callouts(db: SqliteDatabase) -> None:
    """Leaders with texts."""
    db.create_tables([CallOut])


def _with_names(text: str) -> str:
    """A document's text with today's names; one that cannot be read stays as it is."""
    try:
        return orjson.dumps(renamed_throughout(orjson.loads(text))).decode()
    except orjson.JSONDecodeError:
        return text


def _add_columns(db: SqliteDatabase, table: str, **columns: str) -> None:
    """Columns that are not there yet, in place: the migrator would make a table anew, which those that
    refer to it forbid."""
    there = {column.name for column in db.get_columns(table)}
    for name, kind in columns.items():
        if name not in there:
            db.execute_sql(f"ALTER TABLE {table} ADD COLUMN {name} {kind}")  # type: ignore[no-untyped-call]


MIGRATIONS: tuple[Callable[[SqliteDatabase], None], ...] = (
    _create,
    _add_places,
    _add_versions,
    _add_pictures,
    _add_motifs,
    _add_figures,
    _add_hiding,
    _add_lettering,
    _add_to_sheets,
    _rename_versions,
    _rename_settings,
    _one_order,
    _add_removed,
    _rename_background,
    _add_light,
    _add_shades,
    _add_areas,
    _add_crops,
    _rename_cloths,
    _add_halves,
    _add_more_crops,
    _add_callouts,
)


def open_database(file: FilePath, *, busy_seconds: float = BUSY_SECONDS) -> SqliteDatabase:
    """Open, or create, the database and bring it to this version's tables; a copy is kept before that.

    Raises
    ------
    BadInput
        If the file is no database, is damaged, is another program's, or belongs to a newer version.
    Unavailable
        If it cannot be opened or written.
    """
    check_file(file)
    db = SqliteDatabase(
        str(file),
        pragmas={
            "journal_mode": "wal",
            "foreign_keys": 1,
            # An acknowledged step survives a power cut.
            "synchronous": "full",
            "busy_timeout": int(1000 * busy_seconds),
        },
        timeout=busy_seconds,
    )
    database.initialize(db)
    global _opening
    _opening += 1
    with reading():
        _check_sound(db, file)
        _migrate(db, file)
    return db


def opening() -> int:
    """Which database is open, as a number: a revision says what a sheet was only together with it."""
    return _opening


def file_of_database() -> FilePath:
    """The file that is open as the database."""
    return FilePath(database.database)


def _check_sound(db: SqliteDatabase, file: FilePath) -> None:
    sound = db.pragma("quick_check")
    if sound != "ok":
        raise BadInput(f"{file} is damaged ({sound}). Nothing was changed.{MEND}")


def _migrate(db: SqliteDatabase, file: FilePath) -> None:
    version = db.pragma("user_version")
    if version > len(MIGRATIONS):
        raise BadInput("This database was made by a newer Curlet. Update Curlet to open it.")
    if 0 < version < len(MIGRATIONS):
        copy_beside(file, f"before-version-{len(MIGRATIONS)}")
    if db.pragma("application_id") != APPLICATION_ID:
        db.pragma("application_id", APPLICATION_ID)
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
    except (OperationalError, sqlite3.OperationalError) as error:
        raise Unavailable(_explain(str(_first(error)))) from error
    except (PeeweeException, sqlite3.DatabaseError) as error:
        if "not a database" in str(error) or "malformed" in str(error):
            raise Unavailable(f"The database is damaged, so this cannot be done.{MEND}") from error
        raise


def _first(error: BaseException) -> BaseException:
    """What went wrong first: SQLite rolls back by itself, and that it cannot do so again says nothing."""
    found, earlier = error, error.__context__
    while earlier is not None:
        if isinstance(earlier, OperationalError | sqlite3.OperationalError):
            found = earlier
        earlier = earlier.__context__
    return found


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
    if "I/O error" in text or "unable to open" in text:
        return "The disk cannot be read or written just now. Nothing was changed: see to it, then try again."
    return f"The database cannot be used just now ({text}). Try again."
