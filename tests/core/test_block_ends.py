"""Where the road of a block ends: walls, sleeves, last sizes; and claims, mixed sizes and settings that moved."""

from __future__ import annotations

import pytest

from halfthou.assess import assess, judge
from halfthou.jobs import (
    Decision,
    DecisionKind,
    GaugeKind,
    HouseRules,
    Job,
    Look,
    Operation,
    OperationKind,
    Reading,
    SourceKind,
    Waived,
    WornBore,
)
from halfthou.lengths import Unit
from halfthou.parts import BoreSet
from halfthou.parts.bores.walls import WallSays, wall_at, wall_for_sleeve
from halfthou.report import SetReport
from halfthou.verdicts import Action
from tests.boring import DIAL, NEW, PERFECT_BORE, block, bore_limits, bore_readings, oversizes, set_on_a_ring
from tests.making import NOON, figure, inches, look

GOOD = {1: NEW, 2: NEW, 3: NEW, 4: NEW}
#: Worn so that only 0.060 over cleans it up, and so that nothing does.
DEEP = ["4.0250", "4.0150", "4.0120", "4.0060", "4.0020", "4.0015"]
GONE = ["4.0450", "4.0250", "4.0200", "4.0120", "4.0040", "4.0030"]

SLEEVED = {"least_wall": figure(inches("0.120")), "sleeve_outside": figure(inches("4.1880"))}


def of(job: Job) -> SetReport:
    return assess(job).sets[0]


#: Without doubt, so that what is left of a wall can be checked by hand.
ULTRA = PERFECT_BORE.model_copy(update={"id": "ultra", "name": "ultra", "kind": GaugeKind.ULTRASONIC})


def walls(part: str, reading: str) -> tuple[Reading, ...]:
    """The wall of a bore by ultrasound, the same on every side."""
    one = bore_readings({1: ["4.0000"]}, "")[0]
    here = {"part": part, "feature": "wall", "count": inches(reading).nm, "typed": reading, "gauge": ULTRA.id}
    return tuple(
        one.model_copy(update={**here, "id": f"{part}.{height}{side}", "spot": f"{height}{side}"})
        for height in (1, 2, 3)
        for side in "abcd"
    )


def with_walls(sizes: dict[int, list[str]], reading: str) -> Job:
    """A block whose bore 3 has its wall read, and whose sheet has a least wall and a sleeve."""
    on = bore_limits(figures=SLEEVED)
    read = (*bore_readings(sizes), *walls("bore-3", reading))
    return block(readings=read, on=on, gauges=(PERFECT_BORE, ULTRA))


@pytest.mark.parametrize(
    ("reading", "action"),
    [("0.230", Action.SLEEVE), ("0.200", Action.REPLACE)],
)
def test_past_the_last_size_the_wall_decides_between_sleeve_and_block(reading: str, action: Action) -> None:
    """By hand: the bore grows 4.1880 - 4.0030 = 0.185 on diameter, 0.0925 a side; 0.120 is to be left: 0.2125."""
    job = with_walls({**GOOD, 3: GONE}, reading)
    assert of(job).action is action


def test_past_the_last_size_with_the_wall_not_read_nothing_is_decided() -> None:
    """Common practice, no source: a sleeve waits for its wall; a block is not thrown away unread either."""
    found = of(block({**GOOD, 3: GONE}, on=bore_limits(figures=SLEEVED)))
    assert found.action is Action.REFER
    assert any("read by ultrasound" in reason.text for reason in found.reasons)


def test_a_wall_too_thin_bars_an_oversize_that_cleans_up() -> None:
    """By hand: to 4.0607 the wall loses (4.0607 - 4.0015) / 2 = 0.0296: 0.140 leaves 0.1104, under 0.120."""
    thick, thin = with_walls({**GOOD, 3: DEEP}, "0.160"), with_walls({**GOOD, 3: DEEP}, "0.140")
    assert (of(thick).action, of(thick).headline) == (Action.REBORE, "bore and hone, 0.060 over")
    assert of(thin).action is not Action.REBORE


def test_the_wall_is_judged_at_its_thinnest_side_and_less_its_doubt() -> None:
    """By hand, and source: docs/trade: Wall left."""
    job = with_walls({**GOOD, 3: DEEP}, "0.160")
    decided = judge(job).decided["bores"]
    assert isinstance(decided, BoreSet)
    case = decided.verdicts["bore-3"].case
    left = wall_at(case, inches("4.0607"))
    assert left.left is not None and left.says is WallSays.ENOUGH
    assert abs(left.left.nm - inches("0.1304").nm) <= 2
    assert wall_for_sleeve(case).says is WallSays.TOO_THIN


def test_the_largest_bore_allowed_ends_the_road_and_a_rule_of_thumb_does_not() -> None:
    """Source: docs/trade: Authority of a limit: only a maker's or the house's figure forbids."""
    maker = bore_limits(figures={"largest_allowed": figure(inches("4.0450"))})
    thumb = bore_limits(figures={"largest_allowed": figure(inches("4.0450"), SourceKind.RULE_OF_THUMB)})
    assert of(block({**GOOD, 3: DEEP}, on=maker)).action is Action.REFER
    found = of(block({**GOOD, 3: DEEP}, on=thumb))
    assert found.action is Action.REFER and found.step is not None


def test_an_oversize_without_rings_is_not_chosen() -> None:
    """Common practice, no source: a piston whose rings cannot be had is no oversize."""
    worn = ["4.0062", "4.0030", "4.0031", "4.0020", "4.0010", "4.0009"]
    with_rings = bore_limits()
    steps = tuple(
        step.model_copy(update={"rings_can_be_bought": step.size != inches("0.020")}) for step in with_rings.steps
    )
    assert of(block({**GOOD, 3: worn}, on=with_rings)).headline == "bore and hone, 0.020 over"
    assert of(block({**GOOD, 3: worn}, on=bore_limits(steps=steps))).headline == "bore and hone, 0.030 over"


def test_a_crown_stamp_is_a_claim_until_it_is_measured() -> None:
    """Source: docs/trade: Present size: what is measured counts, and a stamp that differs is asked about."""
    over = [str(float(text) + 0.03) for text in NEW]
    stamped = look("bores", Look.CLAIMED_OVERSIZE, "crown stamp", "0.020")
    found = of(block(dict.fromkeys(GOOD, over), below="4.0302", seen=(stamped,)))
    assert found.present_words == "0.030 over"
    assert any("stamp" in reason.text for reason in found.reasons)


def test_bores_of_two_sizes_are_said_to_be_so() -> None:
    """Common practice, no source: a sleeve at standard among bored ones is not a worn bore."""
    over = [str(float(text) + 0.03) for text in NEW]
    found = of(
        block({1: over, 2: over, 3: NEW, 4: over}, below={1: "4.0302", 2: "4.0302", 3: "4.0002", 4: "4.0302"})
    )
    assert found.mixed
    assert found.action is not Action.REBORE


def test_a_house_that_keeps_good_pistons_sees_thin_sleeves_first() -> None:
    """Source: docs/trade: Bores, schools: the other ways are shown; a person chooses."""
    worn = ["4.0062", "4.0030", "4.0031", "4.0020", "4.0010", "4.0009"]
    usual = block({**GOOD, 3: worn})
    sleeves = usual.model_copy(update={"house_rules": HouseRules(worn_bore=WornBore.THIN_SLEEVE)})
    assert of(sleeves).ways[0].words.startswith("Thin sleeves all round")
    assert not of(usual).ways[0].words.startswith("Thin sleeves all round")
    assert of(sleeves).action is of(usual).action


def test_a_waived_piston_makes_a_sound_block_whole_once_it_is_accepted() -> None:
    """This program's own: what is waived with a reason is open no more, and is told."""
    waived = tuple(
        Decision(id=f"w{n}", kind=DecisionKind.WAIVED, set="bores", part=f"bore-{n}", about=Waived.CLEARANCE,
                 reason="Pistons are measured by the customer.", action="", words="", by="owner", at=NOON)
        for n in GOOD
    )  # fmt: skip
    found = assess(block(GOOD, decisions=waived))
    assert found.whole
    assert {part.clearance.words for part in found.parts} == {"piston clearance waived"}


def test_a_sleeve_fitted_makes_what_was_read_and_seen_of_its_bore_stale() -> None:
    """Source: docs/trade: What work makes stale: a sleeve is another bore."""
    fitted = Operation(id="s", kind=OperationKind.SLEEVE, on="bore-3", by="bench", at=NOON)
    found = assess(block(GOOD, operations=(fitted,), seen=(look("bore-3", Look.SURFACE, "scuffed"),)))
    told = {part.id: part for part in found.parts}
    assert told["bore-3"].action is Action.MEASURE and told["bore-3"].size is None
    assert told["bore-1"].size is not None


def test_a_gauge_that_moved_since_it_was_set_holds_its_readings() -> None:
    """Common practice, no source: read on its ring after the sitting, nobody knows since when it is out."""
    before, after = set_on_a_ring("4.0000"), set_on_a_ring("4.0000", hours=1, read="4.0009")
    read = bore_readings(GOOD, "4.0002", DIAL, setting=before.id)
    sound = assess(block(readings=read, checks=(before,), gauge=DIAL))
    moved = assess(block(readings=read, checks=(before, after), gauge=DIAL))
    assert sound.sets[0].action is Action.REUSE
    assert moved.sets[0].action is not Action.REUSE


def test_a_bore_finished_for_another_unit_says_the_same() -> None:
    """This program's own: the unit shown changes no judgement."""
    worn = ["4.0062", "4.0030", "4.0031", "4.0020", "4.0010", "4.0009"]
    inch = block({**GOOD, 3: worn}, on=bore_limits(steps=oversizes("0", "0.020", "0.030")))
    metric = inch.model_copy(update={"shown_in": Unit.MM})
    assert of(inch).action is of(metric).action
    assert of(inch).step is not None and of(metric).step is not None
    assert of(inch).step.nm == of(metric).step.nm  # type: ignore[union-attr]
