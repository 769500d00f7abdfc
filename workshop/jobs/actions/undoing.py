"""Take back the last thing a person did on a job, and bring it again. Both are facts that are added: nothing is
erased."""

from __future__ import annotations

from django.db import transaction
from ninja import Schema

from halfthou.jobs import (
    FACT_KINDS,
    DecisionKind,
    Fact,
    FactId,
    Job,
    Moment,
    Who,
    Withdrawal,
    kind_called,
)
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from halfthou.stands_on import subject_of
from halfthou.story import NamesOfJob
from workshop.deciding.decisions import decide_again, take_back_standing
from workshop.people.may import must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere
from workshop.record.facts import TakingBack, own_or_may, take_back
from workshop.record.models import DecisionRecord, FactRecord, JobRecord
from workshop.record.one_fact import RIGHT, time_of
from workshop.record.opened import add_facts, job_record, must_be_open, settled, sound_job, standing_decisions
from workshop.record.translate import fact_of, known_fact


class Undoing(Schema):
    """The name that the withdrawal, or what is brought again, is to have."""

    id: FactId
    at: Moment


class Undone(Schema):
    """What was taken back, or brought again, in words."""

    words: str


#: Facts that come along with others, and are not taken back by themselves.
_BACK = [name for name, held in FACT_KINDS.items() if held.kind.back is not None]


def take_back_last(person: Person, job_id: int, given: Undoing) -> Undone:
    """Take back the last thing this person did on this job. Sent twice, one thing is taken back.

    Refuses: NotThere where there is nothing; Clash where others have built on it.
    """
    with transaction.atomic():
        record = job_record(job_id)
        job = sound_job(record, Unit(person.shown_unit))
        known = known_fact(record, given.id)
        if isinstance(known, Withdrawal):
            return _said(job, record.facts.get(key=known.fact), "Took back")
        if record.decisions.filter(key=given.id).exists():
            return Undone(words="Took back the decision.")
        rows = record.facts.filter(by=person.username, kind__in=_BACK).order_by("-pk")
        row = next((one for one in rows.iterator() if one.key not in job.taken_back), None)
        decision = _decided_last(person, record)
        if decision is not None and (row is None or decision.landed_at > row.landed_at):
            take_back_standing(person, job_id, decision, given.id)
            return Undone(words=f"Took back: {decision.words}")
        if row is None:
            raise NotThere("nothing-to-undo", "There is nothing of yours on this job to take back.")
        fact: Fact = fact_of(row)
        _not_built_on(record, job, row, fact)
        take_back(person, job_id, TakingBack(id=given.id, of=fact.id, at=given.at))
        return _said(job, row, "Took back")


def _decided_last(person: Person, record: JobRecord) -> DecisionRecord | None:
    """The last decision of this person that stands."""
    own = [one for one in standing_decisions(record).values() if one.by == person.username]
    return max(own, key=lambda one: one.pk, default=None)


def _not_built_on(record: JobRecord, job: Job, row: FactRecord, fact: Fact) -> None:
    """Refuse where somebody else went on from it: read, saw or did something of the same part since."""
    about = subject_of(fact)
    later = record.facts.filter(pk__gt=row.pk).exclude(by=row.by).exclude(kind="withdrawal")
    for other in later.order_by("pk")[:2_000]:
        on_it: Fact = fact_of(other)
        if about and subject_of(on_it) == about and on_it.id not in job.taken_back:
            names = NamesOfJob(job, CATALOGUE.engine_of(job))
            words = f"{other.by} went on from it: {on_it.said(names)}."
            raise Clash("built-on", f"That was not taken back. {words}")


def bring_again(person: Person, job_id: int, given: Undoing) -> Undone:
    """Bring again what this person took back last: the same, as a new fact or decision. Sent twice it is brought
    once.

    Refuses: NotThere where there is nothing; Clash where it was done anew meanwhile.
    """
    with transaction.atomic():
        record = job_record(job_id)
        job = sound_job(record, Unit(person.shown_unit))
        here = record.facts.filter(key=given.id).first()
        if here is not None:
            return _said(job, here, "Brought again")
        decided = record.decisions.filter(key=given.id).first()
        if decided is not None:
            return Undone(words=f"Brought again: {decided.words}")
        back = record.facts.filter(by=person.username, kind="withdrawal").order_by("-pk").first()
        taken = DecisionKind.TAKEN_BACK.value
        undone = record.decisions.filter(by=person.username, kind=taken).order_by("-pk").first()
        if undone is not None and (back is None or undone.landed_at > back.landed_at):
            return Undone(words=f"Brought again: {decide_again(person, job_id, undone, given.id).words}")
        return _fact_again(person, job, record, back, given)


def _fact_again(person: Person, job: Job, record: JobRecord, back: FactRecord | None, given: Undoing) -> Undone:
    """Bring the fact again that a withdrawal took back."""
    row = record.facts.filter(key=fact_of(back).fact).first() if back is not None else None
    held = kind_called(row.kind) if row is not None else None
    if back is None or row is None or held is None:
        raise NotThere("nothing-to-undo", "There is nothing you took back on this job to bring again.")
    fact: Fact = fact_of(row)
    about = subject_of(fact)
    for other in record.facts.filter(kind=row.kind, pk__gt=back.pk):
        if subject_of(fact_of(other)) == about and other.key not in job.taken_back:
            raise Clash("done-anew", f"{other.by} did it anew meanwhile. Nothing was brought again.")
    must_be_open(record, held.kind)
    own_or_may(person, row.by)
    must(person, RIGHT[held.kind.back or Who.BENCH])
    again = fact.model_copy(update={"id": given.id, "by": person.username, "at": time_of(given.at)})
    add_facts(record, [type(fact).model_validate(again.model_dump())])
    opened = settled(record, person)
    return _said(opened.job, record.facts.get(key=given.id), "Brought again")


def _said(job: Job, row: FactRecord, what: str) -> Undone:
    names = NamesOfJob(job, CATALOGUE.engine_of(job))
    fact: Fact = fact_of(row)
    return Undone(words=f"{what}: {fact.said(names)}.")
