"""Reading the rack: search, order, pages. From the summaries alone."""

from datetime import date
from enum import StrEnum

from django.db.models import Case, F, Q, QuerySet, When
from pydantic import BaseModel

from halfthou.verdicts import MarkCode
from workshop.record.models import JobRecord, Stage

PAGE_SIZE = 50
#: Nobody searches for more.
MOST_SEARCH, MOST_WORDS = 500, 20


class RackSet(BaseModel):
    """What one set of a job came to: its mark and its headline."""

    set: str
    mark: MarkCode
    headline: str


class RackLine(BaseModel):
    """One job on the rack."""

    id: int
    number: str
    title: str
    customer: str
    engine: str
    due: date | None
    stage: Stage
    waits_for: str
    doubts: int
    taken: int
    planned: int
    sets: list[RackSet]
    archived: bool


class RackOut(BaseModel):
    """A page of the rack."""

    jobs: list[RackLine]
    total: int
    page: int
    pages: int


class RackOrder(StrEnum):
    """The orders a rack can stand in."""

    DUE = "due"
    NUMBER = "number"
    STAGE = "stage"


#: The stages in the order of the work, not of the alphabet.
_BY_STAGE = Case(*(When(stage=stage, then=nth) for nth, stage in enumerate(Stage)), default=len(Stage))
_ORDERS = {
    RackOrder.DUE: (F("due").asc(nulls_last=True), "id"),
    RackOrder.NUMBER: ("-id",),
    RackOrder.STAGE: (_BY_STAGE, F("due").asc(nulls_last=True), "id"),
}


def read_rack(search: str, order: RackOrder, *, archived: bool, page: int) -> RackOut:
    """One page of the rack. Every word of the search must be found in number, title, customer, complaint or
    engine."""
    jobs: QuerySet[JobRecord] = JobRecord.objects.filter(archived=archived)
    for word in search[:MOST_SEARCH].split()[:MOST_WORDS]:
        jobs = jobs.filter(
            Q(number__icontains=word)
            | Q(title__icontains=word)
            | Q(customer__icontains=word)
            | Q(complaint__icontains=word)
            | Q(engine__icontains=word)
            | Q(stage__icontains=word)
        )
    total = jobs.count()
    pages = max(1, -(-total // PAGE_SIZE))
    page = min(max(page, 1), pages)
    shown = jobs.order_by(*_ORDERS[order])[(page - 1) * PAGE_SIZE : page * PAGE_SIZE]
    return RackOut(jobs=[rack_line(record) for record in shown], total=total, page=page, pages=pages)


def rack_line(record: JobRecord) -> RackLine:
    """A job's line on the rack, from its summary alone."""
    return RackLine(
        id=record.pk,
        number=record.number,
        title=record.title,
        customer=record.customer,
        engine=record.engine,
        due=record.due,
        stage=Stage(record.stage),
        waits_for=record.waits_for,
        doubts=record.doubts,
        taken=record.taken,
        planned=record.planned,
        sets=[RackSet(**one) for one in record.sets],
        archived=record.archived,
    )
