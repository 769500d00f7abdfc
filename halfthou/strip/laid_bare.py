"""What of an engine lies bare: by the steps that are done, by what came off before, by what was seen or read.

Rule:    looks.way-open.   Source: common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator
from fnmatch import fnmatchcase
from functools import lru_cache

from halfthou.jobs import NOT_LOOKED, Job, Layout
from halfthou.looks import AllLooks
from halfthou.strip.off_already import off_at_the_door, with_what_stood_before
from halfthou.strip.steps import steps_by_id

#: What stands for a way on an engine that has no such step. Source: common practice, no source.
_STANDS_FOR = {
    "cap-main-*.off": ("bedplate.off", "ladder.off", "case.apart", "crank.out"),
    "cap-rod-*.off": ("rod-*.out", "rod-*.marked"),
    "cap-*.off": ("bedplate.off", "ladder.off", "case.apart", "crank.out"),
    "half-*.out": ("rollers-*.out", "crank.out"),
    "head*.off": ("barrel-*.off", "plug-*.out"),
    "rod-*.out": ("piston-*",),
    "valve-*.out": ("plug-*.out",),
    "follower-*.out": ("rocker-*.off", "cam*.out", "plug-*.out"),
    "front-cover.off": ("case.apart", "damper.off"),
    "pan.off": ("pan.photographed", "pickup.off", "case.apart"),
    "covers.off": ("head*.off", "plug-*.out"),
}


def laid_bare(job: Job, looks: AllLooks) -> frozenset[str]:
    """The steps of the strip that are done, or must be by what was seen, read or put away of the engine."""
    layout = job.limits.layout
    found = {one.step for one in job.standing(job.steps_done)} | off_at_the_door(job).keys()
    taken = _taken_by(layout)
    found |= {taken[place] for place in _touched(job, looks) if place in taken}
    return with_what_stood_before(layout, found)


def lies_bare(bare: frozenset[str], by: str) -> bool:
    """Whether any step of a pattern is among those; `head*.off` is any head.

    >>> lies_bare(frozenset({"head-left.off"}), "head*.off"), lies_bare(frozenset({"pan.off"}), "head*.off")
    (True, False)
    """
    return any(fnmatchcase(step, by) for step in bare)


@lru_cache(maxsize=1024)
def way_to(layout: Layout, by: str) -> str:
    """The way on one engine, as a pattern of its steps: the way itself, or what stands for it where the engine has
    no such step; "" where nothing does.

    Rule:    looks.way-open.
    """
    steps = frozenset(steps_by_id(layout))
    return next((way for way in (by, *_STANDS_FOR.get(by, ())) if lies_bare(steps, way)), "")


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
