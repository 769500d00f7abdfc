"""The pump that fed a failure: what makes it suspect, and what ends that."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest

from halfthou.assess import assess, is_whole, judge
from halfthou.jobs import Decision, DecisionKind, HouseRules, Look, Operation, OperationKind, PumpAfterMetal
from halfthou.parts import CATALOGUE
from halfthou.verdicts import Open
from tests.loosen import GOOD_PUMP, PUMP_READ, brought, fitted, loose, saw
from tests.making import (
    GOOD_ENGINE,
    MICROMETER,
    NOON,
    as_set,
    limits,
    look,
    readings,
)


def only(*args: Any, **more: Any) -> Any:
    return loose(*args, scope=("pump",), **more)


def told(job: Any) -> Any:
    return assess(job).part("pump")


METAL = (*(one for one in GOOD_PUMP if one.look != "metal"), saw("pump", "metal", "metal found"))


def overruled(action: str) -> Decision:
    """A person's decision against the verdict, with a reason."""
    return Decision(
        id="word", kind=DecisionKind.OVERRIDDEN, set="pump", action=action, reason="flushed, every figure good",
        by="machinist", at=NOON,
    )  # fmt: skip


def test_the_pump_that_fed_a_failure_waits_for_a_persons_word() -> None:
    """House rule, one school: flush, measure, reuse if within, on a person's word."""
    job = only(PUMP_READ, seen=METAL)
    assert assess(job).of("pump").action == "refer"
    assert not is_whole(judge(job))
    said = only(PUMP_READ, seen=METAL, decisions=(overruled("reuse"),))
    assert assess(said).of("pump").action == "reuse"
    assert is_whole(judge(said))
    unread = only(PUMP_READ[2:], seen=METAL, decisions=(overruled("reuse"),))
    assert not is_whole(judge(unread)), "a word does not stand for a figure"


def test_the_other_school_takes_a_new_pump_regardless() -> None:
    new = HouseRules(spread_k=0, pump_after_metal=PumpAfterMetal.NEW)
    job = only(PUMP_READ, seen=METAL, house_rules=new)
    assert (told(job).action, assess(job).of("pump").headline) == ("replace", "Replace, by the house rule")
    assert told(only(PUMP_READ, seen=GOOD_PUMP, house_rules=new)).action == "reuse"


def test_a_bearing_that_failed_makes_the_pump_suspect() -> None:
    """Common practice, no source: the pump that fed a failure is suspect until measured, never simply refitted."""
    turned = look("R2", Look.SEAT, "turned in its housing")
    job = loose(
        (*PUMP_READ, *readings(GOOD_ENGINE)),
        scope=("mains", "rods", "pump"),
        seen=(*GOOD_PUMP, turned),
        on={"mains": as_set(limits("2.4135", "2.4143")), "rods": as_set(limits())},
        gauges=(*only().gauges, MICROMETER),
    )
    assert assess(job).of("pump").action == "refer"


def washed(*looks: str, hours: int = 1) -> dict[str, Any]:
    """The pump opened and washed after metal was found, the looks taken and everything read again after that."""
    later = NOON + timedelta(hours=hours)
    work = Operation(id="opened", kind=OperationKind.PUMP_WORK, on="pump", by="bench", at=later)
    after = {"at": later + timedelta(hours=1)}
    seen = tuple(
        one.model_copy(update={**after, "id": f"{one.id}.again"}) for one in GOOD_PUMP if one.look in looks
    )
    read = tuple(one.model_copy(update={**after, "id": f"{one.id}.again"}) for one in PUMP_READ)
    return {"readings": (*PUMP_READ, *read), "operations": (work,), "seen": (*METAL, *seen), "looked": False}


def test_opening_another_pump_clears_no_suspicion() -> None:
    """The old pump was opened; the used one that came for it brings its own past."""
    read = tuple(one.model_copy(update={"part": "pump-s1", "id": f"s.{one.id}"}) for one in PUMP_READ)
    seen = tuple(saw("pump-s1", one.look, one.answer) for one in METAL)
    work = Operation(id="w", kind=OperationKind.PUMP_WORK, on="pump-s2", by="bench", at=NOON + timedelta(hours=-1))
    job = only(
        read, seen=seen, operations=(work.model_copy(update={"at": NOON + timedelta(hours=1)}),),
        pieces=(brought("pump-s1", "oil pump"), brought("pump-s2", "oil pump")),
        fittings=(fitted("pump-s1", "pump"),),
    )  # fmt: skip
    assert assess(job).of("pump").action == "refer"


INSIDE = ("pump housing", "gears or rotors", "relief valve")


def test_a_suspicion_ends_by_opening_washing_and_reading_again() -> None:
    """Common practice, no source: opened, washed, the relief valve seen, every needed figure within after that."""
    done = washed(*INSIDE)
    assert (told(only(**done)).action, Open.SUSPECT in told(only(**done)).opens) == ("reuse", False)
    assert is_whole(judge(only(**done)))


@pytest.mark.parametrize("left_out", ["work", "readings", "relief valve", "a figure", "too early"])
def test_a_suspicion_stands_while_one_of_its_ends_is_missing(left_out: str) -> None:
    done = washed(*(one for one in INSIDE if one != left_out), hours=-3 if left_out == "too early" else 1)
    if left_out == "work":
        done["operations"] = ()
    if left_out == "readings":
        done["readings"] = PUMP_READ
    if left_out == "a figure":
        done["readings"] = tuple(one for one in done["readings"] if one.feature != "backlash")
    found = only(**done)
    assert told(found).action != "reuse"
    assert not is_whole(judge(found))


def test_what_a_used_spare_fed_before_makes_it_suspect_too() -> None:
    """Common practice, no source: a pump out of another engine brings its past with it."""
    spare = (brought("pump-s1", "oil pump"),)
    read = tuple(one.model_copy(update={"part": "pump-s1", "id": f"s.{one.id}"}) for one in PUMP_READ)
    seen = tuple(saw("pump-s1", one.look, one.answer) for one in METAL)
    job = only(read, seen=seen, pieces=spare, fittings=(fitted("pump-s1", "pump"),))
    assert assess(job).of("pump").action == "refer"


@pytest.mark.parametrize(
    ("look", "answer"),
    [("filter", "copper or bronze"), ("filter", "steel or iron"), ("in the screen", "steel curls or abrasive")],
)
def test_metal_found_on_its_way_makes_the_pump_suspect(look: str, answer: str) -> None:
    """Common practice, no source: what the filter holds went through the pump."""
    on = CATALOGUE.looks[look].on[0]
    both = (saw(on, look, answer), saw(on, look, "clean" if look == "filter" else "nothing"))
    assert Open.SUSPECT in told(only(PUMP_READ, seen=(*GOOD_PUMP, *both))).opens
