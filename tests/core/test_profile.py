"""The largest cylinder inside a radial profile. Outside checks: D16 to D20, shapely, scipy's linear program."""

from __future__ import annotations

import math
import random

import numpy as np
import pytest
import shapely
from scipy.optimize import linprog

from halfthou.assess import assess
from halfthou.jobs import HouseRules, Job, Reading
from halfthou.lengths import Unit
from halfthou.surveys.forms.profile import At, Axis, has_hole, largest_inside
from halfthou.verdicts import Action
from tests.conftest import examples
from tests.making import CASES, NOON, PERFECT, inches, job
from tests.straight import DIAL


def expected(case: str) -> tuple[float, float]:
    return float(CASES[case]["expected"]), float(CASES[case]["tol"])


ONE_SIDED = [At(deg, 0.0, 28.560 - 0.060 * max(0.0, math.cos(math.radians(deg))) ** 2) for deg in range(360)]
#: A true cylinder of 28.500 mm that leans 0.02 mm each way over two planes 10 mm off the middle.
LEANING = [
    At(deg, along, 28.500 + math.copysign(0.02, along) * math.cos(math.radians(deg)))
    for along in (-10.0, 10.0)
    for deg in range(0, 360, 5)
]


def test_wear_on_one_side_about_the_axis_it_has_and_one_that_is_moved() -> None:
    """Worked examples D16 to D18; library: shapely's maximum inscribed circle."""
    value, tol = expected("D16")
    assert 2 * largest_inside(ONE_SIDED, Axis.FIXED).radius == pytest.approx(value, abs=tol)
    moved = largest_inside(ONE_SIDED, Axis.MOVED)
    value, tol = expected("D17")
    assert 2 * moved.radius == pytest.approx(value, abs=tol)
    value, tol = expected("D18")
    assert moved.moved == pytest.approx(value, abs=tol)
    turns = [(at.radius, math.radians(at.deg)) for at in ONE_SIDED]
    outline = [(radius * math.cos(turn), radius * math.sin(turn)) for radius, turn in turns]
    circle = shapely.maximum_inscribed_circle(shapely.Polygon(outline), tolerance=1e-5)
    assert 2 * moved.radius == pytest.approx(2 * circle.length, abs=0.003)


def test_a_leaning_journal_cleans_up_whole_about_an_axis_that_leans_with_it() -> None:
    """Worked examples D19 and D20."""
    value, tol = expected("D19")
    assert 2 * largest_inside(LEANING, Axis.FIXED).radius == pytest.approx(value, abs=tol)
    value, tol = expected("D20")
    leans = largest_inside(LEANING, Axis.TILTED)
    assert 2 * leans.radius == pytest.approx(value, abs=tol)
    assert leans.lean_x == pytest.approx(0.002, abs=1e-6)


def by_library(profile: list[At], axis: Axis) -> float:
    """The same by scipy.optimize.linprog."""
    turn = np.radians([at.deg for at in profile])
    along = np.array([at.along for at in profile])
    columns = [np.ones(len(profile)), np.cos(turn), np.sin(turn)]
    if axis is Axis.TILTED:
        columns += [along * np.cos(turn), along * np.sin(turn)]
    matrix = np.column_stack(columns)
    least = min(at.radius for at in profile)
    found = linprog(
        [-1.0, *[0.0] * (len(columns) - 1)],
        A_ub=matrix,
        b_ub=[at.radius - least for at in profile],
        bounds=[(None, None)] * len(columns),
    )
    return least - float(found.fun)


@pytest.mark.parametrize("seed", range(examples(60)))
def test_any_worn_form_against_a_linear_program(seed: int) -> None:
    """Library: scipy.optimize.linprog, over forms worn at random, with angles left out."""
    chance = random.Random(seed)
    profile = [
        At(
            deg,
            along,
            28.5 - 0.05 * chance.random() ** 2 - 0.03 * max(0.0, math.cos(math.radians(deg - seed))) ** 2,
        )
        for along in (-8.0, 8.0)
        for deg in range(0, 360, 30)
        if chance.random() > 0.1
    ]
    for axis in (Axis.MOVED, Axis.TILTED):
        found = largest_inside(profile, axis)
        assert found.radius == pytest.approx(by_library(profile, axis), abs=1e-7)
        for at in profile:
            x, y = found.x + at.along * found.lean_x, found.y + at.along * found.lean_y
            turn = math.radians(at.deg)
            assert found.radius + x * math.cos(turn) + y * math.sin(turn) <= at.radius + 1e-7


@pytest.mark.parametrize("seed", range(examples(30)))
def test_a_form_read_to_a_hundredth_with_many_places_alike(seed: int) -> None:
    """Library: scipy.optimize.linprog; a dial's graduations leave many places at one height."""
    chance = random.Random(seed)
    worn = 0.05 * chance.choice((0, 1))
    profile = [
        At(deg, along, round(28.5 - worn * max(0.0, math.cos(math.radians(deg - seed * 7))) ** 2, 2))
        for along in (-0.5, 0.5)
        for deg in range(0, 360, 30)
    ]
    for axis in (Axis.MOVED, Axis.TILTED):
        assert largest_inside(profile, axis).radius == pytest.approx(by_library(profile, axis), abs=1e-7)


def test_more_freedom_never_leaves_less() -> None:
    """Geometry."""
    sizes = [largest_inside(LEANING, axis).radius for axis in Axis]
    assert sizes == sorted(sizes)


def test_a_profile_with_a_hole_is_told() -> None:
    assert not has_hole(range(0, 360, 30))
    assert has_hole([deg for deg in range(0, 360, 30) if not 100 < deg < 200])
    assert has_hole([])


def worn_pin(*, profile: bool, keep_axis: bool = True, hole: bool = False) -> Job:
    """A rod journal of 2.0378 worn by 0.0040 on one side: its diameters are that much smaller across the wear."""
    turns = {"a": 0, "b": 45, "c": 90, "d": 135}
    sizes = [f"{2.0378 - 0.0040 * math.cos(math.radians(deg)) ** 2:.6f}" for _ in "12" for deg in turns.values()]
    one = job({"R2": sizes}, gauge=PERFECT, house_rules=HouseRules(spread_k=0, keep_axis=keep_axis))
    rows = tuple(
        Reading(
            id=f"p.{plane}-{deg}", part="R2", feature="profile", spot=f"{plane}-{deg}", typed="as simulated",
            count=round(-inches("0.0040").nm * max(0.0, math.cos(math.radians(deg))) ** 2), unit=Unit.INCH,
            gauge=DIAL.id, by="bench", at=NOON,
        )
        for plane in (1, 2)
        for deg in range(0, 360, 30)
        if profile and not (hole and 100 < deg < 250)
    )  # fmt: skip
    return one.model_copy(update={"readings": (*one.readings, *rows), "gauges": (*one.gauges, DIAL)})


def cleans_up(one: Job) -> tuple[float, float]:
    shown = assess(one).part("R2").clean_up
    assert shown is not None
    return shown.sure.nm / 25.4e6, shown.possible.nm / 25.4e6


def test_a_profile_tells_what_diameters_leave_open() -> None:
    """Geometry: worn by 0.0040 on one side, twice that comes off about the axis; about one moved by half of the
    wear once that, as in cases D16 and D17. Diameters alone leave all between."""
    sure, possible = cleans_up(worn_pin(profile=False))
    assert sure == pytest.approx(2.0378 - 0.0080, abs=2e-6)
    assert possible == pytest.approx(2.0378 - 0.0040, abs=2e-6)
    by_profile = cleans_up(worn_pin(profile=True))
    assert by_profile[0] == pytest.approx(2.0378 - 0.0080, abs=2e-4)
    assert by_profile[1] == pytest.approx(2.0378 - 0.0040, abs=2e-4)
    moved = cleans_up(worn_pin(profile=True, keep_axis=False))
    assert moved[0] == pytest.approx(2.0378 - 0.0040, abs=2e-4)


def test_a_house_that_moves_the_axis_keeps_more_by_a_profile() -> None:
    """House rule, both schools: the axis it has, or one moved to where it saves the journal."""
    kept, moved = (assess(worn_pin(profile=True, keep_axis=keep)).part("R2") for keep in (True, False))
    assert kept.own_action is Action.REGRIND
    said = next(one.text for one in kept.reasons if one.rule == "surveys.profile")
    assert said.startswith("By its profile it cleans up at")
    assert "with the axis moved by" in said
    assert kept.clean_up is not None
    assert moved.clean_up is not None
    assert moved.clean_up.sure.nm > kept.clean_up.sure.nm


def test_a_profile_with_a_hole_counts_for_nothing_and_says_so() -> None:
    found = assess(worn_pin(profile=True, hole=True)).part("R2")
    assert cleans_up(worn_pin(profile=True, hole=True)) == cleans_up(worn_pin(profile=False))
    assert any("has a hole" in one.text for one in found.reasons)
