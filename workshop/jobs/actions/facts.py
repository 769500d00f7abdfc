"""Facts land: readings, withdrawals, observations. Each is added once, whatever is sent twice."""

from datetime import datetime, timedelta

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.assess import assess, present_size
from halfthou.exchange import Fault, faults_of
from halfthou.jobs import ANSWERS, Job, JournalSet, Look, Observation, set_of
from halfthou.lengths import (
    Asked,
    Length,
    Typed,
    Unit,
    Unreadable,
    Window,
    read_here,
    read_length,
    read_undersize,
)
from halfthou.surveys import standing_sizes, window_for
from workshop.jobs.actions.opened import Opened, job_record, must_be_open, settle, settled, write_history
from workshop.jobs.models import ObservationRecord, ReadingRecord, WithdrawalRecord
from workshop.jobs.translate import job_of, observation_of, reading_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal

#: A bench's clock may be this far ahead of the server's before the server's time is taken.
CLOCK_AHEAD = timedelta(minutes=5)


class Landing(Schema):
    """A reading as sent from a bench. `chosen_nm` answers a question that the text left open."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    journal: str
    spot: str
    typed: str = Field(max_length=200)
    unit: Unit
    gauge: str
    at: datetime
    chosen_nm: int | None = None
    corrects: str | None = None


class Seeing(Schema):
    """An observation as sent from a bench."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    on: str
    look: Look
    answer: str
    depth: str = Field(default="", max_length=200)
    spot: str = ""
    at: datetime


def window_of(job: Job, journal: str) -> Window:
    """What a reading of this journal can be, by its limits and what its set has read so far."""
    journal_set = set_of(journal)
    read = standing_sizes(job, journal_set)
    present = present_size(job, journal_set, read)
    return window_for(job.limits.of(journal_set), present, read)


def interpret(job: Job, journal: str, spot: str, typed: str, unit: Unit) -> Typed | Asked:
    """What typed text would mean at a spot, without landing it. Refuses: Refusal."""
    if journal not in job.limits.layout.shaft or spot not in job.plan_of(set_of(journal)).spots:
        raise NotThere("no-spot", f"{journal} {spot} is no spot of this engine's plan.")
    try:
        return read_here(typed, unit, window_of(job, journal))
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("typed", error.message)]) from None


@transaction.atomic
def land_reading(person: Person, job_id: int, given: Landing) -> Opened | Asked:
    """Land a reading, or ask what it means. Sent twice, it lands once."""
    must(person, Act.READ)
    record = job_record(job_id)
    job = job_of(record, Unit(person.shown_unit))
    if any(reading.id == given.id for reading in job.readings):
        return Opened(record, job, assess(job))
    must_be_open(record)
    _check_correction(person, job, given)
    if given.gauge not in {gauge.id for gauge in job.gauges}:
        raise Refusal("no-gauge", "That gauge is not in the list. Choose another.", [Fault("gauge", "not listed")])
    meant = interpret(job, given.journal, given.spot, given.typed, given.unit)
    if isinstance(meant, Asked):
        chosen = next((choice for choice in meant.choices if choice.length.nm == given.chosen_nm), None)
        if chosen is None:
            return meant
        meant = Typed(chosen.length, chosen.unit)
    row = ReadingRecord.objects.create(
        job=record,
        key=given.id,
        journal=given.journal,
        spot=given.spot,
        nm=meant.length.nm,
        typed=given.typed.strip(),
        unit=meant.unit.value,
        gauge=given.gauge,
        by=person.username,
        at=_time(given.at),
        corrects=given.corrects or "",
    )
    grown = job.model_copy(update={"readings": (*job.readings, reading_of(row))})
    return Opened(record, grown, settle(record, grown))


@transaction.atomic
def withdraw_reading(person: Person, job_id: int, key: str, reading: str, at: datetime) -> Opened:
    """Take a reading back. It stays in the record as withdrawn."""
    must(person, Act.READ)
    record = job_record(job_id)
    if not record.withdrawals.filter(key=key).exists():
        must_be_open(record)
        row = record.readings.filter(key=reading).first()
        if row is None:
            raise NotThere("no-reading", "That reading is not there.")
        _own_or_may(person, row.by)
        if not record.withdrawals.filter(reading=reading).exists():
            WithdrawalRecord.objects.create(job=record, key=key, reading=reading, by=person.username, at=_time(at))
            write_history(record, person.username, f"withdrew {row.journal} {row.spot}, {row.typed}")
    return settled(record, person)


@transaction.atomic
def observe(person: Person, job_id: int, given: Seeing) -> Opened:
    """Write down what was seen on a journal, a set or the crank."""
    must(person, Act.READ)
    record = job_record(job_id)
    if not record.observations.filter(key=given.id).exists():
        must_be_open(record)
        job = job_of(record, Unit(person.shown_unit))
        depth = _depth(given, job)
        row = ObservationRecord(
            job=record,
            key=given.id,
            on=given.on,
            look=given.look.value,
            answer=given.answer,
            depth_nm=None if depth is None else depth.nm,
            typed=given.depth.strip(),
            spot=given.spot,
            by=person.username,
            at=_time(given.at),
        )
        _check_seen(row, job)
        row.save()
    return settled(record, person)


def _check_seen(row: ObservationRecord, job: Job) -> None:
    allowed = {"mains", "rods", "crank", *job.limits.layout.shaft}
    if row.on not in allowed:
        raise NotThere("no-part", f"This engine has no {row.on}.")
    try:
        seen: Observation = observation_of(row)
    except ValidationError as error:
        answers = ", ".join(ANSWERS[Look(row.look)])
        message = f"That cannot be written down. The answers are: {answers}."
        raise Refusal("bad-look", message, faults_of(error)) from None
    if seen.spot and row.on in job.limits.layout.shaft and seen.spot not in job.plan_of(set_of(row.on)).spots:
        raise Refusal("no-spot", f"{seen.spot} is no spot of the plan.", [Fault("spot", "not in the plan")])


def _depth(given: Seeing, job: Job) -> Length | None:
    text = given.depth.strip()
    if not text:
        return None
    try:
        if given.look is Look.CLAIMED_UNDERSIZE:
            claimed_set = JournalSet.MAINS if given.on == "mains" else JournalSet.RODS
            ladder = tuple(shell.undersize for shell in job.limits.of(claimed_set).shells)
            found = read_undersize(text, job.shown_in, ladder)
        else:
            found = read_length(text, job.shown_in)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("depth", error.message)]) from None
    if isinstance(found, Asked):
        words = f"{found.question} Write it with in or mm."
        raise Refusal("two-ways", words, [Fault("depth", words)])
    return found.length


def _check_correction(person: Person, job: Job, given: Landing) -> None:
    if given.corrects is None:
        return
    corrected = next((reading for reading in job.readings if reading.id == given.corrects), None)
    if corrected is None or (corrected.journal, corrected.spot) != (given.journal, given.spot):
        raise NotThere("no-reading", "The reading to correct is not there.")
    _own_or_may(person, corrected.by)


def _own_or_may(person: Person, by: str) -> None:
    if by != person.username:
        must(person, Act.CORRECT_ANY)


def _time(at: datetime) -> datetime:
    now = timezone.now()
    aware = at if at.tzinfo else timezone.make_aware(at)
    return now if aware > now + CLOCK_AHEAD else aware
