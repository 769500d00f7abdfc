"""Facts of door and strip in words: for the story, and where one is taken back."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import (
    BARE,
    Closing,
    Fact,
    FastenerSeen,
    Fragment,
    HandOver,
    Job,
    Laying,
    LookTaken,
    Marking,
    Picture,
    Removal,
    Statement,
    StepDone,
    StopPoint,
    WayOn,
)
from halfthou.report import StoryKind, StoryLine

_KINDS: dict[type[Fact], StoryKind] = {
    Statement: StoryKind.DOOR,
    LookTaken: StoryKind.LOOK,
    StopPoint: StoryKind.DOOR,
    WayOn: StoryKind.DECIDED,
    StepDone: StoryKind.STRIP,
    Marking: StoryKind.STRIP,
    Laying: StoryKind.STRIP,
    Removal: StoryKind.STRIP,
    FastenerSeen: StoryKind.STRIP,
    Fragment: StoryKind.STRIP,
    Closing: StoryKind.STRIP,
    Picture: StoryKind.PICTURE,
    HandOver: StoryKind.DECIDED,
}


def said_of_fact(fact: Fact) -> str:
    """One fact of door or strip in a few words, without who and when."""
    match fact:
        case Statement():
            source = f", says {fact.source}" if fact.source else ""
            return f"{fact.topic}: {fact.answer}{source}{' (verified)' if fact.verified else ''}"
        case LookTaken():
            return f"{fact.look}: {fact.words or fact.found.value}{', after cleaning' if fact.cleaned else ''}"
        case StopPoint():
            return f"stop point agreed: {fact.name}"
        case WayOn():
            return f"{'went on' if fact.on else 'stopped'}: {fact.reason}"
        case StepDone():
            felt = f", {', '.join(one.value for one in fact.felt)}" if fact.felt else ""
            return f"{fact.step}{'' if fact.there else ': not on this engine'}{felt}"
        case Marking():
            mark = "no mark" if fact.mark == BARE else fact.mark
            return f"{fact.part} {'bears' if fact.found else 'was given'} {mark}"
        case Laying():
            return f"{fact.part} lies in {fact.pocket}"
    return _of_an_end(fact)


def _of_an_end(fact: Fact) -> str:
    match fact:
        case Removal():
            return f"taken out for access: {fact.what}, {fact.place}"
        case FastenerSeen():
            return f"fastener, {fact.place}: {fact.state.value}"
        case Fragment():
            return f"found loose: {fact.what}, {fact.place}"
        case Closing():
            return f"closed: {fact.how.value}{f', {fact.words}' if fact.words else ''}"
        case Picture():
            return f"a picture of {fact.on}{f': {fact.words}' if fact.words else ''}"
        case HandOver():
            return f"handed over to {fact.to}{f': {fact.words}' if fact.words else ''}"
    return fact.id


def door_story(job: Job) -> tuple[StoryLine, ...]:
    """The facts of door and strip as lines of the story; what was taken back is told too."""
    return tuple(_lines(job))


def _lines(job: Job) -> Iterator[StoryLine]:
    held: tuple[tuple[Fact, ...], ...] = (
        job.statements, job.looks_taken, job.stop_points, job.ways_on, job.steps_done, job.markings, job.layings,
        job.removals, job.fasteners, job.fragments, job.closings, job.pictures, job.handovers,
    )  # fmt: skip
    known = {fact.id: fact for facts in held for fact in facts}
    for fact in known.values():
        yield StoryLine(at=fact.at, by=fact.by, kind=_KINDS[type(fact)], words=said_of_fact(fact), more="")
    for back in job.withdrawals:
        if back.fact in known:
            words = f"took back: {said_of_fact(known[back.fact])}"
            yield StoryLine(at=back.at, by=back.by, kind=StoryKind.WITHDRAWN, words=words, more="")
