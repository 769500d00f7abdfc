"""The ways on for the journals of a crank, against what is worked out by hand for every step."""

from __future__ import annotations

import random

import pytest

from halfthou.assess import assess
from halfthou.jobs import (
    Decision,
    DecisionKind,
    HardenedCrank,
    Hardening,
    Look,
)
from halfthou.lengths import Length
from halfthou.verdicts import Action
from tests.conftest import examples
from tests.making import (
    MICROMETER,
    NOON,
    band,
    figure,
    inches,
    job,
    limits,
    look,
    relimited,
    shells,
)
from tests.picking import HOUSE, SOUND, way, ways, worn
from tests.straight import crank, turned


def test_a_sound_crank_is_left_and_every_way_stands_beside_it() -> None:
    found = ways(worn({}), "rods")
    assert [one.words for one in found.ways if one.recommended] == ["Leave as they are"]
    assert way(found, "Leave").possible
    assert way(found, "Polish").possible
    assert way(found, "Grind, 0.010 under").finish_to == "2.0270 to 2.0278"
    assert way(found, "Another crank").possible
    # Nothing needs it, so nobody is sent to have it built up.
    assert not [one for one in found.ways if one.words.startswith("Build up")]


@pytest.mark.parametrize("seed", range(examples(40)))
def test_what_is_open_and_what_is_left_against_every_step_by_hand(seed: int) -> None:
    """Brute force over whole nanometres. Source: docs/trade: Choosing the size: 2 D_min - D_ref less the polish, at
    least a workable band above the least size of the step."""
    chance = random.Random(seed)
    sizes = {
        f"R{n}": [f"{2.0376 - chance.choice((0, 0, 1, 3, 4)) / 1000 - chance.randint(0, 4) / 10_000:.4f}"] * 4
        + [f"{2.0376 - chance.randint(0, 3) / 10_000:.4f}"] * 4
        for n in range(1, 5)
    }
    one = worn(sizes)
    found = ways(one, "rods")
    report = assess(one).of("rods")
    taken = {}
    for name, texts in sizes.items():
        read = [inches(text).nm for text in texts]
        taken[name] = 2 * min(read) - max(inches("2.0378").nm, *read) - HOUSE.polish_allowance.nm
    for text in ("0.010", "0.020", "0.030"):
        least = (inches("2.0370") - inches(text)).nm
        spare = min(taken.values()) - least
        shown = way(found, f"Grind, {text} under")
        workable = min(HOUSE.least_band.nm, inches("0.0008").nm // 2)
        assert shown.possible == (spare > 0)
        assert (shown.possible and not shown.by_word) == (spare >= workable)
        tenths = round(abs(spare) / 2_540)
        assert shown.to_spare.removeprefix("short by ") == f"{tenths / 10_000:.4f}"
    if report.action is Action.REGRIND:
        chosen = [one for one in found.ways if one.recommended]
        assert len(chosen) == 1
        smaller = [one for one in found.ways if one.step and chosen[0].step and one.step.nm < chosen[0].step.nm]
        assert not [one for one in smaller if one.possible and not one.by_word]


def test_a_score_that_leaves_a_line_takes_the_rods_to_thirty_and_the_mains_to_ten() -> None:
    """Trade case, common practice, no source: a rod journal whose score would leave a line at 0.020 goes to 0.030
    with its fellows; the mains stay at 0.010."""
    scored = worn(
        {"M2": ["2.4110"] * 8, "R2": ["2.0330"] * 8},
        seen=(look("R2", Look.SURFACE, "nail catches", "0.0070"),),
    )
    found = assess(scored)
    assert found.of("rods").headline == "regrind, 0.030 under"
    assert found.of("mains").headline == "regrind, 0.010 under"
    twenty = way(ways(scored, "rods"), "Grind, 0.020")
    assert not twenty.possible
    assert twenty.why[0].startswith("No. 2 misses by")
    alone = way(ways(scored, "rods"), "No. 2 alone 0.030 under")
    assert alone.words.endswith("the rest as they are")
    assert alone.why == ("the house keeps one size for a set",)
    mixed = scored.model_copy(update={"house_rules": HOUSE.model_copy(update={"mixed_sizes": True})})
    assert way(ways(mixed, "rods"), "No. 2 alone 0.030 under").possible


def test_the_clearance_of_a_way_is_housing_less_both_walls_less_the_journal() -> None:
    """Geometry: C = H - w_upper - w_lower - J, least with the least housing, thickest
    walls, greatest journal."""
    rods = limits(
        housing_bore=band("2.2000", "2.2005"), wall=band("0.0800", "0.0801"), clearance=band("0.0010", "0.0050")
    )
    one = relimited(worn({"R2": ["2.0345"] * 8}), rods=rods)
    ten = way(ways(one, "rods"), "Grind, 0.010")
    # Standard shells are 0.0800 to 0.0801, for 0.010 under each wall 0.005 thicker; the journal 2.0270 to 2.0278.
    # The top is capped where the worst cleans up: 2 * 2.0345 - 2.0378 - 0.0003 = 2.0309, above the band.
    assert ten.clearance == "0.0020 to 0.0035"
    leave = way(ways(relimited(worn({}), rods=rods), "rods"), "Leave")
    # The journals read 2.0376: 2.2000 - 0.1602 - 2.0376 to 2.2005 - 0.1600 - 2.0376.
    assert leave.clearance == "0.0022 to 0.0029"


def test_the_case_that_is_left_and_what_the_house_says_of_it() -> None:
    """Geometry: case left is the case less half of what comes off; 2.5 mm at 0.5 mm under leaves 2.25 mm."""
    hard = limits(
        hardening=Hardening.INDUCTION, case_depth=figure(Length(2_500_000)), least_case=figure(Length(1_000_000))
    )
    one = relimited(worn({"R2": ["2.0345"] * 8}), rods=hard)
    within = one.model_copy(
        update={"house_rules": HOUSE.model_copy(update={"hardened_crank": HardenedCrank.WITHIN_CASE})}
    )
    ten = way(ways(within, "rods"), "Grind, 0.010")
    # 2.5 mm less 0.127 mm is 2.373 mm, 0.0934 in.
    assert (ten.case_left, ten.possible, ten.by_word) == ("0.0934", True, False)
    never = way(ways(one, "rods"), "Grind, 0.010")
    assert not never.possible
    assert never.why == ("Journals induction: by the house rule a hardened crank is never ground",)


def test_shells_that_cannot_be_had_bar_a_way() -> None:
    steps = tuple(
        one.model_copy(update={"can_be_bought": one.size != inches("0.010")})
        for one in shells("0", "0.010", "0.020")
    )
    found = ways(relimited(worn({"R2": ["2.0345"] * 8}), rods=limits(shells=steps)), "rods")
    ten = way(found, "Grind, 0.010")
    assert (ten.possible, ten.can_be_had, ten.shells) == (False, False, "none to be had")
    assert way(found, "Grind, 0.020").recommended


def test_before_the_crank_is_straight_every_way_is_only_said() -> None:
    bent = crank(turned("M2", "0.009", 10), turned("M3", "0.010", 15), turned("M4", "0.004", 20), sizes=SOUND)
    for which in ("mains", "rods"):
        assert ways(bent, which).waits.startswith("Indicate the crank and crack-test it, or straighten it, first")
    straight = crank(*(turned(f"M{n}", "0", 0) for n in (2, 3, 4)), sizes=SOUND)
    assert not ways(straight, "rods").waits


def test_a_way_that_was_picked_is_the_one_recommended_no_more() -> None:
    """A person's decision stands: the ways say that it is decided."""
    one = worn({"R2": ["2.0345"] * 8})
    decided = one.model_copy(
        update={
            "decisions": (
                Decision(
                    id="d1", by="machinist", at=NOON, kind=DecisionKind.OVERRIDDEN, set="rods", action="regrind",
                    step=inches("0.020"), reason="twenties lie on the shelf",
                ),
            )
        }
    )  # fmt: skip
    found = ways(decided, "rods")
    assert found.decided
    assert way(found, "Grind, 0.020").recommended
    assert not way(found, "Grind, 0.010").recommended


def test_a_polish_that_leaves_less_than_the_gauge_can_tell_is_not_open() -> None:
    """By hand: 2.0374 less the polish of 0.0003 is 0.0001 over 2.0370, and a tenths micrometer tells no tenth."""
    near = {**SOUND, "R2": ["2.0374"] * 8}
    polish = way(ways(job(near, gauge=MICROMETER, house_rules=HOUSE), "rods"), "Polish")
    assert not polish.possible
    assert polish.why == ("No. 2 would be nearer to the limit than the gauge can tell",)
    assert way(ways(worn({"R2": ["2.0374"] * 8}), "rods"), "Polish").possible


def test_a_way_whose_clearance_would_be_outside_asks_first() -> None:
    """Geometry: C = H - w_upper - w_lower - J against the sheet's band."""
    rods = limits(
        housing_bore=band("2.2000", "2.2005"), wall=band("0.0800", "0.0801"), clearance=band("0.0060", "0.0070")
    )
    ten = way(ways(relimited(worn({"R2": ["2.0345"] * 8}), rods=rods), "rods"), "Grind, 0.010")
    assert ten.by_word
    assert any("oil clearance would be outside" in words for words in ten.why)


def test_a_bend_that_was_accepted_takes_its_share_of_the_case() -> None:
    """Geometry: case left is the case less half of what comes off, less the shift of the axis; a main that swings
    0.0030 in is moved by 0.0015."""
    hard = limits(
        "2.4135", "2.4143", hardening=Hardening.INDUCTION, case_depth=figure(inches("0.0500")),
        least_case=figure(inches("0.0400")),
    )  # fmt: skip
    house = HOUSE.model_copy(update={"hardened_crank": HardenedCrank.WITHIN_CASE})

    def left(swing: str) -> str:
        one = crank(
            turned("M2", "0", 0), turned("M3", swing, 0), turned("M4", "0", 0),
            sizes={**SOUND, "M3": ["2.4110"] * 8}, house_rules=house,
        )  # fmt: skip
        accepted = one.model_copy(
            update={
                "decisions": (
                    Decision(
                        id="d1", by="machinist", at=NOON, kind=DecisionKind.OVERRIDDEN, set="straightness",
                        action="reuse", reason="small enough",
                    ),
                )
            }
        )  # fmt: skip
        return way(ways(relimited(accepted, mains=hard), "mains"), "Grind, 0.010").case_left

    # 0.0500 less 0.0050 is 0.0450; with the axis moved by 0.0015 it is 0.0435.
    assert left("0") == "0.04500"
    assert left("0.0030") == "0.04350"
