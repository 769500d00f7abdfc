"""Pieces brought in, fitted, moved and taken out; and what the engine is used for."""

from typing import Literal

from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import Fact, Fitting, Job, Moment, Piece
from halfthou.lengths import Asked, Length, Unit, Unreadable, read_undersize
from halfthou.parts import CATALOGUE
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one
from workshop.record.opened import Opened


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


def bring_in(person: Person, job_id: int, given: BringingIn) -> Opened:
    """Bring a piece in. It lies in no place until it is fitted; its readings are its own. Refuses: Refusal."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        engine = CATALOGUE.engine_of(job)
        if given.part in engine.parts:
            words = f"There is a {engine.parts[given.part].short} already: give this one another name."
            raise Clash("piece-there", words)
        kind = next((one for one in CATALOGUE.all if one.key == given.kind), None)
        part = kind.spare(given.part) if kind is not None else None
        if part is None:
            fault = Fault("part", "no such name")
            raise Refusal("no-piece", f"“{given.part}” is no name of a {given.kind}.", [fault])
        if part.set not in job.sets:
            raise Refusal("not-in-scope", f"The {part.set} are not in this job's scope: extend it first.")
        piece = fact_from(Piece, person, given, step=_step(given.step, job.shown_in))
        return [piece]

    return land_one(person, job_id, given, ("part",), make)


def _step(text: str, unit: Unit) -> Length | None:
    if not text.strip():
        return None
    try:
        found = read_undersize(text, unit)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("step", error.message)]) from None
    if isinstance(found, Asked):
        words = found.in_words
        raise Refusal("two-ways", words, [Fault("step", words)])
    return found.length


def fit(person: Person, job_id: int, given: FittingIn) -> Opened:
    """Put a piece in a place, or take it out. What lay there before lies in none; its readings stay its own."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        engine = CATALOGUE.engine_of(job)
        piece, place = engine.parts.get(given.piece), engine.parts.get(given.place)
        if piece is None or not engine.kind(piece.id).loose:
            raise NotThere("no-piece", f"There is no {given.piece} that could be moved.")
        if given.place and (place is None or given.place not in engine.goes_into(piece.id)):
            words = f"{piece.short} does not go there."
            raise Refusal("no-place", words, [Fault("place", words)])
        fact = fact_from(Fitting, person, given, place=given.place or None)
        return [fact]

    return land_one(person, job_id, given, ("piece", "place"), make)


#: What is reported here, and how it lands.
WAYS: Ways = {BringingIn: bring_in, FittingIn: fit}
