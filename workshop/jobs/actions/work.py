"""Work done on the engine, and answers to what was asked about a reading."""

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import Job, JournalSet, Operation, OperationKind, Reading, set_of
from halfthou.lengths import MOST_UNDERSIZE, Asked, Length, Unit, Unreadable, read_undersize
from halfthou.operations import RUNS_ON, makes_stale, stale_readings
from halfthou.surveys import Suspicion, standing_readings, survey_journals
from workshop.jobs.actions.facts import own_or_may
from workshop.jobs.actions.opened import (
    Opened,
    claim_names,
    job_record,
    must_be_new,
    must_be_open,
    names_taken,
    open_job,
    settled,
    sound_job,
    write_history,
)
from workshop.jobs.models import OperationRecord, SlipAnswerRecord
from workshop.jobs.translate import operation_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal


class Doing(Schema):
    """An operation as sent: what was done, to what, and to which undersize where it was a grind. `sure` says that
    the person knows how many readings it makes stale."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    kind: OperationKind
    on: str = Field(max_length=10)
    undersize: str = Field(default="", max_length=60)
    note: str = Field(default="", max_length=2000)
    sure: bool = False


class SlipReply(Schema):
    """The answer to "did you mean": the readings it is about, and the size taken, or none to keep what was read."""

    id: str = Field(min_length=1, max_length=40, pattern=r"^[A-Za-z0-9._:-]+$")
    reading: str = Field(max_length=64)
    taken_nm: int | None = None


@transaction.atomic
def do_operation(person: Person, job_id: int, given: Doing) -> Opened:
    """Write an operation down. What it touches becomes stale; nothing is erased. Sent twice, it lands once."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = record.operations.filter(key=given.id).first()
    if known is not None:
        if (known.kind, known.on) != (given.kind.value, given.on):
            raise Clash("name-taken", "Other work has that name already. This was not written down.")
        return open_job(job_id, person)
    must_be_open(record)
    job = sound_job(record, Unit(person.shown_unit))
    if given.on not in RUNS_ON[given.kind] and given.on not in job.limits.layout.shaft:
        raise Refusal(
            "no-part", f"That is done to {' or '.join(RUNS_ON[given.kind])}.", [Fault("on", "not done to it")]
        )
    undersize = _undersize(job, given)
    if not given.sure:
        _ask_first(job, given, undersize)
    must_be_new(record, given.id)
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


def _ask_first(job: Job, given: Doing, undersize: Length | None) -> None:
    """Ask before work makes readings stale. Refuses: Clash, saying how many."""
    would = Operation(
        id=given.id, kind=given.kind, on=given.on, undersize=undersize, by="?", at=timezone.now()
    )  # fmt: skip
    gone = stale_readings(job)
    stale = sum(makes_stale(would, reading) and reading.id not in gone for reading in standing_readings(job))
    if stale:
        readings = "reading is" if stale == 1 else "readings are"
        message = f"{stale} {readings} stale after it and must be taken again. It can be taken back."
        raise Clash("makes-stale", message)


def _made_stale(job: Job, operation: Operation) -> int:
    return sum(makes_stale(operation, reading) for reading in standing_readings(job))


def _undersize(job: Job, given: Doing) -> Length | None:
    text = given.undersize.strip()
    if given.kind is not OperationKind.GRIND or not text:
        return None
    journal_set = JournalSet(given.on) if given.on in ("mains", "rods") else set_of(given.on)
    ladder = tuple(shell.undersize for shell in job.limits.of(journal_set).shells)
    try:
        found = read_undersize(text, job.shown_in, ladder)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("undersize", error.message)]) from None
    if isinstance(found, Asked):
        words = f"{found.question} Write it with in or mm."
        raise Refusal("two-ways", words, [Fault("undersize", words)])
    if found.length > MOST_UNDERSIZE:
        words = f"“{text}” is no undersize: check the decimal point."
        raise Refusal("too-far", words, [Fault("undersize", words)])
    return found.length


@transaction.atomic
def answer_slip(person: Person, job_id: int, given: SlipReply) -> Opened:
    """Take what a reading was meant to be, or keep what was read. The reading itself stays as it is.

    Where one slip runs through a whole journal, the answer is for all of it.
    """
    must(person, Act.READ)
    record = job_record(job_id)
    must_be_open(record)
    doubts = _asked_about(sound_job(record, Unit(person.shown_unit)))
    asked = next((doubt for doubt, reading in doubts if reading.id == given.reading), None)
    if asked is None:
        if record.slip_answers.filter(reading=given.reading).exists():
            return settled(record, person)
        raise NotThere("not-asked", "Nothing is asked about that reading any more.")
    offer = next((offer for offer in asked.offers if offer.meant.nm == given.taken_nm), None)
    if given.taken_nm is not None and offer is None:
        raise Refusal("not-offered", "That size was not offered. Read the spot again instead.")
    journal = next(reading.journal for _, reading in doubts if reading.id == given.reading)
    together = [
        (doubt, reading)
        for doubt, reading in doubts
        if reading.id == given.reading
        or (doubt.why is asked.why and doubt.throughout and reading.journal == journal)
    ]
    if asked.gauge is not None:
        # What is said of a gauge is said once, for all that was read with it.
        together = together[:1]
    names = [given.id if nth == 0 else f"{given.id}.{nth}" for nth in range(len(together))]
    if names_taken(record, names):
        raise Clash("name-taken", "Another fact has that name already. The answer was not kept.")
    claim_names(record, names)
    for name, (doubt, reading) in zip(names, together, strict=True):
        own_or_may(person, reading.by)
        its_offer = next((o for o in doubt.offers if offer is not None and o.kind is offer.kind), None)
        SlipAnswerRecord.objects.create(
            job=record,
            key=name,
            reading=doubt.reading,
            slip=its_offer.kind.value if its_offer else doubt.gauge.value if doubt.gauge else doubt.why.value,
            offered_nm=its_offer.meant.nm if its_offer else None,
            taken=its_offer is not None,
            by=person.username,
            at=timezone.now(),
        )
    return settled(record, person)


def _asked_about(job: Job) -> list[tuple[Suspicion, Reading]]:
    """Every reading a question stands about, with its question."""
    return [
        (state.doubt, taken.reading)
        for survey in survey_journals(job).values()
        for spots in (survey.all_spots, *survey.bearing.values())
        for state in spots
        if state.doubt is not None
        for taken in state.counted
        if taken.reading.id == state.doubt.reading
    ]
