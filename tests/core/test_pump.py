"""The oil pump: the eye first, figures after; what floats is halved and what does not is not; leak and relief."""

from __future__ import annotations

from typing import Any

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.amounts import Force, Pressure
from halfthou.assess import assess, is_whole, judge
from halfthou.lengths import Length
from halfthou.parts import CATALOGUE
from halfthou.parts.pump import leak_litres, leak_ratio, opening_pressure, series_of, spur_displacement_mm3, squeeze
from halfthou.parts.pump.kind import AT_ONE_SIDE, RADIAL
from halfthou.verdicts import Action, Called, Open
from tests.loosen import GOOD_PUMP, PUMP_READ, at, brought, fitted, loose, newtons, pump_limits, saw
from tests.making import (
    CASES,
    band,
    figure,
    inches,
    mm,
)

UNITS: Any = pint.UnitRegistry()


def only(*args: Any, **more: Any) -> Any:
    return loose(*args, scope=("pump",), **more)


def told(job: Any) -> Any:
    return assess(job).part("pump")


def test_a_pump_within_its_figures_goes_back() -> None:
    job = only(PUMP_READ, seen=GOOD_PUMP)
    assert told(job).action == "reuse"
    assert assess(job).of("pump").headline == "Reuse"
    assert is_whole(judge(job))


@pytest.mark.parametrize("left_out", ["end clearance", "tip clearance", "backlash"])
def test_a_pump_not_read_whole_never_goes_back(left_out: str) -> None:
    read = tuple(one for one in PUMP_READ if one.feature != left_out)
    report = told(only(read, seen=GOOD_PUMP))
    assert report.action == "measure"
    assert {one.feature for one in report.to_read} == {left_out}


@pytest.mark.parametrize("left_out", range(len(GOOD_PUMP)))
def test_a_pump_nobody_looked_at_never_goes_back(left_out: int) -> None:
    seen = GOOD_PUMP[:left_out] + GOOD_PUMP[left_out + 1 :]
    report = told(only(PUMP_READ, seen=seen, looked=False))
    assert report.action == "measure"
    assert Open.UNSEEN in report.opens


@pytest.mark.parametrize(
    ("what", "answer", "action"),
    [
        ("pump housing", "scored, nail catches", "replace"),
        ("pump housing", "scored, nail runs clear", "reuse"),
        ("gears or rotors", "blued", "replace"),
        ("gears or rotors", "chipped", "replace"),
        ("drive", "broken or rounded off", "replace"),
        ("drive", "tang twisted", "replace"),
        ("which pump", "foreign pump", "refer"),
        ("relief valve", "plunger stuck", "new parts in it"),
        ("relief valve", "chip in it", "new parts in it"),
    ],
)
def test_what_the_eye_says(what: str, answer: str, action: str) -> None:
    """Common practice, no source. Play and a broken tang: rejected by eye, measuring is not asked for."""
    seen = (*(one for one in GOOD_PUMP if one.look != what), saw("pump", what, answer))
    assert told(only(PUMP_READ, seen=seen)).action == action
    unread = told(only(seen=seen))
    if action in ("replace", "refer"):
        assert unread.to_read == ()
        assert unread.action == action
    else:
        assert unread.action != "reuse"


def test_gears_alone_are_renewed_where_they_are_sold() -> None:
    seen = (*(one for one in GOOD_PUMP if one.look != "gears or rotors"), saw("pump", "gears or rotors", "chipped"))
    sold = {"pump": pump_limits(made={"gears sold": "yes"})}
    assert told(only(PUMP_READ, seen=seen, on=sold)).action == "new parts in it"


@pytest.mark.parametrize(
    ("feature", "read", "action"),
    [
        ("end clearance", "0.0070", "replace"),
        ("tip clearance", "0.0080", "replace"),
        ("backlash", "0.0200", "replace"),
        ("cover wear", "0.0030", "lap cover"),
    ],
)
def test_one_figure_beyond_its_limit_rejects(feature: str, read: str, action: str) -> None:
    on = {"pump": pump_limits(figures={"cover_wear": figure(inches("0.0020"))})}
    rest = tuple(one for one in PUMP_READ if one.feature != feature)
    spots = ("0.0010",) if feature == "cover wear" else ()
    plain = () if spots else at("pump", "cover wear", "0.0010")
    found = told(only((*rest, *plain, *at("pump", feature, read)), seen=GOOD_PUMP, on=on))
    assert found.action == action


def gerotor(given: str = RADIAL, **figures: Any) -> dict[str, Any]:
    """A pump whose outer rotor floats in its body."""
    limits = {"tip_clearance": None, "backlash": None, "rotor_body": figure(mm("0.12")), **figures}
    return {
        "pump": pump_limits(
            figures=limits, made={"kind": "gerotor", "rotor limit": given} if given else {"kind": "gerotor"}
        )
    }


def test_only_what_floats_in_its_body_is_halved() -> None:
    """Worked example K07, geometry: pushed over, a floating rotor shows all of its play at one side: 0.20 mm read
    is 0.10 mm radial. A gear on its shaft shows the radial figure as it is read."""
    read = tuple(one.model_copy(update={"count": mm("0.2").nm}) for one in at("pump", "rotor to body", "0.008"))
    floats = told(only((*at("pump", "end clearance", "0.0020", "0.0020"), *read), seen=GOOD_PUMP, on=gerotor()))
    radial = next(one for one in floats.figures if one.key == "rotor to body")
    assert radial.value.nm / 1e6 == pytest.approx(CASES["K07"]["expected"], abs=1e-6)
    tips = next(one for one in told(only(PUMP_READ, seen=GOOD_PUMP)).figures if one.key == "tip clearance")
    assert tips.value.nm == inches("0.0035").nm, "as read"


@pytest.mark.parametrize(
    ("given", "read", "called", "asked"),
    [
        (RADIAL, "0.20", Called.WITHIN, False),
        (RADIAL, "0.26", Called.BEYOND, False),
        (AT_ONE_SIDE, "0.10", Called.WITHIN, False),
        (AT_ONE_SIDE, "0.20", Called.BEYOND, False),
        ("", "0.10", Called.WITHIN, False),
        ("", "0.20", None, True),
        ("", "0.26", Called.BEYOND, False),
    ],
)
def test_how_the_limit_of_the_outer_rotor_is_given(
    given: str, read: str, called: Called | None, asked: bool
) -> None:
    """Geometry: a limit of 0.12 mm is 0.12 at one side, or 0.24 where it is radial. A sheet that does not say which
    is asked where that decides."""
    one = tuple(r.model_copy(update={"count": mm(read).nm}) for r in at("pump", "rotor to body", "0.008"))
    found = told(only((*at("pump", "end clearance", "0.0020", "0.0020"), *one), seen=GOOD_PUMP, on=gerotor(given)))
    assert next((f.called for f in found.figures if f.key == "rotor to body"), None) is called
    assert any("does not say whether" in reason.text for reason in found.reasons) is asked
    assert (Open.NO_LIMIT in found.opens and found.action is Action.MEASURE) or not asked


def test_what_belongs_to_another_kind_of_pump_stays_apart() -> None:
    """A pump's kind changed with readings taken: they stay, and are not judged."""
    found = told(
        only((*at("pump", "end clearance", "0.0020", "0.0020"), *PUMP_READ[2:]), seen=GOOD_PUMP, on=gerotor())
    )
    assert any(feature.feature == "backlash" for feature in found.features)
    assert not any(one.key in ("backlash", "tip clearance") for one in found.figures)


def test_end_clearance_by_depth_and_height_with_its_gasket() -> None:
    """Worked example K04: body 25.080, gear 25.000, gasket crushed to 0.050."""
    on = {"pump": pump_limits(figures={"gasket": figure(mm("0.05"))})}
    depth = tuple(
        one.model_copy(update={"count": mm("25.08").nm}) for one in at("pump", "body depth", "0.98", "0.98")
    )
    height = tuple(
        one.model_copy(update={"count": mm("25").nm}) for one in at("pump", "gear height", "0.98", "0.98")
    )
    report = told(only((*depth, *height, *PUMP_READ[2:]), seen=GOOD_PUMP, on=on))
    end = next(one for one in report.figures if one.key == "end clearance")
    assert end.value.nm / 1e6 == pytest.approx(CASES["K04"]["expected"], abs=1e-6)
    assert end.called is Called.BEYOND, "0.130 mm is more than 0.0050 in"


def test_the_leak_by_formula_and_by_pint() -> None:
    """Worked examples K01, K02 and K03; library: pint for the units."""
    way = (mm("30"), mm("8"), Pressure(400_000), 20.0)
    assert leak_litres(mm("0.08"), *way) == pytest.approx(CASES["K01"]["expected"], abs=1e-6)
    assert leak_litres(mm("0.16"), *way) == pytest.approx(CASES["K02"]["expected"], abs=1e-6)
    assert leak_ratio(inches("0.005"), inches("0.002")) == pytest.approx(CASES["K03"]["expected"], abs=1e-9)
    b, h, along = UNITS("30 mm"), UNITS("0.08 mm"), UNITS("8 mm")
    q = b * h**3 * UNITS("4 bar") / (12 * UNITS("20 mPa s") * along)
    assert leak_litres(mm("0.08"), *way) == pytest.approx(q.to("liter/minute").magnitude, rel=1e-9)


@given(st.integers(1_000, 10**6), st.integers(2, 5))
def test_the_leak_goes_with_the_cube_of_the_gap(gap: int, times: int) -> None:
    """Source: flow between parallel plates, any fluid mechanics text."""
    assert leak_ratio(Length(gap * times), Length(gap)) == pytest.approx(times**3, rel=1e-12)


def test_the_relief_valve_opens_by_its_spring_and_plunger() -> None:
    """Worked example K05: 45 N on 12 mm."""
    assert opening_pressure(Force(45_000), mm("12")).count / 1e5 == pytest.approx(
        CASES["K05"]["expected"], abs=0.001
    )
    area = UNITS("12 mm") ** 2 * 3.141592653589793 / 4
    hand = (UNITS("45 N") / area).to("pascal").magnitude
    assert opening_pressure(Force(45_000), mm("12")).count == pytest.approx(hand, abs=1)


def test_the_displacement_of_spur_gears_by_hand() -> None:
    """Worked example K06: module 4, 10 teeth, 25 mm."""
    assert spur_displacement_mm3(mm("4"), 10, mm("25")) / 1000 == pytest.approx(CASES["K06"]["expected"], abs=0.001)


def test_the_sections_of_seals() -> None:
    """Worked examples N07 and N08; SAE AS568 recalled: 0.070, 0.103, 0.139, 0.210, 0.275 in."""
    for name, section in (
        ("-0xx", "0.070"),
        ("-1xx", "0.103"),
        ("-2xx", "0.139"),
        ("-3xx", "0.210"),
        ("-4xx", "0.275"),
    ):
        assert series_of(inches(section)) == name
    assert inches("0.139").nm / 1e6 == pytest.approx(CASES["N08"]["expected"], abs=CASES["N08"]["tol"])
    assert 100 * squeeze(mm("3.53"), mm("2.82")) == pytest.approx(CASES["N07"]["expected"], abs=0.001)
    assert series_of(inches("0.120")) == "", "of no series"


def test_a_pickup_seal_of_another_section_is_told() -> None:
    old, new = at("pump", "pickup seal", "0.103"), at("pump", "new seal", "0.139")
    said = [one.text for one in told(only((*PUMP_READ, *old, *new), seen=GOOD_PUMP)).reasons]
    assert any("not the same section" in text and "-2xx" in text for text in said)


def test_a_worn_clearance_says_what_it_costs_and_rejects_nothing_by_that() -> None:
    said = [one.text for one in told(only(PUMP_READ, seen=GOOD_PUMP)).reasons]
    assert any("End clearance 0.0025 against 0.0020 when new: 2.0 times the leak." in text for text in said)


def test_a_new_pump_is_judged_by_its_own_readings() -> None:
    """Places hold pieces: the old one keeps its readings; the new one is measured before it counts."""
    broken = (*(one for one in GOOD_PUMP if one.look != "drive"), saw("pump", "drive", "broken or rounded off"))
    new = brought("pump-s1", "oil pump")
    on_shelf = only(seen=broken, pieces=(new,))
    assert assess(on_shelf).of("pump").headline == "Replace, by eye"
    assert assess(on_shelf).part("pump-s1").lies == "spare"
    put_in = only(seen=broken, pieces=(new,), fittings=(fitted("pump-s1", "pump"),))
    assert assess(put_in).of("pump").action == "measure"
    read = tuple(one.model_copy(update={"part": "pump-s1", "id": f"new.{one.id}"}) for one in PUMP_READ)
    seen = tuple(saw("pump-s1", one.look, one.answer) for one in GOOD_PUMP)
    good = only(read, seen=(*broken, *seen), pieces=(new,), fittings=(fitted("pump-s1", "pump"),))
    found = assess(good)
    assert found.of("pump").action == "reuse"
    assert found.part("pump").out
    assert found.part("pump").mark.word == "out"
    assert is_whole(judge(good))
    put, taken = fitted("pump-s1", "pump"), fitted("pump-s1", None, 1)
    back = only(read, seen=(*broken, *seen), pieces=(new,), fittings=(put, taken))
    assert assess(back).of("pump").headline == "No pump fitted"


def _closing(seen: tuple[Any, ...]) -> dict[str, str]:
    """What is done before the pump is closed, and how each stands."""
    return {row[0]: row[1] for row in assess(only(PUMP_READ, seen=seen)).of("pump").tables[0].rows}


def test_the_list_before_closing_tells_what_is_open() -> None:
    rows = _closing(GOOD_PUMP)
    assert rows["Packed with assembly grease that dissolves, or primed"] == "open"
    primed = (*GOOD_PUMP, saw("pump", "priming", "yes"), saw("pump", "drive in mesh", "yes"))
    rows = _closing(primed)
    assert rows["Packed with assembly grease that dissolves, or primed"] == rows["Drive in mesh"] == "done"


def test_relief_parts_are_renewed_where_they_are_beyond() -> None:
    on = {
        "pump": pump_limits(figures={"spring_length": band("1.90", "2.00"), "spring_load": newtons(41_000, 49_000)})
    }
    short = at("pump", "spring length", "1.85")
    load = at("pump", "spring load", "45000")
    assert told(only((*PUMP_READ, *short, *load), seen=GOOD_PUMP, on=on)).action == "new parts in it"
    weak = at("pump", "spring load", "30000")
    good = at("pump", "spring length", "1.95")
    assert told(only((*PUMP_READ, *good, *weak), seen=GOOD_PUMP, on=on)).action == "new parts in it"
    assert told(only((*PUMP_READ, *good, *load), seen=GOOD_PUMP, on=on)).action == "reuse"


def test_the_limits_of_a_pump_question_a_decimal_point() -> None:
    check = CATALOGUE["oil pump"].check
    assert check(pump_limits()) == ()
    assert any(
        "decimal point" in fault for fault in check(pump_limits(figures={"backlash": figure(inches("0.16"))}))
    )
    assert any("is needed" in fault for fault in check(pump_limits(figures={"end_clearance": None})))


def test_new_gears_want_a_measured_body() -> None:
    """Common practice, no source: gears are ordered for a body that is measured; what the old ones read is gone."""
    sold = {"pump": pump_limits(made={"gears sold": "yes"})}
    chipped = (
        *(one for one in GOOD_PUMP if one.look != "gears or rotors"),
        saw("pump", "gears or rotors", "chipped"),
    )
    worn = at("pump", "tip clearance", "0.0200", "0.0200")
    before = assess(only(worn, seen=chipped, on=sold))
    assert (before.part("pump").action, before.of("pump").to_order) == ("new parts in it", ())
    assert [one.feature for one in before.part("pump").to_read] == ["body depth"] * before.part("pump").left
    after = assess(only((*worn, *at("pump", "body depth", "1.2520", "1.2520")), seen=chipped, on=sold))
    assert [one.what for one in after.of("pump").to_order] == ["set of pump gears"]
    assert not is_whole(judge(only((*worn, *at("pump", "body depth", "1.2520", "1.2520")), seen=chipped, on=sold)))
