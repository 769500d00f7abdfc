"""What door, looks and strip say to bench and rack: what the job waits for, what must not be overlooked."""

from __future__ import annotations

from typing import NamedTuple

from halfthou.door import DRAWN, SAMPLE, door_findings, said_of
from halfthou.first_look import ASKED_AS
from halfthou.jobs import ENGINE, FACT_KINDS, NOT_IDENTIFIED, Chapter, Job
from halfthou.lengths import Notation
from halfthou.strip.marks import mark_findings
from halfthou.strip.open_ends import OpenEnd, open_ends, still_open
from halfthou.strip.report import looks_of
from halfthou.strip.standing import Strip
from halfthou.words import Reason

#: What of the door goes with the job to the bench.
_TO_THE_BENCH = ("door.mix", "door.limits")


class BeforeBench(NamedTuple):
    """What the job waits for before its readings (`first`), what it waits for where nothing else is open (`last`),
    and what has to be said of it as a whole."""

    first: str
    last: str
    notices: tuple[Reason, ...]


IDENTITY = "which engine it is, and its limits"
NOTHING = BeforeBench("", "", ())


def before_bench(job: Job, say: Notation) -> BeforeBench:
    """What door, looks and strip say of a job; nothing where nobody wrote anything down there.

    Rule:    looks.stop, strip.caps, strip.open-ends.
    """
    of_the_door = (held.of(job) for held in FACT_KINDS.values() if held.kind.chapter is Chapter.DOOR)
    if not any(of_the_door) and not any(one.on == ENGINE for one in job.seen):
        return BeforeBench(IDENTITY, "", ()) if job.limits.engine == NOT_IDENTIFIED else NOTHING
    ends = still_open(open_ends(job, say))
    open_words = (
        (Reason(rule="strip.open-ends", text=f"{len(ends)} still open before it leaves: {_named(ends)}."),)
        if ends and not job.standing(job.handovers)
        else ()
    )
    notices = (*mark_findings(job), *(one for one in door_findings(job) if one.rule in _TO_THE_BENCH), *open_words)
    said = said_of(job, SAMPLE)
    lab = "the lab: oil sample" if said and said[-1].answer == DRAWN else ""
    return BeforeBench(_first(job), lab, notices)


def _named(ends: tuple[OpenEnd, ...]) -> str:
    names = [end.what for end in ends]
    return ", ".join(names[:3]) + (f" and {len(names) - 3} more" if len(names) > 3 else "")


def _first(job: Job) -> str:
    if job.standing(job.handovers):
        return "nothing: handed over"
    if job.limits.engine == NOT_IDENTIFIED:
        return IDENTITY
    looks, strip = looks_of(job), Strip(job)
    if looks.stopped or any(stop.lit and stop.on is None for stop in looks.stops):
        return looks.waits_for
    if job.anything_read:
        return ""
    left = sum(not strip.is_behind(step.id) for step in strip.steps)
    if strip.done:
        return f"the strip: {left} steps" if left else ""
    # Once parts are looked at beyond what the order asks, the board says what comes next.
    asked = set(ASKED_AS.values())
    beyond = any(one.on != ENGINE and (one.look, one.on) not in asked for one in job.standing(job.seen))
    return "" if beyond else looks.waits_for
