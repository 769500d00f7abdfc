"""The gauge's doubt. Outside checks: the uncertainties library, scipy, the GUM's rules (recalled)."""

import math

import numpy as np
import pytest
from scipy import stats
from uncertainties import ufloat

from halfthou.gauges import difference_doubt, expanded, fitted_ovality_factor, guard_band, size_doubt
from halfthou.jobs import Gauge, Guard
from halfthou.lengths import Length, Unit
from tests.making import CASES, MICROMETER, inches


def gauge(name: str, error: int, resolution: int, repeat: int) -> Gauge:
    return Gauge(
        id=name,
        name=name,
        kind="micrometer",
        unit=Unit.MM,
        resolution=Length(resolution),
        permissible_error=Length(error),
        repeatability=Length(repeat),
    )


def test_resolution_is_a_rectangle_of_half_a_step() -> None:
    """Source: case C01; GUM F.2.2.1, recalled."""
    only = gauge("r", 0, inches("0.0001").nm, 0)
    assert size_doubt(only) / 1000 == pytest.approx(CASES["C01"]["expected"], abs=CASES["C01"]["tol"])


def test_permissible_error_is_a_rectangle() -> None:
    """Source: case C02."""
    only = gauge("e", 4000, 1, 0)
    assert size_doubt(only) / 1000 == pytest.approx(CASES["C02"]["expected"], abs=CASES["C02"]["tol"])


def test_size_doubt_is_what_uncertainties_propagates() -> None:
    """Library: uncertainties, sum of three independent contributions."""
    one = gauge("g", 5000, 1000, 700)
    true = ufloat(57.1e6, 0)
    says = true + ufloat(0, 5000 / math.sqrt(3)) + ufloat(0, 1000 / math.sqrt(12)) + ufloat(0, 700)
    assert size_doubt(one) == pytest.approx(says.s, rel=1e-12)


def test_the_scale_error_cancels_in_a_difference_of_one_gauge() -> None:
    """Library: uncertainties with the scale error as one shared variable."""
    one = gauge("g", 5000, 1000, 700)
    scale = ufloat(0, 5000 / math.sqrt(3))
    noise = math.hypot(1000 / math.sqrt(12), 700)
    says = (57e6 + scale + ufloat(0, noise)) - (57e6 + scale + ufloat(0, noise))
    assert difference_doubt(one) == pytest.approx(says.s, rel=1e-9)


def test_an_unknown_repeatability_is_half_a_graduation() -> None:
    """Common practice, no source."""
    known = MICROMETER.model_copy(update={"repeatability": inches("0.00005")})
    assert size_doubt(MICROMETER) == size_doubt(known)


@pytest.mark.parametrize("angles", [3, 4, 6, 8])
def test_fitted_ovality_spreads_as_least_squares_says(angles: int) -> None:
    """Library: uncertainties, the ovality at an ellipse large against the noise, linearised."""
    noise = 1.0
    steps = [2 * math.pi * n / angles for n in range(angles)]
    read = [ufloat(1000 * math.cos(t), noise) for t in steps]
    a = sum(r * math.cos(t) for r, t in zip(read, steps, strict=True)) * 2 / angles
    ovality = 2 * a
    at = tuple(180 * n / angles for n in range(angles))
    assert fitted_ovality_factor(at) * math.sqrt(2) * noise == pytest.approx(ovality.s, rel=1e-9)


@pytest.mark.parametrize("angles", [(0, 15, 90), (0, 45, 90), (0, 60, 120), (0, 30, 75, 140)])
def test_angles_that_huddle_together_make_the_fit_unsure(angles: tuple[float, ...]) -> None:
    """Library: numpy.linalg, the covariance of least squares on 1, cos 2t, sin 2t; its widest direction."""
    t = np.radians(2 * np.array(angles, dtype=float))
    matrix = np.column_stack([np.ones_like(t), np.cos(t), np.sin(t)])
    widest = np.linalg.eigvalsh(np.linalg.inv(matrix.T @ matrix)[1:, 1:]).max()
    assert fitted_ovality_factor(angles) * math.sqrt(2) == pytest.approx(2 * math.sqrt(widest), rel=1e-9)


def test_the_guard_factor_is_the_one_sided_95_percent_of_the_normal() -> None:
    """Library: scipy.stats.norm; the factor is used to three decimals (docs/trade: Decision rule)."""
    assert guard_band(1_000_000.0, Guard.ONE_SIDED_95).nm == pytest.approx(
        stats.norm.ppf(0.95) * 1_000_000, rel=2e-4
    )


def test_guard_and_expanded_round_outward() -> None:
    assert guard_band(1.0, Guard.ONE_SIDED_95) == Length(2)
    assert guard_band(1.0, Guard.TWO_U) == Length(2)
    assert guard_band(1.01, Guard.TWO_U) == Length(3)
    assert expanded(0.6) == Length(2)
    assert guard_band(0.0, Guard.TWO_U) == Length(0)
