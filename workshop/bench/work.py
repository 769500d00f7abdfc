"""Work done on the engine, and answers to what was asked about a reading."""

from datetime import datetime
from typing import Literal

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.engines import Engine
from halfthou.exchange import Fault
from halfthou.gauges import SlipKind
from halfthou.jobs import Job, Moment, Operation, OperationKind, Reading, SlipAnswer, held_as
from halfthou.lengths import MOST_UNDERSIZE, Asked, Length, Unit, Unreadable, read_undersize
from halfthou.memo import Memo
from halfthou.operations import last_work, makes_stale, stale_by
from halfthou.parts import CATALOGUE
from halfthou.surveys import Suspicion, every_spot, survey_parts
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.facts import own_or_may
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways
from workshop.record.opened import (
    Opened,
    add_facts,
    job_record,
    must_be_open,
    names_taken,
    open_job,
    settled,
    sound_job,
)
from workshop.record.translate import known_fact

#: Work that takes parts to a size.
SIZED = (OperationKind.GRIND, OperationKind.BORE)
#: Work that is also done to one part of a set alone.
ALONE = (
    *SIZED,
    OperationKind.POLISH,
    OperationKind.LIGHT_HONE,
    OperationKind.SLEEVE,
    OperationKind.FILE_RINGS,
    OperationKind.PISTON_WORK,
    OperationKind.PINS,
)


class Doing(Schema):
    """An operation as sent: what was done, to what, and to which step where it was ground or bored. `sure` says
    that the person knows how many readings it makes stale, `at` when it was done, now where nothing is said."""

    fact: Literal["operation"] = "operation"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    kind: OperationKind
    on: str = Field(max_length=40)
    step: str = Field(default="", max_length=60)
    note: str = Field(default="", max_length=2000)
    sure: bool = False
    at: Moment | None = None


class SlipReply(Schema):
    """The answer to "did you mean": the readings it is about, and the size taken, or none to keep what was read."""

    fact: Literal["slip answer"] = "slip answer"
    id: str = Field(min_length=1, max_length=40, pattern=r"^[A-Za-z0-9._:-]+$")
    reading: str = Field(max_length=64)
    taken_nm: int | None = None


@transaction.atomic
def do_operation(person: Person, job_id: int, given: Doing) -> Opened:
    """Write an operation down. What it touches becomes stale; nothing is erased. Sent twice, it lands once."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if not isinstance(known, Operation) or (known.kind, known.on) != (given.kind, given.on):
            raise Clash("name-taken", "Other work has that name already. This was not written down.")
        return open_job(job_id, person)
    must_be_open(record)
    job = sound_job(record, Unit(person.shown_unit))
    engine = CATALOGUE.engine_of(job)
    done_to = CATALOGUE.done_to.get(given.kind, ())
    if given.on not in done_to and not (given.on in engine.parts and engine.parts[given.on].set in done_to):
        raise Refusal("no-part", f"That is done to {' or '.join(done_to)}.", [Fault("on", "not done to it")])
    step = _step(job, engine, given)
    done = Operation(
        id=given.id,
        kind=given.kind,
        on=given.on,
        step=step,
        note=given.note.strip(),
        by=person.username,
        at=_done_at(given.at, record),
    )
    if not given.sure:
        _ask_first(job, engine, done)
    add_facts(record, [done])
    return settled(record, person)


def _done_at(said: datetime | None, record: JobRecord) -> datetime:
    """When work was done. Refuses: Refusal where that is still to come, or was before the engine was booked in."""
    now = timezone.now()
    if said is None:
        return now
    words = ""
    if said > now:
        words = "That is still to come: say when it was done."
    elif timezone.localtime(said).date() < record.booked_in:
        words = f"The engine was booked in on {record.booked_in:%d %b %Y}: work on it was done after that."
    if words:
        raise Refusal("bad-time", words, [Fault("at", words)])
    return said


def _ask_first(job: Job, engine: Engine, would: Operation) -> None:
    """Ask before work makes readings stale. Refuses: Clash, saying how many."""
    worked = last_work(job, engine)
    stale = sum(
        makes_stale(would, reading, engine) and stale_by(reading, worked) is None
        for reading in job.standing_readings
    )
    if stale:
        readings = "reading is" if stale == 1 else "readings are"
        message = f"{stale} {readings} stale after it and must be taken again. It can be taken back."
        raise Clash("makes-stale", message)


def _step(job: Job, engine: Engine, given: Doing) -> Length | None:
    text = given.step.strip()
    if given.kind not in SIZED or not text:
        return None
    part = engine.parts.get(given.on)
    limits = job.limits.sets.get(part.set if part is not None else given.on)
    ladder = tuple(step.size for step in limits.steps) if limits is not None else ()
    try:
        found = read_undersize(text, job.shown_in, ladder)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("step", error.message)]) from None
    if isinstance(found, Asked):
        words = found.in_words
        raise Refusal("two-ways", words, [Fault("step", words)])
    if found.length > MOST_UNDERSIZE:
        what = "oversize" if given.kind is OperationKind.BORE else "undersize"
        words = f"“{text}” is no {what}: check the decimal point."
        raise Refusal("too-far", words, [Fault("step", words)])
    return found.length


@transaction.atomic
def answer_slip(person: Person, job_id: int, given: SlipReply) -> Opened:
    """Take what a reading was meant to be, or keep what was read. The reading itself stays as it is.

    Where one slip runs through a whole part, the answer is for all of it.
    """
    must(person, Act.READ)
    record = job_record(job_id)
    must_be_open(record)
    doubts = _asked_about(sound_job(record, Unit(person.shown_unit)))
    asked = next((doubt for doubt, reading in doubts if reading.id == given.reading), None)
    if asked is None:
        if record.facts.filter(kind=held_as(SlipAnswer).kind.name, document__reading=given.reading).exists():
            return settled(record, person)
        raise NotThere("not-asked", "Nothing is asked about that reading any more.")
    offer = next((offer for offer in asked.offers if offer.meant.nm == given.taken_nm), None)
    if given.taken_nm is not None and offer is None:
        raise Refusal("not-offered", "That size was not offered. Read the spot again instead.")
    part = next(reading.part for _, reading in doubts if reading.id == given.reading)
    together = [
        (doubt, reading)
        for doubt, reading in doubts
        if reading.id == given.reading or (doubt.why is asked.why and doubt.throughout and reading.part == part)
    ]
    if asked.gauge is not None:
        # What is said of a gauge is said once, for all that was read with it.
        together = together[:1]
    names = [given.id if nth == 0 else f"{given.id}.{nth}" for nth in range(len(together))]
    if names_taken(record, names):
        raise Clash("name-taken", "Another fact has that name already. The answer was not kept.")
    for _, reading in together:
        own_or_may(person, reading.by)
    meant = None if offer is None else offer.kind
    doubted = [doubt for doubt, _ in together]
    add_facts(record, [_answer(person, name, doubt, meant) for name, doubt in zip(names, doubted, strict=True)])
    return settled(record, person)


def _answer(person: Person, name: str, doubt: Suspicion, meant: SlipKind | None) -> SlipAnswer:
    offer = next((offer for offer in doubt.offers if offer.kind is meant), None)
    said = offer.kind.value if offer else doubt.gauge.value if doubt.gauge else doubt.why.value
    return SlipAnswer(
        id=name,
        reading=doubt.reading,
        slip=said,
        offered=offer.meant if offer else None,
        taken=offer is not None,
        by=person.username,
        at=timezone.now(),
    )


def _asked_about(job: Job) -> list[tuple[Suspicion, Reading]]:
    """Every reading a question stands about, with its question."""
    surveys = survey_parts(job, CATALOGUE.engine_of(job), Memo())
    return [
        (state.doubt, taken.reading)
        for _, state in every_spot(surveys.values())
        if state.doubt is not None
        for taken in state.counted
        if taken.reading.id == state.doubt.reading
    ]


#: What is reported here, and how it lands.
WAYS: Ways = {Doing: do_operation, SlipReply: answer_slip}
