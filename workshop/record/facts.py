"""Facts land: withdrawals, a wider or a narrower scope. Each is added once, whatever is sent twice."""

from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Literal

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import Extension, Fact, Job, LimitsSheet, Moment, Narrowing, Withdrawal, kind_called
from halfthou.lengths import Unit
from halfthou.narrowed import one_piece_with
from halfthou.parts import CATALOGUE
from halfthou.stands_on import stands_on
from halfthou.surveys import is_crack
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import RIGHT, Ways, fact_from, land_one, must_say
from workshop.record.opened import Opened, add_facts, job_record, must_be_open, settled, sound_job
from workshop.record.translate import fact_of, known_fact

#: A clock this near the server's is right: so long may a letter take.
CLOCK_RIGHT = timedelta(seconds=5)


class TakingBack(Schema):
    """A reading or an operation to take back."""

    fact: Literal["withdrawal"] = "withdrawal"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    of: str = Field(max_length=64)
    at: Moment


class Extending(Schema):
    """More sets of parts to judge."""

    fact: Literal["extension"] = "extension"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    sets: list[str] = Field(min_length=1, max_length=40)
    at: Moment


class NarrowingSaid(Schema):
    """Sets of parts that are no longer to be judged, and why."""

    fact: Literal["narrowing"] = "narrowing"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    sets: list[str] = Field(min_length=1, max_length=40)
    reason: str = Field(max_length=2000)
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
    held = kind_called(row.kind) if row is not None else None
    if row is None or held is None or held.kind.back is None:
        raise NotThere("no-fact", "That is not there to take back.")
    must_be_open(record, held.kind)
    own_or_may(person, row.by)
    must(person, RIGHT[held.kind.back])
    if is_crack(fact_of(row)):
        words = "A crack that was found stays found until a crack test is passed: write the test down."
        raise Clash("crack-stays", words)
    on_it = stands_on(sound_job(record, Unit(person.shown_unit)), fact_of(row))
    if on_it:
        raise Clash("built-on", f"That was not taken back, since it is built on: {'; '.join(on_it)}.")
    if not record.facts.filter(kind=given.fact, document__fact=given.of).exists():
        add_facts(record, [fact_from(Withdrawal, person, given, fact=given.of)])
    return settled(record, person)


def extend_scope(person: Person, job_id: int, given: Extending) -> Opened:
    """Judge more sets of parts from now on."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        must_have_limits(job.limits, given.sets)
        if set(given.sets) <= set(job.sets):
            return []
        fact = fact_from(Extension, person, given, sets=given.sets)
        return [fact]

    return land_one(person, job_id, given, ("sets",), make)


def narrow_scope(person: Person, job_id: int, given: NarrowingSaid) -> Opened:
    """Judge fewer sets of parts from now on. What was found of them stays, and signing wants words for it.

    Rule:    assess.narrowed.
    """

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        reason = must_say(given.reason, "reason", "Say why they are no longer judged.")
        out = [one for one in dict.fromkeys(given.sets) if one in job.sets]
        left = [one for one in job.sets if one not in out]
        if not left:
            words = "Something has to be judged: leave one set in."
            raise Refusal("nothing-left", words, [Fault("sets", words)])
        for one in out:
            tied = one_piece_with(one, left, CATALOGUE)
            if tied:
                words = f"The {one} and the {' and '.join(tied)} are one piece: take both out or neither."
                raise Refusal("one-piece", words, [Fault("sets", words)])
        return [fact_from(Narrowing, person, given, sets=out, reason=reason)] if out else []

    return land_one(person, job_id, given, ("sets", "reason"), make)


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


#: What is reported here, and how it lands.
WAYS: Ways = {TakingBack: take_back, Extending: extend_scope, NarrowingSaid: narrow_scope}
