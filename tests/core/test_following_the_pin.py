"""A bent crank whose pins are ground where the bend left them: stroke, index, lean, against geometry."""

from __future__ import annotations

import cmath
import math
import random
from datetime import timedelta
from typing import Any

import pytest

from halfthou.amounts import Quantity
from halfthou.assess import assess, judge
from halfthou.jobs import (
    AmountBand,
    Decision,
    DecisionKind,
    Job,
    Rotation,
)
from halfthou.lengths import Length
from halfthou.parts import CATALOGUE, faults_of_job
from halfthou.parts.journals.crank import tilt_at
from halfthou.parts.journals.followed import throw_moved
from halfthou.surveys import Offset
from tests.conftest import examples
from tests.making import (
    CASES,
    MAKER,
    NOON,
    PERFECT,
    band,
    inches,
    readings,
)
from tests.picking import HOUSE, SOUND, decided_so, way, ways, worn
from tests.straight import crank, total, turned


def bent_rods(**figures: Any) -> Job:
    """A crank that swings 0.008 at its middle main, to the side of pins 2 and 3; its bend accepted, pin 2 worn."""
    one = crank(
        turned("M2", "0", 0), turned("M3", "0.008", 180), turned("M4", "0", 0),
        sizes={**SOUND, "R2": ["2.0340"] * 8}, house_rules=HOUSE.model_copy(update={"keep_axis": False}),
    )  # fmt: skip
    accepted = Decision(
        id="s1", kind=DecisionKind.OVERRIDDEN, set="straightness", action="reuse", reason="slow pump, maker asked",
        by="owner", at=NOON + timedelta(hours=1),
    )  # fmt: skip
    rods = one.limits.sets["rods"]
    sheet = one.limits.model_copy(
        update={
            "sets": {**one.limits.sets, "rods": rods.model_copy(update={"figures": {**rods.figures, **figures}})}
        }
    )
    return one.model_copy(update={"decisions": (accepted,), "limits": sheet})


INDEX = AmountBand(quantity=Quantity.ANGLE, most=500_000, source=MAKER)


def test_following_the_pin_saves_a_step_and_lengthens_the_stroke() -> None:
    """By hand: between a main on the line and one 0.004 off it a pin lies 0.002 off, along its own throw: twice
    that, 0.004, comes off what cleans up at, or half the stroke grows by 0.002 and the stroke by 0.004. It leans by
    0.004 from main to main; half as long, it loses 0.002 to that however it is ground."""
    one = bent_rods(half_stroke=band("1.7970", "1.8030"), index=INDEX)
    found = ways(one, "rods")
    # 2 * 2.0340 - 2.0378 - 0.0003 = 2.0299; less 0.004, 2.0259: short of 2.0270 at 0.010; less 0.002 it is not.
    assert not way(found, "Grind, 0.010 under").possible
    follow = next(one for one in found.ways if one.words == "Grind, 0.010 under, following the pins")
    assert (follow.possible, follow.by_word, follow.to_spare) == (True, False, "0.00090")
    assert follow.moves == (
        "No. 2: stroke 0.00400 longer",
        "No. 3: stroke 0.00400 longer",
    )
    picked = one.model_copy(
        update={"decisions": (*one.decisions, *decided_so(one, step=inches("0.010"), follows=True).decisions)}
    )
    rods = assess(picked).of("rods")
    assert rods.headline == "decided: regrind, 0.010 under, following the pins"
    assert rods.finished_band == "2.02700 to 2.02780"
    assert [one.words for one in ways(picked, "rods").ways if one.recommended] == [follow.words]


@pytest.mark.parametrize(
    ("figures", "possible", "why"),
    [
        ({}, True, "the sheet says nothing of stroke and index"),
        ({"half_stroke": band("1.7990", "1.8010"), "index": INDEX}, False, "would leave the sheet's stroke"),
    ],
)
def test_following_the_pin_out_of_the_sheet_is_barred_and_a_silent_sheet_asks(
    figures: dict[str, Any], possible: bool, why: str
) -> None:
    follow = next(
        one for one in ways(bent_rods(**figures), "rods").ways if one.words.endswith("following the pins")
    )
    assert follow.possible == possible
    assert any(why in text for text in follow.why)


@pytest.mark.parametrize("seed", range(examples(40)))
def test_stroke_and_index_of_a_followed_pin_against_the_plane(seed: int) -> None:
    """Geometry in the complex plane: the throw is the vector to the middle of the journal, before and after."""
    chance = random.Random(seed)
    half, throw = chance.randint(20_000_000, 80_000_000), chance.uniform(0, 360)
    bend = cmath.rect(chance.uniform(0, 150_000), chance.uniform(0, 2 * math.pi))
    was = cmath.rect(half, math.radians(throw))
    moved = throw_moved(Offset(bend.real, bend.imag), throw, Length(half))
    now = was + bend
    # The part along is a first order: a bend of 0.15 mm across half a stroke of 20 mm makes 0.6 um more.
    assert moved.half_stroke.nm == pytest.approx(abs(now) - half, abs=600)
    turned_by = math.degrees(cmath.phase(now / was))
    assert moved.index is not None
    assert moved.index / 1_000_000 == pytest.approx(turned_by, abs=0.004)
    other = throw_moved(Offset(bend.real, bend.imag), throw, Length(half), Rotation.ANTICLOCKWISE)
    assert other.index == -moved.index


def test_the_stroke_gained_is_twice_the_shift_along_the_throw() -> None:
    """Worked example D28: a pin ground from 2.100 to 2.000, its axis moved by half of what comes off."""
    worked = CASES["D28"]
    shift = (inches("2.100") - inches("2.000")).nm // 2
    gained = throw_moved(Offset(float(shift), 0.0), 0.0, None).stroke
    assert gained.nm / 25_400_000 == pytest.approx(worked["expected"], abs=worked["tol"])


@pytest.mark.parametrize("seed", range(examples(20)))
def test_what_a_leaning_journal_loses_by_simulation(seed: int) -> None:
    """Geometry, simulated: the largest cylinder along the mains inside one that leans, half as long as its mains
    stand apart, slice by slice."""
    chance = random.Random(seed)
    swings = [(f"{chance.randint(0, 80) / 10_000:.4f}", chance.uniform(0, 360)) for _ in range(2)]
    front, rear = (cmath.rect(float(swing) / 2, math.radians(high)) for swing, high in swings)
    one = crank(turned("M2", *swings[0]), turned("M3", *swings[1]), turned("M4", "0", 0), sizes=SOUND)
    middle = (front + rear) / 2
    slices = (front + (rear - front) * (0.25 + 0.5 * n / 100) for n in range(101))
    lost = 2 * max(abs(at - middle) for at in slices)
    judged = judge(one)
    # R2 lies between M2 and M3; what is read of them is rounded to a nanometre.
    assert tilt_at(judged.given, "R2").nm == pytest.approx(lost * 25_400_000, abs=20)


def test_an_unread_side_bars_following_the_pin() -> None:
    one = bent_rods(half_stroke=band("1.7970", "1.8030"), index=INDEX)
    by_total = tuple(r for r in one.readings if r.part != "run-out-M3") + total("M3", "0.008")
    found = [
        way for way in ways(one.model_copy(update={"readings": by_total}), "rods").ways if "following" in way.words
    ]
    assert [way.possible for way in found] == [False]
    assert "read the high side" in found[0].why[0]


def test_ground_as_the_bend_left_it_half_the_stroke_and_the_index_are_asked_for() -> None:
    one = bent_rods(half_stroke=band("1.7970", "1.8030"), index=INDEX)
    followed = decided_so(one, step=inches("0.010"), follows=True).decisions
    ground = one.model_copy(
        update={
            "decisions": (*one.decisions, *followed),
            "readings": tuple(r for r in one.readings if r.part[0] != "R")
            + readings({f"R{n}": ["2.0276"] * 8 for n in range(1, 5)}, gauge=PERFECT),
        }
    )
    asked = {one.feature for one in assess(ground).part("R2").to_read}
    assert asked == {"half the stroke", "index"}


def test_only_rod_journals_follow_a_bend() -> None:
    follows = decided_so(worn({}), step=inches("0.010"), follows=True).decisions[0]
    of_mains = worn({}).model_copy(update={"decisions": (follows.model_copy(update={"set": "mains"}),)})
    assert faults_of_job(of_mains, CATALOGUE) == (
        "decision d1 follows the bend of the mains: only rod journals are ground so",
    )
