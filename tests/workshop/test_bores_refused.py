"""What a block's data can have wrong with it, and that each is refused in words, with nothing lost."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.engines import usual_layouts
from halfthou.jobs import Gauge, SourceKind
from halfthou.lengths import Asked, Unit, Unreadable
from tests.workshop.conftest import sheet_form
from workshop.bench.shapes import bench_out
from workshop.gauges.actions import CheckForm, GaugeForm, check_setting, keep_gauge
from workshop.jobs import actions
from workshop.limits.actions import change_sheet, draft_sheet
from workshop.limits.translate import FigureForm, SetForm, StepForm
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord

FIGURES = (("size", "4.0000", "4.0007"), ("out_of_round", ".0020", ""), ("taper", ".0040", ""))


def bores(rings: bool | None = True) -> SetForm:
    return SetForm(
        set="bores",
        figures=[FigureForm(name=n, least=a, most=b, source=SourceKind.MAKER) for n, a, b in FIGURES],
        steps=[
            StepForm(size=step, part_number=f"P{step}", rings_can_be_bought=rings)
            for step in ("STD", ".020", ".040")
        ],
    )


@pytest.fixture
def dial(machinist: Person) -> Gauge:
    typed = {"name": "Dial bore gauge", "kind": "dial bore gauge", "unit": "in", "resolution": ".0001",
             "permissible_error": ".0001", "plus_is_larger": False}  # fmt: skip
    return keep_gauge(machinist, None, GaugeForm.model_validate(typed))


@pytest.fixture
def block(bench: Person, machinist: Person) -> JobRecord:
    form = sheet_form()
    form.sets.append(bores())
    given = actions.BookIn(
        title="Ferry winch",
        limits_id=draft_sheet(machinist, form).pk,
        entry_unit=Unit.INCH,
        booked_in=date(2031, 5, 4),
        scope=["bores"],
    )
    return actions.book_in(bench, given).record


def landing(gauge: Gauge, typed: str, **more: Any) -> actions.Landing:
    values = {"id": f"r{typed}".replace("+", "p"), "part": "bore-4", "feature": "diameter", "spot": "1a", **more}
    return actions.Landing(typed=typed, unit=gauge.unit, gauge=gauge.id, at=timezone.now(), **values)


def test_a_deviation_without_a_setting_is_refused(bench: Person, block: JobRecord, dial: Gauge) -> None:
    """Common practice, no source: a dial's number means nothing until it is known what it was set on."""
    with pytest.raises((Unreadable, Refusal)) as refused:
        actions.land_reading(bench, block.pk, landing(dial, "+3"))
    assert "no setting" in str(refused.value.args) + getattr(refused.value, "message", "")
    assert block.facts.count() == 0


def test_a_sign_counts_as_the_gauge_has_it(bench: Person, block: JobRecord, dial: Gauge) -> None:
    """Common practice, no source: on this gauge plus is a smaller hole."""
    check = {"id": "c", "unit": "in", "at": timezone.now(), "standard": "4.0000", "read": "4.0000 4.0000 4.0000"}
    check_setting(bench, dial.id, CheckForm.model_validate(check))
    actions.land_reading(bench, block.pk, landing(dial, "-1.5"))
    told = bench_out(actions.open_job(block.pk, bench)).assessment.parts
    spot = next(part for part in told if part.id == "bore-4").features[0].spots[0]
    assert spot.current is not None and spot.current.size.text == "4.0015"


def test_a_wall_thicker_than_any_cylinder_is_asked_about(
    bench: Person, block: JobRecord, machinist: Person
) -> None:
    """Common practice, no source: no wall between bores is 40 mm thick; the decimal point slipped."""
    typed = {"name": "Ultra", "kind": "ultrasonic wall gauge", "unit": "in", "resolution": ".001",
             "permissible_error": ".002"}  # fmt: skip
    ultra = keep_gauge(machinist, None, GaugeForm.model_validate(typed))
    said = actions.land_reading(bench, block.pk, landing(ultra, "2.50", feature="wall"))
    assert isinstance(said, Asked) and block.facts.count() == 0


def test_pistons_without_rings_are_asked_about(machinist: Person) -> None:
    """Common practice, no source: a piston whose rings nobody sells is no oversize."""
    form = sheet_form()
    form.sets.append(bores(rings=None))
    with pytest.raises(Refusal) as refused:
        draft_sheet(machinist, form)
    assert "without rings" in " ".join(fault.what for fault in refused.value.faults)


def test_limits_with_other_bores_than_were_read_are_not_taken_up(
    bench: Person, machinist: Person, block: JobRecord, dial: Gauge
) -> None:
    """This program's own: what was read stays where it is, so limits with other bores are refused, though the
    crank has as many journals."""
    actions.land_reading(bench, block.pk, landing(dial, "4.0003"))
    form = sheet_form("Bramling, eight bores on as many journals")
    form.layout = next(known for known in usual_layouts() if known.name == "V eight, cross plane")
    assert form.layout.shaft == sheet_form().layout.shaft
    form.sets.append(bores())
    shorter = draft_sheet(machinist, form)
    with pytest.raises(Refusal):
        actions.take_up_limits(machinist, block.pk, shorter.pk)
    assert actions.open_job(block.pk, bench).job.readings


def test_a_sheet_a_job_stands_on_keeps_its_bores(
    machinist: Person, bench: Person, block: JobRecord, client_of: Callable[[Person], Client]
) -> None:
    """This program's own: a job goes on opening whatever is tried on its limits."""
    assert block.limits is not None
    with pytest.raises(Refusal):
        change_sheet(machinist, block.limits.pk, sheet_form())
    assert client_of(bench).get(f"/api/jobs/{block.pk}").status_code == 200


def test_a_deck_measured_without_saying_how_far_it_was_out_is_refused_in_words(
    bench: Person, block: JobRecord
) -> None:
    """This program's own: with what it was measured says nothing without how far it was out. Nothing found is 0."""
    seeing: dict[str, Any] = {"on": "block", "look": "deck", "answer": "indicator", "at": timezone.now()}
    with pytest.raises(Refusal) as refused:
        actions.see(bench, block.pk, actions.Seeing(id="d1", amount="", **seeing))
    assert "say how far it was out" in refused.value.faults[0].what
    actions.see(bench, block.pk, actions.Seeing(id="d2", amount="0", **seeing))
    assert block.facts.get().document["amount"] == 0
