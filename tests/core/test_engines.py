"""The engine as it is described: what can be, what follows from it. Rules: engine.can-be, engine.not-known."""

from __future__ import annotations

import pytest
from pydantic import ValidationError

from halfthou.assess import assess
from halfthou.engines import asked_of, described, not_judged, usual_engines, usual_layouts
from halfthou.evidence import halves_of, oil_way_of
from halfthou.exchange import read_limits, read_limits_csv, write_limits, write_limits_csv
from halfthou.jobs import (
    Arrangement,
    Built,
    CrankMade,
    Heads,
    Layout,
    MadeFor,
    MainsIn,
    RodsOnPin,
    SetName,
    ThrustBy,
    ValveGear,
)
from halfthou.parts import CATALOGUE
from halfthou.strip import places_off
from tests.engines_at_random import counted_from_the_flywheel, engines
from tests.loosen import loose
from tests.making import layout, sheet
from tests.stripping import at_the_door

FOUR = layout("Inline four")
EVERY = pytest.mark.parametrize("engine", usual_engines(), ids=lambda one: one.name)


def usual(name: str) -> Layout:
    return next(one for one in usual_engines() if one.name == name)


@pytest.mark.parametrize(
    ("base", "built", "says"),
    [
        ("Inline four", {"valve_gear": ValveGear.BUCKETS, "heads": Heads.NONE}, "say which heads"),
        ("Inline four", {"rods_on_pin": RodsOnPin.FORK}, "two rods on one pin"),
        ("Inline four", {"valve_gear": ValveGear.PORTS, "inlets": 2}, "no valves and valves too"),
        ("Inline four", {"valve_gear": ValveGear.PORTS, "two_stroke": False}, "a four-stroke has valves"),
        ("Inline four", {"valve_gear": ValveGear.PUSH_RODS, "inlets": 0}, "an inlet valve"),
        ("Flat four", {"mains_in": MainsIn.BEDPLATE}, "a flat engine has no bedplate"),
        ("Flat four", {"heads": Heads.ALL}, "no head in common"),
        ("Inline four", {"mains_in": MainsIn.CASE, "side_bolts": True}, "side bolts"),
        ("Inline four", {"made_for": MadeFor.AVIATION}, "licensed shop"),
        ("Inline four", {"made_for": MadeFor.CERTIFIED_MARINE}, "licensed shop"),
        ("Inline four", {"made_for": MadeFor.PUBLIC_TRANSPORT}, "licensed shop"),
    ],
)
def test_what_cannot_be_is_refused_in_words(base: str, built: dict[str, object], says: str) -> None:
    with pytest.raises(ValidationError, match=says):
        Layout(**{**dict(layout(base)), "built": Built(**built)})


@pytest.mark.parametrize("stands", [Arrangement.RADIAL, Arrangement.OPPOSED, Arrangement.W])
def test_engines_of_other_kinds_are_refused_in_words(stands: Arrangement) -> None:
    with pytest.raises(ValidationError, match="Half Thou does not judge"):
        Layout(**{**dict(FOUR), "arrangement": stands})


def test_a_thrust_main_that_is_not_there_is_refused() -> None:
    with pytest.raises(ValidationError, match="M9 is no main"):
        Layout(**{**dict(FOUR), "thrust_main": "M9"})


@pytest.mark.parametrize("base", usual_layouts(), ids=lambda one: one.name)
def test_an_engine_may_be_counted_from_the_flywheel(base: Layout) -> None:
    """Source: common practice, no source: makers differ at which end they begin."""
    other = counted_from_the_flywheel(base)
    assert set(CATALOGUE.places(other)) == set(CATALOGUE.places(base))
    assert other.mains == tuple(reversed(base.mains))
    # The rods come to the bottom together as they did: the engine is the same one.
    stands = {frozenset(n for n in described(base).cylinders if described(base).bottom_deg(n) == at)
              for at in map(described(base).bottom_deg, described(base).cylinders)}  # fmt: skip
    last = base.cylinders + 1
    turned = {frozenset(last - n for n in described(other).cylinders if described(other).bottom_deg(n) == at)
              for at in map(described(other).bottom_deg, described(other).cylinders)}  # fmt: skip
    if base.arrangement is Arrangement.INLINE:
        assert turned == stands
    assert len(turned) <= base.cylinders


@EVERY
def test_nothing_of_a_usual_engine_is_left_open_that_changes_its_strip(engine: Layout) -> None:
    left = {one.field for one in asked_of(described(engine))}
    assert left <= {"liners", "inlets", "exhausts", "driven_by"}


def test_what_is_not_known_is_taken_as_usual_and_asked() -> None:
    assert [one.field for one in asked_of(described(FOUR))] == ["built"]
    unknown = Layout(**{**dict(FOUR), "built": Built()})
    assert {"valve_gear", "mains_in", "heads", "pump_at"} <= {one.field for one in asked_of(described(unknown))}
    assert set(CATALOGUE.places(FOUR)) <= set(CATALOGUE.places(unknown))


def test_what_is_not_judged_yet_says_so_and_refers() -> None:
    two_stroke, v_twin = usual("Two-stroke single"), usual("V twin, fork and blade on rollers")
    for engine in (two_stroke, v_twin):
        assert all("refer" in one for one in not_judged(described(engine)))
        assert SetName.RODS not in CATALOGUE.sets(engine)
        assert SetName.BORES in CATALOGUE.sets(engine)
    assert len(not_judged(described(two_stroke))) == 2
    assert SetName.RINGS not in CATALOGUE.sets(two_stroke)
    job = loose(())
    limits = job.limits.model_copy(
        update={"layout": two_stroke, "sets": {SetName.PUMP: job.limits.sets[SetName.PUMP]}}
    )
    sawn = job.model_copy(update={"limits": limits, "scope": (SetName.PUMP,)})
    assert "not judged yet" in " ".join(one.text for one in assess(sawn).notices)


def test_places_follow_from_the_description_and_agree_one_to_one() -> None:
    """Places, positions, stations, halves: each names what the others name."""
    for engine in (*usual_engines(), *engines(120, seed=7)):
        places, parts = CATALOGUE.places(engine), CATALOGUE.parts(engine)
        assert all(key == place.id for key, place in places.items())
        halves = halves_of(engine)
        assert set(halves) == {key for key, place in places.items() if place.kind == "half bearing"}, engine.name
        assert set(parts) <= set(places)
        for place in places.values():
            assert not place.pair or places[place.pair].pair == place.id
            assert not place.beside or place.beside in places, place
            assert not place.rests_on or place.rests_on in places, place
        assert len({place.name for place in places_off(engine).values()}) == len(places_off(engine))
        marks = [(one.kind, one.mark) for one in places_off(engine).values() if one.mark]
        assert len(marks) == len(set(marks)), "two parts of a kind bear one mark"
        job = at_the_door(engine="Inline four")
        way = oil_way_of(job.model_copy(update={"limits": job.limits.model_copy(update={"layout": engine})}))
        assert all(key in way.stations for key in engine.mains)


def test_a_description_says_what_is_there() -> None:
    four = set(CATALOGUE.places(usual("Four, two overhead cams, chain")))
    assert {"valve-1-inlet", "valve-1-inlet-2", "valve-4-exhaust-2", "cam-inlet", "cam-exhaust", "drive",
            "tensioner",
            "front-cover", "damper", "cap-main-5"} <= four  # fmt: skip
    assert not {"cam", "pushrod-1-inlet", "rocker-1-inlet"} & four
    beds = set(CATALOGUE.places(usual("Four, two overhead cams, belt and bedplate")))
    assert {"bedplate", "balance-1", "balance-2", "half-main-1-lower"} <= beds
    assert "cap-main-1" not in beds
    flat = set(CATALOGUE.places(usual("Flat four, split case")))
    assert {"case-left", "case-right", "barrel-4", "cap-rod-1"} <= flat
    assert not {"cap-main-1", "pan"} & flat
    twin = set(CATALOGUE.places(usual("V twin, fork and blade on rollers")))
    assert {"rollers-main-1", "rod-1", "barrel-2"} <= twin
    assert not {"cap-rod-1", "half-rod-1-upper", "R1", "M1"} & twin
    twelve = set(CATALOGUE.places(usual("V twelve, four cams, chain")))
    assert {"cam-left-inlet", "cam-right-exhaust", "head-left"} <= twelve
    assert sum(one.startswith("valve-") for one in twelve) == 48


def test_thrust_washers_are_as_many_as_there_are() -> None:
    both = {"thrust_main": "M3", "thrust_by": ThrustBy.WASHERS}
    two = Layout(**{**dict(FOUR), **both, "built": Built(washers=2)})
    assert {key for key in CATALOGUE.places(two) if key.startswith("washer")} == {
        "washer-front-upper", "washer-rear-upper"
    }  # fmt: skip
    assert sum(key.startswith("washer") for key in CATALOGUE.places(Layout(**{**dict(FOUR), **both}))) == 4


def test_a_linked_rod_has_no_cap_and_no_halves() -> None:
    """Source: common practice, no source: it hangs on its master by a pin of its own."""
    linked = Layout(**{**dict(layout("V twelve")), "built": Built(rods_on_pin=RodsOnPin.LINKED)})
    places = set(CATALOGUE.places(linked))
    assert {"cap-rod-1", "rod-7", "bearing-rod-1"} <= places
    assert not {"cap-rod-7", "half-rod-7-upper", "bearing-rod-7"} & places


@EVERY
def test_a_description_goes_round_with_its_limits(engine: Layout) -> None:
    pump = loose(()).limits.sets[SetName.PUMP]
    whole = sheet().model_copy(update={"layout": engine, "sets": {SetName.PUMP: pump}})
    assert read_limits(write_limits(whole)) == whole
    assert read_limits_csv(write_limits_csv(whole)) == whole


def test_a_crank_on_rollers_is_not_made_by_chance() -> None:
    assert described(FOUR).rollers is False
    assert described(Layout(**{**dict(FOUR), "built": Built(crank=CrankMade.ROLLERS)})).rollers
