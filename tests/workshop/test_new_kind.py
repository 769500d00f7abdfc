"""A new kind of part is one module and one line of the list; bench, sheet, CSV and job file then have it."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterator
from datetime import date

import numpy as np
import pytest
from django.utils import timezone

from halfthou.assess import judge, put_in_words
from halfthou.engines import Kinds, PartKind
from halfthou.exchange import BadFile, read_job, write_job, write_readings
from halfthou.jobs import Gauge, JobFile, SourceKind
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE, Catalogue, Trade
from halfthou.place_card import place_card
from halfthou.strip.places import places_off
from halfthou.verdicts import Action
from tests.faces import RIM, SPOTS, Faces
from tests.faces import SET as FACES
from tests.push_rods import SET, PushRods
from tests.workshop.conftest import sheet_form
from workshop.bench.shapes import bench_out
from workshop.jobs import actions
from workshop.limits.actions import draft_sheet
from workshop.limits.translate import FigureForm, SetForm
from workshop.pages.kinds import kind_out
from workshop.pages.printing import card_html, pdf_of, sheet_html
from workshop.people.models import Person

MAKER = SourceKind.MAKER


@pytest.fixture
def with_push_rods() -> Iterator[None]:
    """The catalogue with two lines more; as it was afterwards."""
    before = CATALOGUE.listed
    _list(*before, PushRods(), Faces())
    yield
    _list(*before)


def _list(*listed: Trade | PartKind) -> None:
    Catalogue.__init__(CATALOGUE, *listed)
    Kinds.parts.cache_clear()
    Kinds.places.cache_clear()
    places_off.cache_clear()
    Kinds.engine.cache_clear()


@pytest.mark.django_db
@pytest.mark.usefixtures("with_push_rods")
def test_a_new_kind_appears_everywhere_by_one_line(bench: Person, machinist: Person, gauge: Gauge) -> None:
    """This program's own promise (docs/adding-a-kind.md); nothing outside to hold it against."""
    form = sheet_form()
    length = FigureForm(name="length", least="2.000", most="2.010", source=MAKER)
    form.sets.append(SetForm(set=SET, figures=[length]))
    limits = draft_sheet(machinist, form)
    booked = actions.book_in(
        bench,
        actions.BookIn(
            title="Ferry winch",
            limits_id=limits.pk,
            entry_unit=Unit.INCH,
            booked_in=date(2031, 5, 4),
            scope=["rods", SET],
        ),
    )
    job_id = booked.record.pk
    for n, typed in ((1, "2.0050"), (2, "1.9900")):
        actions.land_reading(
            bench,
            job_id,
            actions.Landing(
                id=f"p{n}",
                part=f"push-rod-{n}",
                feature="length",
                spot="1a",
                typed=typed,
                unit=Unit.INCH,
                gauge=gauge.id,
                at=timezone.now(),
            ),
        )
    opened = actions.open_job(job_id, bench)

    told = {part.id: part for part in bench_out(opened).assessment.parts}
    assert told["push-rod-1"].action is Action.MEASURE, "its tips were not looked at"
    seen = actions.Seeing(id="tips", on="push-rod-1", look="tip", answer="round", at=timezone.now())
    opened = actions.see(bench, job_id, seen)
    told = {part.id: part for part in bench_out(opened).assessment.parts}
    assert told["push-rod-1"].action is Action.REUSE
    assert told["push-rod-2"].action is Action.REPLACE
    assert [station.key for station in opened.assessment.stations] == ["crank", "valve train"]
    assert [known.kind for known in map(kind_out, CATALOGUE.all)][-2:] == ["push rod", "clutch face"]

    judged = judge(opened.job)
    card = place_card(judged, put_in_words(judged), "push-rod-1")
    assert (card.headline, [one.words for one in card.seen]) == ("Reuse", ["Tip: round"])
    assert "Push rods" in sheet_html(opened)
    rows = list(csv.DictReader(io.StringIO(write_readings(opened.job))))
    assert [(row["part"], row["feature"]) for row in rows] == [("push-rod-1", "length"), ("push-rod-2", "length")]
    file = JobFile(job=opened.job)
    assert read_job(write_job(file)).job.readings == opened.job.readings


@pytest.mark.django_db
@pytest.mark.usefixtures("with_push_rods")
def test_spots_are_what_the_kind_lists_and_its_figures_show_everywhere(
    bench: Person, machinist: Person, gauge: Gauge
) -> None:
    """Sixteen spots, none of them a plane and an angle, and a figure called size. This program's own promise; the
    sizes are what was typed, the difference by hand: 0.4018 - 0.3980 = 0.0038."""
    form = sheet_form()
    form.sets.append(
        SetForm(set=FACES, figures=[FigureForm(name="size", least="0.4000", most="0.4020", source=MAKER)])
    )
    limits = draft_sheet(machinist, form)
    card = actions.BookIn(
        title="Winch clutch",
        limits_id=limits.pk,
        entry_unit=Unit.INCH,
        booked_in=date(2031, 5, 4),
        scope=["rods", FACES],
    )
    job_id = actions.book_in(bench, card).record.pk
    typed = dict.fromkeys(SPOTS, "0.4012") | {"hub4": "0.3980", "rim3": "0.4018", "rim4": "0.4015"}
    for spot, text in typed.items():
        actions.land_reading(
            bench, job_id,
            actions.Landing(
                id=f"f.{spot}", part="face-1", feature="thickness", spot=spot, typed=text, unit=Unit.INCH,
                gauge=gauge.id, at=timezone.now(),
            ),
        )  # fmt: skip
        read = actions.open_job(job_id, bench).assessment.part("face-1")
        assert (read.action is Action.MEASURE) == (spot != SPOTS[-1]), "nothing is settled before the last spot"
    opened = actions.open_job(job_id, bench)

    part = opened.assessment.part("face-1")
    assert part.action is Action.REPLACE
    told = {spot.name: spot.size.text for spot in part.features[0].spots if spot.size is not None}
    assert told == typed
    assert [(spot.plane, spot.angle) for spot in part.features[0].spots][3:5] == [(1, "rim4"), (2, "rim5")]
    kind = kind_out(CATALOGUE.all[-1])
    assert list(kind.features[0].lies) == list(SPOTS)
    assert [(one.key, one.said, one.of_size) for one in part.figures] == [
        ("size", "0.3980", True), ("uneven", "0.0038", False), ("wobble", "0.0003", False),
    ]  # fmt: skip
    # A form of its own: twice the first harmonic, as NumPy's Fourier transform has it.
    harmonics = np.abs(np.fft.rfft([float(typed[spot]) for spot in RIM])) * 2 / len(RIM)
    assert part.figures[2].value.nm == pytest.approx(harmonics[1] * 2 * 25_400_000, abs=1)

    page = sheet_html(opened)
    heads = re.findall(r"<th>([a-z ]+)<br><span class=\"quiet\">limit ([0-9.]+)<", page)
    assert {("least thickness", "0.4000"), ("unevenness", "0.0020"), ("wobble of the rim", "0.0020")} <= set(heads)
    assert {"0.3980", "0.0038", "0.0003"} <= set(re.findall(r">([0-9.]+)<", page))
    assert pdf_of(page).startswith(b"%PDF")
    blank = card_html(opened)
    assert "0.4000 to 0.4020" in blank
    assert set(SPOTS) <= set(re.findall(r'<td class="quiet">([a-z]+[0-9]+)<', blank))

    rows = list(csv.DictReader(io.StringIO(write_readings(opened.job))))
    assert {row["spot"]: row["typed"] for row in rows} == typed
    assert read_job(write_job(JobFile(job=opened.job))).job.readings == opened.job.readings
    table = "part,feature,spot,size [in]\n" + "".join(f"face-1,thickness,{spot},0.4011\n" for spot in SPOTS)
    actions.take_in_readings(bench, job_id, table, gauge.id)
    assert len(actions.open_job(job_id, bench).job.readings) == 2 * len(SPOTS)
    with pytest.raises(BadFile, match="rim13"):
        actions.take_in_readings(
            bench, job_id, "part,feature,spot,size [in]\nface-1,thickness,rim13,0.4011\n", gauge.id
        )
