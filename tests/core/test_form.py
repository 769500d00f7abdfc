"""Form of a journal. Outside checks: numpy least squares and FFT; cases D01 to D08."""

import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from halfthou.jobs import Plan
from halfthou.lengths import Length
from halfthou.surveys import fit_ovality, form_of, places_of
from tests.making import CASES, inches

D01 = {"1": ["2.2488", "2.2487", "2.2485", "2.2486"], "2": ["2.2486", "2.2485", "2.2482", "2.2484"]}


def spots(planes: dict[str, list[str]]) -> dict[str, Length]:
    return {
        f"{plane}{letter}": inches(text)
        for plane, texts in planes.items()
        for letter, text in zip("abcdefgh", texts, strict=False)
    }


def test_two_point_figures_of_the_case() -> None:
    """Source: cases D01, D02, D03."""
    form = form_of(spots(D01), places_of(Plan()))
    assert form.two_point is not None and form.taper is not None
    assert form.two_point.value == inches("0.0004")
    assert form.taper.value == inches("0.0003")
    assert form.least.value == inches(str(CASES["D03"]["expected"]))
    assert (form.least.spots, form.taper.spots) == (("2c",), ("1c", "2c"))


def test_fitted_ovality_of_the_case() -> None:
    """Source: case D04, checked there with numpy.fft."""
    sizes = [inches(text) for text in D01["1"]]
    found = fit_ovality((0, 45, 90, 135), sizes).ovality_nm / 25_400_000
    assert found == pytest.approx(CASES["D04"]["expected"], abs=CASES["D04"]["tol"])


journal = st.lists(st.integers(50_000_000, 50_100_000), min_size=3, max_size=8)


@given(journal)
def test_fit_at_equal_steps_is_the_second_harmonic_of_numpy_fft(values: list[int]) -> None:
    """Library: numpy.fft of the diameters over half a turn: ovality 4·|F1|/n."""
    n = len(values)
    found = fit_ovality([180 * k / n for k in range(n)], [Length(v) for v in values])
    transform = np.fft.fft(np.array(values, dtype=float))
    assert found.mean_nm == pytest.approx(transform[0].real / n, abs=0.01)
    assert found.ovality_nm == pytest.approx(4 * abs(transform[1]) / n, abs=0.01)


@given(st.lists(st.tuples(st.integers(0, 11), st.integers(50_000_000, 50_100_000)), min_size=4, max_size=8))
def test_fit_at_any_angles_is_numpy_least_squares(read: list[tuple[int, int]]) -> None:
    """Library: numpy.linalg.lstsq on 1, cos 2t, sin 2t."""
    by_angle = {15 * step: size for step, size in read}
    assume(len(by_angle) >= 3)
    angles = sorted(by_angle)
    gaps = [b - a for a, b in zip(angles, [*angles[1:], angles[0] + 180], strict=True)]
    assume(max(gaps) <= 90)
    t = np.radians(2 * np.array(angles, dtype=float))
    matrix = np.column_stack([np.ones_like(t), np.cos(t), np.sin(t)])
    values = np.array([by_angle[a] - 50_000_000 for a in angles], dtype=float)
    mean, a, b = np.linalg.lstsq(matrix, values, rcond=None)[0]
    found = fit_ovality(angles, [Length(by_angle[angle]) for angle in angles])
    assert found.mean_nm - 50_000_000 == pytest.approx(mean, abs=0.5)
    assert found.ovality_nm == pytest.approx(2 * math.hypot(a, b), abs=0.5)


@pytest.mark.parametrize(("case", "angles"), [("D05", 4), ("D06", 3), ("D07", 2)])
def test_what_two_point_readings_miss_and_the_fit_does_not(case: str, angles: int) -> None:
    """Source: cases D05 to D07: the smallest share of an ellipse's ovality that max less min shows."""
    plan = Plan(angles_deg=tuple(180 * n // angles for n in range(angles)))
    ovality = 1_000_000
    shares, fits = [], []
    for phase in (step / 2 for step in range(360)):
        sizes = {
            f"1{letter}": Length(round(50e6 + ovality / 2 * math.cos(math.radians(2 * (angle - phase)))))
            for letter, angle in zip("abcd", plan.angles_deg, strict=False)
        }
        form = form_of(sizes, places_of(plan))
        assert form.two_point is not None
        shares.append(form.two_point.value.nm / ovality)
        fits.append(form.fitted.value.nm / ovality if form.fitted else None)
    assert min(shares) == pytest.approx(CASES[case]["expected"], abs=CASES[case]["tol"])
    assert all(fit is None or fit == pytest.approx(1, abs=1e-5) for fit in fits)
    assert (fits[0] is None) == (angles == 2)


def test_a_three_lobed_journal_shows_nothing_to_diameters() -> None:
    """Source: case D08: two-point readings are blind to odd lobes."""
    radius = [25e6 + 10_000 * math.cos(math.radians(3 * t)) for t in range(360)]
    across = {t: Length(round(radius[t] + radius[t + 180])) for t in (0, 45, 90, 135)}
    sizes = dict(zip(("1a", "1b", "1c", "1d"), across.values(), strict=True))
    form = form_of(sizes, places_of(Plan()))
    assert form.two_point is not None
    assert form.two_point.value.nm == CASES["D08"]["expected"]


def test_size_found_is_the_fitted_least_where_that_is_smaller() -> None:
    """Source: docs/trade: Form of a journal. An ellipse whose narrow axis lies at 22.5 degrees, between the
    spots."""
    sizes = {
        f"1{letter}": Length(round(50e6 - 10_000 * math.cos(math.radians(2 * (angle - 22.5)))))
        for letter, angle in zip("abcd", (0, 45, 90, 135), strict=True)
    }
    form = form_of(sizes, places_of(Plan()))
    assert form.size_found < form.least.value
    assert form.size_found.nm == pytest.approx(50e6 - 10_000, abs=2)
    assert form.out_of_round_by_fit


def test_barrel_is_positive_and_hourglass_negative() -> None:
    """Source: docs/trade: Form of a journal: middle less the mean of the ends."""
    plan = Plan(planes=3)
    ends = {"1a": inches("2.0370"), "3a": inches("2.0372")}
    barrel = form_of({**ends, "2a": inches("2.0376")}, places_of(plan)).barrel
    hourglass = form_of({**ends, "2a": inches("2.0366")}, places_of(plan)).barrel
    assert barrel is not None and hourglass is not None
    assert barrel.value == inches("0.0005")
    assert hourglass.value == inches("-0.0005")


def test_too_few_readings_give_no_figure() -> None:
    form = form_of({"1a": inches("2.0370")}, places_of(Plan()))
    assert (form.two_point, form.fitted, form.taper, form.barrel) == (None, None, None, None)
    with pytest.raises(ValueError, match="three"):
        fit_ovality((0, 90), (Length(1), Length(2)))
