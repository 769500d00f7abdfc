"""Django's migrate; data that is there already is copied first, so that nothing of an older form is ever lost."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Any

from django.core.management.commands.migrate import Command as Migrate
from django.db import connections
from django.db.migrations.executor import MigrationExecutor
from django.utils import timezone


class Command(Migrate):
    """Copy the database before it is migrated, and name the copy."""

    def handle(self, *args: Any, **options: Any) -> None:
        """Migrate, a copy made first where a database holds data of an older form."""
        copy = copy_before(options["database"])
        if copy is not None:
            self.stdout.write(f"Copied first to {copy}")
        super().handle(*args, **options)


def copy_before(alias: str) -> Path | None:
    """Copy a database whose migrations are not all applied; None where there is nothing to copy."""
    connection = connections[alias]
    place = Path(str(connection.settings_dict["NAME"]))
    if not place.is_file():
        return None
    executor = MigrationExecutor(connection)
    pending = executor.migration_plan(executor.loader.graph.leaf_nodes())
    if not executor.loader.applied_migrations or not pending:
        return None
    target = place.parent / "before-migration" / f"halfthou-{timezone.now():%Y-%m-%d-%H%M%S}.sqlite3"
    target.parent.mkdir(mode=0o700, exist_ok=True)
    with closing(sqlite3.connect(place)) as source, closing(sqlite3.connect(target)) as kept:
        source.backup(kept)
    target.chmod(0o600)
    return target
