"""Exact lengths. Outside check: pint's definition of the inch; Python's fractions."""

from fractions import Fraction
from typing import Any

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from halfthou.lengths import Length, Notation, Unit, middle, read_length
from tests.making import CASES, inches, mm

units: Any = pint.UnitRegistry(non_int_type=Fraction)


@given(st.integers(0, 59_999))
def test_every_four_decimal_inch_reading_is_the_whole_nanometre_pint_says(tenths: int) -> None:
    """Library: pint with exact fractions, inch to nanometre."""
    text = f"{tenths // 10_000}.{tenths % 10_000:04d}"
    says = units.Quantity(Fraction(text), "inch").to("nanometer").magnitude
    found = read_length(text, Unit.INCH) if tenths else None
    assert found is None or found.length.nm == says  # type: ignore[union-attr]


@given(st.integers(1, 200_000))
def test_every_three_decimal_millimetre_reading_is_whole_nanometres(micrometres: int) -> None:
    text = f"{micrometres // 1000}.{micrometres % 1000:03d}"
    says = units.Quantity(Fraction(text), "millimeter").to("nanometer").magnitude
    assert read_length(text, Unit.MM).length.nm == says  # type: ignore[union-attr]


@pytest.mark.parametrize(
    ("case", "text"),
    [
        ("A01", "1 in"),
        ("A02", "2.2485 in"),
        ("A03", "0.00005 in"),
        ("A05", "0.000005 in"),
        ("A06", "1/64 in"),
        ("A08", "2-1/4 in"),
    ],
)
def test_conversions(case: str, text: str) -> None:
    """Source: tests/cases/cases.json, A01 against NIST SP 811 (recalled)."""
    found = read_length(text, Unit.MM)
    assert found.length.nm == CASES[case]["expected"]  # type: ignore[union-attr]
    assert found.exact  # type: ignore[union-attr]


@pytest.mark.parametrize(("text", "nm"), [("0.000001 in", 25), ("1/128 in", 198_438), ("-1/128 in", -198_438)])
def test_what_is_no_whole_nanometre_is_rounded_half_away_and_flagged(text: str, nm: int) -> None:
    """Source: cases A04 and A07, 25.4 and 198437.5 nm; rounding by A2."""
    found = read_length(text, Unit.INCH)
    assert (found.length.nm, found.exact) == (nm, False)  # type: ignore[union-attr]


def test_lengths_compare_and_add_exactly() -> None:
    limit, reading = inches("2.0362"), inches("2.0362")
    assert reading >= limit and not reading > limit and reading <= limit
    assert reading - limit == Length(0)
    assert -(Length(5) + Length(2)) * 2 == Length(-14)
    assert abs(Length(-3)) == Length(3)
    assert middle(Length(3), Length(6)) == Length(4)


def test_a_document_holds_whole_nanometres_only() -> None:
    adapter = TypeAdapter(Length)
    assert adapter.validate_json("2540") == Length(2540)
    assert adapter.dump_json(Length(2540)) == b"2540"
    for wrong in ("25.4", '"2540"', "true", "null"):
        with pytest.raises(ValidationError):
            adapter.validate_json(wrong)


@pytest.mark.parametrize(("case", "text"), [("A14", "2.2483 in"), ("A15", "2.2493 in")])
def test_converted_limits_are_rounded_inward(case: str, text: str) -> None:
    """Source: cases A14, A15; ISO 370 practice, recalled."""
    limit = read_length(text, Unit.MM).length  # type: ignore[union-attr]
    say = Notation.usual(Unit.MM)
    shown = say.at_least(limit) if case == "A14" else say.at_most(limit)
    assert float(shown) == pytest.approx(CASES[case]["expected"], abs=1e-9)


@given(st.integers(-10_000_000, 10_000_000_000), st.sampled_from(list(Unit)), st.integers(2, 6))
def test_showing_rounds_half_away_from_zero_as_fractions_do(nm: int, unit: Unit, decimals: int) -> None:
    """Outside: Python's fractions and integer arithmetic."""
    say = Notation(unit, decimals)
    exact = Fraction(nm, 25_400_000 if unit is Unit.INCH else 1_000_000) * 10**decimals
    ticks = int(abs(exact) + Fraction(1, 2)) * (-1 if exact < 0 else 1)
    assert Fraction(say.text(Length(nm))) * 10**decimals == ticks
    least, most = say.at_least(Length(nm)), say.at_most(Length(nm))
    finer, coarser = (10 ** (len(shown.split(".")[1]) - decimals) for shown in (least, most))
    assert Fraction(least) * 10**decimals * finer == -((-exact * finer) // 1)
    assert Fraction(most) * 10**decimals * coarser == exact * coarser // 1


@given(st.integers(1, 10_000_000), st.sampled_from(list(Unit)))
def test_a_limit_shown_in_another_unit_stays_within_a_hundredth_of_itself_or_gets_a_digit_more(
    nm: int, unit: Unit
) -> None:
    """0.005 mm was "0.0001" in inch: half of itself. Arithmetic with fractions."""
    per_unit = 25_400_000 if unit is Unit.INCH else 1_000_000
    usual = 4 if unit is Unit.INCH else 3
    shown = Notation.usual(unit).at_most(Length(nm))
    lost = 1 - Fraction(shown) * per_unit / nm
    assert lost <= Fraction(1, 100) or len(shown.split(".")[1]) == usual + 1


def test_a_tie_shows_away_from_zero() -> None:
    """Source: case A17."""
    assert float(Notation.usual(Unit.INCH).text(Length(3810))) == CASES["A17"]["expected"]


@pytest.mark.parametrize(
    ("length", "unit", "words"),
    [
        (inches("0.010"), Unit.INCH, "0.010"),
        (mm("0.25"), Unit.MM, "0.25"),
        (mm("0.25"), Unit.INCH, "0.25 mm"),
        (inches("0.020"), Unit.MM, "0.020 in"),
    ],
)
def test_a_step_keeps_the_name_it_is_sold_under(length: Length, unit: Unit, words: str) -> None:
    """Source: docs/trade: Showing sizes: 0.010 in and 0.25 mm are not the same step."""
    assert Notation.usual(unit).undersize(length) == words


def test_an_inch_set_and_a_metric_set_differ() -> None:
    """Source: case E13: 0.010 in less 0.25 mm is 0.004 mm."""
    assert (inches("0.010") - mm("0.25")).nm == -round(CASES["E13"]["expected"] * 1e6)
