"""Back the shop's data up and put it back, with SQLite's own online backup.

keep.py backup FOLDER   copies the database while it may be in use, and names the copy by the time
keep.py restore FILE    checks the copy, keeps what is there beside it, then puts the copy in its place
"""

from __future__ import annotations

import os
import sqlite3
import sys
from datetime import datetime
from pathlib import Path

DATABASE = Path(os.environ.get("DATA_DIR", "data")) / "halfthou.sqlite3"


def copy(source: Path, target: Path) -> None:
    """Copy one database into another, whole, whatever is being written meanwhile."""
    with sqlite3.connect(source) as old, sqlite3.connect(target) as new:
        old.backup(new)
    old.close()
    new.close()


def sound(place: Path) -> bool:
    """Whether a file is a database of this program, unharmed."""
    try:
        with sqlite3.connect(f"file:{place}?mode=ro", uri=True) as database:
            whole = database.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
            return whole and bool(
                database.execute("SELECT 1 FROM sqlite_master WHERE name='jobs_jobrecord'").fetchone()
            )
    except sqlite3.DatabaseError:
        return False


def backup(folder: Path) -> Path:
    """Copy the database into the folder. Gives the copy's place."""
    if not DATABASE.exists():
        sys.exit(f"There is no data at {DATABASE} yet: nothing to back up.")
    folder.mkdir(parents=True, exist_ok=True)
    target = folder / f"halfthou-{datetime.now():%Y-%m-%d-%H%M%S-%f}.sqlite3"
    copy(DATABASE, target)
    if not sound(target):
        sys.exit(f"The copy {target} is not sound. The data is untouched; try again.")
    return target


def restore(file: Path) -> None:
    """Put a backup in the database's place; what was there is kept beside it."""
    if not file.is_file() or not sound(file):
        sys.exit(f"{file} is no sound backup of Half Thou. Nothing was changed.")
    if DATABASE.exists():
        print(f"What was there is kept as {backup(DATABASE.parent / 'before-restore')}")
    DATABASE.parent.mkdir(parents=True, exist_ok=True)
    copy(file, DATABASE)
    print(f"Restored from {file}")


if __name__ == "__main__":
    if len(sys.argv) != 3 or sys.argv[1] not in ("backup", "restore") or not sys.argv[2]:
        sys.exit("Say what to do: backup FOLDER, or restore FILE (make restore FILE=...).")
    if sys.argv[1] == "backup":
        print(f"Backed up to {backup(Path(sys.argv[2]))}")
    else:
        restore(Path(sys.argv[2]))
