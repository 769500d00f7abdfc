"""What was seen counts on every page alike: what the eye rejects on one, nothing on another hides."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest

from halfthou.assess import assess
from halfthou.jobs import BlueRod, HouseRules, Job, Look, Operation, OperationKind, Seen, UsedShells, Withdrawal
from halfthou.parts import CATALOGUE
from halfthou.report import PartReport
from halfthou.surveys import seen_on
from halfthou.verdicts import Action, Open
from tests.loosen import GOOD_PUMP, PUMP_READ, loose
from tests.making import GOOD_ENGINE, readings
from tests.making import job as job_of
from tests.reading import graded, read, seen
from tests.stripping import fact

MINUTE = timedelta(minutes=1)


def told(job: Job) -> dict[tuple[str, str], str]:
    """What counts of each look, by part and look."""
    return {key: one.answer for key, one in seen_on(job, CATALOGUE.engine_of(job)).items()}


def at_bench(on: str, look: str, answer: str, after: Any) -> Seen:
    return Seen(id=f"b.{on}", on=on, look=look, answer=answer, by="bench", at=after.at)


def test_of_two_rods_on_one_pin_the_hotter_counts_in_whatever_order_they_were_seen() -> None:
    """Source: common practice, no source: one blue rod is enough."""
    vee = "V eight, cross plane"
    blue, straw = seen("colour of the rod", "blue", "rod-1"), seen("colour of the rod", "straw", "rod-5", minute=5)
    for facts in ((blue, straw), (straw, blue)):
        job = read(*facts, engine=vee).job
        assert told(job)["R1", Look.ROD] == "blue"
        assert any(one.rule == "verdicts.journal.blue-rod" for one in assess(job).part("R1").reasons)


def test_of_two_people_the_worse_answer_counts_and_ones_own_later_one_is_a_correction() -> None:
    """Source: common practice, no source: two who differ look again together."""
    scored = seen("pump housing", "scored, nail runs clear", "pump", minute=5)
    cracked = seen("pump housing", "cracked", "pump")
    assert told(read(scored, cracked).job)["pump", "pump housing"] == "scored, nail runs clear"
    others = scored.model_copy(update={"by": "machinist"})
    assert told(read(others, cracked).job)["pump", "pump housing"] == "cracked"
    assert told(read(scored).job)["pump", "pump housing"] == "scored, nail runs clear"


def test_halves_that_look_sound_on_the_map_do_not_lift_a_rejection_at_the_bench() -> None:
    """The eye may reject; it never accepts."""
    sound = graded("Inline four", rods="O", mains="O")
    rejected = at_bench("R2", Look.HALVES, "not to go back", sound[0])
    assert told(read(*sound, rejected).job)["R2", Look.HALVES] == "not to go back"


def test_a_later_word_at_the_bench_does_not_lift_what_the_map_rejects() -> None:
    gone = graded("Inline four", rods="OCOO", mains="O")
    later = at_bench("R2", Look.HALVES, "sound by eye", gone[-1])
    assert told(read(*gone, later).job)["R2", Look.HALVES] == "not to go back"


def test_a_half_that_turned_asks_for_its_housing_whatever_the_bench_says() -> None:
    turned = seen("seat", "turned in its housing", "half-rod-2-lower")
    bench = Seen(id="b", on="R2", look=Look.SEAT, answer="in place", by="bench", at=turned.at)
    standing = read(turned, bench)
    said_of = assess(standing.job).part("R2")
    assert any(one.rule == "verdicts.journal.turned-shell" for one in said_of.reasons)
    assert said_of.action is not Action.REUSE
    assert any("It counts as turned" in one.text for one in standing.contradictions)


def test_new_half_bearings_do_not_clear_the_housing_a_turned_one_left() -> None:
    """Source: common practice, no source: a half bearing that turned wore its housing: others do not mend it."""
    turned = seen("seat", "turned in its housing", "half-rod-2-lower")
    new = fact(Operation, 60, kind=OperationKind.NEW_SHELLS, on="rods")
    part = assess(read(turned, new).job).part("R2")
    told = {one.rule for one in part.reasons}
    assert "verdicts.journal.turned-shell" in told
    assert "evidence.used-shells" not in told
    assert Open.HOUSING in part.opens


def test_a_blue_rod_is_never_just_fitted_with_new_half_bearings() -> None:
    """Source: common practice, no source: hardness, crack test, size; or scrap."""
    blue = seen("colour of the rod", "blue", "rod-2")
    tested = Seen(id="t", on="R2", look=Look.ROD, answer="tested: hard, no crack", by="owner", at=blue.at + MINUTE)
    renewed = tested.model_copy(update={"id": "n", "answer": "rod renewed"})

    def waits(*more: Any, school: BlueRod = BlueRod.SCRAP) -> bool:
        job = read(blue, *more, house_rules=HouseRules(blue_rod=school)).job
        return any(one.rule == "verdicts.journal.blue-rod" for one in assess(job).part("R2").reasons)

    assert waits()
    assert waits(tested)  # the house scraps it, tested or not
    assert not waits(tested, school=BlueRod.TEST)
    assert not waits(renewed)


def test_metal_from_a_bearing_makes_the_pump_suspect() -> None:
    job = loose(PUMP_READ, scope=("pump",), seen=GOOD_PUMP)
    gone = seen("overlay", "copper through", "half-rod-1-upper", minute=5)
    before, after = assess(job), assess(job.model_copy(update={"seen": (*job.seen, gone)}))
    assert before.of("pump").action is Action.REUSE
    assert after.of("pump").action is not Action.REUSE


def test_what_looks_sound_accepts_nothing() -> None:
    job = read(*graded("Inline four", rods="O", mains="O")).job
    assert all(one.action is not Action.REUSE for one in assess(job).parts)


def test_used_half_bearings_go_back_only_where_the_house_refits_and_all_of_it_agrees() -> None:
    """Source: house rule; the eye alone accepts none."""
    sound = graded("Inline four", rods="O", mains="O")
    refit = HouseRules(used_shells=UsedShells.REFIT)
    by_eye = assess(read(*sound, house_rules=refit).job)
    assert not any(one.rule == "evidence.used-shells" for part in by_eye.parts for one in part.reasons)
    bad = assess(read(*graded("Inline four", rods="OOCO", mains="O"), house_rules=refit).job)
    assert any(one.rule == "evidence.used-shells" for one in bad.part("R3").reasons)


def test_nothing_wrong_with_one_half_says_nothing_of_the_journal_before_all_were_seen() -> None:
    """Rule: looks.which-counts."""
    halves = [seen("seat", "in place", f"half-rod-2-{half}") for half in ("upper", "lower")]
    assert ("R2", Look.SEAT) not in told(read(halves[0]).job)
    assert told(read(*halves).job)["R2", Look.SEAT] == "in place"


def test_a_crack_that_was_found_is_taken_back_by_nobody_and_a_passed_test_ends_it() -> None:
    """Rule: verdicts.journal.crack. Source: common practice, no source."""
    crack = seen("crack test", "crack found", "R2")
    back = fact(Withdrawal, 5, fact=crack.id)
    assert told(read(crack, back).job)["R2", Look.CRACK_TEST] == "crack found"
    assert assess(read(crack, back).job).part("R2").action is Action.REPLACE
    passed = seen("crack test", "passed", "crank", minute=9, by="inspector")
    assert ("R2", Look.CRACK_TEST) not in told(read(crack, passed).job)
    earlier = passed.model_copy(update={"at": crack.at - MINUTE})
    assert told(read(crack, earlier).job)["R2", Look.CRACK_TEST] == "crack found"


def test_a_rod_tight_on_its_pin_asks_for_its_housing() -> None:
    """Source: common practice, no source."""
    job = read(seen("colour of the rod", "tight on its pin", "rod-2")).job
    assert "housing" in {one.value for one in assess(job).part("R2").waits}


SUSPECTS = [
    ("stuck to the journal", "seat", "half-main-2-lower"),
    ("turned in its housing", "seat", "half-rod-1-upper"),
    ("melted", "overlay", "half-rod-4-upper"),
    ("gone", "overlay", "half-main-1-lower"),
    ("blue", "heat colour", "R3"),
    ("grey", "heat colour", "M4"),
]


@pytest.mark.parametrize(("answer", "what", "on"), SUSPECTS)
def test_one_crank_waits_as_one_until_it_is_indicated_and_crack_tested(answer: str, what: str, on: str) -> None:
    """Source: common practice, no source: what ran hot or dragged at one journal may have bent or cracked it all.

    Rule: sets.one-crank.
    """
    found = seen(what, answer, on)
    true = seen("straightness", "within the maker's run-out", "crank", minute=1)
    tested = seen("crack test", "passed", "crank", minute=2)
    one_main = true.model_copy(update={"id": "m3", "on": "M3"})

    def other(*more: Seen) -> PartReport:
        """What is told of the last main, of which nothing was seen."""
        return assess(job_of(readings=readings(GOOD_ENGINE), seen=(found, *more))).part("M5")

    assert assess(job_of(readings=readings(GOOD_ENGINE))).part("M5").action is Action.REUSE
    for some in ((), (true,), (tested,), (one_main, tested)):
        assert other(*some).action is Action.MEASURE
        assert Open.CRANK in other(*some).opens
    assert other(true, tested).action is Action.REUSE


def test_a_size_is_said_of_a_crank_that_waits_and_nothing_is_ordered_for_it() -> None:
    """Source: common practice, no source: shells are bought for a crank that runs true."""
    worn = {**GOOD_ENGINE, "R2": ["2.0350"] * 8}
    waits = assess(job_of(readings=readings(worn), seen=(seen("seat", "stuck to the journal", "M1"),))).of("rods")
    clear = assess(job_of(readings=readings(worn))).of("rods")
    assert waits.headline == f"{clear.headline}, if it runs true"
    assert clear.to_order
    assert not waits.to_order
    assert (clear.can_be_accepted, waits.can_be_accepted) == (True, False)
