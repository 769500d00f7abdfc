"""The crank indicated: bend by the first harmonic, neighbours as vectors, what waits for a straight crank."""

from __future__ import annotations

import math
import random
from datetime import timedelta
from itertools import pairwise

import numpy
import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.assess import assess
from halfthou.jobs import BentCrank, Decision, HouseRules, Job, Look, Material, Operation, OperationKind
from halfthou.parts import CATALOGUE
from halfthou.report import Assessment, PartReport
from halfthou.surveys import fit_swing
from halfthou.verdicts import Action, Called
from halfthou.words import questions_of_sheet
from tests.making import CASES, GOOD_ENGINE, NOON, inches, look
from tests.straight import CENTRES, TENTHS, allowed, at, crank, total, turned

STRAIGHT = (turned("M2", "0.0006", 40), turned("M3", "0.0008", 60), turned("M4", "0.0005", 90))


def place(found: Assessment, main: str) -> PartReport:
    return found.part(f"run-out-{main}")


def figures(found: Assessment, main: str) -> dict[str, tuple[str, Called]]:
    return {one.key: (one.value.text, one.called) for one in place(found, main).figures}


def swing(found: Assessment, main: str, key: str) -> float:
    """A figure in inches, to the nanometre."""
    return next(one.value.nm for one in place(found, main).figures if one.key == key) / 25_400_000


def test_the_bend_is_the_first_harmonic() -> None:
    """Worked example D11: eight indicator readings in inches, by least squares with numpy.linalg.lstsq there."""
    case = CASES["D11"]
    heights = [inches(str(value)).nm for value in case["inputs"]]
    found = fit_swing({str(n): (45.0 * n, height) for n, height in enumerate(heights)})
    assert found is not None
    assert found.offset.length / 25_400_000 == pytest.approx(case["expected"], abs=1e-8)
    # D12: the plain total reading, half of it.
    assert found.total_nm / 2 / 25_400_000 == pytest.approx(CASES["D12"]["expected"])


ANGLES = st.lists(st.integers(0, 23), min_size=4, max_size=12, unique=True)


@given(ANGLES, st.integers(0, 10_000))
def test_uneven_angles_are_fitted_as_numpy_fits_them(steps: list[int], seed: int) -> None:
    """Against numpy.linalg.lstsq, with and without the ellipse, at any angles of 15 degrees."""
    chance = random.Random(seed)
    read = {str(n): (15.0 * step, chance.randrange(-60_000, 60_000)) for n, step in enumerate(sorted(steps))}
    found = fit_swing(read)
    turns = numpy.radians([angle for angle, _ in read.values()])
    gaps = numpy.diff(numpy.append(turns, turns[0] + math.tau))
    if gaps.max() > math.radians(120) + 1e-9:
        assert found is None
        return
    assert found is not None
    columns = [numpy.ones_like(turns), numpy.cos(turns), numpy.sin(turns)]
    if found.oval_nm is not None:
        columns += [numpy.cos(2 * turns), numpy.sin(2 * turns)]
    fit, *_ = numpy.linalg.lstsq(numpy.column_stack(columns), [height for _, height in read.values()], rcond=None)
    assert found.offset == pytest.approx((fit[1], fit[2]), abs=1e-3)
    moved = sum(
        weight[0] * height for weight, (_, height) in zip(found.weights.values(), read.values(), strict=True)
    )
    assert moved == pytest.approx(found.offset.x, abs=1e-3)


@pytest.mark.parametrize("high", [0.0, 33.0, 210.0])
def test_ovality_is_left_out_of_the_bend_and_shown(high: float) -> None:
    """Geometry, as in case D10: an oval journal adds up to half its ovality to the dial's swing; not here."""
    found = assess(crank(turned("M3", "0.0042", high, oval="0.0006"), *STRAIGHT[::2], sizes=GOOD_ENGINE))
    assert figures(found, "M3")["run-out"] == ("0.00420", Called.BEYOND)
    said = next(one.text for one in place(found, "M3").reasons if one.rule == "straightness.first-harmonic")
    assert "0.00060 out of round" in said
    assert f"high at {high:.0f}°" in said


def test_neighbours_bent_to_opposite_sides_add_up() -> None:
    """Worked example D30: 0.002 at 0 degrees beside 0.002 at 180 is 0.004, not nothing."""
    one = assess(crank(total("M2", "0.002", 0), total("M3", "0.002", 180), total("M4", "0.0005", 180)))
    assert figures(one, "M3")["adjacent"] == ("0.00400", Called.BEYOND)
    assert CASES["D30"]["expected"] == 0.004
    other = assess(crank(total("M2", "0.002", 0), total("M3", "0.002", 0), total("M4", "0.0015", 0)))
    assert figures(other, "M3")["adjacent"] == ("0.00000", Called.WITHIN)


def test_a_side_that_was_not_read_accepts_by_the_sum_and_rejects_by_the_difference() -> None:
    """Geometry: the triangle inequality. Between them nothing is called, and the high side is asked for."""

    def against(second: str) -> tuple[str, Called]:
        found = assess(crank(total("M2", "0.0004"), total("M3", second), total("M4", "0.0001")))
        return figures(found, "M3")["adjacent"]

    assert against("0.0005") == ("0.00090", Called.WITHIN)
    assert against("0.0016") == ("0.00120", Called.BEYOND)
    assert against("0.0010") == ("0.00140", Called.TOO_CLOSE)
    found = assess(crank(total("M2", "0.0004"), total("M3", "0.0010"), total("M4", "0.0001"), sizes=GOOD_ENGINE))
    assert place(found, "M3").action is Action.MEASURE
    assert any(one.rule == "straightness.high-side" for one in place(found, "M3").reasons)


@given(st.integers(0, 10_000))
def test_a_simulated_shaft_is_found_as_it_was_bent(seed: int) -> None:
    """Simulated: every main off the line and oval as it likes, between centres that are off themselves. What
    the dial shows is worked out from circles; the shaft about its end mains comes back as it was made."""
    chance = random.Random(seed)
    swings = [(chance.uniform(0, 0.003), chance.uniform(0, 360)) for _ in range(5)]
    mains = [f"M{n}" for n in range(1, 6)]
    read = [
        turned(main, f"{far:.5f}", round(high), oval=f"{chance.uniform(0, 0.001):.5f}")
        for main, (far, high) in zip(mains, swings, strict=True)
    ]
    found = assess(crank(*read, supports=CENTRES, limits=allowed("0.002", "0.001")))
    lies = [
        numpy.array([math.cos(math.radians(round(high))), math.sin(math.radians(round(high)))]) * round(far, 5) / 2
        for far, high in swings
    ]
    true = [offset - (lies[0] + (lies[4] - lies[0]) * n / 4) for n, offset in enumerate(lies)]
    for n in (1, 2, 3):
        assert swing(found, mains[n], "run-out") == pytest.approx(2 * numpy.linalg.norm(true[n]), abs=2e-7)
    for n, (before, here) in enumerate(pairwise(true), 1):
        against = 2 * numpy.linalg.norm(here - before)
        assert swing(found, mains[n], "adjacent") == pytest.approx(against, abs=2e-7)


def test_nothing_goes_back_before_the_crank_is_straight() -> None:
    """Common practice, no source: straighten first, then grind."""
    good = assess(crank(*STRAIGHT, sizes=GOOD_ENGINE))
    assert good.of("straightness").action is Action.REUSE
    assert good.of("mains").action is Action.REUSE
    assert good.whole
    for read in ((), STRAIGHT[:2], (*STRAIGHT[:2], turned("M4", "0.0100", 0))):
        found = assess(crank(*read, sizes=GOOD_ENGINE))
        assert found.of("straightness").action is not Action.REUSE
        for one in ("mains", "rods"):
            assert found.of(one).action is not Action.REUSE
            assert not found.of(one).can_be_accepted
            assert not found.of(one).finished
        assert not found.whole


def test_a_worn_bent_crank_is_not_ground_before_it_is_straight() -> None:
    """Trade case, common practice: out by 0.009 and 0.010 at two mains, straightened before it is ground."""
    worn = {**GOOD_ENGINE, "R2": ["2.0340"] * 8}
    found = assess(crank(turned("M2", "0.009", 10), turned("M3", "0.010", 15), STRAIGHT[2], sizes=worn))
    assert found.of("straightness").action is Action.STRAIGHTEN
    assert found.of("rods").action is Action.REGRIND
    assert not found.of("rods").finished
    assert not found.of("rods").can_be_accepted
    straight = assess(crank(*STRAIGHT, sizes=worn))
    assert straight.of("rods").action is Action.REGRIND
    assert straight.of("rods").finished


BENT = (turned("M2", "0.0040", 10), turned("M3", "0.0050", 15), turned("M4", "0.0030", 20))


@pytest.mark.parametrize(
    ("made", "action"),
    [
        ({}, Action.STRAIGHTEN),
        ({"made of": "cast steel"}, Action.STRAIGHTEN),
        ({"made of": "nodular iron"}, Action.REFER),
        ({"made of": "grey cast iron"}, Action.REFER),
        ({"fillets": "rolled"}, Action.REFER),
    ],
)
def test_what_may_be_pressed(made: dict[str, str], action: Action) -> None:
    """From memory, heat-treatment literature: never cast iron, nor rolled fillets."""
    assert assess(crank(*BENT, limits=allowed(**made))).of("straightness").action is action


def test_a_crank_called_iron_anywhere_on_its_sheet_is_not_pressed_and_the_sheet_is_asked() -> None:
    """From memory: a nodular crank is not pressed; two words for its metal are one too many."""
    bent = crank(*BENT)
    iron = bent.limits.model_copy(update={"crank_material": Material.NODULAR_IRON})
    found = assess(bent.model_copy(update={"limits": iron})).of("straightness")
    assert found.action is Action.REFER
    asked = {one.where for one in questions_of_sheet(iron, CATALOGUE)}
    assert asked - {one.where for one in questions_of_sheet(bent.limits, CATALOGUE)} == {"straightness.made of"}


@pytest.mark.parametrize("missing", ["made of", "fillets"])
def test_what_is_not_known_of_a_bent_crank_is_asked(missing: str) -> None:
    limits = allowed()
    less = limits.model_copy(update={"made": {key: said for key, said in limits.made.items() if key != missing}})
    found = assess(crank(*BENT, limits=less)).of("straightness")
    assert found.action is Action.MEASURE
    assert not found.can_be_accepted
    assert any("say on the sheet" in one.text for one in found.reasons)


def test_a_house_that_straightens_none_replaces_it() -> None:
    found = assess(crank(*BENT, house_rules=HouseRules(spread_k=0, bent_crank=BentCrank.REPLACE)))
    assert found.of("straightness").action is Action.REPLACE


def overruled(job: Job) -> Job:
    decided = Decision(
        id="d1",
        kind="overridden",
        set="straightness",
        action="reuse",
        reason="a tractor, slow",
        by="owner",
        at=NOON,
    )
    return job.model_copy(update={"decisions": (*job.decisions, decided)})


def test_a_crank_that_is_bent_and_goes_takes_its_journals_along() -> None:
    """Common practice, no source: the crank is one part. Nothing is ground or ordered for one that is replaced."""
    house = HouseRules(spread_k=0, bent_crank=BentCrank.REPLACE)
    worn = {**GOOD_ENGINE, "R2": ["2.0340"] * 8}
    found = assess(crank(*BENT, sizes=worn, house_rules=house))
    for one in ("straightness", "mains", "rods"):
        assert found.of(one).action is Action.REPLACE
        assert found.of(one).to_order == ()
    assert found.whole


def test_nothing_is_called_bent_that_was_not_indicated() -> None:
    """A sheet that does not say how the crank is made asks only once it is bent."""
    limits = allowed().model_copy(update={"made": {}})
    assert assess(crank(limits=limits)).of("straightness").headline == "measure"
    assert assess(crank(*BENT, limits=limits)).of("straightness").headline == "bent: say how it is made"


def test_what_waits_for_the_crank_says_what_comes_first() -> None:
    found = assess(crank(*BENT, sizes=GOOD_ENGINE))
    assert found.of("mains").headline == "straightness first"
    assert found.part("M2").headline == "Straightness first"


def test_an_accepted_bend_comes_off_what_cleans_up() -> None:
    """Geometry, as in case D21: a main loses its total reading, a pin twice the bend between its mains."""
    worn = {**GOOD_ENGINE, "M3": ["2.4110"] * 8, "R2": ["2.0340"] * 8}
    plain = assess(crank(*STRAIGHT[:1], turned("M3", "0", 0), turned("M4", "0", 0), sizes=worn))
    bent = assess(
        overruled(crank(turned("M2", "0.0010", 0), turned("M3", "0.0030", 0), turned("M4", "0", 0), sizes=worn))
    )
    assert bent.of("straightness").headline == "bend accepted"

    def cleans_up(found: Assessment, journal: str) -> int:
        shown = found.part(journal).clean_up
        assert shown is not None
        return shown.sure.nm

    assert cleans_up(plain, "M3") - cleans_up(bent, "M3") == pytest.approx(inches("0.0030").nm, abs=1)
    straight = assess(crank(turned("M2", "0", 0), turned("M3", "0", 0), turned("M4", "0", 0), sizes=worn))
    # R2 lies between M2 and M3: half of 0.0010 and 0.0030.
    assert cleans_up(straight, "R2") - cleans_up(bent, "R2") == pytest.approx(inches("0.0020").nm, abs=1)


def test_a_bend_that_nobody_knows_is_not_accepted_by_a_word() -> None:
    for unknown in (crank(sizes=GOOD_ENGINE), crank(*STRAIGHT[:2], sizes=GOOD_ENGINE)):
        found = assess(overruled(unknown))
        assert not found.of("mains").can_be_accepted
        assert not found.whole
    bent = assess(overruled(crank(*BENT, sizes=GOOD_ENGINE)))
    assert bent.of("mains").can_be_accepted


def test_how_a_limit_is_given_decides_or_is_asked() -> None:
    """Geometry: a total reading is twice the bend. Of 0.002, 0.0015 is within and 0.005 beyond either way."""

    def called(swing: str, said: str | None) -> Called | None:
        limits = allowed("0.002", None)
        made = {key: value for key, value in limits.made.items() if key != "given as"}
        limits = limits.model_copy(update={"made": made if said is None else {**made, "given as": said}})
        found = assess(crank(turned("M2", "0", 0), turned("M3", swing, 0), turned("M4", "0", 0), limits=limits))
        return figures(found, "M3")["run-out"][1] if "run-out" in figures(found, "M3") else None

    bend = "bend, half of the total reading"
    assert called("0.0015", None) is Called.WITHIN
    assert called("0.0050", None) is Called.BEYOND
    assert called("0.0030", None) is None
    assert called("0.0030", bend) is Called.WITHIN
    assert called("0.0030", "total reading of the dial") is Called.BEYOND


def test_a_dial_that_reads_tenths_leaves_doubt_at_the_limit() -> None:
    near = assess(crank(turned("M2", "0", 0), turned("M3", "0.00198", 0, gauge=TENTHS), turned("M4", "0", 0)))
    assert figures(near, "M3")["run-out"][1] is Called.TOO_CLOSE


def test_after_the_press_it_stands_overnight_and_everything_is_read_again() -> None:
    """Common practice, no source: indicated after straightening, again from 8 hours after; crack-tested."""
    pressed = Operation(
        id="op", kind=OperationKind.STRAIGHTEN, on="crank", by="bench", at=NOON + timedelta(hours=1)
    )
    bent = crank(*BENT, sizes=GOOD_ENGINE)
    stale = assess(bent.model_copy(update={"operations": (pressed,)}))
    assert stale.of("straightness").action is Action.MEASURE
    assert len(stale.of("straightness").awaiting) == 3

    def read_again(hours: float) -> Job:
        when = pressed.at + timedelta(hours=hours)
        more = [one for each in STRAIGHT for one in at(each, when, "again")]
        return bent.model_copy(update={"operations": (pressed,), "readings": (*bent.readings, *more)})

    fresh = assess(read_again(1))
    assert fresh.of("straightness").action is Action.MEASURE
    assert any(one.rule == "straightness.stand" for one in place(fresh, "M3").reasons)
    rested = assess(read_again(9))
    assert rested.of("straightness").action is Action.REUSE
    # The journals wait for the crack test, and are stale.
    assert rested.of("mains").action is Action.MEASURE
    assert Look.CRACK_TEST in rested.part("M1").unseen
    assert Look.STRAIGHTNESS not in rested.part("M1").unseen


def test_a_word_that_it_is_true_accepts_nothing_where_it_is_indicated() -> None:
    """The eye may reject, only a figure accepts."""
    said = look("crank", Look.STRAIGHTNESS, "within the maker's run-out")
    found = assess(crank(sizes=GOOD_ENGINE, seen=(said,)))
    assert not found.of("mains").can_be_accepted
    bent = look("crank", Look.STRAIGHTNESS, "bent")
    assert assess(crank(*STRAIGHT, sizes=GOOD_ENGINE, seen=(bent,))).of("mains").action is Action.REFER
    old = assess(crank(sizes=GOOD_ENGINE, seen=(said,), sets=("mains", "rods")))
    assert old.of("mains").action is Action.REUSE


def test_too_few_angles_say_nothing() -> None:
    some = turned("M3", "0.0100", 0)[:3]
    found = assess(crank(turned("M2", "0", 0), some, turned("M4", "0", 0)))
    assert figures(found, "M3") == {}
    assert place(found, "M3").left == 5


def test_a_support_that_swings_carries_nothing_true() -> None:
    found = assess(crank(*STRAIGHT, turned("M1", "0.0012", 0)))
    assert found.of("straightness").action is Action.MEASURE
    assert any(one.rule == "straightness.supports" for one in place(found, "M1").reasons)


def test_how_it_lay_has_to_be_said() -> None:
    found = assess(crank(*STRAIGHT, supports=None))
    assert found.of("straightness").action is Action.MEASURE


def test_between_centres_the_end_mains_are_read_themselves() -> None:
    found = assess(crank(*STRAIGHT, supports=CENTRES))
    assert set(found.of("straightness").awaiting) == {"run-out-M1", "run-out-M5"}


def test_a_place_of_a_shaft_is_cautioned_as_a_shaft_and_no_piston() -> None:
    """Common practice, no source: what can hurt stands beside the work it belongs to."""
    told = {one.work for one in place(assess(crank(*BENT, sizes=GOOD_ENGINE)), "M3").cautions}
    assert {"Straightening cold", "Lifting the crank", "Crack test"} <= told
    for main in ("M1", "M2", "nose"):
        found = place(assess(crank(*STRAIGHT, sizes=GOOD_ENGINE)), main)
        assert "Pins and pistons" not in {one.work for one in found.cautions}
