"""What was done last is taken back and brought again; what others went on from stays.

Source: common practice, no source. Facts are only added: nothing of it is erased.
"""

from __future__ import annotations

import pytest
from django.utils import timezone

from halfthou.jobs import DecisionKind, Extension, Gauge, Narrowing, Seen
from halfthou.strip import Strip
from halfthou.verdicts import Action
from tests.workshop.conftest import back, kept
from workshop.bench.landing import Landing
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.facts import NarrowingSaid, narrow_scope
from workshop.record.models import JobRecord
from workshop.record.opened import add_facts, standing_decisions

pytestmark = pytest.mark.django_db


def undoing(name: str) -> actions.Undoing:
    return actions.Undoing(id=name, at=timezone.now())


def reading(name: str, gauge: Gauge, part: str = "R1", spot: str = "1a") -> Landing:
    typed = "2.4140" if part == "M1" else "2.0375"
    return Landing.model_validate(
        {"id": name, "part": part, "spot": spot, "typed": typed, "unit": "in", "gauge": gauge.id,
         "at": timezone.now()}
    )  # fmt: skip


def land(person: Person, job: JobRecord, *facts: object) -> actions.Opened:
    opened, landed = actions.land_facts(person, job.pk, facts)
    assert [(one.refused, one.asked) for one in landed] == [(None, None)] * len(facts)
    return opened


def seen(name: str, answer: str = "nail catches") -> actions.Seeing:
    return actions.Seeing.model_validate(
        {"fact": "seen", "id": name, "on": "R1", "look": "surface", "answer": answer, "at": timezone.now()}
    )


def test_the_last_thing_goes_and_comes_again(bench: Person, job: JobRecord, gauge: Gauge) -> None:
    land(bench, job, reading("r1", gauge), seen("s1"))
    assert "surface" in actions.take_back_last(bench, job.pk, undoing("u1")).words
    assert actions.take_back_last(bench, job.pk, undoing("u1")).words.startswith("Took back: ")
    assert "2.0375" in actions.take_back_last(bench, job.pk, undoing("u2")).words
    with pytest.raises(NotThere, match="nothing of yours"):
        actions.take_back_last(bench, job.pk, undoing("u3"))
    assert "2.0375" in actions.bring_again(bench, job.pk, undoing("a1")).words
    now = actions.open_job(job.pk, bench).job
    assert [one.id for one in now.standing_readings] == ["a1"]
    assert now.standing(now.seen) == ()
    assert len(kept(job, Seen)) == 1


def test_what_somebody_else_went_on_from_stays(
    bench: Person, machinist: Person, job: JobRecord, gauge: Gauge
) -> None:
    land(bench, job, reading("r1", gauge))
    land(machinist, job, reading("r2", gauge, spot="1b"))
    with pytest.raises(Clash, match="machinist went on from it"):
        actions.take_back_last(bench, job.pk, undoing("u1"))
    assert "2.0375" in actions.take_back_last(machinist, job.pk, undoing("u2")).words


def test_what_was_done_anew_meanwhile_is_not_brought_twice(
    bench: Person, machinist: Person, job: JobRecord, gauge: Gauge
) -> None:
    land(bench, job, seen("s1"))
    actions.take_back_last(bench, job.pk, undoing("u1"))
    land(machinist, job, seen("s2", "nail runs clear"))
    with pytest.raises(Clash, match="machinist did it anew"):
        actions.bring_again(bench, job.pk, undoing("a1"))


def test_a_wider_scope_goes_while_nothing_stands_on_it(machinist: Person, job: JobRecord, gauge: Gauge) -> None:
    """The job's sheet has limits for mains and rods: what the scope is widened by is taken from it first."""
    JobRecord.objects.filter(pk=job.pk).update(scope=["rods"])
    extended = actions.Extending(id="e1", sets=["mains"], at=timezone.now())
    assert "mains" in land(machinist, job, extended).job.sets
    actions.take_back(machinist, job.pk, back("b1", "e1"))
    assert "mains" not in actions.open_job(job.pk, machinist).job.sets
    land(machinist, job, actions.Extending(id="e2", sets=["mains"], at=timezone.now()), reading("m1", gauge, "M1"))
    with pytest.raises(Clash, match="1 entry is on record of the mains"):
        actions.take_back(machinist, job.pk, back("b2", "e2"))


def test_a_step_goes_only_while_none_that_it_held_is_done(bench: Person, job: JobRecord) -> None:
    """A cap comes off before its piston goes up: the cap's step stays while the piston's is done."""
    strip = Strip(actions.open_job(job.pk, bench).job)
    first, second = next((by.before[0], by.id) for by in strip.steps if by.before)
    doing = {"there": True, "felt": [], "mark": False, "unseen": False, "covers": "", "because": "", "note": ""}
    for n, step in enumerate((first, second)):
        fact = {"fact": "step", "id": f"st{n}", "step": step, "at": timezone.now(), **doing}
        given = actions.DoingStep.model_validate({**fact, "because": "for the test", "unseen": True, "mark": True})
        land(bench, job, given)
    with pytest.raises(Clash, match="built on"):
        actions.take_back(bench, job.pk, back("b1", "st0"))
    actions.take_back(bench, job.pk, back("b2", "st1"))
    actions.take_back(bench, job.pk, back("b3", "st0"))


def test_a_decision_made_last_goes_before_what_was_read_before_it(
    machinist: Person, job: JobRecord, gauge: Gauge
) -> None:
    land(machinist, job, reading("r1", gauge))
    scrapped = actions.Deciding(
        id="d1", kind=DecisionKind.OVERRIDDEN, set="rods", action=Action.REPLACE, reason="bent", at=timezone.now()
    )
    actions.decide(machinist, job.pk, scrapped)
    for _ in range(2):
        assert actions.take_back_last(machinist, job.pk, undoing("u1")).words.startswith("Took back")
    assert standing_decisions(JobRecord.objects.get(pk=job.pk)) == {}
    assert len(actions.open_job(job.pk, machinist).job.standing_readings) == 1
    for _ in range(2):
        assert "Rod journals" in actions.bring_again(machinist, job.pk, undoing("a1")).words
    (again,) = standing_decisions(JobRecord.objects.get(pk=job.pk)).values()
    assert (again.key, again.action, again.reason) == ("a1", Action.REPLACE.value, "bent")
    actions.take_back_last(machinist, job.pk, undoing("u2"))
    assert "2.0375" in actions.take_back_last(machinist, job.pk, undoing("u3")).words


def test_nothing_taken_back_or_brought_again_leaves_a_job_that_judges_nothing(
    machinist: Person, job: JobRecord
) -> None:
    """Whatever is accepted must open afterwards: of a scope one set stays, whichever word goes or comes back."""
    JobRecord.objects.filter(pk=job.pk).update(scope=["rods"])
    land(machinist, job, actions.Extending(id="e1", sets=["mains"], at=timezone.now()))
    out = NarrowingSaid(id="n1", sets=["rods", "mains"], reason="sold", at=timezone.now())
    with pytest.raises(Refusal, match="leave one set in"):
        narrow_scope(machinist, job.pk, out)
    words = [
        Narrowing(id="n1", by="machinist", at=timezone.now(), sets=("rods",), reason="sold"),
        Extension(id="e2", by="machinist", at=timezone.now(), sets=("rods",)),
        Narrowing(id="n2", by="machinist", at=timezone.now(), sets=("mains",), reason="sold"),
    ]
    add_facts(JobRecord.objects.get(pk=job.pk), words)
    assert actions.open_job(job.pk, machinist).job.sets == ("rods",)
    with pytest.raises(Clash, match="nothing else is judged"):
        actions.take_back(machinist, job.pk, back("b1", "e2"))
    assert actions.open_job(job.pk, machinist).job.sets == ("rods",)
