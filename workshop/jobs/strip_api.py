"""The strip over HTTP: its list, the engine as it stands, another description, the house's changes, the list the
other way round. Facts of it land by the one door, with all others."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import BaseModel, TypeAdapter, create_model

from halfthou.jobs import StripEdits
from halfthou.lengths import Notation
from halfthou.strip import (
    DrawnGroup,
    FittingStep,
    PositionShown,
    StripReport,
    StripStepShown,
    other_way,
    strip_report,
)
from workshop.bench.shapes import BenchOut
from workshop.jobs import actions
from workshop.jobs.api import bench_answer
from workshop.people.api import signed_in
from workshop.people.may import Act, rights_of
from workshop.record.kept import kept
from workshop.record.ledger import Ledger, Piece
from workshop.record.translate import description_of

router = Router(tags=["strip"])
_LISTS = ("steps", "positions", "groups")
_LINES: dict[str, Any] = {
    name: field.annotation for name, field in StripReport.model_fields.items() if name not in _LISTS
}
_READY: dict[str, TypeAdapter[Any]] = {name: TypeAdapter(kind) for name, kind in _LINES.items()}
_optional: dict[str, Any] = {name: (kind | None, None) for name, kind in _LINES.items()}
StripLines = create_model("StripLines", **_optional)


class StripChanged(BaseModel):
    """What changed of the strip since it was told last; `whole` says that this is all of it, to begin with afresh;
    `state` is to be sent along with the next question."""

    state: str
    whole: bool
    lines: StripLines
    steps: list[StripStepShown]
    positions: list[PositionShown]
    groups: list[DrawnGroup]


class StripTold(StripReport):
    """How the strip stands, and the state it was told in."""

    state: str


class EditsOut(Schema):
    """What is changed in the strip list at each reach, and how far this person may change it."""

    engine: StripEdits
    description: StripEdits
    all: StripEdits
    described_as: str
    may: list[actions.ForWhom]


@router.get("/jobs/{int:job_id}/strip", response=StripTold)
def get_strip(request: HttpRequest, job_id: int) -> HttpResponse:
    """How the strip stands."""
    return HttpResponse(_told(request, job_id).whole_of(_LISTS), content_type="application/json")


@router.get("/jobs/{int:job_id}/strip/changes", response=StripChanged)
def get_strip_changes(request: HttpRequest, job_id: int, since: str = "") -> HttpResponse:
    """What changed of the strip since a state it was told in."""
    return HttpResponse(_told(request, job_id).since_of(since, _LISTS), content_type="application/json")


def _told(request: HttpRequest, job_id: int) -> Ledger:
    """What is told of a strip, brought up to how it stands."""
    record, job = actions.looked_at(job_id, signed_in(request))
    told = kept(job_id, job.shown_in).strip_told
    told.write(record.version, _pieces(strip_report(job, Notation.usual(job.shown_in))))
    return told


def _pieces(report: StripReport) -> dict[Piece, bytes]:
    return {
        **{("lines", name): kind.dump_json(getattr(report, name)) for name, kind in _READY.items()},
        **{("steps", one.id): one.model_dump_json().encode() for one in report.steps},
        **{("groups", one.id): one.model_dump_json().encode() for one in report.groups},
        **{("positions", one.id): one.model_dump_json().encode() for one in report.positions},
    }


@router.get("/jobs/{int:job_id}/strip/other-way", response=list[FittingStep])
def get_other_way(request: HttpRequest, job_id: int) -> list[FittingStep]:
    """The list the other way round."""
    return list(other_way(actions.looked_at(job_id, signed_in(request))[1]))


@router.get("/jobs/{int:job_id}/strip/edits", response=EditsOut)
def get_edits(request: HttpRequest, job_id: int) -> EditsOut:
    """What the house changes in the list."""
    person = signed_in(request)
    record, _ = actions.looked_at(job_id, person)
    edits, description = actions.edits_of(record), description_of(record)
    rights = rights_of(person)
    may = [actions.ForWhom.ENGINE] if Act.DRAFT_LIMITS in rights else []
    if may and description is not None:
        may.append(actions.ForWhom.DESCRIPTION)
    if Act.KEEP_HOUSE_RULES in rights:
        may.append(actions.ForWhom.ALL)
    return EditsOut(
        engine=edits[actions.ForWhom.ENGINE],
        description=edits[actions.ForWhom.DESCRIPTION],
        all=edits[actions.ForWhom.ALL],
        described_as="" if description is None else str(description),
        may=may,
    )


@router.put("/jobs/{int:job_id}/strip/edits", response=BenchOut)
def put_edits(request: HttpRequest, job_id: int, given: actions.EditingStrip) -> HttpResponse:
    """Change the list."""
    return bench_answer(actions.edit_strip(signed_in(request), job_id, given))


@router.put("/jobs/{int:job_id}/description", response=BenchOut)
def put_description(request: HttpRequest, job_id: int, given: actions.TakingDescription) -> HttpResponse:
    """Let the job stand on another description of its engine."""
    return bench_answer(actions.take_up_description(signed_in(request), job_id, given))
