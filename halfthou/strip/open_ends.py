"""What stands open until the engine leaves: parts out for access, empty holes, fasteners to renew, fragments."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime
from enum import StrEnum

from halfthou.jobs import Closed, Document, FastenerKind, FastenerState, Job
from halfthou.lengths import Notation
from halfthou.strip.fasteners import renew_because
from halfthou.strip.steps import steps_of


class EndKind(StrEnum):
    """The kinds of open end."""

    TAKEN_OUT = "taken out for access"
    HOLE = "empty hole"
    FASTENER = "fastener to renew"
    FRAGMENT = "fragment"


_CLOSED_BY = {
    EndKind.TAKEN_OUT: (Closed.BACK, Closed.RENEWED, Closed.LOOSE),
    EndKind.HOLE: (Closed.BACK, Closed.RENEWED, Closed.LOOSE),
    EndKind.FASTENER: (Closed.RENEWED, Closed.LOOSE),
    EndKind.FRAGMENT: (Closed.KNOWN,),
}


class OpenEnd(Document):
    """Something that stands open, or stood so: `closed` says how it was closed, and `words` what was said then.

    `bars` says that the engine does not leave while it stands open; a fragment does not bar it, but has to be
    answered for in words. `may_close` are the ways it may be closed.
    """

    id: str
    kind: EndKind
    what: str
    place: str
    why: str = ""
    by: str
    at: datetime
    bars: bool
    may_close: tuple[Closed, ...]
    closed: Closed | None = None
    words: str = ""
    closed_by: str = ""


def open_ends(job: Job, say: Notation) -> tuple[OpenEnd, ...]:
    """Everything that stood open of a job, closed or not, oldest first.

    Rule:    strip.open-ends.
    """
    closings = {one.of: one for one in job.standing(job.closings)}
    found = []
    for end in sorted(_ends(job, say), key=lambda one: (one.at, one.id)):
        closing = closings.get(end.id)
        if closing is not None and closing.how in end.may_close:
            end = end.model_copy(update={"closed": closing.how, "words": closing.words, "closed_by": closing.by})
        found.append(end)
    return tuple(found)


def still_open(ends: tuple[OpenEnd, ...], *, barring: bool = False) -> tuple[OpenEnd, ...]:
    """Those that stand open; only those that bar the engine from leaving where asked so."""
    return tuple(end for end in ends if end.closed is None and (end.bars or not barring))


def _ends(job: Job, say: Notation) -> Iterator[OpenEnd]:
    steps = {step.id: step for step in steps_of(job)} if job.steps_done else {}
    for done in job.standing(job.steps_done):
        step = steps.get(done.step)
        if step is not None and step.goes_back and done.there:
            yield _end(done.id, EndKind.TAKEN_OUT, step.goes_back, step.section, (done.by, done.at))
    for out in job.standing(job.removals):
        yield _end(out.id, EndKind.TAKEN_OUT, out.what, out.place, (out.by, out.at))
    for seen in job.standing(job.fasteners):
        why = renew_because(seen, job, say)
        if not why:
            continue
        empty = seen.state is FastenerState.HOLE_EMPTY
        kind = EndKind.HOLE if empty else EndKind.FASTENER
        what = "bolt or plug missing" if empty else _called(seen.kind, seen.count)
        end = _end(seen.id, kind, what, seen.place, (seen.by, seen.at))
        yield end.model_copy(update={"why": why})
    for one in job.standing(job.fragments):
        magnet = {True: ", magnetic", False: ", not magnetic", None: ""}[one.magnetic]
        yield _end(one.id, EndKind.FRAGMENT, f"{one.what}{magnet}", one.place, (one.by, one.at))


def _called(kind: FastenerKind, count: int) -> str:
    name = "stretch bolt" if kind is FastenerKind.STRETCH else "fastener"
    return f"{count} {name}s" if count > 1 else name


def _end(key: str, kind: EndKind, what: str, place: str, who: tuple[str, datetime]) -> OpenEnd:
    return OpenEnd(
        id=key,
        kind=kind,
        what=what,
        place=place,
        by=who[0],
        at=who[1],
        bars=kind is not EndKind.FRAGMENT,
        may_close=_CLOSED_BY[kind],
    )
