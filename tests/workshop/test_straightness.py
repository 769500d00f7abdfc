"""A crank indicated through the workshop: a total reading with its high side lands as one fact, prints, goes out
and comes in again as it was."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.utils import timezone

from halfthou.exchange import read_job, write_job, write_readings
from halfthou.jobs import Gauge, JobFile, Reading, SourceKind
from halfthou.lengths import Unit
from tests.workshop.conftest import sheet_form
from workshop.gauges.actions import GaugeForm, keep_gauge
from workshop.jobs import actions
from workshop.limits.actions import draft_sheet
from workshop.limits.translate import FigureForm, SetForm
from workshop.pages.printing import card_html, pdf_of, sheet_html
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord

SETS = ["straightness", "end float", "tunnel", "mains", "rods"]


def _figures(**given: tuple[str, str]) -> list[FigureForm]:
    return [
        FigureForm(name=name, least=least, most=most, source=SourceKind.MAKER)
        for name, (least, most) in given.items()
    ]


@pytest.fixture
def dial(machinist: Person) -> Gauge:
    typed = {
        "name": "Test indicator", "kind": "indicator", "unit": "in", "resolution": ".0001",
        "permissible_error": ".0001",
    }  # fmt: skip
    return keep_gauge(machinist, None, GaugeForm.model_validate(typed))


@pytest.fixture
def crank(bench: Person, machinist: Person, dial: Gauge) -> JobRecord:
    form = sheet_form()
    form.sets += [
        SetForm(
            set="straightness",
            figures=_figures(run_out_over_all=(".0020", ""), run_out_adjacent=(".0010", "")),
            made={"given as": "total reading of the dial"},
        ),
        SetForm(set="end float", figures=_figures(float_new=(".002", ".008"), float_service=(".012", ""))),
        SetForm(set="tunnel", figures=_figures(out_of_round=(".0010", ""))),
    ]
    limits = draft_sheet(machinist, form)
    given = actions.BookIn(
        title="Bare crank", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4), scope=SETS
    )
    return actions.book_in(bench, given).record


@pytest.fixture
def indicate(bench: Person, crank: JobRecord, dial: Gauge) -> Callable[..., Any]:
    def landing(part: str, feature: str, spot: str, typed: str) -> Any:
        given = actions.Landing(
            id=f"{part}.{feature}.{spot}".replace(" ", "-"), part=part, feature=feature, spot=spot, typed=typed,
            unit=Unit.INCH, gauge=dial.id, at=timezone.now(),
        )  # fmt: skip
        return actions.land_reading(bench, crank.pk, given)

    return landing


def test_a_total_reading_and_its_high_side_are_one_fact(
    bench: Person, crank: JobRecord, indicate: Callable[..., Any]
) -> None:
    indicate("run-out-M2", "total reading", "1a", "0.0042 @ 135")
    indicate("run-out-M3", "total reading", "1a", "0.0006 at 225°")
    indicate("run-out-M4", "total reading", "1a", "0.0005")
    indicate("run-out-M1", "run-out", "315", "-0.0003")
    indicate("end-float", "end float", "1a", "0.0050")
    opened = actions.open_job(crank.pk, bench)
    kept = {one.part: one for one in opened.job.readings}
    assert [(kept[f"run-out-M{n}"].count, kept[f"run-out-M{n}"].angle_deg) for n in (2, 3, 4)] == [
        (106_680, 135.0), (15_240, 225.0), (12_700, None),
    ]  # fmt: skip
    assert kept["run-out-M1"].count == -7_620
    page, blank = sheet_html(opened), card_html(opened)
    assert "The shaft as it lies" in page
    assert pdf_of(page).startswith(b"%PDF")
    assert "315" in blank
    assert read_job(write_job(JobFile(job=opened.job))).job.readings == opened.job.readings


@pytest.mark.parametrize("typed", ["0.0042 @ 400", "0.0042 @", "@ 90", "0.0042 @ top"])
def test_a_side_that_is_no_angle_is_refused_in_words(indicate: Callable[..., Any], typed: str) -> None:
    with pytest.raises(Refusal, match="the angle of the high side"):
        indicate("run-out-M2", "total reading", "1a", typed)


@pytest.mark.parametrize(
    ("part", "feature"), [("end-float", "end float"), ("run-out-M2", "total reading")], ids=["float", "total"]
)
def test_what_cannot_be_less_than_nothing_is_refused(indicate: Callable[..., Any], part: str, feature: str) -> None:
    with pytest.raises(Refusal, match="less than nothing"):
        indicate(part, feature, "1a", "-0.0010")


def test_readings_go_out_and_come_in_with_their_high_sides(
    bench: Person, crank: JobRecord, dial: Gauge, indicate: Callable[..., Any]
) -> None:
    indicate("run-out-M2", "total reading", "1a", "0.0042 @ 135")
    table = write_readings(actions.open_job(crank.pk, bench).job)
    limits = crank.limits_id
    assert limits is not None
    given = actions.BookIn(
        title="Again", limits_id=limits, entry_unit=Unit.INCH, booked_in=date(2031, 5, 5), scope=SETS
    )
    other = actions.book_in(bench, given).record
    actions.take_in_readings(bench, other.pk, table, dial.id)
    (one,) = actions.open_job(other.pk, bench).job.readings
    assert isinstance(one, Reading)
    assert (one.count, one.angle_deg) == (106_680, 135.0)


def test_a_diameter_read_at_more_than_half_a_turn_is_refused(bench: Person, crank: JobRecord, gauge: Gauge) -> None:
    """Geometry: a micrometer at 200 degrees reads what it reads at 20. Only a high side goes all the way round."""
    table = "part,spot,size [in],angle,planes\nM1,1a,2.4140,200,2\n"
    with pytest.raises(Refusal) as refused:
        actions.take_in_readings(bench, crank.pk, table, gauge.id)
    assert any("from 180 on the gauge reads the same again" in fault.what for fault in refused.value.faults)
    assert actions.open_job(crank.pk, bench).job.readings == ()
