"""Everything written of a job is found: words of cards, verdicts, notes, decisions.

Outside: SQLite's FTS5 with trigrams finds any run of three letters (SQLite's documentation, from memory).
"""

from __future__ import annotations

from datetime import date
from importlib import import_module
from pathlib import Path

import pytest
from django.db import connection
from django.utils import timezone

from halfthou.exchange import write_job
from halfthou.lengths import Unit
from workshop.jobs import actions
from workshop.jobs.rack import RackOrder, read_rack
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal
from workshop.record.models import Customer, JobRecord
from workshop.record.translate import job_file_of

pytestmark = pytest.mark.django_db
MIGRATIONS = Path(__file__).parents[2] / "workshop" / "record" / "migrations"


def found(search: str) -> list[str]:
    return [one.title for one in read_rack(search, RackOrder.NUMBER, archived=False, page=1).jobs]


def test_words_of_card_facts_and_decisions_are_found(bench: Person, machinist: Person, job: JobRecord) -> None:
    JobRecord.objects.filter(pk=job.pk).update(title="Peat loader", complaint="knocks when warm")
    note = {"fact": "seen", "id": "s1", "on": "R1", "look": "surface", "answer": "nail catches",
            "note": "like a vixen file", "at": timezone.now()}  # fmt: skip
    actions.land_facts(bench, job.pk, [actions.Seeing.model_validate(note)])
    assert found("eat load") == ["Peat loader"]
    assert found("KNOCKS warm") == ["Peat loader"]
    assert found("vixen") == ["Peat loader"]
    assert found("vixen zebra") == []
    line = read_rack("vixen", RackOrder.NUMBER, archived=False, page=1).jobs[0]
    assert "like a vixen file" in line.found


@pytest.mark.parametrize("odd", ['"', "a\"b'c", "NEAR(x", "x*", "(", "AND", "%%%", "\\", "日本語", "a" * 400])
def test_any_signs_may_be_searched_for(job: JobRecord, odd: str) -> None:
    JobRecord.objects.filter(pk=job.pk).update(title=f"The {odd[:150]} engine")
    assert found(odd[:150]) == [f"The {odd[:150]} engine"]


def test_what_is_in_the_archive_is_found_too(machinist: Person, job: JobRecord) -> None:
    JobRecord.objects.filter(pk=job.pk).update(title="Slate saw")
    actions.archive_job(machinist, job.pk, archived=True)
    assert found("") == []
    assert found("slate") == ["Slate saw"]


def test_a_job_booked_by_mistake_is_put_away_for_good_with_its_reason(
    bench: Person, machinist: Person, job: JobRecord
) -> None:
    with pytest.raises(Refusal):
        actions.put_away(machinist, job.pk, " ")
    actions.put_away(machinist, job.pk, "booked twice")
    with pytest.raises(Clash, match="for good: booked twice"):
        actions.archive_job(machinist, job.pk, archived=False)
    with pytest.raises(Clash, match="booked twice"):
        actions.change_plan(bench, job.pk, "rods", actions.open_job(job.pk, bench).job.plan_of("rods"))
    assert "booked twice" in [line.words for line in actions.story_of(bench, job.pk)][-1]


def test_a_customer_is_known_once_named_and_offered_while_typing(bench: Person, job: JobRecord) -> None:
    header = {"title": "x", "customer": "Reed cutters", "card_version": job.card_version}
    actions.change_header(bench, job.pk, actions.Header.model_validate(header))
    one = Customer.objects.get(name="Reed cutters")
    actions.keep_reach(bench, one.pk, actions.CustomerReach(reach="at the lock, mornings"))
    assert [(c.name, c.jobs) for c in actions.customers_like("reed")] == [("Reed cutters", 1)]
    assert [c.name for c in actions.customers_like("lock morn")] == ["Reed cutters"]


def test_ones_own_file_taken_in_again_says_what_differs_and_offers_a_number(
    bench: Person, machinist: Person, job: JobRecord
) -> None:
    text = write_job(job_file_of(job))
    with pytest.raises(Clash, match="the same one") as refused:
        actions.take_in_job(machinist, text)
    number = refused.value.faults[0].what
    came = actions.take_in_job(machinist, text, number)
    assert came.record.number == number
    assert came.job.booked_in == date.fromisoformat(str(job.booked_in))
    assert came.job.shown_in in Unit


def test_no_migration_drops_a_trigger_with_its_table(job: JobRecord) -> None:
    """SQLite's documentation: a table that is dropped takes its triggers along; one made anew has none."""
    migrations = [import_module(f"workshop.record.migrations.{path.stem}") for path in MIGRATIONS.glob("0*.py")]
    made = {name for one in migrations for name in getattr(one, "TRIGGERS", {})}
    with connection.cursor() as shop:
        shop.execute("SELECT name FROM sqlite_master WHERE type = 'trigger'")
        standing = {name for (name,) in shop.fetchall()}
    assert made
    assert made | {"fact_is_never_changed", "fact_is_never_removed"} <= standing
