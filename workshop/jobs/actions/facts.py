"""Facts land: readings, withdrawals, observations. Each is added once, whatever is sent twice."""

from datetime import datetime, timedelta

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.engines import short_name
from halfthou.exchange import Fault, faults_of
from halfthou.jobs import ANSWERS, Job, JournalSet, Look, Moment, Observation, set_of
from halfthou.lengths import (
    Asked,
    Length,
    Unit,
    Unreadable,
    read_length,
    read_undersize,
)
from workshop.jobs.actions.opened import (
    Opened,
    job_record,
    must_be_new,
    must_be_open,
    settled,
    sound_job,
    write_history,
)
from workshop.jobs.models import JobRecord, ObservationRecord, WithdrawalRecord
from workshop.jobs.translate import observation_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal

#: A bench's clock may be this far ahead of the server's before the server's time is taken.
CLOCK_AHEAD = timedelta(minutes=5)
#: A clock this near the server's is right: so long may a letter take.
CLOCK_RIGHT = timedelta(seconds=5)


class Seeing(Schema):
    """An observation as sent from a bench."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    on: str = Field(max_length=10)
    look: Look
    answer: str = Field(max_length=100)
    depth: str = Field(default="", max_length=200)
    spot: str = Field(default="", max_length=3)
    at: Moment


@transaction.atomic
def take_back(person: Person, job_id: int, key: str, fact: str, at: datetime) -> Opened:
    """Take a reading or an operation back. It stays in the record; what an operation made stale counts again."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = record.withdrawals.filter(key=key).first()
    if known is not None:
        if known.fact != fact:
            raise Clash("name-taken", "Another fact has that name already. Nothing was taken back.")
        return settled(record, person)
    must_be_open(record)
    words = _taken_back(person, record, fact)
    if not record.withdrawals.filter(fact=fact).exists():
        must_be_new(record, key)
        WithdrawalRecord.objects.create(job=record, key=key, fact=fact, by=person.username, at=time_of(at))
        write_history(record, person.username, words)
    return settled(record, person)


def _taken_back(person: Person, record: JobRecord, fact: str) -> str:
    """What is taken back, in words. Refuses: NotThere, NotAllowed."""
    reading = record.readings.filter(key=fact).first()
    if reading is not None:
        own_or_may(person, reading.by)
        return f"withdrew {short_name(reading.journal)} {reading.spot}, {reading.typed}"
    done = record.operations.filter(key=fact).first()
    if done is None:
        raise NotThere("no-fact", "That is not there to take back.")
    own_or_may(person, done.by)
    return f"withdrew the work: {done.kind} on {done.on}"


@transaction.atomic
def observe(person: Person, job_id: int, given: Seeing) -> Opened:
    """Write down what was seen on a journal, a set or the crank."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = record.observations.filter(key=given.id).first()
    if known is not None:
        if (known.on, known.look, known.answer) != (given.on, given.look.value, given.answer):
            raise Clash("name-taken", "Another look has that name already. This one was not written down.")
        return settled(record, person)
    must_be_open(record)
    job = sound_job(record, Unit(person.shown_unit))
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
        at=time_of(given.at),
    )
    _check_seen(row, job)
    must_be_new(record, given.id)
    row.save()
    return settled(record, person)


#: No score or claim is deeper than this: 0.2 in. Source: common practice, no source.
DEEPEST = Length(5_080_000)


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
    if found.length > DEEPEST:
        words = f"“{text}” is no depth: check the decimal point."
        raise Refusal("too-deep", words, [Fault("depth", words)])
    return found.length


def own_or_may(person: Person, by: str) -> None:
    """Refuse a change to another person's reading by somebody who may not. Refuses: NotAllowed."""
    if by != person.username:
        must(person, Act.CORRECT_ANY)


def clock_off(sent_at: datetime | None) -> timedelta:
    """How far a bench's clock is behind the server's, by what it said when it sent; nothing where it is right.

    So a bench whose clock is wrong keeps the times between its readings, and they lie right beside all others.
    """
    if sent_at is None:
        return timedelta(0)
    try:
        off = timezone.now() - sent_at
    except (OverflowError, TypeError):
        return timedelta(0)
    return off if abs(off) > CLOCK_RIGHT else timedelta(0)


def time_of(at: datetime) -> datetime:
    """When a fact was taken, by its bench's clock; a clock that runs ahead is not believed."""
    now = timezone.now()
    aware = at if at.tzinfo else timezone.make_aware(at)
    return now if aware > now + CLOCK_AHEAD else aware
