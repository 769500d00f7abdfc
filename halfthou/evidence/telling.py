"""Facts of the evidence in words: for the story, and where one is taken back."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.causes import CAUSES
from halfthou.evidence.places import ENGINE
from halfthou.jobs import (
    FACT_KINDS,
    OF_THE_EVIDENCE,
    CarriedPart,
    CauseSaid,
    Dealt,
    Fact,
    Job,
    Mistrust,
    OilReport,
    OilWaySaid,
    Remedy,
    ReportIssued,
    Sighting,
)
from halfthou.report import StoryKind, StoryLine


def said_of_evidence(fact: Fact) -> str:
    """One fact of the evidence in a few words, without who and when; "" where it is none."""
    match fact:
        case Sighting():
            where = "" if fact.on == ENGINE else f"{fact.on}, "
            return f"{where}{fact.look}: {fact.typed or fact.answer}{', after cleaning' if fact.cleaned else ''}"
        case OilReport():
            return f"oil report, sample {fact.sample}, drawn {fact.drawn.value}"
        case OilWaySaid():
            return f"the oil's way{f', by {fact.source}' if fact.source else ''}"
        case Mistrust():
            return f"mistrusts {fact.of}: {fact.reason}"
        case CauseSaid():
            return f"cause {fact.stand.value}: {_cause(fact.cause or fact.words)}; {fact.reason}"
        case Remedy():
            return f"cause removed, {_cause(fact.cause)}: {fact.words}"
        case Dealt():
            return f"{fact.item}: {fact.how.value}{f', {fact.words}' if fact.words else ''}"
        case CarriedPart():
            metal = f", with {fact.with_metal}" if fact.with_metal else ""
            return f"{fact.what} {'left for' if fact.out else 'came from'} job {fact.other}{metal}"
        case ReportIssued():
            return f"strip report {fact.number}"
    return ""


def _cause(name: str) -> str:
    return CAUSES[name].name if name in CAUSES else name or "open"


def evidence_story(job: Job) -> tuple[StoryLine, ...]:
    """The facts of the evidence as lines of the story; what was taken back is told too."""
    return tuple(_lines(job))


def _lines(job: Job) -> Iterator[StoryLine]:
    known: dict[str, Fact] = {one.id: one for kind in OF_THE_EVIDENCE for one in getattr(job, FACT_KINDS[kind][0])}
    for fact in known.values():
        kind = StoryKind.DECIDED if isinstance(fact, CauseSaid | Remedy) else StoryKind.EVIDENCE
        yield StoryLine(at=fact.at, by=fact.by, kind=kind, words=said_of_evidence(fact), more="")
    for back in job.withdrawals:
        if back.fact in known:
            words = f"took back: {said_of_evidence(known[back.fact])}"
            yield StoryLine(at=back.at, by=back.by, kind=StoryKind.WITHDRAWN, words=words, more="")
