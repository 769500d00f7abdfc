"""In which order the spots are read, to suit the hand."""

from __future__ import annotations

from halfthou.jobs import ANGLE_LETTERS, Job, JournalSet, ReadingOrder


def reading_order(job: Job, journal_set: JournalSet) -> tuple[tuple[str, str], ...]:
    """The journals and spots of a set in the order they are to be read.

    One journal round: every spot of a journal, then the next. All journals at one angle: the crank stands still
    while every journal is read at that angle, in each plane, then it is turned.
    Rule:    surveys.order.   Source: common practice, no source.
    """
    plan, journals = job.plan_of(journal_set), job.limits.journals(journal_set)
    if plan.order is ReadingOrder.ROUND_ONE_JOURNAL:
        return tuple((journal, spot) for journal in journals for spot in plan.spots)
    letters = ANGLE_LETTERS[: len(plan.angles_deg)]
    planes = range(1, plan.planes + 1)
    return tuple((journal, f"{plane}{angle}") for angle in letters for journal in journals for plane in planes)
