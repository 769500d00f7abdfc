"""What the API says of work: what was done, and what can be written down."""

from datetime import datetime

from pydantic import BaseModel

from halfthou.engines import Engine
from halfthou.gauges import RISE_K
from halfthou.jobs import Job, OperationKind
from halfthou.lengths import Notation
from halfthou.operations import made_stale
from halfthou.parts import CATALOGUE
from halfthou.words import Caution, cautions_of_work
from workshop.bench.work import ALONE, SIZED


class WorkDone(BaseModel):
    """Work that stands on record, and how many readings it made stale."""

    id: str
    kind: OperationKind
    on: str
    on_words: str
    step: str
    note: str
    by: str
    at: datetime
    stale: int


class WorkOut(BaseModel):
    """An operation that can be written down, what it is done to, whether it takes parts to a size, whether it
    can be done to one part alone, and what can hurt."""

    kind: OperationKind
    on: list[str]
    sized: bool
    alone: bool
    cautions: list[Caution]


WORK = [
    WorkOut(kind=kind, on=list(on), sized=kind in SIZED, alone=kind in ALONE, cautions=list(cautions_of_work(kind)))
    for kind, on in CATALOGUE.done_to.items()
]
CONDITIONS = list(RISE_K)


def work_done(job: Job, engine: Engine) -> list[WorkDone]:
    """The work that stands on record, oldest first."""
    say = Notation.usual(job.shown_in)
    stale = made_stale(job.standing_operations, job.standing_readings, engine)
    return [
        WorkDone(
            id=done.id,
            kind=done.kind,
            on=done.on,
            on_words=engine.parts[done.on].short if done.on in engine.parts else done.on,
            step="" if done.step is None else f"{say.undersize(done.step)} {engine.way_of(done.on)}",
            note=done.note,
            by=done.by,
            at=done.at,
            stale=stale[done.id],
        )
        for done in job.standing_operations
    ]
