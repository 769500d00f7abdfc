"""What is wrong with looks and stop points: of a look that the table does not have, a decision at no point."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Job
from halfthou.looks.usual import USUAL_LOOKS


def faults_of_looks(job: Job) -> Iterator[str]:
    """What is wrong with the looks taken, the stop points and what was decided there."""
    known = {row.key for row in (job.look_table or USUAL_LOOKS).looks} | {row.key for row in USUAL_LOOKS.looks}
    for taken in job.looks_taken:
        if taken.look not in known:
            yield f"look {taken.id}: the table of looks has no “{taken.look}”"
    for point in job.stop_points:
        if point.before is not None and point.before not in known:
            yield f"stop point {point.id}: the table of looks has no “{point.before}”"
    points = {point.id for point in job.stop_points} | {taken.id for taken in job.looks_taken}
    for way in job.ways_on:
        if way.point not in points:
            yield f"the way on {way.id} was decided at {way.point}, which is not there"
