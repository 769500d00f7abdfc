"""What is wrong with looks and stop points: of a look that the table does not have, a decision at no point."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.first_look.usual import USUAL_LOOKS
from halfthou.jobs import IN_GENERAL, Job
from halfthou.parts import CATALOGUE


def faults_of_looks(job: Job) -> Iterator[str]:
    """What is wrong with the looks taken, the stop points and what was decided there."""
    known = {row.key for row in (job.look_table or USUAL_LOOKS).looks} | {row.key for row in USUAL_LOOKS.looks}
    for seen in job.seen:
        if seen.answer in IN_GENERAL and seen.look not in known and seen.look not in CATALOGUE.looks:
            yield f"look {seen.id}: the table of looks has no “{seen.look}”"
    for point in job.stop_points:
        if point.before is not None and point.before not in known:
            yield f"stop point {point.id}: the table of looks has no “{point.before}”"
    points = {point.id for point in job.stop_points} | {seen.id for seen in job.seen}
    for way in job.ways_on:
        if way.point not in points:
            yield f"the way on {way.id} was decided at {way.point}, which is not there"
