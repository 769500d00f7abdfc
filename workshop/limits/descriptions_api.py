"""Descriptions of engines over HTTP."""

from datetime import datetime

from django.http import HttpRequest
from ninja import Router, Schema

from halfthou.engines import (
    AskedOfEngine,
    asked_of,
    cylinders_from_the_other_end,
    described,
    mains_from_the_other_end,
    not_judged,
    usual_engines,
)
from halfthou.jobs import Layout
from halfthou.parts import CATALOGUE
from halfthou.strip import EngineShape, shape_of, strip_list
from workshop.limits import describing
from workshop.limits.models import DescriptionRevision
from workshop.people.api import signed_in

router = Router(tags=["descriptions"])


class DescriptionLine(Schema):
    """A revision in the list."""

    id: int
    name: str
    revision: int
    version: int
    frozen: bool
    in_use: bool
    sheets: list[str]
    changed_by: str
    changed_at: datetime


class DescriptionOut(Schema):
    """A revision as it is described."""

    line: DescriptionLine
    layout: Layout


class EngineLook(Schema):
    """What follows from a description: its drawing, what is not known and matters, what is not judged yet, and how
    many places, steps and turns of the crank it has; what lies at its front, and the same engine with its mains, or
    its cylinders, counted from the other end."""

    shape: EngineShape
    asked: list[AskedOfEngine]
    not_judged: list[str]
    places: int
    steps: int
    turns: int
    first_main: str
    first_cylinders: list[int]
    mains_turned: Layout
    cylinders_turned: Layout


def _line(revision: DescriptionRevision) -> DescriptionLine:
    return DescriptionLine(
        id=revision.pk,
        name=revision.description.name,
        revision=revision.number,
        version=revision.version,
        frozen=revision.frozen,
        in_use=describing.in_use(revision),
        sheets=[str(sheet) for sheet in revision.sheetrevision_set.select_related("sheet")[:20]],
        changed_by=revision.changed_by,
        changed_at=revision.changed_at,
    )


def _out(revision: DescriptionRevision) -> DescriptionOut:
    return DescriptionOut(line=_line(revision), layout=describing.layout_of(revision))


@router.get("", response=list[DescriptionLine])
def list_descriptions(request: HttpRequest) -> list[DescriptionLine]:
    """Every revision of every description."""
    revisions = DescriptionRevision.objects.select_related("description").order_by("description__name", "-number")
    return [_line(one) for one in revisions]


@router.get("/usual", response=list[Layout])
def list_usual(request: HttpRequest) -> list[Layout]:
    """Usual engines to begin with."""
    return list(usual_engines())


@router.post("/look", response=EngineLook)
def look_at(request: HttpRequest, form: describing.DescriptionForm) -> EngineLook:
    """What follows from a description, before it is kept."""
    engine = described(form.layout)
    steps = strip_list(form.layout)
    return EngineLook(
        shape=shape_of(engine),
        asked=list(asked_of(engine)),
        not_judged=list(not_judged(engine)),
        places=len(CATALOGUE.places(form.layout)),
        steps=len(steps),
        turns=sum(step.family == "turn" for step in steps),
        first_main=form.layout.mains[0],
        first_cylinders=list(form.layout.pins[int(form.layout.rods[0][1:]) - 1].cylinders),
        mains_turned=mains_from_the_other_end(form.layout),
        cylinders_turned=cylinders_from_the_other_end(form.layout),
    )


@router.post("", response=DescriptionOut)
def draft(request: HttpRequest, form: describing.DescriptionForm) -> DescriptionOut:
    """Describe an engine."""
    return _out(describing.draft_description(signed_in(request), form))


@router.get("/{int:revision_id}", response=DescriptionOut)
def get_description(request: HttpRequest, revision_id: int) -> DescriptionOut:
    """One revision."""
    return _out(describing.description_revision(revision_id))


@router.put("/{int:revision_id}", response=DescriptionOut)
def change(request: HttpRequest, revision_id: int, form: describing.DescriptionForm) -> DescriptionOut:
    """Change a revision."""
    return _out(describing.change_description(signed_in(request), revision_id, form))


@router.post("/{int:revision_id}/copy", response=DescriptionOut)
def copy(request: HttpRequest, revision_id: int) -> DescriptionOut:
    """Copy to a new revision."""
    return _out(describing.copy_description(signed_in(request), revision_id))
