"""What a browser kept and sends later: by whom it was made, what is wrong with it, and a server that has no room.

Outside: HTTP's own meaning of a status (RFC 9110: 409 a conflict, 503 try again later), and the
operating system's error for a full disk (errno ENOSPC, POSIX).
"""

from __future__ import annotations

import errno
import os
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import OperationalError
from django.test import Client
from django.utils import timezone

from workshop.jobs import actions
from workshop.jobs.actions import door
from workshop.live.hub import hub
from workshop.people.models import Person
from workshop.record.models import FactRecord, JobRecord
from workshop.record.pictures import LEFT_S, sweep_parts

from .test_pictures import jpeg, noise

GOOD: dict[str, Any] = {"fact": "removal", "what": "dip tube", "place": "block", "at": "2031-05-04T12:00:00Z"}


def send(client: Client, job: JobRecord, *facts: Any, **headers: str) -> Any:
    address = f"/api/jobs/{job.pk}/facts"
    return client.post(address, {"facts": list(facts)}, content_type="application/json", headers=headers)


@pytest.mark.parametrize(
    "bad",
    [
        {"fact": "removal", "id": "bad", "what": 7, "place": "block", "at": "2031-05-04T12:00:00Z"},
        {"fact": "no such kind", "id": "bad"},
        {"fact": "removal", "id": "bad", "what": "dip tube", "at": "yesterday"},
        {"fact": "removal", "id": "no such name at all /", "what": "x", "place": "y", "at": "2031-05-04T12:00:00Z"},
        {"id": "bad"},
        {"fact": "reading", "id": "bad", "part": "R1", "spot": "1a" * 40, "typed": "x", "unit": "in", "gauge": "g"},
        "no fact",
        None,
        7,
    ],
)
def test_one_ill_formed_fact_is_its_own_refusal(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client], bad: Any
) -> None:
    answer = send(client_of(bench), job, {**GOOD, "id": "before"}, bad, {**GOOD, "id": "after"})
    assert answer.status_code == 200
    before, between, after = answer.json()["results"]
    assert [before["refused"], after["refused"]] == ["", ""]
    assert between["code"] == "not-understood"
    assert between["refused"]
    assert between["id"] == (str(bad["id"]) if isinstance(bad, dict) else "")
    assert set(FactRecord.objects.values_list("key", flat=True)) >= {"before", "after"}


def test_what_one_person_made_is_not_taken_as_anothers(
    bench: Person, machinist: Person, job: JobRecord, client_of: Callable[[Person], Client]
) -> None:
    """Two tabs share one session: in the other one the person was changed meanwhile."""
    client = client_of(machinist)
    refused = send(client, job, {**GOOD, "id": "a"}, **{"X-Person": "bench"})
    assert (refused.status_code, refused.json()["code"]) == (409, "other-person")
    assert not FactRecord.objects.exists()
    assert send(client, job, {**GOOD, "id": "a"}, **{"X-Person": "machinist"}).status_code == 200
    assert FactRecord.objects.get().document["by"] == "machinist"


def test_both_are_told_where_two_read_one_spot(
    bench: Person, machinist: Person, job: JobRecord, land: Callable[..., Any], monkeypatch: pytest.MonkeyPatch,
    django_capture_on_commit_callbacks: Any,
) -> None:  # fmt: skip
    told: list[tuple[int, str, str]] = []
    monkeypatch.setattr(hub, "differs", lambda *words: told.append(words))
    with django_capture_on_commit_callbacks(execute=True):
        land("R2", "1a", "2.0375", id="first")
        land("R2", "1a", "2.0361", by=machinist, id="second")
    ((of, person, words),) = told
    assert (of, person) == (job.pk, "bench")
    assert words.startswith("Rod journal No. 2, 1a, was read by machinist after you")


@pytest.mark.parametrize(
    "said", ["database or disk is full", "database is locked", "attempt to write a readonly database"]
)
def test_a_database_that_cannot_be_written_is_try_again_later(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client], monkeypatch: pytest.MonkeyPatch, said: str
) -> None:
    def fails(*_: object) -> None:
        raise OperationalError(said)

    monkeypatch.setitem(door.OWN_WAYS, GOOD["fact"], door.FactWay(actions.TakingOut, fails))
    answer = send(client_of(bench), job, {**GOOD, "id": "a"})
    assert (answer.status_code, answer.json()["code"]) == (503, "no-disk")


def picture(client: Client, job: JobRecord, name: str) -> Any:
    form = {"id": name, "on": "engine", "at": timezone.now().isoformat()}
    file = SimpleUploadedFile("a.jpg", jpeg(noise()), "image/jpeg")
    return client.post(f"/api/jobs/{job.pk}/pictures", {**form, "file": file})


def test_a_full_disk_at_a_picture_is_said_and_leaves_nothing_half_written(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client], monkeypatch: pytest.MonkeyPatch,
    settings: Any, tmp_path: Path,
) -> None:  # fmt: skip
    settings.DATA_DIR = tmp_path

    def full(_: int) -> None:
        raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))

    with monkeypatch.context() as patched:
        patched.setattr(os, "fsync", full)
        answer = picture(client_of(bench), job, "p")
    assert (answer.status_code, answer.json()["code"]) == (503, "no-disk")
    assert "disk is full" in answer.json()["message"]
    assert [file for file in tmp_path.rglob("*") if file.is_file()] == []
    assert picture(client_of(bench), job, "p").status_code == 200


def test_what_a_killed_server_left_half_written_is_swept_once_it_is_old(settings: Any, tmp_path: Path) -> None:
    settings.DATA_DIR = tmp_path
    folder = tmp_path / "pictures" / "ab"
    folder.mkdir(parents=True)
    for name, age in (("old.jpg.1.2.part", LEFT_S + 60), ("new.jpg.1.2.part", 0), ("kept.jpg", LEFT_S + 60)):
        (folder / name).write_bytes(b"x")
        os.utime(folder / name, times=(time.time() - age,) * 2)
    assert sweep_parts() == 1
    assert sorted(file.name for file in folder.iterdir()) == ["kept.jpg", "new.jpg.1.2.part"]
