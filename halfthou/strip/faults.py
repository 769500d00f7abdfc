"""What is wrong with facts of the strip: a position that this layout lacks, a closing of nothing. A step that the
list does not have is no fault: it was done by an older list, or before the engine was described anew."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Job
from halfthou.strip.places import places_off


def faults_of_strip(job: Job) -> Iterator[str]:
    """What is wrong with the marks and open ends of a job, by its layout."""
    places = places_off(job.limits.layout)
    for mark in job.markings:
        if mark.part not in places:
            yield f"mark {mark.id} is of {mark.part}, which this engine does not have"
    for laid in job.layings:
        if laid.part not in places:
            yield f"laying {laid.id} is of {laid.part}, which this engine does not have"
    yield from _links(job)


def _links(job: Job) -> Iterator[str]:
    gauges = {gauge.id for gauge in job.gauges}
    for seen in job.fasteners:
        if seen.gauge is not None and seen.gauge not in gauges:
            yield f"fastener {seen.id} was measured with the gauge {seen.gauge}, which is not listed"
    open_ends = {one.id for kind in (job.steps_done, job.removals, job.fasteners, job.fragments) for one in kind}
    for closing in job.closings:
        if closing.of not in open_ends:
            yield f"closing {closing.id} closes {closing.of}, which never stood open"
