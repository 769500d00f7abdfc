"""Cylinder bores. Outside checks: cases H01 to H12, miniball, shapely, linprog, brute force, uncertainties."""

from __future__ import annotations

import math

import miniball
import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import linprog
from uncertainties import ufloat

from halfthou.assess import assess, judge
from halfthou.jobs import (
    Band,
    Job,
    Look,
    Material,
    Operation,
    OperationKind,
    Seen,
    Sitting,
    Source,
    SourceKind,
)
from halfthou.lengths import Length, Notation, Unit
from halfthou.parts import BoreSet
from halfthou.parts.bores.cylinder import displaced_mm3, travel_each_turn
from halfthou.parts.bores.walls import wall_left
from halfthou.report import PartReport
from halfthou.sets import Reach, Rung, choose_one_size
from halfthou.verdicts import Action, CleanUp, Finding, clean_up_size
from tests.boring import DIAL, NEW, block, bore_limits, bore_readings, oversizes, set_on_a_ring
from tests.making import CASES, NOON, figure, inches, look, mm

H01 = ["4.0082", "4.0040", "4.0041", "4.0020", "4.0005", "4.0004"]
TURN = np.radians(np.arange(360))


def part_of(job: Job, part: str = "bore-1") -> PartReport:
    return next(one for one in assess(job).parts if one.id == part)


def figures_of(job: Job, part: str = "bore-1") -> dict[str, float]:
    return {found.key: found.value.nm / 25.4e6 for found in part_of(job, part).figures}


def decided(job: Job) -> BoreSet:
    found = judge(job).decided["bores"]
    assert isinstance(found, BoreSet)
    return found


def finding(job: Job, key: str) -> Finding:
    return next(found for found in decided(job).verdicts["bore-1"].findings if found.key == key)


def expected(case: str) -> tuple[float, float]:
    return float(CASES[case]["expected"]), float(CASES[case]["tol"])


def test_taper_out_of_round_and_wear() -> None:
    """Source: worked examples H01 to H03."""
    found = figures_of(block({1: H01, 2: NEW, 3: NEW, 4: NEW}, below={1: "4.0000"}))
    for key, case in (("taper", "H01"), ("out-of-round", "H02"), ("wear", "H03")):
        value, tol = expected(case)
        assert found[key] == pytest.approx(value, abs=tol + 1e-7)


def test_the_clean_up_interval_ends_where_all_wear_is_on_one_side() -> None:
    """Source: worked example H04."""
    verdict = decided(block({1: H01, 2: NEW, 3: NEW, 4: NEW}, below={1: "4.0000"})).verdicts["bore-1"]
    assert verdict.clean_up is not None
    value, tol = expected("H04")
    assert -verdict.clean_up.sure.nm / 25.4e6 == pytest.approx(value, abs=tol + 1e-7)
    assert -verdict.clean_up.possible == inches("4.0082")


@pytest.mark.parametrize(("clean_up", "case"), [("4.0164", "H05"), ("4.0072", "H06")])
def test_the_first_step_that_surely_cleans_up(clean_up: str, case: str) -> None:
    """Source: worked examples H05 and H06: stock 0.0025, doubt 0.0003; just reaching a step is enough."""
    known = -(inches(clean_up) + inches("0.0025") + inches("0.0003"))
    steps = tuple(Rung(inches(step), True, True) for step in ("0.010", "0.020", "0.030", "0.040"))
    reach = {"bore-1": Reach(CleanUp(known, known), Length(0), needs=True)}
    choice = choose_one_size(reach, steps, -inches("4.0000"), exactly=True)
    assert choice.sure == inches(str(CASES[case]["expected"]))


def free_axis(radius: np.ndarray) -> float:
    """The smallest circle round the profile, axis free, by linear programming (scipy.optimize.linprog)."""
    matrix = -np.column_stack([np.ones(360), np.cos(TURN), np.sin(TURN)])
    return float(2 * linprog([1, 0, 0], A_ub=matrix, b_ub=-radius, bounds=[(None, None)] * 3).fun)


def test_wear_on_one_side_with_the_axis_free_and_kept() -> None:
    """Source: worked examples H07 and H08; libraries: miniball, shapely, scipy's linear programming."""
    radius = 50.8 + 0.1 * np.maximum(0, np.cos(TURN)) ** 2
    outline = np.column_stack([radius * np.cos(TURN), radius * np.sin(TURN)])
    across = (radius[:180] + radius[180:]).max()
    found = clean_up_size(-Length(round(across * 1e6)), -Length(101_600_000))
    free, tol = expected("H07")
    assert -found.possible.nm / 1e6 == pytest.approx(free, abs=tol)
    assert -found.sure.nm / 1e6 == pytest.approx(*expected("H08")[:1], abs=1e-5)
    _, square = miniball.get_bounding_ball(outline)
    assert 2 * math.sqrt(square) == pytest.approx(free, abs=tol)
    assert 2 * shapely.minimum_bounding_radius(shapely.MultiPoint(outline)) == pytest.approx(free, abs=tol)
    assert free_axis(radius) == pytest.approx(free, abs=tol)


@settings(max_examples=60, deadline=None)
@given(st.floats(0, 0.1), st.floats(0, 0.06), st.floats(0, 6.28), st.floats(0, 6.28))
def test_the_interval_holds_every_worn_bore(one: float, oval: float, at: float, turned: float) -> None:
    """Any wear outward from a bore of 100 mm: with the axis kept it cleans up by `sure`, and no circle round it is
    smaller than `possible`. Library: miniball."""
    radius = 50 + one * np.maximum(0, np.cos(TURN - at)) ** 2 + oval * np.cos(TURN - turned) ** 2
    across = (radius[:180] + radius[180:]).max()
    found = clean_up_size(-Length(math.ceil(across * 1e6)), -Length(100_000_000))
    assert 2 * radius.max() <= -found.sure.nm / 1e6 + 2e-6
    _, square = miniball.get_bounding_ball(np.column_stack([radius * np.cos(TURN), radius * np.sin(TURN)]))
    assert 2 * math.sqrt(square) >= -found.possible.nm / 1e6 - 2e-6


blocks = st.lists(st.tuples(st.integers(0, 500_000), st.integers(0, 300_000)), min_size=1, max_size=8)
ladders = st.lists(st.tuples(st.integers(60_000, 1_600_000), st.booleans()), max_size=6, unique_by=lambda s: s[0])


@settings(max_examples=300)
@given(blocks, ladders)
def test_the_oversize_is_what_brute_force_finds(
    worn: list[tuple[int, int]], ladder: list[tuple[int, bool]]
) -> None:
    """Every oversize is tried from the smallest; the first that every bore surely reaches wins."""
    new = 101_600_000
    reaches = {
        f"bore-{n}": Reach(CleanUp(-Length(new + least + more), -Length(new + least)), Length(0), needs=True)
        for n, (least, more) in enumerate(worn, start=1)
    }
    steps = tuple(Rung(Length(k), sold, True) for k, sold in sorted(ladder))
    choice = choose_one_size(reaches, steps, -Length(new), exactly=True)
    serves = [k for k, sold in sorted(ladder) if sold and all(least + more <= k for least, more in worn)]
    assert (choice.sure.nm if choice.sure else None) == (serves[0] if serves else None)


def test_wall_left_hatch_and_displacement() -> None:
    """Source: worked examples H09, H10 (19.5 m a minute at 150 turns is 130 mm a turn), H11 and H12."""
    left = wall_left(inches("0.250"), inches("0.060"), inches("0.010"))
    assert left.nm / 25.4e6 == pytest.approx(expected("H09")[0], abs=1e-9)
    assert travel_each_turn(mm("100"), expected("H10")[0]).nm / 1e6 == pytest.approx(19_500 / 150, abs=1e-3)
    volume = displaced_mm3(inches("4.030"), inches("3.480"), 8)
    assert volume / 25.4**3 == pytest.approx(expected("H11")[0], abs=0.01)
    assert volume / 1e6 == pytest.approx(expected("H12")[0], abs=1e-4)


def dialled(*, ring_error: str, numbers: tuple[str, ...] = ("+8", "+4", "+4", "+2", "+0.5", "+0.4")) -> Job:
    """Bores read by the dial of a gauge that was set on a ring of 4.0000."""
    texts = [str(4 + float(number) / 1000) for number in numbers]
    setting = set_on_a_ring("4.0000", error=ring_error)
    read = bore_readings({1: texts, 2: NEW, 3: NEW, 4: NEW}, "4.0002", DIAL, setting=setting.id)
    return block(readings=read, checks=(setting,), gauge=DIAL)


def test_the_error_of_a_setting_is_shared_and_cancels_in_differences() -> None:
    """Library: uncertainties. The ring adds to the size, and nothing to out-of-round or taper; ISO 14253-1."""
    error = 0.0004
    without, with_ring = dialled(ring_error="0.000005"), dialled(ring_error=str(error))
    ring = ufloat(4.0, error / math.sqrt(3))
    own = finding(without, "size").doubt_nm / 25.4e6
    top, bottom = ring + ufloat(0.008, own), ring + ufloat(0.0005, own)
    assert finding(with_ring, "size").doubt_nm / 25.4e6 == pytest.approx(top.std_dev, rel=0.01)
    assert (top - bottom).std_dev == pytest.approx(math.hypot(own, own))
    for key in ("taper", "out-of-round"):
        assert finding(with_ring, key).doubt_nm == pytest.approx(finding(without, key).doubt_nm, rel=1e-6)


def test_an_aluminium_bore_read_warm_is_judged_at_20_degrees() -> None:
    """Source: worked example B01, by the way a reading really goes: 100 mm of aluminium, block and gauge at 30."""
    on = bore_limits(
        figures={
            "size": Band(
                least=mm("99.980"), most=mm("100.010"), typed="", source=Source(kind=SourceKind.MAKER)
            ),
            "service_most": figure(mm("100.100")),
            "wear": None,
        },
        made={"material": Material.CAST_ALUMINIUM.value, "coating": "none"},
        steps=oversizes("0"),
    )  # fmt: skip
    sitting = Sitting(id="warm", part_c=30, gauge_c=30, by="bench", at=NOON)
    texts = [str(Notation.usual(Unit.INCH).text(mm("100")))] * 6
    read = tuple(
        one.model_copy(update={"count": mm("100").nm, "unit": Unit.MM, "typed": "100", "sitting": "warm"})
        for one in bore_readings({1: texts, 2: texts, 3: texts, 4: texts}, "3.93701")
    )
    found = finding(block(readings=read, sittings=(sitting,), on=on), "size")
    assert found.value.nm / 1e6 == pytest.approx(expected("B01")[0], abs=2e-6)


GOOD = {1: NEW, 2: NEW, 3: NEW, 4: NEW}


def test_a_sound_block_is_never_whole_while_its_pistons_are_not_measured() -> None:
    """Common practice, no source: a bore without its piston says nothing of their clearance."""
    found = assess(block(GOOD))
    assert [one.action for one in found.sets] == [Action.REUSE] and not found.whole
    assert found.waits_for == "pistons to be measured"


COATED = look("bore-2", Look.COATING, "coated or sprayed")


@pytest.mark.parametrize(
    ("seen", "action"),
    [
        ((look("block", Look.CRACK_TEST, "crack found"),), Action.REFER),
        ((look("block", Look.PRESSURE, "leaks"),), Action.REFER),
        ((COATED, look("bore-2", Look.BORE_WALL, "scored, nail catches", "0.003")), Action.REFER),
        ((look("bore-2", Look.BORE_WALL, "scored, nail catches", "0.003"),), Action.REBORE),
        ((look("bore-2", Look.BORE_WALL, "glazed"),), Action.HONE),
    ],
)
def test_what_is_seen_overrules_what_is_read(seen: tuple[Seen, ...], action: Action) -> None:
    """Common practice, no source: a round bore that is cracked, leaking, scored or glazed is not left alone, and a
    coated one is not bored here."""
    assert assess(block(GOOD, seen=seen)).sets[0].action is action


WORN = ["4.0062", "4.0030", "4.0031", "4.0020", "4.0010", "4.0009"]


def test_one_scored_bore_sets_the_size_and_a_sleeve_is_offered_beside_it() -> None:
    """Common practice, no source: one bad bore need not cost the others a size."""
    found = assess(block({**GOOD, 3: WORN})).sets[0]
    assert (found.action, found.sets_it) == (Action.REBORE, "Bore 3")
    assert found.headline == "bore and hone, 0.020 over"
    assert any(way.words.startswith("Sleeve Bore 3 alone") for way in found.ways)


def test_a_deck_that_is_out_of_flat_is_put_right_before_money_goes_into_boring() -> None:
    """Common practice, no source: a bore is bored square to a deck that is flat; what to do is said, not a word."""
    looked = (
        look("block", Look.PRESSURE, "passed"),
        look("block", Look.CRACK_TEST, "passed"),
        look("block", Look.SQUARE, "square"),
        look("block", Look.DECK, "out of flat"),
    )
    found = assess(block({**GOOD, 3: WORN}, seen=looked)).sets[0]
    assert any("machine the deck flat" in reason.text for reason in found.reasons)
    assert not found.finished and found.to_order == ()


@pytest.mark.parametrize(
    ("by", "out", "limit", "first"),
    [
        ("straightedge and feelers", "0.0015", "0.002", ""),
        ("straightedge and feelers", "0", "0.002", ""),
        ("straightedge and feelers", "0.002", "0.002", "read the deck again, with an indicator"),
        ("straightedge and feelers", "0.0025", "0.002", "machine the deck flat"),
        ("indicator", "0.0019", "0.002", ""),
        ("indicator", "0.00195", "0.002", "read the deck again, with an indicator"),
        ("indicator", "0.0021", "0.002", "machine the deck flat"),
        ("indicator", "0.0001", None, "find the maker's limit for the deck"),
    ],
)
def test_a_measured_deck_stands_against_the_sheets_limit(by: str, out: str, limit: str | None, first: str) -> None:
    """Common practice, no source: what a feeler says is that its next leaf, half a thou more, did not go."""
    looked = (
        look("block", Look.PRESSURE, "passed"),
        look("block", Look.CRACK_TEST, "passed"),
        look("block", Look.SQUARE, "square"),
        look("block", Look.DECK, by, out),
    )
    on = bore_limits(figures={"deck_flatness": None if limit is None else figure(inches(limit))})
    found = assess(block({**GOOD, 3: WORN}, seen=looked, on=on)).sets[0]
    wanted = [reason.text for reason in found.reasons if reason.rule == "bores.before-boring"]
    assert [first in text for text in wanted] == ([True] if first else [])
    assert found.finished is (first == "")
    (deck,) = [reason.text for reason in found.reasons if reason.rule == "bores.deck"]
    assert by in deck and ("no limit" in deck) is (limit is None)


def test_a_deck_that_is_out_says_what_to_do_where_nothing_is_bored_too() -> None:
    """This program's own rule: a sentence that finds something wrong says what comes next."""
    on = bore_limits(figures={"deck_flatness": figure(inches("0.002"))})
    found = assess(block(GOOD, seen=(look("block", Look.DECK, "indicator", "0.003"),), on=on)).sets[0]
    (deck,) = [reason.text for reason in found.reasons if reason.rule == "bores.deck"]
    assert deck == "Deck 0.00300 out of flat by indicator; at most 0.00200 is allowed: machine the deck flat."


def test_a_deck_limit_by_a_rule_of_thumb_passes_no_deck() -> None:
    """This program's own rule, as for every figure (verdicts.rule-of-thumb); nothing outside."""
    thumb = figure(inches("0.002"), SourceKind.RULE_OF_THUMB)
    looked = (look("block", Look.DECK, "indicator", "0.0001"),)
    on = bore_limits(figures={"deck_flatness": thumb})
    found = assess(block({**GOOD, 3: WORN}, seen=looked, on=on)).sets[0]
    assert any("find the maker's limit for the deck" in reason.text for reason in found.reasons)


@pytest.mark.parametrize(
    ("texts", "why"),
    [
        (["4.0010", "4.0006", "4.0035", "4.0020", "4.0006", "4.0005"], "largest in the middle"),
        (["4.0010", "4.0034", "4.0006", "4.0020", "4.0004", "4.0006"], "oval the wrong way"),
        (["3.9985"] * 6, "smaller than new"),
    ],
)
def test_what_does_not_look_like_wear_is_never_passed(texts: list[str], why: str) -> None:
    """Source: docs/trade: Measuring a bore; common practice."""
    found = part_of(block({**GOOD, 1: texts}))
    assert found.action not in (Action.REUSE, Action.HONE), why


def test_deck_work_makes_bores_stale() -> None:
    """Source: docs/trade: What work makes stale."""
    work = Operation(id="deck", kind=OperationKind.DECK, on="block", by="bench", at=NOON)
    found = assess(block(GOOD, operations=(work,)))
    assert found.sets[0].action is Action.MEASURE and found.readings_taken == 0
