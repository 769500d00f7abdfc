"""What arrived already off, as it was said at the door, with all that must be off for that.

Rule:    strip.off-already.   Source: common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from datetime import datetime
from functools import lru_cache

from halfthou.door import MISSING, said_of
from halfthou.jobs import Job, Layout
from halfthou.strip.step import WASH, StripStep
from halfthou.strip.steps import steps_by_id

#: What is said at the door to be apart already, and the work that did it.
_APART = {"heads off": "head.off", "pan off": "pan.off", "accessories off": "accessories.off"}
IN_BOXES = "in boxes"


def off_at_the_door(job: Job) -> Mapping[str, datetime]:
    """The steps that are behind because the engine came so, with when that was said."""
    found: dict[str, datetime] = {}
    for one in said_of(job, MISSING):
        for step in _off_by(job.limits.layout, one.answer):
            found.setdefault(step, one.at)
    return found


@lru_cache(maxsize=256)
def _off_by(layout: Layout, answer: str) -> frozenset[str]:
    steps = steps_by_id(layout).values()
    if answer == IN_BOXES:
        off = {step.id for step in steps if step.takes and step.section != WASH}
    else:
        off = {step.id for step in steps if step.family == _APART.get(answer)}
    return with_what_stood_before(layout, off)


def with_what_stood_before(layout: Layout, steps: Iterable[str]) -> frozenset[str]:
    """Steps with all that held or covered what they took: what is off says that those are off too."""
    known, found = steps_by_id(layout), set(steps)
    open_yet = list(found)
    while open_yet:
        for one in _in_the_way(known.get(open_yet.pop())):
            if one not in found:
                found.add(one)
                open_yet.append(one)
    return frozenset(found)


def _in_the_way(step: StripStep | None) -> Iterator[str]:
    yield from (one.step for one in (step.held if step is not None else ()) if one.stands_before)
