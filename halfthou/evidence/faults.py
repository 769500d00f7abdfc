"""What is wrong with facts of the evidence: a place the engine lacks, an answer that is none. What a newer program
knows is kept, not refused, where it comes in a file."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.evidence.grades import ANSWERS
from halfthou.evidence.oil_way import faults_of_feeds
from halfthou.evidence.places import DEPOSIT, answers_of, places_of
from halfthou.jobs import NOT_LOOKED, Job, Layout, Sighting


def faults_of_sighting(one: Sighting, layout: Layout) -> Iterator[str]:
    """What is wrong with a sighting that is about to be written down, in words."""
    names = places_of(layout)
    if one.on not in names:
        yield f"this engine has no {one.on}"
        return
    answers = answers_of(one.look, one.on, layout)
    if not answers:
        yield f"nobody looks for “{one.look}” on {names[one.on]}"
    elif one.answer not in answers and one.answer != NOT_LOOKED:
        yield f"“{one.answer}” is no answer to {one.look}. Choose one of {', '.join(answers)}"
    if one.look == DEPOSIT and one.amount is None and one.answer != NOT_LOOKED:
        yield "give the height of the deposit line, from the deck"
    if one.arc is not None and one.look not in ANSWERS:
        yield "a worn place is drawn into a half bearing only"


def faults_of_evidence(job: Job) -> Iterator[str]:
    """What is wrong with the evidence of a job: places that its engine does not have."""
    names = places_of(job.limits.layout)
    for one in job.sightings:
        if one.on not in names:
            yield f"sighting {one.id}: this engine has no {one.on}"
    for said in job.oil_ways:
        for fault in faults_of_feeds(said, job.limits.layout):
            yield f"oil way {said.id}: {fault}"
