"""In which order the spots are read, to suit the hand."""

from __future__ import annotations

from halfthou.engines import Engine
from halfthou.jobs import ANGLE_LETTERS, Job, ReadingOrder
from halfthou.surveys.read import plan_of


def reading_order(job: Job, engine: Engine, one: str) -> tuple[tuple[str, str], ...]:
    """The parts and spots of a set in the order they are to be read.

    One part round: every spot of a journal, then the next. All at one angle: the crank stands still while every
    journal is read at that angle, in each plane, then it is turned.
    Rule:    surveys.order.   Source: common practice, no source.
    """
    parts = engine.of_set(one)
    plan = plan_of(job, one, engine.kind(parts[0]).features[0])
    if plan.order is ReadingOrder.ROUND_ONE_JOURNAL:
        return tuple((part, spot) for part in parts for spot in plan.spots)
    letters = ANGLE_LETTERS[: len(plan.angles_deg)]
    planes = range(1, plan.planes + 1)
    return tuple((part, f"{plane}{angle}") for angle in letters for part in parts for plane in planes)
