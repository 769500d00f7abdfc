"""One fact lands: may they, is it here already, is the job open, does it fit, save. Every small kind of fact comes
this way; what is to be known of its kind, its entry says."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from datetime import datetime, timedelta
from enum import Enum
from typing import Any, Protocol, TypeVar

from django.db import transaction
from django.utils import timezone
from pydantic import ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.jobs import FACT_KINDS, Fact, Job, Who
from halfthou.lengths import Unit
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal
from workshop.record.models import JobRecord
from workshop.record.opened import Opened, add_facts, job_record, must_be_open, settled, sound_job
from workshop.record.together import together
from workshop.record.translate import known_fact

F = TypeVar("F", bound=Fact)
#: The right that somebody needs to report facts of a kind, or to take one back.
RIGHT: dict[Who, Act] = {Who.BENCH: Act.READ, Who.DESK: Act.BOOK_IN, Who.DECIDES: Act.DECIDE}


#: What is reported, by its form, and what lands it.
Ways = dict[type[Any], Callable[[Person, int, Any], Any]]
#: A bench's clock may be this far ahead of the server's before the server's time is taken.
CLOCK_AHEAD = timedelta(minutes=5)


class Reported(Protocol):
    """Something reported under a name of its own; `fact` says of which kind it is."""

    @property
    def id(self) -> str:
        """Its name."""

    @property
    def fact(self) -> str:
        """The name of its kind."""


class ReportedThen(Protocol):
    """Something reported under a name of its own, with the time it was."""

    @property
    def id(self) -> str:
        """Its name."""

    @property
    def at(self) -> datetime:
        """When it was, by the bench's clock."""


def fact_from(document: type[F], person: Person, given: ReportedThen, **worked_out: Any) -> F:
    """A fact as it was reported: what is typed without what stands around it; by whom, when.

    Takes:   the fields that are worked out, or named otherwise, from what was reported.
    Refuses: ValidationError where that is no such fact.
    """
    said = {name: _typed(getattr(given, name)) for name in document.model_fields if hasattr(given, name)}
    return document(**{**said, "by": person.username, "at": time_of(given.at), **worked_out})


def _typed(value: object) -> object:
    return value.strip() if isinstance(value, str) and not isinstance(value, Enum) else value


def must_say(text: str, field: str, ask: str) -> str:
    """A text that must say something, without what stands around it. Refuses: Refusal, with what to write."""
    if not text.strip():
        raise Refusal("bad-fact", "That was not kept. Mend what is marked.", [Fault(field, ask)])
    return text.strip()


@transaction.atomic
def land_one(
    person: Person,
    job_id: int,
    given: Reported,
    same: tuple[str, ...],
    make: Callable[[JobRecord, Job], Sequence[Fact]],
) -> Opened:
    """Land what was reported under one name: once, however often it is sent.

    Takes:   by which fields a fact that has the name already is known to be this one; the facts that the report
             comes to, given the job.
    Refuses: Refusal, with what is wrong and where.
    """
    held = FACT_KINDS[given.fact]
    must(person, RIGHT[held.kind.who or Who.BENCH])
    at_hand = together.known(job_id)
    record = at_hand[0] if at_hand else job_record(job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if type(known) is not held.document or any(_plain(known, name) != _plain(given, name) for name in same):
            raise Clash("name-taken", "Another fact has that name already. This one was not kept.")
        return settled(record, person)
    must_be_open(record, held.kind)
    job = at_hand[1] if at_hand else sound_job(record, Unit(person.shown_unit))
    if len(held.of(job)) >= held.kind.most:
        words = f"A job holds {held.kind.most:,} facts of this kind at the most: {held.kind.name}. Book it in anew."
        raise Clash("job-full", words)
    try:
        made = make(record, job)
    except ValidationError as error:
        raise Refusal("bad-fact", "That was not kept. Mend what is marked.", faults_of(error)) from None
    add_facts(record, made)
    return settled(record, person, (job, made))


def _plain(one: object, name: str) -> object:
    """A field as it is compared: a text without what stands around it, nothing as an empty text."""
    value = getattr(one, name)
    if isinstance(value, list):
        return tuple(value)
    return value.strip() if isinstance(value, str) else "" if value is None else value


def time_of(at: datetime) -> datetime:
    """When a fact was taken, by its bench's clock; a clock that runs ahead is not believed."""
    now = timezone.now()
    aware = at if at.tzinfo else timezone.make_aware(at)
    return now if aware > now + CLOCK_AHEAD else aware
