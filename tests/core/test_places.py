"""One id for a thing, whoever speaks of it; and one card for all that is known of it."""

from __future__ import annotations

import re

import pytest

from halfthou.assess import assess, evidence_standing, judge, put_in_words
from halfthou.engines import usual_layouts
from halfthou.evidence import customer_report, evidence_board, halves_of, oil_way_of, readings_of_the_way
from halfthou.exchange import read_job, read_limits, read_limits_csv, write_job, write_limits, write_limits_csv
from halfthou.jobs import Job, JobFile, Laying, Layout, Marking, Mistrust, Seen, StepDone, ThrustBy, Withdrawal
from halfthou.parts import CATALOGUE
from halfthou.place_card import PlaceCard, UnknownPlace, place_card
from halfthou.strip import lies_there, places_off, strip_list
from tests.core.test_before_bench import every_fact
from tests.looked_at import looked_at
from tests.loosen import brought, fitted, loose, skirts
from tests.making import GOOD_ENGINE, NOON, layout, readings, sheet
from tests.making import job as job_of
from tests.reading import graded
from tests.stripping import at_the_door, fact

LAYOUTS = pytest.mark.parametrize("known", usual_layouts(), ids=lambda known: known.name)


def card(job: Job, place: str) -> PlaceCard:
    judged = judge(job)
    return place_card(judged, put_in_words(judged), place)


@LAYOUTS
def test_gauge_strip_and_evidence_know_a_part_by_one_id(known: Layout) -> None:
    places = CATALOGUE.places(known)
    assert all(key == place.id for key, place in places.items())
    for others in (CATALOGUE.parts(known), places_off(known), halves_of(known)):
        assert {key for key in others if key != "engine"} <= set(places)
    for place in places.values():
        assert not place.pair or places[place.pair].pair == place.id
        assert not place.beside or place.beside in places
        assert 0 <= place.cylinder <= known.cylinders
    assert {"R1", "M1", "bearing-M1", "rod-1", "cap-rod-1", "half-rod-1-upper", "half-main-1-lower", "piston-1",
            "bore-1", "valve-1-inlet", "follower-1-exhaust", "cam", "crank", "pump"} <= set(places)  # fmt: skip


@LAYOUTS
def test_a_rod_goes_by_its_cylinder_and_a_shared_pin_is_called_a_pin(known: Layout) -> None:
    """Source: common practice, no source: on a V the number of a pin is taken for a cylinder's."""
    for key, place in CATALOGUE.places(known).items():
        shared = any(len(pin.cylinders) > 1 for pin in known.pins)
        of_a_rod_journal = key[0] == "R" or key.startswith("bearing-rod")
        assert ("No. " in place.name + place.short) == (of_a_rod_journal and not shared), place
        if place.kind == "rod":
            assert place.short == f"Rod {place.cylinder}"


def test_no_sentence_on_an_engine_with_shared_pins_says_a_number_alone() -> None:
    worn = {**{name: texts for name, texts in GOOD_ENGINE.items() if name != "R2"}, "R2": ["2.0331"] * 8}
    name = "V eight, cross plane"
    seen = graded(name, rods="OOMOOOCO", mains="L")
    job = at_the_door(*seen, engine=name, readings=readings(worn))
    standing = evidence_standing(job)
    said = [
        assess(job).model_dump_json(),
        evidence_board(standing, ()).model_dump_json(),
        customer_report(standing, assess(job)).model_dump_json(),
        *(one.text for one in readings_of_the_way(oil_way_of(job), standing.bearings)),
    ]
    assert [found for text in said for found in re.findall(r".{0,30}\bNo\. \d.{0,20}", text)] == []


def test_what_is_moved_takes_its_facts_along_and_the_place_shows_what_lies_there() -> None:
    scuffed = fact(Seen, 1, on="piston-3", look="seat", answer="x")
    seen = Seen(id="s", on="piston-3", look="skirts", answer="scuffed on one skirt", by="bench", at=scuffed.at)
    marked = fact(Marking, 2, part="piston-3", mark="3", found=False)
    job = loose(skirts("3.9978", "3.9978", "3.9978", "3.9978"), seen=(seen,), markings=(marked,), looked=False)
    assert [one.words for one in card(job, "piston-3").seen] == ["Skirts: scuffed on one skirt"]

    moved = job.model_copy(update={"fittings": (fitted("piston-3", "piston-1", 3),)})
    there = card(moved, "piston-1")
    assert (there.piece, there.piece_name) == ("piston-3", "Piston 3")
    assert [one.words for one in there.seen] == ["Skirts: scuffed on one skirt"]
    assert there.mark is not None
    assert there.mark.given == "3"
    assert there.readings
    assert "Fitted as Piston 1" in [one.words for one in there.told]
    left = card(moved, "piston-3")
    assert (left.piece, left.lies) == ("", "fitted as Piston 1")
    engine = CATALOGUE.engine_of(moved)
    assert lies_there(moved, "piston-3", engine) == ""

    spare = moved.model_copy(
        update={
            "pieces": (brought("piston-new-3", "piston"),),
            "fittings": (fitted("piston-new-3", "piston-3", 4),),
        }
    )
    new = card(spare, "piston-3")
    assert (new.piece, new.seen) == ("piston-new-3", ())
    assert card(spare, "piston-new-3").lies == "fitted as Piston 3"


def test_where_a_part_lies_has_one_answer_the_last_that_was_said() -> None:
    off = fact(StepDone, 1, step="cap-rod-2.off")
    laid = fact(Laying, 2, part="cap-rod-2", pocket="tray 2, pocket 4")
    assert card(at_the_door(), "cap-rod-2").lies == "in its place: nobody said otherwise"
    assert card(at_the_door(off), "cap-rod-2").lies == "in Cap 2"
    assert card(at_the_door(off, laid), "cap-rod-2").lies == "in tray 2, pocket 4"
    piston = fact(Laying, 5, part="piston-1", pocket="the bench")
    job = loose(skirts("3.9978"), fittings=(fitted("piston-1", "piston-2", 3),), layings=(piston,), looked=False)
    assert card(job, "piston-1").lies == "in the bench"
    again = job.model_copy(update={"fittings": (*job.fittings, fitted("piston-1", "piston-1", 9))})
    assert card(again, "piston-1").lies == "in its place: nobody said otherwise"


@pytest.mark.parametrize("engine", ["Inline four", "V eight, cross plane", "Flat six"])
def test_every_place_has_its_card_whatever_was_said(engine: str) -> None:
    """Whatever is accepted must open: a card for every place there is, of a job with a fact of every kind."""
    facts = every_fact() if engine == "Inline four" else []
    job = at_the_door(*facts, *graded(engine, "C", "L"), engine=engine, readings=readings(GOOD_ENGINE))
    judged = judge(job)
    shown = put_in_words(judged)
    for key, place in CATALOGUE.places(job.limits.layout).items():
        found = place_card(judged, shown, key)
        assert (found.id, found.name) == (key, place.name)
        assert key not in {one.id for one in found.beside}
        assert all(place_card(judged, shown, one.id) for one in found.beside)
    with pytest.raises(UnknownPlace):
        place_card(judged, shown, "rod-99")


def test_a_card_says_of_what_was_seen_why_it_counts_less() -> None:
    """Rule: looks.destroyed; what is mistrusted proves nothing."""
    wiped = fact(Seen, 1, on="half-rod-1-upper", look="overlay", answer="copper through", cleaned=True)
    other = fact(Seen, 2, on="half-rod-1-upper", look="back", answer="clean")
    third = fact(Seen, 3, on="half-rod-1-upper", look="seat", answer="in place")
    doubted = fact(Mistrust, 4, of=other.id, reason="by torch light")
    back = fact(Withdrawal, 5, fact=third.id)
    seen = card(at_the_door(wiped, other, third, doubted, back), "half-rod-1-upper").seen
    assert [one.aside for one in seen] == ["taken back", "mistrusted", "seen after a wash: counts less"]


def test_a_card_says_what_its_part_waits_for() -> None:
    off = fact(StepDone, 1, step="cap-rod-2.off")
    half = card(at_the_door(off), "half-rod-2-upper")
    assert half.waits == ("its mark, 2U", "its grade")
    pin = card(at_the_door(readings=readings({"R1": GOOD_ENGINE["R1"][:3]})), "R1")
    assert pin.waits == ("5 readings", "a look: surface, heat colour")
    whole = at_the_door(*graded("Inline four", "C", "L"), readings=readings(GOOD_ENGINE))
    rod = card(looked_at(whole, at=NOON), "rod-1")
    stands = {one.id: one.stands for one in rod.beside}
    assert stands["half-rod-1-upper"] == "C: copper through"
    assert stands["R1"] == "Reuse"
    assert rod.figures_of == "Rod journal No. 1"


def with_thrust(by: ThrustBy | None, main: str = "M3") -> Layout:
    return layout("Inline four").model_copy(update={"thrust_main": main, "thrust_by": by})


def test_the_thrust_joins_the_layout_once_it_is_said_where_it_is_taken() -> None:
    """Terms: ISO 7967-2 (recalled). Source: common practice, no source: washers by face and half, each marked."""
    faces = {"thrust-front", "thrust-rear"}
    washers = {f"washer-{face}-{half}" for face in ("front", "rear") for half in ("upper", "lower")}
    bare = set(CATALOGUE.places(layout("Inline four")))
    flanged = CATALOGUE.places(with_thrust(ThrustBy.FLANGED))
    washed = CATALOGUE.places(with_thrust(ThrustBy.WASHERS))
    assert set(flanged) - bare == faces
    assert set(washed) - bare == faces | washers
    assert {washed[key].beside for key in faces | washers} == {"M3"}
    assert {washed[key].mark for key in washers} == {"FU", "FL", "RU", "RL"}
    steps = [step.id for step in strip_list(with_thrust(ThrustBy.WASHERS))]
    taken = {key for step in strip_list(with_thrust(ThrustBy.WASHERS)) for key in step.takes}
    assert washers <= taken
    assert steps.index("cap-main-3.off") < steps.index("washers-lower.out") < steps.index("crank.out")
    assert steps.index("crank.out") < steps.index("washers-upper.out")
    with pytest.raises(ValueError, match="M9 is no main"):
        Layout.model_validate({**with_thrust(None).model_dump(), "thrust_main": "M9"})
    with pytest.raises(ValueError, match="which main"):
        Layout.model_validate({**layout("Inline four").model_dump(), "thrust_by": "washers"})


@pytest.mark.parametrize("by", [None, *ThrustBy])
def test_what_is_said_of_the_thrust_goes_round_in_every_file(by: ThrustBy | None) -> None:
    one = sheet().model_copy(update={"layout": with_thrust(by)})
    assert read_limits(write_limits(one)).layout == one.layout
    assert read_limits_csv(write_limits_csv(one)).layout == one.layout
    file = JobFile(job=job_of(GOOD_ENGINE, limits=one))
    assert read_job(write_job(file)) == file


def test_the_thrust_is_looked_at_where_it_is_taken() -> None:
    def offered(known: Layout) -> list[str]:
        one = at_the_door()
        on = one.model_copy(update={"limits": one.limits.model_copy(update={"layout": known})})
        board = evidence_board(evidence_standing(on), ())
        return next([place.id for place in look.places] for look in board.looks if look.key == "thrust")

    assert offered(layout("Inline four")) == [f"cap-main-{n}" for n in range(1, 6)]
    assert offered(with_thrust(ThrustBy.FLANGED)) == ["cap-main-3"]
