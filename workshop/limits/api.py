"""The limits library over HTTP."""

from datetime import datetime

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from halfthou.engines import usual_layouts
from halfthou.exchange import read_limits, read_limits_csv, write_limits, write_limits_csv
from halfthou.jobs import Layout, LimitsSheet, SheetState
from halfthou.lengths import Unit
from workshop.limits import actions
from workshop.limits.models import SheetRevision
from workshop.limits.translate import SheetForm, form_of_sheet
from workshop.people.api import signed_in

router = Router(tags=["limits"])


class SheetLine(Schema):
    """A revision in the list of the library."""

    id: int
    engine: str
    revision: int
    state: SheetState
    frozen: bool
    in_use: bool
    version: int
    layout: str
    unit: Unit
    sets: list[str]
    changed_by: str
    changed_at: datetime


class SheetOut(Schema):
    """A revision with its form."""

    line: SheetLine
    form: SheetForm


class BlankSheet(Schema):
    """What a new sheet starts from: the usual layouts. What each set is asked for, the kinds of part say."""

    layouts: list[Layout]


class FileIn(Schema):
    """The text of a file and its name."""

    name: str = Field(max_length=500)
    text: str = Field(max_length=5_000_000)


class ConfirmIn(Schema):
    """The version that was looked at, and whether figures without a source were checked all the same."""

    version: int
    sure: bool = False


def _line(revision: SheetRevision, sheet: LimitsSheet) -> SheetLine:
    return SheetLine(
        id=revision.pk,
        engine=sheet.engine,
        revision=revision.number,
        state=sheet.state,
        frozen=revision.frozen,
        in_use=revision.jobrecord_set.exists(),
        version=revision.version,
        layout=sheet.layout.name,
        unit=sheet.unit,
        sets=list(sheet.sets),
        changed_by=revision.changed_by,
        changed_at=revision.changed_at,
    )


def _out(revision: SheetRevision) -> SheetOut:
    sheet = actions.document_of(revision)
    return SheetOut(
        line=_line(revision, sheet), form=form_of_sheet(sheet, revision.version, revision.description_id)
    )


@router.get("", response=list[SheetLine])
def list_sheets(request: HttpRequest) -> list[SheetLine]:
    """Every revision of every engine."""
    revisions = SheetRevision.objects.select_related("sheet").order_by("sheet__engine", "-number")
    return [_line(revision, actions.document_of(revision)) for revision in revisions]


@router.get("/blank", response=BlankSheet)
def blank_sheet(request: HttpRequest) -> BlankSheet:
    """What a new sheet starts from."""
    return BlankSheet(layouts=list(usual_layouts()))


@router.post("", response=SheetOut)
def draft_sheet(request: HttpRequest, form: SheetForm) -> SheetOut:
    """Enter a new engine's limits."""
    return _out(actions.draft_sheet(signed_in(request), form))


@router.post("/import", response=SheetOut)
def import_sheet(request: HttpRequest, given: FileIn) -> SheetOut:
    """Take in a sheet from JSON or CSV text."""
    sheet = read_limits_csv(given.text) if given.name.lower().endswith(".csv") else read_limits(given.text)
    return _out(actions.take_in_sheet(signed_in(request), sheet))


@router.get("/{int:revision_id}", response=SheetOut)
def get_sheet(request: HttpRequest, revision_id: int) -> SheetOut:
    """One revision."""
    return _out(actions.revision_of(revision_id))


@router.put("/{int:revision_id}", response=SheetOut)
def change_sheet(request: HttpRequest, revision_id: int, form: SheetForm) -> SheetOut:
    """Change a revision."""
    return _out(actions.change_sheet(signed_in(request), revision_id, form))


@router.post("/{int:revision_id}/copy", response=SheetOut)
def copy_sheet(request: HttpRequest, revision_id: int) -> SheetOut:
    """Copy to a new revision."""
    return _out(actions.copy_sheet(signed_in(request), revision_id))


@router.post("/{int:revision_id}/confirm", response=SheetOut)
def confirm_sheet(request: HttpRequest, revision_id: int, given: ConfirmIn) -> SheetOut:
    """Confirm a revision."""
    return _out(actions.confirm_sheet(signed_in(request), revision_id, given.version, sure=given.sure))


@router.get("/{int:revision_id}/limits.json", include_in_schema=False)
def export_json(request: HttpRequest, revision_id: int) -> HttpResponse:
    """The sheet as a JSON file."""
    return _file(revision_id, "json")


@router.get("/{int:revision_id}/limits.csv", include_in_schema=False)
def export_csv(request: HttpRequest, revision_id: int) -> HttpResponse:
    """The sheet as a CSV file."""
    return _file(revision_id, "csv")


def _file(revision_id: int, kind: str) -> HttpResponse:
    revision = actions.revision_of(revision_id)
    sheet = actions.document_of(revision)
    text = write_limits(sheet) if kind == "json" else write_limits_csv(sheet)
    response = HttpResponse(text, content_type="application/json" if kind == "json" else "text/csv")
    response["Content-Disposition"] = f'attachment; filename="limits-{revision.pk}-r{revision.number}.{kind}"'
    return response
