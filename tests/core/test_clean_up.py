"""Clean-up size. Outside checks: shapely's largest inscribed circle and scipy's linear programming."""

import math

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import linprog

from halfthou.lengths import Length
from halfthou.verdicts import Score, clean_up_size
from tests.making import CASES, inches

TURN = np.radians(np.arange(360))


def diameters(radius: np.ndarray) -> np.ndarray:
    """Two-point diameters of a radial profile about its axis, one a degree over half a turn."""
    across: np.ndarray = radius[:180] + radius[180:]
    return across


def free_axis(radius: np.ndarray) -> float:
    """The largest circle inside the profile, axis free, by linear programming (scipy.optimize.linprog)."""
    matrix = np.column_stack([np.ones(360), np.cos(TURN), np.sin(TURN)])
    found = linprog([-1, 0, 0], A_ub=matrix, b_ub=radius, bounds=[(None, None)] * 3)
    return float(-2 * found.fun)


def test_one_sided_wear_spans_the_published_interval() -> None:
    """Source: case D16 (axis kept) and D17 (axis free, shapely.maximum_inscribed_circle)."""
    radius = 28.560 - 0.060 * np.maximum(0, np.cos(TURN)) ** 2
    found = clean_up_size(Length(round(diameters(radius).min() * 1e6)), Length(57_120_000))
    assert found.sure.nm / 1e6 == pytest.approx(CASES["D16"]["expected"], abs=1e-5)
    assert found.possible.nm / 1e6 == pytest.approx(CASES["D17"]["expected"], abs=CASES["D17"]["tol"])
    outline = shapely.Polygon(np.column_stack([radius * np.cos(TURN), radius * np.sin(TURN)]))
    inscribed = 2 * shapely.maximum_inscribed_circle(outline, tolerance=1e-4).length
    assert inscribed == pytest.approx(found.possible.nm / 1e6, abs=0.01)


@settings(max_examples=60, deadline=None)
@given(
    st.floats(0, 0.06),
    st.floats(0, 0.06),
    st.floats(0, 2 * math.pi),
    st.floats(0, 2 * math.pi),
)
def test_the_interval_holds_every_worn_profile(one: float, oval: float, at: float, turned: float) -> None:
    """Any wear inward from the ground circle: the kept axis never cleans up below `sure`, and no circle
    inside it, on whatever axis, is larger than `possible` (a circle is no wider than the narrowest diameter)."""
    ground = 57.12
    wear = one * np.maximum(0, np.cos(TURN - at)) ** 2 + oval * np.cos(TURN - turned) ** 2
    radius = ground / 2 - wear
    found = clean_up_size(Length(math.floor(diameters(radius).min() * 1e6)), Length(57_120_000))
    assert 2 * radius.min() >= found.sure.nm / 1e6 - 2e-6
    # The program is linearised: its error is about e²/D, some 0.1 µm here (docs/trade: Clean-up).
    assert free_axis(radius) <= found.possible.nm / 1e6 + 2e-4


def test_interval_from_the_ground_size() -> None:
    """Source: case D15."""
    found = clean_up_size(inches("2.2482"), inches("2.2488"))
    assert (found.sure, found.possible) == (inches("2.2476"), inches("2.2482"))
    assert found.sure.nm / 25_400_000 == pytest.approx(CASES["D15"]["expected"], abs=1e-9)


def test_a_score_whose_place_is_known_counts_from_there() -> None:
    """Source: case D22: local diameter less twice the depth, on the kept axis, where nothing is worn."""
    found = clean_up_size(inches("2.2486"), inches("2.2486"), Score(inches("0.0035"), inches("2.2486")))
    assert found.sure.nm / 25_400_000 == pytest.approx(CASES["D22"]["expected"], abs=1e-9)
    assert found.possible == inches("2.2451")


def test_a_score_somewhere_is_taken_at_the_worst_place() -> None:
    """Source: docs/trade: Clean-up: 2·D_min - D_ref - 2s, to D_min - s."""
    found = clean_up_size(inches("2.2482"), inches("2.2488"), Score(inches("0.0010")))
    assert (found.sure, found.possible) == (inches("2.2456"), inches("2.2472"))


def test_doubt_counts_twice_at_the_sure_end() -> None:
    """Source: docs/trade: Choosing the size."""
    found = clean_up_size(inches("2.2482"), inches("2.2488")).allowing_for(
        inches("0.0003"), inches("0.0004"), inches("0.0002")
    )
    assert (found.sure, found.possible) == (inches("2.2469"), inches("2.2481"))


def test_a_tilted_cylinder_cleans_up_on_its_own_axis_and_loses_twice_its_tilt_on_the_old() -> None:
    """Source: cases D19 and D20: radius 28.5, two planes shifted 0.02 mm to either side; ground to 57.04 before."""
    planes = [28.500 + 0.020 * side * np.cos(TURN) for side in (-1, 1)]
    found = clean_up_size(Length(57_000_000), Length(57_040_000))
    assert found.sure.nm / 1e6 == pytest.approx(CASES["D19"]["expected"], abs=CASES["D19"]["tol"])
    assert found.possible.nm / 1e6 == pytest.approx(CASES["D20"]["expected"], abs=CASES["D20"]["tol"])
    assert 2 * min(plane.min() for plane in planes) == pytest.approx(CASES["D19"]["expected"])
    # Axis free to shift and tilt: one radius and, in each plane, its own centre (scipy.optimize.linprog).
    matrix = np.zeros((720, 5))
    for n, plane in enumerate(planes):
        rows = slice(360 * n, 360 * n + 360)
        matrix[rows, 0] = 1
        matrix[rows, 1 + 2 * n : 3 + 2 * n] = np.column_stack([np.cos(TURN), np.sin(TURN)])
        assert plane.shape == (360,)
    free = linprog([-1, 0, 0, 0, 0], A_ub=matrix, b_ub=np.concatenate(planes), bounds=[(None, None)] * 5)
    assert -2 * free.fun == pytest.approx(CASES["D20"]["expected"], abs=1e-6)
