"""What a crank is besides its journals: seal tracks, keyway, threads, weights, plugs, magnetism."""

from __future__ import annotations

import pytest

from halfthou.assess import assess
from halfthou.jobs import Seen
from halfthou.verdicts import Action
from tests.making import GOOD_ENGINE, NOON
from tests.straight import crank, turned

STRAIGHT = (turned("M2", "0.0006", 40), turned("M3", "0.0008", 60), turned("M4", "0.0005", 90))


def seen_at(on: str, what: str, answer: str) -> Seen:
    """Something seen of the crank besides its journals."""
    return Seen(id=f"{on}.{what}".replace(" ", "-"), on=on, look=what, answer=answer, by="bench", at=NOON)


@pytest.mark.parametrize(
    ("on", "what", "answer"),
    [
        ("run-out-flange", "seal track", "groove felt"),
        ("run-out-nose", "threads", "damaged"),
        ("run-out-flange", "pilot bore", "worn"),
        ("run-out-flange", "trigger wheel", "loose or teeth damaged"),
        ("crank", "gallery plugs", "still in"),
        ("crank", "magnetism", "magnetised"),
    ],
)
def test_what_a_crank_is_besides_keeps_it_back_and_says_nothing_of_how_it_lies(
    on: str, what: str, answer: str
) -> None:
    """Common practice, no source: a grooved seal track leaks, and the shaft is as straight as before."""
    worn = {**GOOD_ENGINE, "R2": ["2.0340"] * 8}
    found = assess(crank(*STRAIGHT, sizes=worn, seen=(seen_at(on, what, answer),)))
    assert found.of("straightness").action is Action.MEASURE
    assert found.of("straightness").headline == "straight; settle what was seen"
    assert not found.whole
    # It may be ground meanwhile.
    assert found.of("rods").action is Action.REGRIND
    assert found.of("rods").can_be_accepted


@pytest.mark.parametrize(
    ("on", "what", "answer"),
    [("run-out-nose", "keyway", "key loose, slot hammered"), ("crank", "counterweights", "loose or missing")],
)
def test_a_hammered_keyway_and_a_loose_counterweight_are_referred(on: str, what: str, answer: str) -> None:
    """Common practice, no source."""
    found = assess(crank(*STRAIGHT, sizes=GOOD_ENGINE, seen=(seen_at(on, what, answer),)))
    assert found.of("straightness").action is Action.REFER
    assert not found.whole
