"""One fact lands: may they, is it here already, is the job open, does it fit, save and history. Every small kind of
fact comes this way."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import NamedTuple, Protocol

from django.db import transaction
from pydantic import ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.jobs import Fact, Job
from halfthou.lengths import Unit
from workshop.jobs.actions.opened import (
    Opened,
    add_facts,
    job_record,
    must_be_open,
    settled,
    sound_job,
    write_history,
)
from workshop.jobs.actions.together import together
from workshop.jobs.models import JobRecord
from workshop.jobs.translate import known_fact
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal


class Named(Protocol):
    """Something reported under a name of its own."""

    id: str


class Came(NamedTuple):
    """Who reports to which job, and of which kind the fact is; `may` is the right it needs."""

    person: Person
    job_id: int
    kind: str
    may: Act = Act.READ


class Made(NamedTuple):
    """The facts a report comes to, and what the history says of it ("" for nothing)."""

    facts: Sequence[Fact]
    words: str = ""


def must_say(text: str, field: str, ask: str) -> str:
    """A text that must say something, without what stands around it. Refuses: Refusal, with what to write."""
    if not text.strip():
        raise Refusal("bad-fact", "That was not kept. Mend what is marked.", [Fault(field, ask)])
    return text.strip()


@transaction.atomic
def land_one(
    came: Came, given: Named, same: Callable[[Fact], bool], make: Callable[[JobRecord, Job], Made]
) -> Opened:
    """Land what was reported under one name: once, however often it is sent.

    Takes:   whether a fact that has the name already is this one; what the report comes to, given the job.
    Refuses: Refusal, with what is wrong and where.
    """
    must(came.person, came.may)
    at_hand = together.known(came.job_id)
    record = at_hand[0] if at_hand else job_record(came.job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if not same(known):
            raise Clash("name-taken", "Another fact has that name already. This one was not kept.")
        return settled(record, came.person)
    must_be_open(record, came.kind)
    job = at_hand[1] if at_hand else sound_job(record, Unit(came.person.shown_unit))
    try:
        made = make(record, job)
    except ValidationError as error:
        raise Refusal("bad-fact", "That was not kept. Mend what is marked.", faults_of(error)) from None
    add_facts(record, made.facts)
    if made.words:
        write_history(record, came.person.username, made.words)
    return settled(record, came.person, (job, made.facts))
