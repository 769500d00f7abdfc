"""What is wrong with facts of the evidence: an oil's way through what the engine lacks."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.evidence.oil_way import faults_of_feeds
from halfthou.jobs import Job


def faults_of_evidence(job: Job) -> Iterator[str]:
    """What is wrong with the evidence of a job: places that its engine does not have."""
    for said in job.oil_ways:
        for fault in faults_of_feeds(said, job.limits.layout):
            yield f"oil way {said.id}: {fault}"
