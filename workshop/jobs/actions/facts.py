"""Facts land: withdrawals, observations, a wider scope. Each is added once, whatever is sent twice."""

from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Literal

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.engines import LookKind
from halfthou.exchange import Fault, faults_of
from halfthou.jobs import (
    FACT_KINDS,
    Extension,
    Fact,
    Job,
    LimitsSheet,
    Moment,
    Observation,
    Withdrawal,
)
from halfthou.lengths import Asked, Length, Unreadable, read_length, read_undersize
from halfthou.parts import CATALOGUE, faults_of_look
from halfthou.surveys import plan_of
from workshop.jobs.actions.one_fact import RIGHT, fact_from, land_one
from workshop.jobs.actions.opened import (
    Opened,
    add_facts,
    job_record,
    must_be_open,
    settled,
)
from workshop.jobs.models import JobRecord
from workshop.jobs.translate import known_fact
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal

#: A clock this near the server's is right: so long may a letter take.
CLOCK_RIGHT = timedelta(seconds=5)


class TakingBack(Schema):
    """A reading or an operation to take back."""

    fact: Literal["withdrawal"] = "withdrawal"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    of: str = Field(max_length=64)
    at: Moment


class Seeing(Schema):
    """An observation as sent from a bench."""

    fact: Literal["observation"] = "observation"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    on: str = Field(max_length=40)
    look: str = Field(max_length=40)
    answer: str = Field(max_length=100)
    depth: str = Field(default="", max_length=200)
    spot: str = Field(default="", max_length=3)
    at: Moment


class Extending(Schema):
    """More sets of parts to judge."""

    fact: Literal["extension"] = "extension"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    sets: list[str] = Field(min_length=1, max_length=40)
    at: Moment


@transaction.atomic
def take_back(person: Person, job_id: int, given: TakingBack) -> Opened:
    """Take a fact back: a reading, an operation, a mark, a step. It stays in the record; what an operation made
    stale counts again."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if not isinstance(known, Withdrawal) or known.fact != given.of:
            raise Clash("name-taken", "Another fact has that name already. Nothing was taken back.")
        return settled(record, person)
    row = record.facts.filter(key=given.of).first()
    kind = FACT_KINDS[row.kind].kind if row is not None else None
    if row is None or kind is None or kind.back is None:
        raise NotThere("no-fact", "That is not there to take back.")
    must_be_open(record, kind)
    own_or_may(person, row.by)
    must(person, RIGHT[kind.back])
    if not record.facts.filter(kind=given.fact, document__fact=given.of).exists():
        add_facts(record, [fact_from(Withdrawal, person, given, fact=given.of)])
    return settled(record, person)


def observe(person: Person, job_id: int, given: Seeing) -> Opened:
    """Write down what was seen on a journal, a set or the crank."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        return [_seen(person, given, job)]

    return land_one(person, job_id, given, ("on", "look", "answer"), make)


def extend_scope(person: Person, job_id: int, given: Extending) -> Opened:
    """Judge more sets of parts from now on. What a job judges is never made less: readings of it may stand."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        must_have_limits(job.limits, given.sets)
        if set(given.sets) <= set(job.sets):
            return []
        fact = fact_from(Extension, person, given, sets=given.sets)
        return [fact]

    return land_one(person, job_id, given, ("sets",), make)


def must_have_limits(sheet: LimitsSheet, sets: Iterable[str]) -> None:
    """Refuse sets that the engine does not have, or of which its sheet says nothing. Refuses: Refusal."""
    known = CATALOGUE.sets(sheet.layout)
    for one in sets:
        if one not in known:
            raise Refusal("no-set", f"This engine has no {one}.", [Fault("scope", f"no {one}")])
    missing = [one for one in sets if one not in sheet.sets]
    if missing:
        words = f"The limits sheet says nothing of the {' and '.join(missing)}: add their limits first."
        raise Refusal("no-limits", words, [Fault("scope", words)])


#: No score or claim is deeper than this: 0.2 in. Source: common practice, no source.
DEEPEST = Length(5_080_000)


def _seen(person: Person, given: Seeing, job: Job) -> Observation:
    """A look as a fact. Refuses: Refusal."""
    engine = CATALOGUE.engine_of(job)
    if given.on not in engine.spoken_of:
        raise NotThere("no-part", f"This engine has no {given.on}.")
    look = engine.look(given.look, given.on)
    if look is None:
        raise Refusal("no-look", f"Nobody looks for {given.look} on {given.on}.", [Fault("look", "not looked for")])
    depth = _depth(given, job, look)
    message = f"That cannot be written down. The answers are: {', '.join(look.answers)}."
    try:
        seen = fact_from(
            Observation, person, given, depth=depth, typed=given.depth.strip(), spot=given.spot or None
        )
    except ValidationError as error:
        raise Refusal("bad-look", message, faults_of(error)) from None
    faults = [Fault("answer", fault) for fault in faults_of_look(seen, engine)]
    if faults:
        raise Refusal("bad-look", message, faults)
    part = engine.parts.get(given.on)
    if seen.spot and part is not None:
        first = engine.kind(part.id).features[0]
        if seen.spot not in first.spots_of(plan_of(job, part.set, first)):
            raise Refusal("no-spot", f"{seen.spot} is no spot of the plan.", [Fault("spot", "not in the plan")])
    return seen


def _depth(given: Seeing, job: Job, look: LookKind) -> Length | None:
    text = given.depth.strip()
    if not text:
        return None
    try:
        if look.step_for:
            limits = job.limits.sets.get(given.on)
            found = read_undersize(text, job.shown_in, tuple(step.size for step in limits.steps) if limits else ())
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
