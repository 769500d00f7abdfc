"""What the eye rejects on the board reaches the bench, and nothing there hides it."""

from __future__ import annotations

from typing import Any

from halfthou.assess import assess
from halfthou.evidence import (
    evidence_seen,
)
from halfthou.jobs import (
    BlueRod,
    HouseRules,
    Job,
    Look,
    Observation,
    Operation,
    OperationKind,
    UsedShells,
)
from halfthou.parts import CATALOGUE
from halfthou.surveys import seen_on
from halfthou.verdicts import Action
from tests.loosen import GOOD_PUMP, PUMP_READ, loose
from tests.reading import graded, read, seen
from tests.stripping import fact


def told(job: Job) -> dict[tuple[str, str], str]:
    """What the board tells the bench, by part and look."""
    engine = CATALOGUE.engine_of(job)
    return {key: one.answer for key, one in evidence_seen(job, engine, seen_on(job, engine)).items()}


def at_bench(on: str, look: str, answer: str, after: Any) -> Observation:
    return Observation(id=f"b.{on}", on=on, look=look, answer=answer, by="bench", at=after.at)


def test_of_two_rods_on_one_pin_the_hotter_counts_in_whatever_order_they_were_seen() -> None:
    """Source: common practice, no source: one blue rod is enough."""
    vee = "V eight, cross plane"
    blue, straw = seen("rod heat", "blue", "rod-1"), seen("rod heat", "straw", "rod-5", minute=5)
    for facts in ((blue, straw), (straw, blue)):
        job = read(*facts, engine=vee).job
        assert told(job)["R1", Look.ROD] == "blue"
        assert any(one.rule == "verdicts.journal.blue-rod" for one in assess(job).part("R1").reasons)


def test_a_worse_answer_at_the_bench_is_not_made_better_by_the_board() -> None:
    scored = seen("pump body", "scored", minute=5)
    cracked = at_bench("pump", "pump housing", "cracked", scored)
    assert ("pump", "pump housing") not in told(read(scored, cracked).job)
    assert told(read(scored).job)["pump", "pump housing"] == "scored, nail runs clear"


def test_halves_that_look_sound_on_the_map_do_not_lift_a_rejection_at_the_bench() -> None:
    """The eye may reject; it never accepts."""
    sound = graded("Inline four", rods="O", mains="O")
    rejected = at_bench("R2", Look.HALVES, "not to go back", sound[0])
    assert ("R2", Look.HALVES) not in told(read(*sound, rejected).job)


def test_a_later_word_at_the_bench_does_not_lift_what_the_map_rejects() -> None:
    gone = graded("Inline four", rods="OCOO", mains="O")
    later = at_bench("R2", Look.HALVES, "sound by eye", gone[-1])
    assert told(read(*gone, later).job)["R2", Look.HALVES] == "not to go back"


def test_a_half_that_turned_asks_for_its_housing_whatever_the_bench_says() -> None:
    turned = seen("seat", "turned in its housing", "half-rod-2-lower")
    bench = Observation(id="b", on="R2", look=Look.SHELL, answer="in place", by="bench", at=turned.at)
    standing = read(turned, bench)
    said_of = assess(standing.job).part("R2")
    assert any(one.rule == "verdicts.journal.turned-shell" for one in said_of.reasons)
    assert said_of.action is not Action.REUSE
    assert any("It counts as turned" in one.text for one in standing.contradictions)


def test_new_half_bearings_put_a_turned_one_right() -> None:
    turned = seen("seat", "turned in its housing", "half-rod-2-lower")
    new = fact(Operation, 60, kind=OperationKind.NEW_SHELLS, on="rods")
    assert not any(
        one.rule == "verdicts.journal.turned-shell" for one in assess(read(turned, new).job).part("R2").reasons
    )


def test_a_blue_rod_is_never_just_fitted_with_new_half_bearings() -> None:
    """Source: common practice, no source: hardness, crack test, size; or scrap."""
    blue = seen("rod heat", "blue", "rod-2")
    tested = Observation(id="t", on="R2", look=Look.ROD, answer="tested: hard, no crack", by="bench", at=blue.at)
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
    before, after = assess(job), assess(job.model_copy(update={"sightings": (gone,)}))
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
