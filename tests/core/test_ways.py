"""The ways on for the journals of a crank, against what is worked out by hand for every step."""

from __future__ import annotations

import cmath
import math
import random
from datetime import timedelta
from typing import Any

import pytest
from pydantic import ValidationError

from halfthou.amounts import Quantity
from halfthou.assess import assess, judge
from halfthou.jobs import (
    AmountBand,
    Decision,
    DecisionKind,
    HardenedCrank,
    Hardening,
    HouseRules,
    Job,
    Look,
    OtherSize,
    Rotation,
)
from halfthou.lengths import Length
from halfthou.parts import CATALOGUE, SetVerdict, faults_of_job, ways_shown
from halfthou.parts.journals.crank import tilt_at
from halfthou.parts.journals.followed import throw_moved
from halfthou.report import WayOnShown, WaysShown
from halfthou.surveys import Offset
from halfthou.verdicts import Action
from tests.conftest import examples
from tests.making import (
    CASES,
    MAKER,
    MICROMETER,
    NOON,
    PERFECT,
    band,
    figure,
    inches,
    job,
    limits,
    look,
    readings,
    relimited,
    shells,
)
from tests.straight import crank, total, turned

HOUSE = HouseRules(spread_k=0)
SOUND = {**{f"M{n}": ["2.4140"] * 8 for n in range(1, 6)}, **{f"R{n}": ["2.0376"] * 8 for n in range(1, 5)}}


def ways(one: Job, which: str) -> WaysShown:
    """The ways on for a set of a job."""
    judged = judge(one)
    decided = judged.decided[which]
    assert isinstance(decided, SetVerdict)
    return ways_shown(judged.given, decided, judged.accepted(which))


def way(found: WaysShown, words: str) -> WayOnShown:
    """The way that begins with these words."""
    return next(one for one in found.ways if one.words.startswith(words))


def worn(sizes: dict[str, list[str]], **more: Any) -> Job:
    """A crank with a gauge that has no doubt, of a house without spread."""
    return job({**SOUND, **sizes}, gauge=PERFECT, house_rules=more.pop("house_rules", HOUSE), **more)


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


def mixed_house(one: Job) -> Job:
    """The same job in a house that lets journals of one set differ."""
    return one.model_copy(update={"house_rules": one.house_rules.model_copy(update={"mixed_sizes": True})})


def decided_so(one: Job, **more: Any) -> Job:
    """The job with a person's decision to grind its rods."""
    decision = Decision(
        id="d1", kind=DecisionKind.OVERRIDDEN, set="rods", action="regrind", reason="as the owner asked",
        by="owner", at=NOON + timedelta(hours=1), **more,
    )  # fmt: skip
    return one.model_copy(update={"decisions": (decision,)})


def test_one_journal_alone_is_decided_ground_ordered_and_settled_by_itself() -> None:
    """Common practice, no source: one scored pin alone a size down, shells to suit each journal."""
    one = mixed_house(worn({"R2": ["2.0330"] * 8}, seen=(look("R2", Look.SURFACE, "nail catches", "0.0070"),)))
    alone = way(ways(one, "rods"), "No. 2 alone 0.030 under, the rest as they are")
    assert alone.possible
    # 2 * 2.0330 - 2.0378 - 0.0140 = 2.0142 by the score, the polish 0.0003 less, and 2.0070 is the least at 0.030.
    assert alone.to_spare.startswith("0.00")
    picked = decided_so(one, step=inches("0"), others=(OtherSize(part="R2", step=inches("0.030")),))
    found = assess(picked)
    rods = found.of("rods")
    assert rods.headline == "decided: regrind, No. 2 alone 0.030 under, the rest as they are"
    assert rods.finished_band == "2.0070 to 2.0078"
    assert [(one.count, one.words, one.parts) for one in rods.to_order] == [
        (3, "standard", ("No. 1", "No. 3", "No. 4")),
        (1, "0.030 under", ("No. 2",)),
    ]
    assert found.part("R2").headline == "Regrind, 0.030 under"
    assert found.part("R1").headline == "Reuse"
    assert way(ways(picked, "rods"), "No. 2 alone").recommended
    assert not way(ways(picked, "rods"), "Grind, 0.030").recommended


def test_a_size_for_a_journal_of_another_set_is_refused() -> None:
    picked = decided_so(worn({}), step=inches("0"), others=(OtherSize(part="M2", step=inches("0.030")),))
    assert faults_of_job(picked, CATALOGUE) == ("decision d1 gives a size to M2, which is none of the rods",)
    with pytest.raises(ValidationError, match="belong to a size decided otherwise"):
        decided_so(worn({}), others=(OtherSize(part="R2", step=inches("0.030")),))


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


def test_a_decision_does_not_deal_with_a_journal_that_needs_more_where_it_stands() -> None:
    """Common practice, no source: ground as decided and still beyond, or found worn after it: decided again."""
    ground = {f"R{n}": ["2.0276"] * 8 for n in (1, 2, 4)}
    small = decided_so(worn({**ground, "R3": ["2.0262"] * 8}), step=inches("0.010"))
    good = decided_so(worn({**ground, "R3": ["2.0276"] * 8}), step=inches("0.010"))
    for one, whole in ((small, False), (good, True)):
        found = assess(one)
        assert found.whole == whole
        assert any("Decide again" in reason.text for reason in found.of("rods").reasons) != whole
    assert assess(small).part("R3").action is Action.REFER
    # One alone was decided on, and then another is read beyond its limit.
    worse = mixed_house(worn({"R2": ["2.0330"] * 8, "R4": ["2.0335"] * 8}))
    alone = decided_so(worse, step=inches("0"), others=(OtherSize(part="R2", step=inches("0.010")),))
    assert assess(alone).part("R4").action is Action.REFER
    assert not assess(alone).whole


def test_only_rod_journals_follow_a_bend() -> None:
    follows = decided_so(worn({}), step=inches("0.010"), follows=True).decisions[0]
    of_mains = worn({}).model_copy(update={"decisions": (follows.model_copy(update={"set": "mains"}),)})
    assert faults_of_job(of_mains, CATALOGUE) == (
        "decision d1 follows the bend of the mains: only rod journals are ground so",
    )
