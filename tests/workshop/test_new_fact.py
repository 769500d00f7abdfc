"""A new kind of fact is one entry: it lands, is kept, taken back, told, goes along in file and zip, and is refused
after a signature."""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.db import connection
from django.utils import timezone

from halfthou.assess import assess
from halfthou.exchange import read_job, read_zip, write_job, write_zip
from halfthou.jobs import Job
from halfthou.memo import Memo
from tests.tapping import Tapping, a_kind_of_fact_more
from tests.workshop.conftest import SignedIn, back
from tests.workshop.test_deciding import accept
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.kept import forget_all
from workshop.record.models import JobRecord
from workshop.record.translate import job_file_of


@pytest.fixture
def _tapping() -> Iterator[None]:
    forget_all()
    with a_kind_of_fact_more():
        yield
    forget_all()


def tappings(opened: actions.Opened) -> tuple[Tapping, ...]:
    found: tuple[Tapping, ...] = opened.job.tappings  # type: ignore[attr-defined]
    return found


@pytest.fixture
def send(job: JobRecord, bench: Person, client_of: SignedIn) -> Callable[..., dict[str, Any]]:
    """Send a tapping by the one door, as a browser does; what became of it."""

    def sent(name: str, **said: Any) -> dict[str, Any]:
        body = {"facts": [{"fact": "tapping", "id": name, "at": timezone.now().isoformat(), **said}]}
        answer = client_of(bench).post(f"/api/jobs/{job.pk}/facts", body, content_type="application/json")
        assert answer.status_code == 200, answer.content
        (became,) = answer.json()["results"]
        return dict(became)

    return sent


pytestmark = pytest.mark.usefixtures("_tapping")


def test_it_lands_once_by_the_door_and_is_kept(
    send: Callable[..., dict[str, Any]], job: JobRecord, bench: Person
) -> None:
    for _ in range(2):
        assert send("t1", on="R1", rang=False)["refused"] == ""
    (kept,) = tappings(actions.open_job(job.pk, bench))
    assert (kept.id, kept.on, kept.rang, kept.by) == ("t1", "R1", False, bench.username)
    assert "Another fact has that name" in send("t1", on="R2", rang=False)["refused"]


def test_what_is_wrong_with_it_is_said_and_a_job_holds_so_many_of_it(send: Callable[..., dict[str, Any]]) -> None:
    assert [one["where"] for one in send("t1")["faults"]] == ["on"]
    assert [send(f"n{n}", on="R1")["refused"] for n in range(3)] == [""] * 3
    assert "3 facts of this kind" in send("one.more", on="R1")["refused"]


def test_it_is_taken_back_and_the_story_tells_both(
    send: Callable[..., dict[str, Any]], job: JobRecord, bench: Person
) -> None:
    send("t1", on="R1")
    opened = actions.take_back(bench, job.pk, back("w1", "t1"))
    assert opened.job.standing(tappings(opened)) == ()
    told = [line.words for line in actions.story_of(bench, job.pk)]
    assert "tapped No. 1: it rang" in told
    assert "took back: tapped No. 1: it rang" in told


def test_it_goes_along_in_the_file_and_in_the_zip(
    send: Callable[..., dict[str, Any]], job: JobRecord, bench: Person, machinist: Person
) -> None:
    send("t1", on="R1")
    file = job_file_of(job)
    assert json.loads(write_job(file))["job"]["tappings"][0]["on"] == "R1"
    assert read_job(write_job(file)) == file
    assert read_zip(write_zip(file, {}))[0] == file
    moved = file.model_copy(update={"job": file.job.model_copy(update={"number": "elsewhere-1"})})
    came = actions.take_in_zip(machinist, write_zip(moved, {}))
    assert [one.by for one in tappings(came)] == [f"{bench.username} (elsewhere)"]


def test_it_is_refused_after_a_signature(
    send: Callable[..., dict[str, Any]], job: JobRecord, machinist: Person, read_all: Callable[..., None]
) -> None:
    read_all()
    accept(machinist, job)
    actions.sign(machinist, job.pk)
    assert send("t1", on="R1")["refused"].startswith(f"Signed by {machinist.username}.")


def test_a_memo_never_hides_it(send: Callable[..., dict[str, Any]], job: JobRecord, bench: Person) -> None:
    memo, before = Memo(), actions.open_job(job.pk, bench).job
    assess(before, memo)
    send("t1", on="R1")
    after: Job = actions.open_job(job.pk, bench).job
    assert after != before
    assert assess(after, memo) == assess(after)


def test_a_job_with_facts_of_a_kind_nobody_knows_says_so(job: JobRecord, bench: Person) -> None:
    with connection.cursor() as cursor:
        cursor.execute(
            "INSERT INTO jobs_factrecord (job_id, key, kind, part, document, by, at, landed_at)"
            " VALUES (%s, 'x', 'rumour', '', '{}', 'somebody', '2031-05-04', '2031-05-04')",
            [job.pk],
        )
    forget_all()
    with pytest.raises(Refusal, match=r"“rumour”, which this version does not know"):
        actions.open_job(job.pk, bench)
