"""What a bench is told after a change: what changed and nothing else, whoever changed it. Put together it is the
whole. The other side is this file's own putting together; nothing outside can be asked."""

from __future__ import annotations

from typing import Any

import pytest
from django.db import connection
from django.test import Client
from django.utils import timezone

from halfthou.jobs import Gauge
from halfthou.lengths import Unit
from tests.telling import Told
from workshop.gauges.actions import CheckForm, check_setting
from workshop.house.models import HouseRulesRecord
from workshop.people.models import Person, Role
from workshop.record import kept as kept_module
from workshop.record.models import JobRecord

from .conftest import SignedIn, person

AT = "2031-05-04T10:00:00Z"


def reading(name: str, gauge: Gauge, part: str = "R1", spot: str = "1a", **more: Any) -> dict[str, Any]:
    return {
        "fact": "reading", "id": name, "part": part, "spot": spot, "typed": "2.0375", "unit": "in",
        "gauge": gauge.id, "at": AT, **more,
    }  # fmt: skip


def post(client: Client, job: JobRecord, facts: list[dict[str, Any]], have: str = "") -> Any:
    body = {"have": have, "facts": facts}
    answer = client.post(f"/api/jobs/{job.pk}/facts", body, content_type="application/json")
    assert answer.status_code == 200, answer.content
    return answer.json()


def whole(client: Client, job: JobRecord) -> Any:
    answer = client.get(f"/api/jobs/{job.pk}")
    assert answer.status_code == 200, answer.content
    return answer.json()


def since(client: Client, job: JobRecord, state: str) -> Any:
    return client.get(f"/api/jobs/{job.pk}/changes?since={state}").json()


def test_a_landing_is_answered_with_what_changed(
    job: JobRecord, bench: Person, gauge: Gauge, client_of: SignedIn
) -> None:
    client = client_of(bench)
    known = Told(whole(client, job))
    answer = post(client, job, [reading("a", gauge)], known.state)
    changed = answer["changed"]
    assert [one["id"] for one in changed["parts"]] == ["R1"]
    assert not changed["whole"]
    assert "places" not in changed["bench"]
    assert changed["assessment"]["readings_taken"] == 1
    known.hear(changed)
    assert known.bench == whole(client, job)


def test_another_bench_is_told_the_same_by_asking(
    job: JobRecord, bench: Person, machinist: Person, gauge: Gauge, client_of: SignedIn
) -> None:
    mine, theirs = client_of(bench), client_of(machinist)
    known = Told(whole(theirs, job))
    post(mine, job, [reading("a", gauge), reading("b", gauge, "R2")])
    changed = since(theirs, job, known.state)
    assert [one["id"] for one in changed["parts"]] == ["R1", "R2"]
    known.hear(changed)
    assert known.bench == whole(theirs, job)
    nothing = since(theirs, job, known.state)
    assert (nothing["parts"], nothing["sets"], nothing["bench"], nothing["assessment"]) == ([], [], {}, {})


@pytest.mark.parametrize("state", ["", "gone.7", "nonsense", "..", "9"])
def test_a_bench_that_knows_no_state_of_this_server_is_told_all(
    state: str, job: JobRecord, bench: Person, client_of: SignedIn
) -> None:
    client = client_of(bench)
    changed = since(client, job, state)
    assert changed["whole"]
    told = Told({"assessment": {}})
    told.hear(changed)
    assert told.bench == whole(client, job)


def test_what_is_not_a_fact_is_told_too(job: JobRecord, owner: Person, client_of: SignedIn) -> None:
    """House rules and the card change no fact, and the verdict speaks of them."""
    client = client_of(owner)
    known = Told(whole(client, job))
    HouseRulesRecord.objects.create(document={"shop_c": 23.0, "confirmed": True}, by="owner")
    client.put(
        f"/api/jobs/{job.pk}", {"title": "Ferry winch 2", "card_version": 0}, content_type="application/json"
    )
    known.hear(since(client, job, known.state))
    assert known.bench["card"]["title"] == "Ferry winch 2"
    assert known.bench["shop_c"] == 23.0
    assert known.bench == whole(client, job)


def test_facts_of_every_kind_go_through_one_door_in_their_order(
    job: JobRecord, bench: Person, gauge: Gauge, client_of: SignedIn
) -> None:
    client = client_of(bench)
    facts: list[dict[str, Any]] = [
        reading("r1", gauge),
        {"fact": "seen", "id": "s1", "on": "R1", "look": "surface", "answer": "nail runs clear", "at": AT},
        {"fact": "operation", "id": "o1", "kind": "polish", "on": "R1", "sure": True},
        reading("r2", gauge, at="2031-05-04T11:00:00Z"),
        {"fact": "withdrawal", "id": "w1", "of": "o1", "at": AT},
    ]
    answer = post(client, job, facts)
    assert [(one["id"], one["refused"]) for one in answer["results"]] == [(f["id"], "") for f in facts]
    assert list(job.facts.order_by("pk").values_list("key", flat=True)) == ["r1", "s1", "o1", "r2", "w1"]
    again = post(client, job, facts)
    assert [one["refused"] for one in again["results"]] == [""] * 5
    assert job.facts.count() == 5


def test_one_bad_fact_is_refused_in_words_and_holds_up_no_other(
    job: JobRecord, bench: Person, gauge: Gauge, client_of: SignedIn
) -> None:
    facts: list[dict[str, Any]] = [
        {"fact": "seen", "id": "s1", "on": "R9", "look": "surface", "answer": "clean", "at": AT},
        {"fact": "withdrawal", "id": "w1", "of": "nothing", "at": AT},
        {"fact": "operation", "id": "o1", "kind": "grind", "on": "rods", "step": "a lot"},
        {"fact": "extension", "id": "e1", "sets": ["bores"], "at": AT},
        {"fact": "slip answer", "id": "a1", "reading": "nothing"},
        reading("r1", gauge, typed="2.03.75"),
        reading("r2", gauge),
    ]
    answer = post(client_of(bench), job, facts)
    became = {one["id"]: one["refused"] for one in answer["results"]}
    assert [name for name, refused in became.items() if not refused] == ["r2"]
    assert became["s1"] == "This engine has no R9."
    assert became["w1"] == "That is not there to take back."
    assert "bores" in became["e1"]
    assert list(job.facts.values_list("key", flat=True)) == ["r2"]


def test_facts_of_a_job_that_is_not_there_are_refused_whole(bench: Person, client_of: SignedIn) -> None:
    for fact in ({"fact": "withdrawal", "id": "w", "of": "x", "at": AT}, {"fact": "operation", "id": "o",
                 "kind": "polish", "on": "R1"}):  # fmt: skip
        answer = client_of(bench).post("/api/jobs/999/facts", {"facts": [fact]}, content_type="application/json")
        assert answer.status_code == 404


def test_a_fact_of_no_known_kind_is_refused_naming_the_kind(
    job: JobRecord, bench: Person, client_of: SignedIn
) -> None:
    body = {"facts": [{"fact": "rumour", "id": "x"}]}
    answer = client_of(bench).post(f"/api/jobs/{job.pk}/facts", body, content_type="application/json")
    (refused,) = answer.json()["results"]
    assert (refused["id"], refused["code"]) == ("x", "not-understood")
    assert "rumour" in refused["faults"][0]["what"]


@pytest.fixture
def _as_at_the_server(db: None, monkeypatch: pytest.MonkeyPatch) -> None:
    """Each request a transaction of its own: the one around the test is not counted. (A test with real commits
    could not be cleared away: facts are never removed.)"""
    around = len(connection.savepoint_ids)
    monkeypatch.setattr(kept_module, "may_be_taken_back", lambda: len(connection.savepoint_ids) > around)


@pytest.mark.usefixtures("_as_at_the_server")
def test_what_the_server_keeps_in_memory_is_never_older_than_the_data(
    gauge: Gauge, job: JobRecord, client_of: SignedIn
) -> None:
    """Facts of others, house rules, gauges and limits are all heard of."""
    mine, theirs = client_of(person(Role.BENCH, "one")), client_of(person(Role.OWNER, "two"))
    known = Told(whole(mine, job))
    for n in range(12):
        part, by = f"R{n % 4 + 1}", (mine, theirs)[n % 2]
        post(by, job, [reading(f"x{n}", gauge, part, f"1{'abcd'[n // 4]}", typed=f"2.037{n % 8}")])
        known.hear(since(mine, job, known.state))
        assert known.bench == whole(mine, job)
    before = known.bench["assessment"]
    theirs.post(f"/api/gauges/{gauge.id}/retire", {"version": 0}, content_type="application/json")
    HouseRulesRecord.objects.create(document={"guard": "2u", "confirmed": True}, by="two")
    JobRecord.objects.filter(pk=job.pk).update(scope=["rods"])
    known.hear(since(mine, job, known.state))
    assert known.bench["scope"] == ["rods"]
    assert {part["set"] for part in known.bench["assessment"]["parts"]} == {"rods"}
    assert known.bench["assessment"] != before
    assert known.bench == whole(mine, job)
    # It did keep something: else this test would ask nothing.
    remembered = kept_module.kept(job.pk, Unit.INCH)
    assert remembered.job is not None
    assert len(remembered.facts.by_kind["reading"]) == len(remembered.job.readings) == 12


def test_the_first_reading_with_a_gauge_hears_of_its_zero_error_at_once(
    job: JobRecord, bench: Person, gauge: Gauge, client_of: SignedIn
) -> None:
    """A micrometer that reads 2.0002 on a 2.0000 standard reads two tenths too much: 2.0377 is 2.0375. By hand."""
    check = {"id": "c", "unit": "in", "at": timezone.now(), "standard": "2.0000", "read": "2.0002 2.0002 2.0002"}
    check_setting(bench, gauge.id, CheckForm.model_validate(check))
    client = client_of(bench)
    known = Told(whole(client, job))
    now = timezone.now().isoformat()
    known.hear(post(client, job, [reading("a", gauge, typed="2.0377", at=now)], known.state)["changed"])
    told = next(part for part in known.bench["assessment"]["parts"] if part["id"] == "R1")
    assert told["features"][0]["spots"][0]["current"]["size"]["text"] == "2.0375"
    assert known.bench == whole(client, job)


@pytest.mark.usefixtures("_as_at_the_server")
def test_a_connection_opened_anew_is_another_stamp_though_it_counts_the_same() -> None:
    """SQLite counts changes for each connection from its opening (published: its documentation on data_version)."""
    one = kept_module.stamp_now()
    assert one is not None
    assert one == kept_module.stamp_now()
    assert one._replace(connection=object()) != one
