"""What of an engine lies bare: by the steps that are done, by what came off before, by what was seen or read.

Rule:    looks.way-open.   Source: common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator
from fnmatch import fnmatchcase
from functools import lru_cache

from halfthou.door import MISSING, said_of
from halfthou.jobs import NOT_LOOKED, Job, Layout
from halfthou.looks import AllLooks
from halfthou.strip.steps import steps_by_id

#: What is said at the door to be apart already, and the step that did it.
_APART = (("heads off", "head.off"), ("pan off", "pan.off"), ("accessories off", "accessories.off"))
IN_BOXES = "in boxes"
#: What cannot be off unless something else is, beyond the ties of the list.
_NEEDS = (("cap-", "pan.off"), ("pump.off", "pan.off"), ("crank.out", "flywheel.off"))


def laid_bare(job: Job, looks: AllLooks) -> frozenset[str]:
    """The steps of the strip that are done, or must be by what was seen, read or put away of the engine."""
    found = {one.step for one in job.standing(job.steps_done)}
    apart = {one.answer for one in said_of(job, MISSING)}
    found |= {step for answer, step in _APART if answer in apart}
    if IN_BOXES in apart:
        found |= {step.id for step in steps_by_id(job.limits.layout).values() if step.takes}
    taken = _taken_by(job.limits.layout)
    found |= {taken[place] for place in _touched(job, looks) if place in taken}
    return frozenset(_with_ties(job.limits.layout, found))


def lies_bare(bare: frozenset[str], by: str) -> bool:
    """Whether any step of a pattern is among those; `head*.off` is any head.

    >>> lies_bare(frozenset({"head-left.off"}), "head*.off"), lies_bare(frozenset({"pan.off"}), "head*.off")
    (True, False)
    """
    return any(fnmatchcase(step, by) for step in bare)


def _touched(job: Job, looks: AllLooks) -> Iterator[str]:
    """The places that were looked at where that wants them off, read, or put away."""
    for one in job.standing(job.seen):
        look = looks.get(one.look)
        if one.answer != NOT_LOOKED and (look is None or not look.opened_by):
            yield one.on
    yield from (one.part for one in job.standing(job.layings))
    for reading in job.readings:
        yield "crank" if reading.part[:1] in "MR" else reading.part


@lru_cache(maxsize=64)
def _taken_by(layout: Layout) -> dict[str, str]:
    """By place, the step that takes its part off."""
    return {place: step.id for step in steps_by_id(layout).values() for place in step.takes}


def _with_ties(layout: Layout, steps: set[str]) -> set[str]:
    """Steps with all that must be done before them."""
    known, found, open_yet = steps_by_id(layout), set(steps), list(steps)
    while open_yet:
        step = open_yet.pop()
        needs = {after for begins, after in _NEEDS if step.startswith(begins)}
        for one in {*needs, *(known[step].before if step in known else ())} - found:
            found.add(one)
            open_yet.append(one)
    return found
