"""What a step of the strip destroys and nobody has looked at: asked before it is done, over the whole table."""

from __future__ import annotations

from collections.abc import Iterator
from functools import cache

from halfthou.causes import CAUSES, Often
from halfthou.door import SAMPLE, answered_at_the_door, said_of
from halfthou.first_look import ANSWERED_BY, Looks, answered_in_general
from halfthou.jobs import ENGINE, NOT_LOOKED, ComplaintKind, Job
from halfthou.parts import CATALOGUE
from halfthou.strip.step import StripStep

#: A look of the order this unlikely to end the job is not asked for. Source: common practice.
WORTH_ASKING = 10
#: The step that takes the oil with it.
DRAINED = "oil.drained"


def unseen_before(job: Job, looks: Looks, step: StripStep) -> tuple[str, ...]:
    """The looks, by their names, that a step destroys and nobody has taken, as far as they tell enough.

    Of the order of looks those that end the job often enough after this complaint, or that washing takes; of the
    whole table those that speak for or against a cause that is usual, or is so sometimes, after this complaint.

    Rule:    looks.destroyed.
    """
    if not step.destroys and step.id not in _destroying():
        return ()
    return tuple(
        dict.fromkeys((*_of_the_order(looks, step), *_of_the_table(job, looks, step), *_sample(job, step)))
    )


@cache
def _destroying() -> frozenset[str]:
    """The steps that destroy what a look of the table is of: of most steps nothing has to be asked."""
    return frozenset(look.lost_by for look in CATALOGUE.looks.on_the_board)


def _of_the_order(looks: Looks, step: StripStep) -> Iterator[str]:
    left = {row.key: row for row in looks.left}
    for key in step.destroys:
        if key in left and (looks.percent(left[key]) >= WORTH_ASKING or step.id.startswith("wash.")):
            yield left[key].name


def _of_the_table(job: Job, looks: Looks, step: StripStep) -> Iterator[str]:
    of_the_order = {one.look for key in step.destroys for one in ANSWERED_BY.get(key, ())}
    taken = {one.look for one in job.standing(job.seen) if one.answer != NOT_LOOKED}
    taken |= answered_at_the_door(job) | answered_in_general(job)
    here = {ENGINE, *(place.kind for place in CATALOGUE.places(job.limits.layout).values())}
    suspected = _suspected(looks.kinds)
    for look in CATALOGUE.looks.on_the_board:
        if look.lost_by != step.id or look.key in taken | of_the_order or not look.answers:
            continue
        if suspected & set(look.signs) and here & set(look.on):
            yield look.name


def _suspected(complaint: frozenset[ComplaintKind]) -> set[str]:
    """The signs for or against what is usual, or is so sometimes, after a complaint."""
    if not complaint - {ComplaintKind.NONE}:
        return set()
    least = Often.SOMETIMES.value
    likely = [cause for cause in CAUSES.values() if cause.chance(complaint) >= least]
    return {sign for cause in likely for sign in (*cause.leaves, *cause.against)}


def _sample(job: Job, step: StripStep) -> Iterator[str]:
    """The oil's sample is drawn before the oil is; at the door it is said whether it was."""
    if step.id == DRAINED and not said_of(job, SAMPLE) and not job.standing(job.oil_reports):
        yield "Oil sample: say at the Door whether it is drawn"
