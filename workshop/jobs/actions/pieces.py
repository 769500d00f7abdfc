"""Pieces brought in, fitted, moved and taken out; and what the engine is used for."""

from typing import Literal

from django.db import transaction
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.jobs import Fitting, Moment, Piece, Use, UseSaid
from halfthou.lengths import Asked, Length, Unit, Unreadable, read_undersize
from halfthou.parts import CATALOGUE
from workshop.jobs.actions.facts import time_of
from workshop.jobs.actions.opened import (
    Opened,
    add_facts,
    job_record,
    must_be_open,
    settled,
    sound_job,
    write_history,
)
from workshop.jobs.translate import known_fact
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal

#: So many pieces are brought to one job at the most. Source: the job document.
MOST_PIECES = 500


class BringingIn(Schema):
    """A piece that did not come in the engine: its own name, its kind, new or not, the size it is said to be."""

    fact: Literal["piece"] = "piece"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    part: str = Field(min_length=1, max_length=40)
    kind: str = Field(max_length=40)
    new: bool = True
    step: str = Field(default="", max_length=60)
    note: str = Field(default="", max_length=2000)
    at: Moment


class FittingIn(Schema):
    """A piece put in a place, or taken out of where it lies (`place` empty)."""

    fact: Literal["fitting"] = "fitting"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    piece: str = Field(min_length=1, max_length=40)
    place: str = Field(default="", max_length=40)
    note: str = Field(default="", max_length=2000)
    at: Moment


class SayingUse(Schema):
    """What the engine is used for."""

    fact: Literal["use"] = "use"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    use: Use
    at: Moment


@transaction.atomic
def bring_in(person: Person, job_id: int, given: BringingIn) -> Opened:
    """Bring a piece in. It lies in no place until it is fitted; its readings are its own. Refuses: Refusal."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if not isinstance(known, Piece) or known.part != given.part:
            raise Clash("name-taken", "Another fact has that name already. The piece was not brought in.")
        return settled(record, person)
    must_be_open(record)
    job = sound_job(record, Unit(person.shown_unit))
    engine = CATALOGUE.engine_of(job)
    if given.part in engine.parts:
        words = f"There is a {engine.parts[given.part].short} already: give this one another name."
        raise Clash("piece-there", words)
    if len(job.pieces) >= MOST_PIECES:
        raise Clash("job-full", f"A job holds {MOST_PIECES} pieces brought in at the most.")
    kind = next((one for one in CATALOGUE.all if one.key == given.kind), None)
    part = kind.spare(given.part) if kind is not None else None
    if kind is None or part is None:
        raise Refusal("no-piece", f"“{given.part}” is no name of a {given.kind}.", [Fault("part", "no such name")])
    if part.set not in job.sets:
        raise Refusal("not-in-scope", f"The {part.set} are not in this job's scope: extend it first.")
    try:
        piece = Piece(
            id=given.id, part=given.part, kind=given.kind, new=given.new, step=_step(given.step, job.shown_in),
            note=given.note.strip(), by=person.username, at=time_of(given.at),
        )  # fmt: skip
    except ValidationError as error:
        raise Refusal("bad-piece", "The piece was not brought in.", faults_of(error)) from None
    add_facts(record, [piece])
    write_history(record, person.username, f"brought in {part.name}")
    return settled(record, person)


def _step(text: str, unit: Unit) -> Length | None:
    if not text.strip():
        return None
    try:
        found = read_undersize(text, unit)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("step", error.message)]) from None
    if isinstance(found, Asked):
        words = f"{found.question} Write it with in or mm."
        raise Refusal("two-ways", words, [Fault("step", words)])
    return found.length


@transaction.atomic
def fit(person: Person, job_id: int, given: FittingIn) -> Opened:
    """Put a piece in a place, or take it out. What lay there before lies in none; its readings stay its own."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if not isinstance(known, Fitting) or (known.piece, known.place or "") != (given.piece, given.place):
            raise Clash("name-taken", "Another fact has that name already. Nothing was fitted.")
        return settled(record, person)
    must_be_open(record)
    job = sound_job(record, Unit(person.shown_unit))
    engine = CATALOGUE.engine_of(job)
    piece, place = engine.parts.get(given.piece), engine.parts.get(given.place)
    if piece is None or not engine.kind(piece.id).loose:
        raise NotThere("no-piece", f"There is no {given.piece} that could be moved.")
    if given.place and (place is None or place.spare or place.kind != piece.kind):
        raise Refusal("no-place", f"{piece.short} cannot lie there.", [Fault("place", "no place for it")])
    if piece.kind == "ring" and given.place and given.piece[-2:] != given.place[-2:]:
        words = f"{piece.short} is ring {given.piece[-1]}: it does not go into groove {given.place[-1]}."
        raise Refusal("no-place", words, [Fault("place", words)])
    fact = Fitting(
        id=given.id, piece=given.piece, place=given.place or None, note=given.note.strip(), by=person.username,
        at=time_of(given.at),
    )  # fmt: skip
    add_facts(record, [fact])
    where = f"fitted as {place.short}" if place is not None else "taken out"
    write_history(record, person.username, f"{piece.short} {where}")
    return settled(record, person)


@transaction.atomic
def say_use(person: Person, job_id: int, given: SayingUse) -> Opened:
    """Say what the engine is used for. The last that was said counts."""
    must(person, Act.READ)
    record = job_record(job_id)
    known = known_fact(record, given.id)
    if known is not None:
        if not isinstance(known, UseSaid) or known.use is not given.use:
            raise Clash("name-taken", "Another fact has that name already. The use was not kept.")
        return settled(record, person)
    must_be_open(record)
    add_facts(record, [UseSaid(id=given.id, use=given.use, by=person.username, at=time_of(given.at))])
    write_history(record, person.username, f"used for: {given.use.value}")
    return settled(record, person)
