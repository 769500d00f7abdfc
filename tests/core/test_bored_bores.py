"""Bores that were bored: the card, what is held against it, and the state a finished bore is measured in."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest

from halfthou.assess import assess
from halfthou.jobs import Decision, DecisionKind, Job, Operation, OperationKind, Reading
from halfthou.lengths import Notation, Unit
from halfthou.parts import CATALOGUE, boring_card
from halfthou.verdicts import Action, Open
from tests.boring import NEW, block, bore_readings
from tests.core.test_bores import GOOD, WORN, decided
from tests.making import NOON, inches


def test_the_boring_card_and_the_bores_held_against_it() -> None:
    """Common practice, no source: bored to the finished size less the hone's stock; then hit or missed."""
    before = block({**GOOD, 3: WORN})
    step = inches("0.020")
    chosen = Decision(
        id="d", kind=DecisionKind.ACCEPTED, set="bores", action="rebore", step=step, words="", by="owner", at=NOON
    )
    engine, say = CATALOGUE.engine_of(before), Notation.usual(Unit.INCH)
    card = boring_card(decided(before), engine, say)
    assert card is not None and card.oversize == "0.020 over"
    assert {line.hone_to for line in card.lines} == {"4.0200 to 4.0207"}
    done = Operation(id="o", kind=OperationKind.BORE, on="bores", step=step, by="bench", at=NOON)
    after: tuple[Reading, ...] = bore_readings(
        {1: ["4.0203"] * 6, 2: ["4.0203"] * 6, 3: ["4.0213"] * 6, 4: ["4.0203"] * 6}, "4.0203"
    )
    later = tuple(
        one.model_copy(update={"id": f"{one.id}.after", "at": NOON.replace(hour=NOON.hour + 2)}) for one in after
    )
    job = block(
        decisions=(chosen,),
        operations=(done.model_copy(update={"at": NOON.replace(hour=NOON.hour + 1)}),),
        readings=(*before.readings, *later),
    )
    held = boring_card(decided(job), engine, say)
    assert held is not None
    assert [line.hit for line in held.lines] == ["hit", "hit", "missed by 0.0006", "hit"]


def _bored(**state: Any) -> Job:
    """Bored to 4.0200 to 4.0207, measured again in a state."""
    done = Operation(
        id="b", kind=OperationKind.BORE, on="bores", step=inches("0.020"), by="bench", at=NOON - timedelta(hours=1)
    )
    sizes = {n: ["4.0203"] * 6 for n in range(1, 5)}
    return block(sizes, operations=(done,), readings=bore_readings(sizes, "4.0203", **state))


@pytest.mark.parametrize(
    ("state", "counts", "open_"),
    [
        ({"plate_fitted": True, "caps_torqued": True}, True, False),
        ({"plate_fitted": False, "caps_torqued": True}, False, False),
        ({"plate_fitted": True, "caps_torqued": False}, False, False),
        ({"caps_torqued": True}, True, True),
    ],
)
def test_a_finished_bore_counts_in_the_state_it_was_finished_in(
    state: dict[str, bool], counts: bool, open_: bool
) -> None:
    """Rule: bores.state. Common practice, no source: measured with the plate still on, main caps torqued."""
    found = assess(_bored(**state)).part("bore-1")
    assert bool(found.figures) is counts
    assert (Open.STATE in found.opens) is open_
    assert counts or any("kept and not judged" in one.text for one in found.reasons)


def test_a_sleeved_bore_is_finished_too() -> None:
    """Rule: bores.state: sleeved and honed, and nobody says whether the plate was on."""
    job = _bored(caps_torqued=True)
    sleeved = job.operations[0].model_copy(update={"kind": OperationKind.SLEEVE, "step": None})
    standard = dict.fromkeys(range(1, 5), NEW)
    done = block(standard, operations=(sleeved,), readings=bore_readings(standard, caps_torqued=True))
    assert Open.STATE in assess(done).part("bore-1").opens


def test_a_house_without_plates_asks_for_none() -> None:
    job = _bored(caps_torqued=True)
    house = job.house_rules.model_copy(update={"torque_plate": False})
    found = assess(job.model_copy(update={"house_rules": house})).part("bore-1")
    assert Open.STATE not in found.opens


def test_loose_main_caps_may_reject_and_never_accept() -> None:
    """Rule: bores.state. Common practice, no source: a block with its caps slack stands as it does not run."""
    good = dict.fromkeys(range(1, 5), NEW)
    loose_caps = assess(block(good, readings=bore_readings(good, caps_torqued=False))).part("bore-1")
    assert loose_caps.action is Action.MEASURE
    assert any("never accepted" in one.text for one in loose_caps.reasons)
    worn = {**good, 1: ["4.0090"] * 2 + ["4.0040"] * 4}
    assert (
        assess(block(worn, readings=bore_readings(worn, caps_torqued=False))).part("bore-1").action is Action.REBORE
    )
