"""Work done on the engine, and answers to what was asked about a reading."""

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import Job, JournalSet, Operation, OperationKind
from halfthou.lengths import Asked, Length, Unit, Unreadable, read_undersize
from halfthou.operations import RUNS_ON, makes_stale
from halfthou.surveys import survey_journals
from workshop.jobs.actions.facts import own_or_may
from workshop.jobs.actions.opened import Opened, job_record, must_be_open, open_job, settled, write_history
from workshop.jobs.models import OperationRecord, SlipAnswerRecord
from workshop.jobs.translate import job_of, operation_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal


class Doing(Schema):
    """An operation as sent: what was done, to what, and to which undersize where it was a grind."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    kind: OperationKind
    on: str
    undersize: str = Field(default="", max_length=60)
    note: str = Field(default="", max_length=2000)


class SlipReply(Schema):
    """The answer to "did you mean": the readings it is about, and the size taken, or none to keep what was read."""

    id: str = Field(min_length=1, max_length=40, pattern=r"^[A-Za-z0-9._:-]+$")
    reading: str
    taken_nm: int | None = None


@transaction.atomic
def do_operation(person: Person, job_id: int, given: Doing) -> Opened:
    """Write an operation down. What it touches becomes stale; nothing is erased. Sent twice, it lands once."""
    must(person, Act.READ)
    record = job_record(job_id)
    if record.operations.filter(key=given.id).exists():
        return open_job(job_id, person)
    must_be_open(record)
    job = job_of(record, Unit(person.shown_unit))
    if given.on not in RUNS_ON[given.kind] and given.on not in job.limits.layout.shaft:
        raise Refusal(
            "no-part", f"That is done to {' or '.join(RUNS_ON[given.kind])}.", [Fault("on", "not done to it")]
        )
    undersize = _undersize(job, given)
    row = OperationRecord.objects.create(
        job=record,
        key=given.id,
        kind=given.kind.value,
        on=given.on,
        undersize_nm=None if undersize is None else undersize.nm,
        note=given.note.strip(),
        by=person.username,
        at=timezone.now(),
    )
    stale = _made_stale(job, operation_of(row))
    write_history(record, person.username, f"{row.kind} on {row.on}: {stale} readings made stale")
    return settled(record, person)


def _made_stale(job: Job, operation: Operation) -> int:
    return sum(makes_stale(operation, reading) for reading in job.readings)


def _undersize(job: Job, given: Doing) -> Length | None:
    text = given.undersize.strip()
    if given.kind is not OperationKind.GRIND or not text:
        return None
    journal_set = JournalSet(given.on) if given.on in ("mains", "rods") else JournalSet.RODS
    ladder = tuple(shell.undersize for shell in job.limits.of(journal_set).shells)
    try:
        found = read_undersize(text, job.shown_in, ladder)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("undersize", error.message)]) from None
    if isinstance(found, Asked):
        words = f"{found.question} Write it with in or mm."
        raise Refusal("two-ways", words, [Fault("undersize", words)])
    return found.length


@transaction.atomic
def answer_slip(person: Person, job_id: int, given: SlipReply) -> Opened:
    """Take what a reading was meant to be, or keep what was read. The reading itself stays as it is.

    Where one slip runs through a whole journal, the answer is for all of it.
    """
    must(person, Act.READ)
    record = job_record(job_id)
    must_be_open(record)
    job = job_of(record, Unit(person.shown_unit))
    doubts = [
        (state.doubt, {taken.reading.id: taken.reading for taken in state.counted})
        for survey in survey_journals(job).values()
        for spots in (survey.spots, *survey.bearing.values())
        for state in spots
        if state.doubt is not None
    ]
    asked = next((doubt for doubt, _ in doubts if doubt.reading == given.reading), None)
    if asked is None:
        if record.slip_answers.filter(reading=given.reading).exists():
            return settled(record, person)
        raise NotThere("not-asked", "Nothing is asked about that reading any more.")
    offer = next((offer for offer in asked.offers if offer.meant.nm == given.taken_nm), None)
    if given.taken_nm is not None and offer is None:
        raise Refusal("not-offered", "That size was not offered. Read the spot again instead.")
    journal = next(reading.journal for reading in job.readings if reading.id == given.reading)
    together = [
        (doubt, readings[doubt.reading])
        for doubt, readings in doubts
        if doubt.reading == given.reading
        or (doubt.why is asked.why and doubt.throughout and readings[doubt.reading].journal == journal)
    ]
    for nth, (doubt, reading) in enumerate(together):
        own_or_may(person, reading.by)
        its_offer = next((o for o in doubt.offers if offer is not None and o.kind is offer.kind), None)
        SlipAnswerRecord.objects.create(
            job=record,
            key=given.id if nth == 0 else f"{given.id}.{nth}",
            reading=doubt.reading,
            slip=its_offer.kind.value if its_offer else doubt.why.value,
            offered_nm=its_offer.meant.nm if its_offer else None,
            taken=its_offer is not None,
            by=person.username,
            at=timezone.now(),
        )
    return settled(record, person)
