"""Facts land once, are never erased, and say who made them. Source: docs/trade: Facts are only added, 8.10 and
8.13."""

from collections.abc import Callable
from datetime import date, timedelta
from typing import Any

import pytest
from django.utils import timezone

from halfthou.jobs import Extension, Job, JournalSet, Look, Narrowing, Plan, Reading, Seen, Withdrawal
from halfthou.lengths import Asked, Unit
from tests.making import inches, mm
from tests.workshop.conftest import back, kept
from workshop.jobs import actions
from workshop.limits.models import SheetRevision
from workshop.people.models import Person, Role
from workshop.people.refusals import NotAllowed, NotThere, Refusal
from workshop.record.facts import NarrowingSaid, narrow_scope
from workshop.record.models import JobRecord

from .conftest import person


def seeing(job: JobRecord, on: str, look: Look, answer: str, depth: str = "", key: str = "s1") -> actions.Seeing:
    return actions.Seeing(id=key, on=on, look=look, answer=answer, amount=depth, at=timezone.now())


def test_a_reading_lands_with_all_it_was(land: Callable[..., Any], job: JobRecord, bench: Person) -> None:
    opened = land("R1", "1a", " 371 ")
    row = kept(JobRecord.objects.get(), Reading)[-1]
    assert (row.count, row.typed, row.unit, row.by) == (inches("2.0371").nm, "371", "in", bench.username)
    assert opened.assessment.part("R1").size.text == "2.0371"
    job.refresh_from_db()
    assert (job.taken, job.planned, job.stage) == (1, 72, "measuring")


def test_sent_twice_it_lands_once(land: Callable[..., Any]) -> None:
    land("R1", "1a", "371", id="same")
    again = land("R1", "1a", "371", id="same")
    assert len(kept(JobRecord.objects.get(), Reading)) == 1
    assert again.assessment.readings_taken == 1


def test_a_question_lands_nothing_until_it_is_answered(land: Callable[..., Any]) -> None:
    asked = land("R1", "1a", "51.74")
    assert isinstance(asked, Asked)
    assert len(kept(JobRecord.objects.get(), Reading)) == 0
    land("R1", "1a", "51.74", chosen_nm=asked.choices[0].length.nm)
    row = kept(JobRecord.objects.get(), Reading)[-1]
    assert (row.count, row.unit) == (mm("51.74").nm, "mm")


def test_an_answer_that_was_not_offered_is_asked_again(land: Callable[..., Any]) -> None:
    assert isinstance(land("R1", "1a", "51.74", chosen_nm=5), Asked)


@pytest.mark.parametrize(("typed", "code"), [("abc", "no-unit"), ("", "empty"), ("2.0.3", "no-number")])
def test_unreadable_text_is_refused_in_words(land: Callable[..., Any], typed: str, code: str) -> None:
    with pytest.raises(Refusal) as refused:
        land("R1", "1a", typed)
    assert refused.value.code == code
    assert len(kept(JobRecord.objects.get(), Reading)) == 0


def test_a_spot_that_is_not_there(land: Callable[..., Any]) -> None:
    with pytest.raises(NotThere):
        land("R7", "1a", "371")
    with pytest.raises(NotThere):
        land("R1", "9a", "371")
    with pytest.raises(Refusal, match="gauge"):
        land("R1", "1a", "371", gauge="lost")


def test_withdrawing_keeps_the_reading_in_the_record(
    land: Callable[..., Any], job: JobRecord, bench: Person
) -> None:
    land("R1", "1a", "371", id="first")
    opened = actions.take_back(bench, job.pk, back("w1", "first"))
    assert len(kept(JobRecord.objects.get(), Reading)) == 1
    assert opened.assessment.readings_taken == 0
    actions.take_back(bench, job.pk, back("w1", "first"))
    assert len(kept(job, Withdrawal)) == 1
    words = [line.words for line in actions.story_of(bench, job.pk)]
    assert words.count("took back: No. 1 1a, 2.0371 in") == 1


def test_a_correction_supersedes(land: Callable[..., Any]) -> None:
    land("R1", "1a", "331", id="wrong")
    opened = land("R1", "1a", "371", corrects="wrong")
    spot = opened.assessment.part("R1").spots[0]
    assert (spot.current.size.text, spot.others) == ("2.0371", ())
    assert len(kept(JobRecord.objects.get(), Reading)) == 2


def test_one_corrects_ones_own_and_a_machinist_anybodys(
    land: Callable[..., Any], job: JobRecord, machinist: Person
) -> None:
    """Source: docs/trade: Who may."""
    other = person(Role.BENCH, "second bench")
    land("R1", "1a", "371", id="mine")
    with pytest.raises(NotAllowed, match="machinist"):
        actions.take_back(other, job.pk, back("w1", "mine"))
    with pytest.raises(NotAllowed):
        land("R1", "1a", "372", corrects="mine", by=other)
    actions.take_back(machinist, job.pk, back("w2", "mine"))
    assert kept(job, Withdrawal)[-1].by == "machinist"


def test_a_bench_whose_clock_runs_ahead_takes_the_servers_time(land: Callable[..., Any]) -> None:
    land("R1", "1a", "371", at=timezone.now() + timedelta(days=3))
    assert kept(JobRecord.objects.get(), Reading)[-1].at <= timezone.now()


def test_what_is_seen_is_written_down_and_counts(job: JobRecord, bench: Person) -> None:
    opened = actions.see(bench, job.pk, seeing(job, "R1", Look.SURFACE, "nail catches", "0.8 thou"))
    assert opened.assessment.part("R1").seen[0].amount == inches("0.0008")
    opened = actions.see(bench, job.pk, seeing(job, "rods", Look.CLAIMED_UNDERSIZE, "paint", "10", "s2"))
    assert next(one for one in kept(job, Seen) if one.id == "s2").amount.nm == inches("0.010").nm


@pytest.mark.parametrize(
    ("on", "look", "answer", "depth"),
    [
        ("R1", Look.SURFACE, "fine", ""),
        ("R9", Look.SURFACE, "light marks", ""),
        ("R1", Look.SURFACE, "nail catches", "deep"),
        ("rods", Look.CLAIMED_UNDERSIZE, "paint", ""),
        ("rods", Look.CLAIMED_UNDERSIZE, "paint", "25"),
    ],
)
def test_what_cannot_be_seen_is_refused(
    job: JobRecord, bench: Person, on: str, look: Look, answer: str, depth: str
) -> None:
    with pytest.raises(Refusal) as refused:
        actions.see(bench, job.pk, seeing(job, on, look, answer, depth))
    assert refused.value.message
    assert len(kept(job, Seen)) == 0


def test_a_readings_file_lands_whole_once(read_all: Callable[..., None], job: JobRecord) -> None:
    read_all()
    read_all()
    assert len(kept(JobRecord.objects.get(), Reading)) == 72
    job.refresh_from_db()
    assert (job.taken, job.waits_for, job.sets[1]["headline"]) == (72, "a decision", "reuse")


def test_a_plan_that_changes_moves_no_reading(land: Callable[..., Any], job: JobRecord, bench: Person) -> None:
    three = Plan(planes=3)
    opened = actions.change_plan(bench, job.pk, JournalSet.RODS, three)
    assert len(opened.assessment.part("R1").spots) == 12
    assert len(opened.assessment.part("M1").spots) == 8
    land("R1", "1a", "371")
    land("R1", "3b", "372")
    turned = actions.change_plan(bench, job.pk, JournalSet.RODS, Plan(angles_deg=(0, 60, 120))).assessment
    spots = {spot.name: spot for spot in turned.part("R1").spots}
    assert spots["1a"].current is not None
    assert all(spot.current is None for name, spot in spots.items() if name != "1a")
    (outside,) = turned.part("R1").features[0].outside
    assert (outside.name, outside.angle_deg) == ("3b of 3, 45°", 45)
    back = actions.change_plan(bench, job.pk, JournalSet.RODS, three).assessment.part("R1")
    assert back.features[0].outside == ()
    assert {spot.name for spot in back.spots if spot.current} == {"1a", "3b"}


def test_a_scope_extended_by_what_is_partly_there_lands_once_however_often_it_is_sent(
    bench: Person, limits: SheetRevision
) -> None:
    """Nothing that landed may be told as refused when its letter comes a second time."""
    only = actions.BookIn(
        title="Mains only", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4), scope=["mains"]
    )
    record = actions.book_in(bench, only).record
    given = actions.Extending(id="e1", sets=["mains", "rods"], at=timezone.now())
    for _ in range(2):
        assert actions.extend_scope(bench, record.pk, given).job.sets == ("mains", "rods")
    assert len(kept(record, Extension)) == 1


def test_a_scope_is_narrowed_by_a_machinist_with_a_reason_and_never_to_half_a_crank_or_nothing(
    bench: Person, machinist: Person, limits: SheetRevision
) -> None:
    only = actions.BookIn(title="Crank", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4))
    record = actions.book_in(bench, only).record

    def narrow(person: Person, name: str, *sets: str, reason: str = "Another shop grinds it.") -> Job:
        given = NarrowingSaid(id=name, sets=list(sets), reason=reason, at=timezone.now())
        return narrow_scope(person, record.pk, given).job

    with pytest.raises(NotAllowed, match="machinist"):
        narrow(bench, "n0", "rods")
    with pytest.raises(Refusal, match="one piece"):
        narrow(machinist, "n1", "rods")
    with pytest.raises(Refusal, match="leave one set in"):
        narrow(machinist, "n2", "mains", "rods")
    with pytest.raises(Refusal, match="not kept"):
        narrow(machinist, "n3", "rods", reason=" ")
    assert kept(record, Narrowing) == []
