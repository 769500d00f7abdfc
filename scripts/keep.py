"""Back the shop's data up and put it back, with SQLite's own online backup.

keep.py backup FOLDER   copies the database while it may be in use, and names the copy by the time; and the pictures
                        beside it, those that are not there yet
keep.py restore FILE    checks the copy, keeps what is there beside it, then puts the copy in its place, and
pictures that are missing keep.py check           says whether the data in place is whole
"""

from __future__ import annotations

import hashlib
import json
import os
import shutil
import sqlite3
import sys
import time
from collections.abc import Iterator
from contextlib import closing
from datetime import datetime
from pathlib import Path

DATABASE = Path(os.environ.get("DATA_DIR", "data")) / "halfthou.sqlite3"
PICTURES = DATABASE.parent / "pictures"
#: How many facts the database holds, beside it: the server does not start on fewer.
COUNT = DATABASE.parent / "facts-kept.json"
#: What this program's data consists of. A file without one of these is not its whole data.
TABLES = frozenset(
    {
        "django_migrations",
        "gauges_gaugerecord",
        "gauges_settingcheckrecord",
        "house_houserulesrecord",
        "jobs_decisionrecord",
        "jobs_historyentry",
        "jobs_jobrecord",
        "jobs_signaturerecord",
        "limits_sheet",
        "limits_sheetrevision",
        "people_person",
    }
)
#: Where facts stand: in one table since migration 0004, before it in several.
FACTS = ("jobs_factrecord", "jobs_readingrecord")
BESIDE = ("-wal", "-shm", "-journal")


def copy(source: Path, target: Path) -> None:
    """Copy one database into another, whole or not at all, readable by its owner only."""
    part = target.with_name(f"{target.name}.part")
    part.unlink(missing_ok=True)
    with closing(sqlite3.connect(source)) as old, closing(sqlite3.connect(part)) as new:
        old.backup(new)
    with part.open("rb") as file:
        os.fsync(file.fileno())
    part.chmod(0o600)
    part.replace(target)


def _moved(database: sqlite3.Connection) -> bool:
    """Whether the facts were moved into their one table already."""
    asked = "SELECT 1 FROM django_migrations WHERE app = 'jobs' AND name LIKE '0004%'"
    return database.execute(asked).fetchone() is not None


def fault_of(place: Path) -> str:
    """What is wrong with a file as this program's whole data, in words; nothing where it is sound."""
    try:
        with closing(sqlite3.connect(f"file:{place}?mode=ro", uri=True)) as database:
            if database.execute("PRAGMA integrity_check").fetchone()[0] != "ok":
                return "it is damaged"
            there = {row[0] for row in database.execute("SELECT name FROM sqlite_master WHERE type='table'")}
            missing = sorted(TABLES - there)
            if not missing and FACTS[0] not in there and (FACTS[1] not in there or _moved(database)):
                missing = [FACTS[0]]
            if missing:
                return f"it is not the whole data of Half Thou: {missing[0]} is missing"
            # A foreign key without its row is a job without its readings, or readings without their job.
            return (
                "rows in it have lost what they belong to"
                if database.execute("PRAGMA foreign_key_check").fetchone()
                else ""
            )
    except sqlite3.DatabaseError as error:
        return f"it is no database that can be read ({error})"


def own_folder(folder: Path) -> None:
    """Make a folder for its owner alone."""
    folder.mkdir(parents=True, exist_ok=True, mode=0o700)
    folder.chmod(0o700)


def backup(folder: Path) -> Path:
    """Copy the database into the folder. Gives the copy's place."""
    if not DATABASE.exists():
        sys.exit(f"There is no data at {DATABASE} yet: nothing to back up.")
    own_folder(folder)
    target = folder / f"halfthou-{datetime.now():%Y-%m-%d-%H%M%S-%f}.sqlite3"
    try:
        copy(DATABASE, target)
    except (sqlite3.DatabaseError, OSError) as error:
        target.with_name(f"{target.name}.part").unlink(missing_ok=True)
        sys.exit(f"Not backed up: {error}. The data is untouched. Look whether the disk is full, and try again.")
    fault = fault_of(target)
    if fault:
        target.unlink()
        sys.exit(f"Not backed up: of the copy, {fault}. The data is untouched; keep.py check says how it stands.")
    try:
        copy_pictures(PICTURES, folder / "pictures")
    except OSError as error:
        sys.exit(
            f"Backed up to {target}, but not every picture: {error}. Look whether the disk is full, and try again."
        )
    return target


def copy_pictures(source: Path, target: Path) -> int:
    """Copy the picture files that are not there yet, or are damaged there; each is named by its hash and never
    changed. One that is damaged here is not copied: it is told. Gives how many were copied."""
    copied = 0
    for file in told("Pictures", sorted(source.glob("??/*"))):
        place = target / file.parent.name / file.name
        if file.suffix == ".part" or (place.exists() and is_sound(place)):
            continue
        if not is_sound(file):
            print(f"Not copied: the file of picture {file.name[:12]} is damaged.")
            continue
        own_folder(target)
        own_folder(place.parent)
        part = place.with_name(f"{place.name}.part")
        shutil.copyfile(file, part)
        part.chmod(0o600)
        part.replace(place)
        copied += 1
    return copied


def told(what: str, files: list[Path]) -> Iterator[Path]:
    """The files one by one; what takes longer than a second says how far it is, each second."""
    last = time.monotonic()
    for nth, file in enumerate(files, start=1):
        yield file
        if time.monotonic() - last >= 1:
            last = time.monotonic()
            print(f"{what}: {nth:,} of {len(files):,}", file=sys.stderr, flush=True)


def is_sound(file: Path) -> bool:
    """Whether a picture's file is what its name says. A small copy is named by the picture it is of."""
    if file.name.endswith(".small.jpg"):
        return file.stat().st_size > 0
    with file.open("rb") as opened:
        return hashlib.file_digest(opened, "sha256").hexdigest() == file.stem


def missing_pictures(database: Path, pictures: Path) -> list[str]:
    """The pictures that facts name and whose files are not here, by the job's number. What came in a job file
    without its pictures is among them: that is told, and is no fault of the data."""
    asked = (
        "SELECT j.number, json_extract(f.document, '$.sha256') FROM jobs_factrecord f "
        "JOIN jobs_jobrecord j ON j.id = f.job_id WHERE f.kind = 'picture'"
    )
    try:
        with closing(sqlite3.connect(f"file:{database}?mode=ro", uri=True)) as opened:
            named = opened.execute(asked).fetchall()
            is_there = "SELECT 1 FROM sqlite_master WHERE name = 'jobs_picturerenamed'"
            renamed = (
                dict(opened.execute("SELECT old, new FROM jobs_picturerenamed").fetchall())
                if opened.execute(is_there).fetchone()
                else {}
            )
    except sqlite3.DatabaseError:
        return []
    here = {file.stem for file in pictures.glob("??/*") if ".small" not in file.name}
    return [f"job {n}: {name[:12]}" for n, name in named if renamed.get(name, name) not in here]


def write_count() -> None:
    """Write how many facts the database in place holds, beside it."""
    with closing(sqlite3.connect(f"file:{DATABASE}?mode=ro", uri=True)) as opened:
        is_there = "SELECT 1 FROM sqlite_master WHERE name = ?"
        facts = (
            opened.execute(f"SELECT count(*) FROM {FACTS[0]}").fetchone()[0]
            if opened.execute(is_there, FACTS[:1]).fetchone()
            else 0
        )
    COUNT.write_text(json.dumps({"facts": facts}), encoding="utf-8")


def set_aside(folder: Path) -> Path:
    """Keep the files that are in place as they are, sound or not. Gives where."""
    own_folder(folder)
    kept = folder / f"halfthou-{datetime.now():%Y-%m-%d-%H%M%S-%f}.sqlite3"
    for ending in ("", *BESIDE):
        live = DATABASE.with_name(DATABASE.name + ending)
        if live.exists():
            shutil.copy2(live, kept.with_name(kept.name + ending))
            kept.with_name(kept.name + ending).chmod(0o600)
    return kept


def restore(file: Path) -> None:
    """Put a backup in the database's place; what was there, broken or not, is kept beside it."""
    fault = fault_of(file) if file.is_file() else "there is no such file"
    if fault:
        sys.exit(f"{file} cannot be restored: {fault}. Nothing was changed.")
    own_folder(DATABASE.parent)
    incoming = DATABASE.with_name("incoming.sqlite3")
    copy(file, incoming)
    if DATABASE.exists():
        print(f"What was there is kept as {set_aside(DATABASE.parent / 'before-restore')}")
    for ending in BESIDE:
        DATABASE.with_name(DATABASE.name + ending).unlink(missing_ok=True)
    incoming.replace(DATABASE)
    write_count()
    copy_pictures(file.parent / "pictures", PICTURES)
    print(f"Restored from {file}. Stop and start the server if it is running.")


def check() -> None:
    """Say whether the data in place is whole."""
    if not DATABASE.exists():
        sys.exit(f"There is no data at {DATABASE}.")
    fault = fault_of(DATABASE)
    if fault:
        sys.exit(f"The data at {DATABASE}: {fault}. make restore FILE=... puts a backup back.")
    print(f"The data at {DATABASE} is whole.")
    damaged = [
        file
        for file in told("Pictures", sorted(PICTURES.glob("??/*")))
        if file.suffix != ".part" and not is_sound(file)
    ]
    for file in damaged:
        print(f"The file of picture {file.name[:12]} is damaged. A backup puts it back: make restore FILE=...")
    for picture in missing_pictures(DATABASE, PICTURES):
        print(f"The file of a picture is not here: {picture}. A backup's folder of pictures may hold it.")
    if damaged:
        sys.exit(1)


if __name__ == "__main__":
    os.umask(0o077)
    asked = sys.argv[1:]
    if asked == ["check"]:
        check()
    elif len(asked) != 2 or asked[0] not in ("backup", "restore") or not asked[1]:
        sys.exit("Say what to do: backup FOLDER, restore FILE (make restore FILE=...), or check.")
    elif asked[0] == "backup":
        print(f"Backed up to {backup(Path(asked[1]))}")
    else:
        restore(Path(asked[1]))
