"""Which looks of the order were taken, on whatever page their answer was written down, and what came of each."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from halfthou.causes import LEFT_BY_CAUSES
from halfthou.first_look.usual import ANSWERED_BY, ASKED_AS
from halfthou.jobs import CANNOT, ENGINE, FOUND, IN_GENERAL, NOT_LOOKED, NOTHING, Job, Seen
from halfthou.parts import CATALOGUE


class Found(StrEnum):
    """What came of a look. Not looked is no answer: then there is no such fact."""

    NOTHING = NOTHING
    FOUND = FOUND
    ENDS = "can end the job"
    CANNOT = CANNOT


@dataclass(frozen=True, slots=True)
class LookTaken:
    """A look of the order as it was taken: what came of it, in which words. `answer` is that of the table where it
    was given; `elsewhere` says that it comes from other looks than the order asks."""

    id: str
    found: Found
    words: str
    by: str
    at: datetime
    cleaned: bool = False
    minutes: int | None = None
    answer: str = ""
    elsewhere: bool = False


def looks_taken(job: Job) -> dict[str, LookTaken]:
    """Every look of the order that was taken, by its key.

    Rule:    looks.once: what was answered on one page is asked on no other.
    """
    seen = [one for one in job.standing(job.seen) if one.answer != NOT_LOOKED]
    in_general = {one.look for one in seen if one.on == ENGINE and one.answer in IN_GENERAL}
    found = {}
    for key in {*ANSWERED_BY, *in_general}:
        taken = _taken(key, seen, job)
        if taken is not None:
            found[key] = taken
    return found


def _taken(key: str, seen: list[Seen], job: Job) -> LookTaken | None:
    """One look: by what was last said of it in general, else by all that answers it since."""
    said = list(_answering(key, seen, job))
    if not said:
        return None
    last = said[-1]
    if last.answer in IN_GENERAL:
        return _as_taken(last, (last,))
    general = [nth for nth, one in enumerate(said) if one.answer in IN_GENERAL]
    return _as_taken(last, tuple(said[general[-1] + 1 :] if general else said), elsewhere=last.look != key)


def _answering(key: str, seen: list[Seen], job: Job) -> Iterator[Seen]:
    by = ANSWERED_BY.get(key, ())
    if any(one.every for one in by):
        every = {one.on for one in seen if any(one.look == b.look and one.on.startswith(b.on) for b in by)}
        by = by if len(every) == 2 * job.limits.layout.cylinders else ()
    for one in seen:
        general = one.on == ENGINE and one.look == key and one.answer in IN_GENERAL
        if general or (
            one.answer not in IN_GENERAL and any(one.look == b.look and one.on.startswith(b.on) for b in by)
        ):
            yield one


def _as_taken(last: Seen, said: tuple[Seen, ...], *, elsewhere: bool = False) -> LookTaken:
    came = {_came_of(one) for one in said}
    found = next(one for one in (Found.ENDS, Found.FOUND, Found.CANNOT, Found.NOTHING) if one in came)
    near = [one for one in said if one.answer not in IN_GENERAL]
    # What is sound is not told beside what is not.
    told = [one.answer for one in near if found is Found.NOTHING or _came_of(one) is not Found.NOTHING]
    notes = [one.note for one in said if one.note]
    return LookTaken(
        id=last.id,
        found=found,
        words=", ".join(dict.fromkeys((*told, *notes))),
        by=last.by,
        at=last.at,
        cleaned=last.cleaned,
        minutes=last.minutes,
        answer=near[-1].answer if near else "",
        elsewhere=elsewhere,
    )


def _came_of(one: Seen) -> Found:
    if one.ends:
        return Found.ENDS
    if one.answer in IN_GENERAL:
        return Found(one.answer)
    look = CATALOGUE.looks[one.look]
    answer = look.answer(one.answer)
    bad = look.harm_of(one.answer) > 0 or (answer is not None and bool(LEFT_BY_CAUSES.intersection(answer.shows)))
    return Found.FOUND if bad else Found.NOTHING


def answered_in_general(job: Job) -> frozenset[str]:
    """The looks of the table that were answered in general, under the look of the order that asks them: they are
    not asked again.

    Rule:    looks.once.
    """
    said = (one.look for one in job.standing(job.seen) if one.answer in (NOTHING, FOUND))
    return frozenset(ASKED_AS[look][0] if look in ASKED_AS else look for look in said)
