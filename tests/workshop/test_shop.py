"""What belongs to the shop: limits and their revisions, gauges, house rules, accounts. Source: docs/trade:
Authority of a limit, 8.12."""

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from halfthou.exchange import read_limits, write_limits
from halfthou.jobs import Guard, HardenedCrank, SheetState, SourceKind
from halfthou.parts.journals.limits import limits_of
from halfthou.verdicts import Action
from tests.making import inches, mm
from workshop.gauges.actions import GaugeForm, cabinet, keep_gauge
from workshop.house.actions import HouseRulesForm, keep_rules, rules_in_force
from workshop.jobs import actions
from workshop.limits.actions import change_sheet, confirm_sheet, copy_sheet, document_of, draft_sheet, take_in_sheet
from workshop.limits.models import SheetRevision
from workshop.limits.translate import FigureForm, StepForm, form_of_sheet, sheet_of
from workshop.people.actions import add_person, change_person
from workshop.people.models import Person, Role
from workshop.people.refusals import Clash, NotAllowed, Refusal
from workshop.record.models import JobRecord

from .conftest import PASSWORD, form_of, sheet_form


def rules(polish: str) -> HouseRulesForm:
    return HouseRulesForm(guard=Guard.TWO_U, hardened_crank=HardenedCrank.NEVER, polish_allowance=polish)


def test_what_is_typed_in_the_form_is_held_exactly_and_comes_back(limits: SheetRevision) -> None:
    sheet = document_of(limits)
    assert limits_of(sheet, "rods").size.least == inches("2.0370")
    assert limits_of(sheet, "rods").out_of_round.source.kind is SourceKind.MAKER
    again = sheet_of(form_of_sheet(sheet), 1)
    assert limits_of(again, "rods").size.most == limits_of(sheet, "rods").size.most
    assert [shell.size for shell in limits_of(again, "mains").shells] == [
        shell.size for shell in limits_of(sheet, "mains").shells
    ]


def test_units_may_be_mixed_on_one_sheet(machinist: Person) -> None:
    form = sheet_form("Mixed 4")
    form_of(form, "rods").figures.append(FigureForm(name="case_depth", least="0.40 mm"))
    form_of(form, "rods").steps.append(StepForm(size="0.25 mm"))
    with pytest.raises(Refusal, match="asks about itself"):
        draft_sheet(machinist, form)
    sheet = document_of(draft_sheet(machinist, form.model_copy(update={"sure": True})))
    depth = limits_of(sheet, "rods").case_depth
    assert depth is not None
    assert depth.value == mm("0.40")
    assert mm("0.25") in {shell.size for shell in limits_of(sheet, "rods").shells}
    assert read_limits(write_limits(sheet)) == sheet


@pytest.mark.parametrize(
    ("name", "least", "most", "words"),
    [
        ("size", "2.0378", "2.0370", "swap them"),
        ("size", "", "", "is needed"),
        ("size", "2.0370", "", "Nothing was typed"),
        ("taper", ".5", "", "check the decimal point"),
        ("out_of_round", "abc", "", "no unit"),
        ("out_of_round", "0", "", "more than nothing"),
        ("service_least", "2.1", "", "larger than the journal"),
    ],
)
def test_a_figure_that_cannot_be_is_refused_in_words(
    machinist: Person, name: str, least: str, most: str, words: str
) -> None:
    form = sheet_form("Wrong 4")
    form_of(form, "rods").figures = [figure for figure in form_of(form, "rods").figures if figure.name != name]
    form_of(form, "rods").figures.append(FigureForm(name=name, least=least, most=most))
    with pytest.raises(Refusal) as refused:
        draft_sheet(machinist, form)
    assert any(words in fault.what for fault in refused.value.faults)
    assert not SheetRevision.objects.exists()


def test_a_shell_listed_twice_is_refused(machinist: Person) -> None:
    form = sheet_form("Twice 4")
    form_of(form, "mains").steps.append(StepForm(size="0.010"))
    with pytest.raises(Refusal) as refused:
        draft_sheet(machinist, form)
    assert refused.value.faults[0].where == "mains"


def test_an_engine_has_one_sheet_with_revisions(limits: SheetRevision, machinist: Person, owner: Person) -> None:
    with pytest.raises(Clash, match="already"):
        draft_sheet(machinist, sheet_form())
    confirm_sheet(owner, limits.pk, 1, sure=True)
    copied = copy_sheet(machinist, limits.pk)
    assert (copied.number, document_of(copied).state) == (2, SheetState.DRAFT)
    with pytest.raises(Clash, match="earlier revisions"):
        change_sheet(machinist, copied.pk, sheet_form("Renamed 4").model_copy(update={"version": 1}))
    taken_in = take_in_sheet(machinist, document_of(limits))
    assert (taken_in.number, document_of(taken_in).revision) == (3, 3)


def test_a_confirmed_sheet_is_changed_by_the_owner_only_and_is_a_draft_again(
    limits: SheetRevision, machinist: Person, owner: Person
) -> None:
    with pytest.raises(NotAllowed, match="owner"):
        confirm_sheet(machinist, limits.pk, 1)
    confirm_sheet(owner, limits.pk, 1, sure=True)
    with pytest.raises(NotAllowed):
        change_sheet(machinist, limits.pk, sheet_form().model_copy(update={"version": 2}))
    with pytest.raises(Clash, match="changed this sheet meanwhile"):
        change_sheet(owner, limits.pk, sheet_form())
    mended = change_sheet(owner, limits.pk, sheet_form().model_copy(update={"version": 2}))
    assert document_of(mended).state is SheetState.DRAFT


def test_house_rules_judge_open_jobs_and_leave_signed_ones(
    job: JobRecord, read_all: Any, owner: Person, land: Callable[..., Any]
) -> None:
    """Source: house style: a signed decision keeps the words and numbers as they were."""
    read_all(R1=["2.03715"] * 8)
    assert actions.open_job(job.pk, owner).assessment.of("rods").action is Action.REUSE
    keep_rules(owner, rules(".0003"))
    assert actions.open_job(job.pk, owner).assessment.of("rods").action is Action.MEASURE
    assert rules_in_force().guard is Guard.TWO_U


@pytest.mark.parametrize("polish", ["", "abc", "1", "-.0003", "2 mil"])
def test_a_polish_allowance_that_cannot_be_is_refused(owner: Person, polish: str) -> None:
    with pytest.raises(Refusal) as refused:
        keep_rules(owner, rules(polish))
    assert refused.value.faults


@pytest.mark.parametrize(
    ("field", "text"),
    [
        ("resolution", ""),
        ("resolution", "0"),
        ("resolution", "2"),
        ("permissible_error", "x"),
        ("repeatability", "2 mil"),
    ],
)
def test_a_gauge_that_cannot_be_is_refused(machinist: Person, field: str, text: str) -> None:
    typed = {
        "name": "g",
        "kind": "caliper",
        "unit": "in",
        "resolution": ".001",
        "permissible_error": ".001",
        field: text,
    }
    with pytest.raises(Refusal):
        keep_gauge(machinist, None, GaugeForm.model_validate(typed))
    assert cabinet() == ()


def test_a_retired_gauge_stays_with_its_readings(
    job: JobRecord, land: Callable[..., Any], machinist: Person
) -> None:
    land("R1", "1a", "371")
    (known,) = cabinet()
    typed = {
        "name": known.name,
        "kind": known.kind.value,
        "unit": "in",
        "resolution": ".0001",
        "permissible_error": "0",
    }
    keep_gauge(machinist, known.id, GaugeForm.model_validate(typed), retired=True)
    assert cabinet() == ()
    assert [gauge.id for gauge in actions.open_job(job.pk, machinist).job.gauges] == [known.id]


def test_accounts_are_opened_closed_and_changed_by_the_owner(owner: Person, machinist: Person) -> None:
    with pytest.raises(NotAllowed):
        add_person(machinist, "x", Role.BENCH, PASSWORD)
    with pytest.raises(Refusal, match="easy"):
        add_person(owner, "second", Role.BENCH, "1234")
    second = add_person(owner, " second ", Role.BENCH, PASSWORD)
    assert second.username == "second"
    with pytest.raises(Refusal, match="already"):
        add_person(owner, "Second", Role.BENCH, PASSWORD)
    change_person(owner, second.pk, None, active=False, password="")
    body = {"name": "second", "password": PASSWORD}
    assert Client().post("/api/session", body, content_type="application/json").status_code == 403
