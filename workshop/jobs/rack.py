"""Reading the rack: search, order, pages. From the summaries alone."""

from datetime import date
from enum import StrEnum

from django.db import connection
from django.db.models import Case, F, Q, QuerySet, When
from django.db.models.expressions import RawSQL
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
    put_away: str
    found: str


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
    """One page of the rack. Every word of the search must be found in what is written of a job: its card, its
    verdicts, its notes, what was decided and why. A search looks on the rack and in the archive alike."""
    words = search[:MOST_SEARCH].split()[:MOST_WORDS]
    jobs: QuerySet[JobRecord] = JobRecord.objects.all() if words else JobRecord.objects.filter(archived=archived)
    for word in words:
        jobs = jobs.filter(_holds(word))
    total = jobs.count()
    pages = max(1, -(-total // PAGE_SIZE))
    page = min(max(page, 1), pages)
    shown = jobs.order_by(*_ORDERS[order])[(page - 1) * PAGE_SIZE : page * PAGE_SIZE]
    records = list(shown)
    found = _found_in([record.pk for record in records], words)
    lines = [rack_line(record, found.get(record.pk, "")) for record in records]
    return RackOut(jobs=lines, total=total, page=page, pages=pages)


#: The index knows threes of letters: of a shorter word only the card is asked.
LEAST_INDEXED = 3


def _phrase(word: str) -> str:
    """A word as FTS5 takes it: as it stands, whatever signs are in it."""
    return '"' + word.replace('"', '""').replace("\x00", "") + '"'


def _holds(word: str) -> Q:
    if len(word) < LEAST_INDEXED:
        return Q(number__icontains=word) | Q(title__icontains=word) | Q(customer__icontains=word)
    found = RawSQL("SELECT job FROM jobs_found WHERE jobs_found MATCH %s", (_phrase(word),))
    return Q(pk__in=found)


#: So many places are looked at for a page of jobs, the newest first: a common word stands in thousands.
MOST_PLACES = 400


def _found_in(jobs: list[int], words: list[str]) -> dict[int, str]:
    """Where in what was written of these jobs the words of a search stand, a few words around; nothing of a job of
    which only the card holds them."""
    asked = [_phrase(word) for word in words if len(word) >= LEAST_INDEXED]
    if not asked or not jobs:
        return {}
    marks = ", ".join(["%s"] * len(jobs))
    with connection.cursor() as cursor:
        cursor.execute(
            "SELECT job, snippet(jobs_found, 0, '', '', '…', 60) FROM jobs_found WHERE jobs_found MATCH %s "  # noqa: S608
            f"AND rowid > 0 AND job IN ({marks}) ORDER BY rowid DESC LIMIT {MOST_PLACES}",
            [" OR ".join(asked), *jobs],
        )
        rows = cursor.fetchall()
    # The newest wins: rows come from it backwards.
    return {job: " ".join(text.split()) for job, text in reversed(rows)}


def rack_line(record: JobRecord, found: str = "") -> RackLine:
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
        put_away=record.put_away,
        found=found,
    )
