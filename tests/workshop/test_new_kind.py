"""A new kind of part is one module and one line of the list; bench, sheet, CSV and job file then have it."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from datetime import date

import pytest
from django.utils import timezone

from halfthou.engines import Kinds, PartKind
from halfthou.exchange import read_job, write_job, write_readings
from halfthou.jobs import Gauge, JobFile, SourceKind
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE, Catalogue, Trade
from halfthou.verdicts import Action
from tests.push_rods import SET, PushRods
from tests.workshop.conftest import sheet_form
from workshop.jobs import actions
from workshop.jobs.shapes import bench_out
from workshop.limits.actions import draft_sheet
from workshop.limits.translate import FigureForm, SetForm
from workshop.pages.kinds import kind_out
from workshop.pages.printing import sheet_html
from workshop.people.models import Person


@pytest.fixture
def with_push_rods() -> Iterator[None]:
    """The catalogue with one line more; as it was afterwards."""
    before = CATALOGUE.listed
    _list(*before, PushRods())
    yield
    _list(*before)


def _list(*listed: Trade | PartKind) -> None:
    Catalogue.__init__(CATALOGUE, *listed)
    Kinds.parts.cache_clear()
    Kinds.engine.cache_clear()


@pytest.mark.django_db
@pytest.mark.usefixtures("with_push_rods")
def test_a_new_kind_appears_everywhere_by_one_line(bench: Person, machinist: Person, gauge: Gauge) -> None:
    """This program's own promise (docs/adding-a-kind.md); nothing outside to hold it against."""
    form = sheet_form()
    length = FigureForm(name="length", least="2.000", most="2.010", source=SourceKind.MAKER)
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
    assert told["push-rod-1"].action is Action.REUSE
    assert told["push-rod-2"].action is Action.REPLACE
    assert [station.key for station in opened.assessment.stations] == ["crank", "valve train"]
    assert [known.kind for known in map(kind_out, CATALOGUE.all)][-1] == "push rod"

    assert "Push rods" in sheet_html(opened)
    rows = list(csv.DictReader(io.StringIO(write_readings(opened.job))))
    assert [(row["part"], row["feature"]) for row in rows] == [("push-rod-1", "length"), ("push-rod-2", "length")]
    file = JobFile(job=opened.job)
    assert read_job(write_job(file)).job.readings == opened.job.readings
