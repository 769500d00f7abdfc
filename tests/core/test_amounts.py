"""Weights, forces, angles and pressures: read, shown, and kept from each other and from lengths."""

from __future__ import annotations

import math
from typing import Any

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from halfthou.amounts import Force, Mass, Pressure, Quantity, amount_of, amount_text, read_amount
from halfthou.assess import assess
from halfthou.gauges import TermKind, reads_something_else
from halfthou.jobs import Guard
from halfthou.lengths import Asked, Length, Typed, Unit, Unreadable, Window, read_small
from halfthou.memo import Memo
from halfthou.surveys import survey_parts
from halfthou.verdicts import Called, FigureKind, greatest, least, summed
from tests.loosen import (
    GAUGES,
    MIC,
    SCALE,
    SOUND,
    SPRING,
    at,
    grams,
    loose,
    newtons,
    piston_limits,
    pump_limits,
    skirts,
)
from tests.making import engine_of, inches

UNITS: Any = pint.UnitRegistry()


@pytest.mark.parametrize(
    ("text", "quantity", "unit", "smallest"),
    [
        ("412.5", Quantity.MASS, "gram", "milligram"),
        ("20 oz", Quantity.MASS, "ounce", "milligram"),
        ("0.4125 kg", Quantity.MASS, "kilogram", "milligram"),
        ("45", Quantity.FORCE, "newton", "millinewton"),
        ("10 lb", Quantity.FORCE, "force_pound", "millinewton"),
        ("4.6 kg", Quantity.FORCE, "kilogram_force", "millinewton"),
        ("58 psi", Quantity.PRESSURE, "psi", "pascal"),
        ("4.00 bar", Quantity.PRESSURE, "bar", "pascal"),
    ],
)
def test_an_amount_is_what_pint_makes_of_it(text: str, quantity: Quantity, unit: str, smallest: str) -> None:
    """Library: pint."""
    found = read_amount(text, quantity)
    count = found.length.nm if isinstance(found, Typed) else found.choices[0].length.nm
    meant = (float(text.split()[0]) * UNITS(unit)).to(smallest).magnitude
    assert count == pytest.approx(meant, abs=0.51)


@pytest.mark.parametrize("text", ["20 oz", "10 lb", "4.6 kg", "58 psi"])
def test_another_unit_is_asked_about_and_never_converted_in_silence(text: str) -> None:
    quantity = {"oz": Quantity.MASS, "psi": Quantity.PRESSURE}.get(text.split()[1], Quantity.FORCE)
    assert isinstance(read_amount(text, quantity), Asked)


@pytest.mark.parametrize(
    ("text", "quantity"),
    [("3 in", Quantity.MASS), ("12 g", Quantity.FORCE), ("heavy", Quantity.MASS), ("", Quantity.ANGLE)],
)
def test_what_is_no_such_amount_is_refused_in_words(text: str, quantity: Quantity) -> None:
    with pytest.raises(Unreadable) as refused:
        read_amount(text, quantity)
    assert len(refused.value.message) > 20


@given(st.integers(0, 10**10))
def test_what_is_shown_is_within_half_its_last_digit(count: int) -> None:
    shown = float(amount_text(Quantity.MASS, count).removesuffix(" g"))
    assert abs(shown * 1000 - count) <= 50.001


def test_amounts_of_two_kinds_are_of_two_types() -> None:
    made = [
        amount_of(quantity, 5) for quantity in (Quantity.MASS, Quantity.FORCE, Quantity.PRESSURE, Quantity.LENGTH)
    ]
    assert [type(one) for one in made] == [Mass, Force, Pressure, Length]
    assert made[0] != made[1]


def test_a_weight_is_never_a_length() -> None:
    assert "weights" in reads_something_else(SCALE, Quantity.LENGTH)
    assert "lengths" in reads_something_else(MIC, Quantity.FORCE)
    assert not reads_something_else(SPRING, Quantity.FORCE)
    weighed = at("piston-1", "weight", "412500", gauge=SCALE)
    wrong = tuple(one.model_copy(update={"feature": "skirt", "id": "wrong"}) for one in weighed)
    report = assess(loose(wrong, seen=SOUND)).part("piston-1")
    assert report.features[0].spots[0].current is None
    assert "weights, not lengths" in report.features[0].spots[0].aside[0].why
    assert report.action == "measure"


def test_a_weight_is_judged_in_grams_with_its_own_doubt() -> None:
    coarse = SCALE.model_copy(update={"id": "coarse", "weighs": SCALE.weighs and SCALE.weighs.model_copy(
        update={"resolution_mg": 1000, "permissible_error_mg": 2000})})  # fmt: skip
    on = {"pistons": piston_limits(figures={"weight_spread": grams(most=4000)})}
    read = at("piston-1", "weight", "412500", gauge=coarse)
    job = loose(read, seen=SOUND, on=on, gauges=(*GAUGES, coarse))
    spot = next(f for f in assess(job).part("piston-1").features if f.feature == "weight").spots[0]
    assert spot.size is not None
    assert spot.size.text == "412.5 g"


@pytest.mark.parametrize(
    ("read", "beyond"),
    [("45000", False), ("40000", True), ("41000", False), ("50001", True)],
)
def test_a_spring_is_held_to_its_load_in_newtons(read: str, *, beyond: bool) -> None:
    on = {"pump": pump_limits(figures={"spring_load": newtons(41_000, 50_000)})}
    report = assess(loose(at("pump", "spring load", read), on=on)).part("pump")
    worst = {figure.called for figure in report.figures if figure.key.startswith("load")}
    assert (Called.BEYOND in worst) == beyond
    assert all("N" in figure.value.text for figure in report.figures if figure.key.startswith("load"))


GAPS = Window(Length(0), Length(0), inches("0.2"))


@pytest.mark.parametrize(
    ("text", "unit", "meant"),
    [
        ("0.010+0.002", Unit.INCH, "0.012"),
        (".010 + .002 + .0015", Unit.INCH, "0.0135"),
        ("12", Unit.INCH, "0.012"),
        ("2.5", Unit.INCH, "0.0025"),
        ("0.012", Unit.INCH, "0.012"),
        ("12 thou", Unit.MM, "0.012"),
        ("0", Unit.INCH, "0"),
    ],
)
def test_leaves_of_a_feeler_are_added_and_thou_need_no_point(text: str, unit: Unit, meant: str) -> None:
    """Common practice, no source."""
    found = read_small(text, unit, GAPS)
    assert isinstance(found, Typed)
    assert found.length == inches(meant)


def test_a_gap_below_nothing_is_refused_and_one_far_too_wide_asked_about() -> None:
    with pytest.raises(Unreadable, match="less than nothing"):
        read_small("-0.002", Unit.INCH, GAPS)
    with pytest.raises(Unreadable, match="no sum of leaves"):
        read_small("0.010+", Unit.INCH, GAPS)
    assert isinstance(read_small("3.7", Unit.INCH, GAPS), Asked)
    asked = read_small("2", Unit.MM, GAPS)
    assert isinstance(asked, Asked), "2 can be 2 mm or 0.02 mm"
    assert {choice.length.nm for choice in asked.choices} == {20_000, 2_000_000}


def test_heaviest_less_lightest_is_a_figure_and_one_scale_cancels_in_it() -> None:
    """Library: uncertainties, the same sum with one scale's error common to both."""
    weights = (*at("piston-1", "weight", "412500"), *at("piston-3", "weight", "410100"))
    job = loose(weights, scope=("pistons",))
    surveys = survey_parts(job, engine_of(job), Memo())
    heavy, light = (surveys[part]["weight"] for part in ("piston-1", "piston-3"))
    spread = FigureKind("spread", "pistons.weight", "weights apart")
    found = summed(spread, (greatest(heavy), least(light, -1)), Guard.ONE_SIDED_95)
    assert found is not None
    assert (found.quantity, found.value.nm) == (Quantity.MASS, 412_500 - 410_100)
    own = [term for term in heavy.budget("1a") if term.kind is not TermKind.SCALE]
    scale, one, other = ufloat(0, 1_000), *(ufloat(0, math.hypot(*(t.nm for t in own))) for _ in range(2))
    assert found.doubt_nm == pytest.approx(((scale + one) - (scale + other)).std_dev)


def test_a_weight_is_never_added_to_a_length() -> None:
    job = loose((*at("piston-1", "weight", "412500"), *skirts("3.9980")), scope=("pistons",))
    survey = survey_parts(job, engine_of(job), Memo())["piston-1"]
    terms = (greatest(survey["weight"]), greatest(survey["skirt"]))
    with pytest.raises(ValueError, match="not added to another quantity"):
        summed(FigureKind("f", "r", "both"), terms, Guard.ONE_SIDED_95)
