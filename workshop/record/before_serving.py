"""What must be so before the server takes its first request; where it is not, it says why and does not start.

The folder can be written; no other server has it; and the database holds no fewer facts than it once did: SQLite's
`-wal` file left behind when a database was copied by hand takes the newest facts with it, without a word.
"""

from __future__ import annotations

import fcntl
import json
import os
import threading
import time
from pathlib import Path
from typing import IO

from django.conf import settings
from django.db import DatabaseError, connection

from workshop.record.models import FactRecord, PictureRenamed
from workshop.record.pictures import files_under, sweep_parts

#: How many facts there were, beside the database. Written after they stand, so never more than there are.
COUNT, LOCK = "facts-kept.json", "server.lock"
WRITE_AGAIN_S = 20.0


class NotReady(Exception):
    """The server does not start; the message says why and what to do."""


def ready_to_serve() -> IO[str]:
    """Look, and hold the folder for this server. Gives the lock, to be held while it serves. Refuses: NotReady."""
    folder = Path(settings.DATA_DIR)
    lock = _hold(folder)
    _no_fewer_facts(folder)
    sweep_parts()
    for old in PictureRenamed.objects.all():
        for place in files_under(old.old):
            place.unlink(missing_ok=True)
    threading.Thread(target=_write_again, args=(folder,), daemon=True).start()
    return lock


def _hold(folder: Path) -> IO[str]:
    try:
        folder.mkdir(parents=True, exist_ok=True, mode=0o700)
        lock = (folder / LOCK).open("a+", encoding="utf-8")
    except OSError as error:
        words = f"{folder} cannot be written ({error.strerror}): nothing that is entered could be kept."
        raise NotReady(
            f"{words} Look who owns the folder, and whether its disk is mounted to be written."
        ) from None
    try:
        fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        lock.seek(0)
        raise NotReady(
            f"Another server has {folder} (process {lock.read().strip() or 'unknown'}). Stop it first, or set "
            "DATA_DIR to another folder: two on one folder would not hear of each other's changes."
        ) from None
    lock.truncate(0)
    lock.write(str(os.getpid()))
    lock.flush()
    return lock


def facts_kept(folder: Path) -> int:
    """How many facts there were, as the file beside the database says; none where there is no such file."""
    try:
        return int(json.loads((folder / COUNT).read_text(encoding="utf-8"))["facts"])
    except (OSError, ValueError, KeyError, TypeError):
        return 0


def write_facts_kept(folder: Path, facts: int) -> None:
    """Write how many facts there are beside the database."""
    part = folder / f"{COUNT}.part"
    part.write_text(json.dumps({"facts": facts}), encoding="utf-8")
    part.replace(folder / COUNT)


def _no_fewer_facts(folder: Path) -> None:
    try:
        here = FactRecord.objects.count()
    except DatabaseError as error:
        raise NotReady(
            f"The data in {folder} cannot be read ({error}). make check-data says how it stands."
        ) from None
    were = facts_kept(folder)
    if here < were:
        raise NotReady(
            f"The database in {folder} holds {here:,} facts; there were {were:,}. Part of it is missing: its -wal "
            "file was left behind, or an older copy was put in its place by hand. Put the missing file back, or a "
            f"backup by make restore FILE=...; if the older copy is meant, remove {COUNT} and start again."
        )
    write_facts_kept(folder, here)


def _write_again(folder: Path) -> None:
    """While the server runs, write the count after facts have landed."""
    written = facts_kept(folder)
    while True:
        time.sleep(WRITE_AGAIN_S)
        try:
            now = FactRecord.objects.count()
            if now > written:
                write_facts_kept(folder, now)
                written = now
        except (DatabaseError, OSError):
            # A full disk is told where something is entered; the count is written again later.
            connection.close()
