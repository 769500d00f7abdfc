"""What must be so before the server starts: it says why it does not, and what to do.

Outside: SQLite's own account of its WAL file (a database copied without it lacks the newest changes; from memory),
file locks and rights of the operating system.
"""

from __future__ import annotations

import json
import os
from pathlib import Path
from typing import Any

import pytest

from workshop.jobs import actions
from workshop.people.models import Person
from workshop.record.before_serving import COUNT, NotReady, ready_to_serve
from workshop.record.models import FactRecord, JobRecord

from .test_pictures import corners, jpeg, taking

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def folder(settings: Any, tmp_path: Path) -> Path:
    settings.DATA_DIR = tmp_path
    return tmp_path


def test_two_servers_on_one_folder_are_one_too_many(folder: Path) -> None:
    with ready_to_serve(), pytest.raises(NotReady, match=f"process {os.getpid()}"):
        ready_to_serve()
    ready_to_serve().close()


def test_fewer_facts_than_there_were_is_said(folder: Path, bench: Person, job: JobRecord) -> None:
    actions.add_picture(bench, job.pk, taking("engine"), jpeg(corners()))
    ready_to_serve().close()
    assert json.loads((folder / COUNT).read_text())["facts"] == FactRecord.objects.count() > 0
    (folder / COUNT).write_text('{"facts": 1000}')
    with pytest.raises(NotReady, match=r"there were 1,000.*-wal"):
        ready_to_serve()
    (folder / COUNT).unlink()
    ready_to_serve().close()


def test_a_folder_that_cannot_be_written_is_said(settings: Any, folder: Path) -> None:
    """A file in the folder's place: as root, rights alone stop nobody."""
    (folder / "file").write_text("")
    settings.DATA_DIR = folder / "file"
    with pytest.raises(NotReady, match="cannot be written"):
        ready_to_serve()
