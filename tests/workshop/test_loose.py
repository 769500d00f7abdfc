"""Pistons, rings and pumps through the workshop: pieces and fittings as facts, weights and springs in their own
units, limits that are no lengths, the filing card, files that go round."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.db import connection
from django.db.utils import IntegrityError
from django.test import Client
from django.utils import timezone

from demo.cabinet import furnish_cabinet
from demo.engines import petrol_four
from halfthou.exchange import read_job, read_limits_csv, write_job, write_limits_csv
from halfthou.jobs import Gauge, LimitsSheet, Use
from halfthou.lengths import Unit
from tests.workshop.conftest import back
from workshop.jobs import actions
from workshop.jobs.actions.door import way_of
from workshop.limits.actions import draft_sheet
from workshop.limits.translate import form_of_sheet, sheet_of
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.translate import job_file_of, job_of

SCOPE = ["bores", "pistons", "rings", "pump"]


@pytest.fixture
def cabinet(owner: Person) -> dict[str, Gauge]:
    return furnish_cabinet(owner, date(2031, 5, 4))


@pytest.fixture
def engine(bench: Person, machinist: Person) -> JobRecord:
    limits = draft_sheet(machinist, petrol_four().model_copy(update={"sure": True}))
    booking = actions.BookIn(
        title="Gang trolley", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4), scope=SCOPE,
        use=Use.STATIONARY,
    )  # fmt: skip
    return actions.book_in(bench, booking).record


@pytest.fixture
def read(bench: Person, engine: JobRecord, cabinet: dict[str, Gauge]) -> Callable[..., actions.Landed]:
    """Read one spot with a gauge of the cabinet; what became of it."""
    count = iter(range(1, 1000))

    def one(part: str, feature: str, typed: str, gauge: str, **more: Any) -> actions.Landed:
        landing = actions.Landing(
            id=f"r{next(count)}", part=part, feature=feature, spot=more.pop("spot", "1a"), typed=typed,
            unit=cabinet[gauge].unit, gauge=cabinet[gauge].id, at=timezone.now(), **more,
        )  # fmt: skip
        _, (landed,) = actions.land_readings(bench, engine.pk, [landing])
        return landed

    return one


def bring(part: str, kind: str = "piston", key: str = "", **more: Any) -> actions.BringingIn:
    return actions.BringingIn(id=key or f"in.{part}", part=part, kind=kind, at=timezone.now(), **more)


def put(piece: str, place: str, key: str = "") -> actions.FittingIn:
    return actions.FittingIn(id=key or f"fit.{piece}.{place}", piece=piece, place=place, at=timezone.now())


def say_use(person: Person, job_id: int, name: str, use: Use) -> actions.Opened:
    way = way_of("use")
    assert way is not None
    opened: actions.Opened = way.land(person, job_id, way.reported(id=name, use=use, at=timezone.now()))
    return opened


def test_the_use_is_asked_at_booking_and_changed_later(bench: Person, engine: JobRecord) -> None:
    assert actions.open_job(engine.pk, bench).job.use is Use.STATIONARY
    say_use(bench, engine.pk, "later", Use.MARINE)
    again = say_use(bench, engine.pk, "later", Use.MARINE)
    assert again.job.use is Use.MARINE
    assert len(again.job.uses) == 2, "sent twice, it lands once"
    with pytest.raises(Clash):
        say_use(bench, engine.pk, "later", Use.STREET)


def test_a_weight_lands_in_grams_and_ounces_are_asked_about(
    read: Callable[..., actions.Landed], bench: Person
) -> None:
    assert read("piston-1", "weight", "512.4", "scale").refused is None
    asked = read("piston-2", "weight", "18 oz", "scale").asked
    assert asked is not None
    assert "510.3 g" in asked.question, "18 times 28.3495 g, by hand"
    job = actions.open_job(JobRecord.objects.get().pk, bench).job
    assert [one.count for one in job.readings] == [512_400]


@pytest.mark.parametrize(
    ("part", "feature", "typed", "gauge", "code"),
    [
        ("piston-1", "weight", "3.56", "mic-34", "other-quantity"),
        ("piston-1", "skirt", "512", "scale", "other-quantity"),
        ("pump", "spring load", "45", "scale", "other-quantity"),
        ("pump", "end clearance", "-0.002", "feeler", "below-nothing"),
        ("ring-1.1", "closed gap", "-12", "feeler", "below-nothing"),
        ("piston-1", "weight", "0", "scale", "not-a-size"),
        ("ring-1.4", "closed gap", "0.012", "feeler", "no-spot"),
        ("ring-9.1", "closed gap", "0.012", "feeler", "no-spot"),
        ("pump", "spring load", "strong", "spring", "no-number"),
    ],
)
def test_what_cannot_be_is_refused_in_words(
    read: Callable[..., actions.Landed], part: str, feature: str, typed: str, gauge: str, code: str
) -> None:
    landed = read(part, feature, typed, gauge)
    assert landed.refused is not None
    assert landed.refused.code == code
    assert len(landed.refused.message) > 20


def test_leaves_are_added_and_a_gap_wider_than_any_is_asked_about(
    read: Callable[..., actions.Landed], bench: Person
) -> None:
    assert read("ring-1.1", "closed gap", "0.010+0.002", "feeler").refused is None
    assert read("ring-1.2", "closed gap", "3", "feeler").refused is None, "three thou"
    assert read("ring-1.3", "closed gap", "3.7", "feeler").asked is not None
    job = actions.open_job(JobRecord.objects.get().pk, bench).job
    assert [(one.count, one.typed) for one in job.readings] == [(304_800, "0.010+0.002"), (76_200, "3")]


def test_pounds_of_a_spring_are_asked_about(read: Callable[..., actions.Landed]) -> None:
    asked = read("pump", "spring load", "10 lb", "spring").asked
    assert asked is not None
    assert "44.5 N" in asked.question, "10 times 4.448 N, by hand"


def test_a_piston_read_on_its_land_is_asked_about_before_it_lands(read: Callable[..., actions.Landed]) -> None:
    asked = read("piston-1", "skirt", "3.532", "mic-34").asked
    assert asked is not None
    assert "gauge height" in asked.question


def test_a_crown_below_the_deck_is_a_minus(read: Callable[..., actions.Landed], bench: Person) -> None:
    assert read("piston-1", "crown height", "-0.012", "depth").refused is None
    job = actions.open_job(JobRecord.objects.get().pk, bench).job
    assert job.readings[0].count == -304_800


def test_a_piece_is_brought_in_fitted_moved_and_taken_back(bench: Person, engine: JobRecord) -> None:
    actions.bring_in(bench, engine.pk, bring("piston-s1", new=False))
    found = actions.fit(bench, engine.pk, put("piston-s1", "piston-3"))
    assert found.assessment.part("piston-s1").place == "piston-3"
    assert found.assessment.part("piston-3").out
    again = actions.fit(bench, engine.pk, put("piston-s1", "piston-3"))
    assert len(again.job.fittings) == 1, "sent twice, it lands once"
    undone = actions.take_back(bench, engine.pk, back("undo", "fit.piston-s1.piston-3"))
    assert undone.assessment.part("piston-3").place == "piston-3"
    assert undone.assessment.part("piston-s1").out


def test_two_pistons_change_places(bench: Person, engine: JobRecord) -> None:
    actions.fit(bench, engine.pk, put("piston-1", "piston-2"))
    found = actions.fit(bench, engine.pk, put("piston-2", "piston-1"))
    assert found.assessment.part("piston-1").place == "piston-2"
    assert found.assessment.part("piston-2").place == "piston-1"


@pytest.mark.parametrize(
    ("given", "code"),
    [
        (bring("piston-1"), "piece-there"),
        (bring("pump-s1", "piston"), "no-piece"),
        (bring("crank-s1", "crank"), "no-piece"),
        (put("piston-7", "piston-1"), "no-piece"),
        (put("bore-1", "bore-2"), "no-piece"),
        (put("piston-1", "pump"), "no-place"),
        (put("ring-1.1", "ring-1.2"), "no-place"),
    ],
)
def test_what_cannot_be_fitted_is_refused_in_words(bench: Person, engine: JobRecord, given: Any, code: str) -> None:
    do = actions.bring_in if isinstance(given, actions.BringingIn) else actions.fit
    with pytest.raises((Refusal, Clash, NotThere)) as refused:
        do(bench, engine.pk, given)
    assert refused.value.code == code


def test_all_of_it_goes_round_in_a_file(
    bench: Person, engine: JobRecord, read: Callable[..., actions.Landed]
) -> None:
    read("piston-1", "weight", "512.4", "scale")
    read("piston-1", "crown height", "-0.012", "depth")
    read("pump", "cover wear", "0", "feeler")
    actions.bring_in(bench, engine.pk, bring("piston-s1", new=False, note="off the shelf"))
    actions.fit(bench, engine.pk, put("piston-s1", "piston-3"))
    file = job_file_of(JobRecord.objects.get())
    assert read_job(write_job(file)) == file
    assert file.version == 12


def test_readings_of_every_quantity_go_round_as_csv(
    bench: Person, engine: JobRecord, read: Callable[..., actions.Landed], client_of: Callable[[Person], Client]
) -> None:
    for part, feature, typed, gauge in (
        ("piston-1", "weight", "512.4", "scale"), ("pump", "spring load", "45", "spring"),
        ("piston-1", "crown height", "-0.012", "depth"), ("pump", "cover wear", "0", "feeler"),
    ):  # fmt: skip
        assert read(part, feature, typed, gauge).refused is None
    text = client_of(bench).get(f"/api/jobs/{engine.pk}/readings.csv").content.decode()
    assert "512.4 g" in text
    assert "45 N" in text
    before = job_of(JobRecord.objects.get(), Unit.INCH)
    actions.take_in_readings(bench, engine.pk, text, before.gauges[0].id)
    assert job_of(JobRecord.objects.get(), Unit.INCH).readings == before.readings, (
        "taken in again it changes nothing"
    )
    fresh = text.replace("r1,", "n1,").replace("r2,", "n2,").replace("r3,", "n3,").replace("r4,", "n4,")
    actions.take_in_readings(bench, engine.pk, fresh, before.gauges[0].id)
    after = job_of(JobRecord.objects.get(), Unit.INCH)
    assert [one.count for one in after.readings[4:]] == [one.count for one in before.readings]


def test_limits_that_are_no_lengths_go_round(machinist: Person) -> None:
    sheet = sheet_of(petrol_four(), 1)
    spring = sheet.sets["pump"].amount("spring_load")
    assert spring is not None
    assert (spring.least, spring.most) == (41_000, 49_000)
    assert form_of_sheet(sheet_of(form_of_sheet(sheet), 1)) == form_of_sheet(sheet)
    assert read_limits_csv(write_limits_csv(sheet)) == sheet
    assert isinstance(LimitsSheet.model_validate_json(sheet.model_dump_json()), LimitsSheet)


def test_a_limit_typed_in_pounds_is_asked_about(machinist: Person) -> None:
    form = petrol_four()
    pump = next(one for one in form.sets if one.set == "pump")
    next(figure for figure in pump.figures if figure.name == "spring_load").least = "10 lb"
    with pytest.raises(Refusal) as refused:
        sheet_of(form, 1)
    assert any("44.5 N" in fault.what for fault in refused.value.faults)


def test_the_filing_card_hangs_as_page_pdf_and_csv(
    bench: Person, engine: JobRecord, read: Callable[..., actions.Landed], client_of: Callable[[Person], Client]
) -> None:
    asked = client_of(bench).get(f"/api/jobs/{engine.pk}/filing.html")
    assert asked.status_code == 404
    assert "no gap" in asked.json()["message"]
    read("ring-1.1", "closed gap", "0.010", "feeler")
    page = client_of(bench).get(f"/api/jobs/{engine.pk}/filing.html").content.decode()
    assert "file 0.0040 off, to 0.0140" in page, "0.014 less 0.010, by hand"
    assert client_of(bench).get(f"/api/jobs/{engine.pk}/filing.pdf").content.startswith(b"%PDF")
    rows = client_of(bench).get(f"/api/jobs/{engine.pk}/filing.csv").content.decode().splitlines()
    assert rows[1].startswith("1,top ring,0.0100,0.0140,0.0040")


def test_sheet_and_card_print_with_pieces_on_them(
    bench: Person, engine: JobRecord, read: Callable[..., actions.Landed], client_of: Callable[[Person], Client]
) -> None:
    read("pump", "end clearance", "0.002", "feeler")
    client = client_of(bench)
    sheet = client.get(f"/api/jobs/{engine.pk}/sheet.html").content.decode()
    assert "Piston map" in sheet
    assert "Pump, before the engine is closed" in sheet
    card = client.get(f"/api/jobs/{engine.pk}/card.html").content.decode()
    assert "gudgeon pin" in card
    assert "Oil pump" in card


def test_facts_of_pieces_are_never_changed_either(bench: Person, engine: JobRecord) -> None:
    """The migration made the table anew: the triggers that guard it stand again."""
    actions.bring_in(bench, engine.pk, bring("piston-s1"))
    with connection.cursor() as cursor, pytest.raises(IntegrityError, match="never changed"):
        cursor.execute("update jobs_factrecord set part = 'x' where kind = 'piece'")
