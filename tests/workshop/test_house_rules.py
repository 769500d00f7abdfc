"""House rules as they are kept and told, and what others would change of the open jobs."""

from __future__ import annotations

from datetime import timedelta
from enum import Enum
from typing import Any

import pytest
from django.utils import timezone

from halfthou.jobs import HouseRules, OperationKind
from tests.other_rules import another_way
from tests.workshop.conftest import SignedIn
from workshop.house.actions import CHOSEN
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord

pytestmark = pytest.mark.django_db
ROUGH = ["2.0333"] * 8


@pytest.mark.parametrize("rule", sorted(CHOSEN))
def test_what_an_owner_chose_is_told_as_it_was_chosen(client_of: SignedIn, owner: Person, rule: str) -> None:
    """A net over every rule: one that a page does not tell is put back by the next person who keeps the rest."""
    client = client_of(owner)
    rules = client.get("/api/house-rules").json()
    other = another_way(getattr(HouseRules(), rule))
    chosen = other.value if isinstance(other, Enum) else other
    kept = client.put("/api/house-rules", {**rules, rule: chosen}, content_type="application/json")
    assert kept.status_code == 200, kept.content
    assert client.get("/api/house-rules").json()[rule] == chosen


def test_what_other_rules_would_change_is_said_job_by_job_before_they_are_kept(
    client_of: SignedIn, owner: Person, machinist: Person, job: JobRecord, read_all: Any
) -> None:
    read_all(R3=ROUGH)
    client = client_of(owner)
    rules = client.get("/api/house-rules").json()
    assert job.pk in [one["id"] for one in client.get("/api/house-rules/open-jobs").json()]
    address = f"/api/house-rules/would-change/{job.pk}"
    # A polish that takes more leaves less: what cleaned up at 0.010 does so no more.
    wider = {**rules, "polish_allowance": "0.0019", "least_band": "0.004"}
    # What a light hone takes is nothing to a crank: a job that holds no bores does not read it.
    honed = {**rules, "light_hone": "0.0011"}
    for given, reads, some in ((rules, False, False), (honed, False, False), (wider, True, True)):
        found = client.post(address, given, content_type="application/json").json()
        assert (found["reads"], bool(found["lines"])) == (reads, some), found
    assert client.get("/api/house-rules").json() == rules
    refused = client_of(machinist).post(address, rules, content_type="application/json")
    assert refused.status_code == 403


def test_work_is_written_down_with_when_it_was_done(bench: Person, job: JobRecord, read_all: Any) -> None:
    read_all()
    job.booked_in = (timezone.now() - timedelta(days=2)).date()
    job.save()
    yesterday = timezone.now() - timedelta(days=1)
    doing = actions.Doing(id="g", kind=OperationKind.GRIND, on="rods", step=".010", sure=True)
    for at, words in (
        (timezone.now() + timedelta(hours=1), "still to come"),
        (timezone.now() - timedelta(days=9), "booked in"),
    ):
        with pytest.raises(Refusal, match=words) as refused:
            actions.do_operation(bench, job.pk, doing.model_copy(update={"at": at}))
        assert refused.value.faults[0].where == "at"
    actions.do_operation(bench, job.pk, doing.model_copy(update={"at": yesterday}))
    opened = actions.open_job(job.pk, bench)
    assert opened.job.operations[0].at == yesterday
    # What was read since stands: the work was done before it.
    assert opened.assessment is not None
    assert not opened.assessment.part("R1").to_read
