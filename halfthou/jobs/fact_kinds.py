"""The facts of a job: one line for each kind, and the one list of them."""

from collections.abc import Iterator
from functools import cached_property
from typing import Annotated, TypeVar

from halfthou.jobs.document import Document
from halfthou.jobs.door_facts import Statement, StopPoint, WayOn
from halfthou.jobs.evidence_facts import (
    CarriedPart,
    CauseSaid,
    Dealt,
    Mistrust,
    OilReport,
    OilWaySaid,
    Remedy,
    ReportIssued,
)
from halfthou.jobs.fact import FACT_KINDS, Chapter, Fact, FactKind, HeldFacts, StoryKind, Until, Who, kinds_declared
from halfthou.jobs.facts import Extension, Fitting, Narrowing, Piece, Reading, SlipAnswer, UseSaid, Withdrawal
from halfthou.jobs.older_seen import OLDER_SEEN
from halfthou.jobs.operation import Operation
from halfthou.jobs.picture import Picture
from halfthou.jobs.seen import Seen
from halfthou.jobs.strip_facts import Closing, FastenerSeen, Fragment, HandOver, Laying, Marking, Removal, StepDone
from halfthou.jobs.temperatures import Sitting

F = TypeVar("F", bound=Fact)


class JobFacts(Document):
    """The facts of a job by their kinds. Each line is the entry of one kind: the field that holds its facts, the
    document each of them is, and what is to be known of the kind; door, database, file and story follow it."""

    readings: Annotated[tuple[Reading, ...], FactKind("reading", 20_000, back=Who.BENCH)] = ()
    withdrawals: Annotated[tuple[Withdrawal, ...], FactKind("withdrawal", 20_000)] = ()
    seen: Annotated[
        tuple[Seen, ...], FactKind("seen", 27_000, StoryKind.SEEN, back=Who.BENCH, proves=True, older=OLDER_SEEN)
    ] = ()
    sittings: Annotated[tuple[Sitting, ...], FactKind("sitting", 5_000, StoryKind.WARMTH, who=None)] = ()
    operations: Annotated[tuple[Operation, ...], FactKind("operation", 5_000, StoryKind.WORK, back=Who.BENCH)] = ()
    slip_answers: Annotated[
        tuple[SlipAnswer, ...], FactKind("slip answer", 20_000, StoryKind.QUESTION, back=Who.BENCH)
    ] = ()
    extensions: Annotated[tuple[Extension, ...], FactKind("extension", 100, StoryKind.DECIDED, back=Who.BENCH)] = ()
    narrowings: Annotated[
        tuple[Narrowing, ...],
        FactKind("narrowing", 100, StoryKind.DECIDED, who=Who.DECIDES, back=Who.DECIDES),
    ] = ()
    pieces: Annotated[tuple[Piece, ...], FactKind("piece", 500, StoryKind.WORK, back=Who.BENCH)] = ()
    fittings: Annotated[tuple[Fitting, ...], FactKind("fitting", 2_000, StoryKind.WORK, back=Who.BENCH)] = ()
    uses: Annotated[tuple[UseSaid, ...], FactKind("use", 500, StoryKind.DECIDED, back=Who.BENCH)] = ()
    statements: Annotated[
        tuple[Statement, ...],
        FactKind("statement", 2_000, StoryKind.DOOR, Chapter.DOOR, back=Who.BENCH, proves=True),
    ] = ()
    stop_points: Annotated[
        tuple[StopPoint, ...],
        FactKind("stop point", 200, StoryKind.DOOR, Chapter.DOOR, who=Who.DESK, back=Who.DECIDES),
    ] = ()
    ways_on: Annotated[
        tuple[WayOn, ...],
        FactKind("way on", 500, StoryKind.DECIDED, Chapter.DOOR, who=Who.DECIDES, back=Who.DECIDES),
    ] = ()
    steps_done: Annotated[
        tuple[StepDone, ...], FactKind("step", 5_000, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH, proves=True)
    ] = ()
    markings: Annotated[
        tuple[Marking, ...], FactKind("mark", 5_000, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH)
    ] = ()
    layings: Annotated[
        tuple[Laying, ...],
        FactKind("laying", 5_000, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH, until=Until.HANDED_OVER),
    ] = ()
    removals: Annotated[
        tuple[Removal, ...],
        FactKind("removal", 2_000, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH, until=Until.HANDED_OVER),
    ] = ()
    fasteners: Annotated[
        tuple[FastenerSeen, ...], FactKind("fastener", 2_000, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH)
    ] = ()
    fragments: Annotated[
        tuple[Fragment, ...],
        FactKind("fragment", 500, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH, until=Until.HANDED_OVER),
    ] = ()
    closings: Annotated[
        tuple[Closing, ...],
        FactKind("closing", 5_000, StoryKind.STRIP, Chapter.DOOR, back=Who.BENCH, until=Until.HANDED_OVER),
    ] = ()
    pictures: Annotated[
        tuple[Picture, ...], FactKind("picture", 2_000, StoryKind.PICTURE, back=Who.BENCH, until=Until.EVER)
    ] = ()
    handovers: Annotated[
        tuple[HandOver, ...],
        FactKind(
            "hand over", 100, StoryKind.DECIDED, Chapter.DOOR, who=Who.DECIDES, back=Who.DECIDES, until=Until.EVER
        ),
    ] = ()
    oil_reports: Annotated[
        tuple[OilReport, ...],
        FactKind("oil report", 100, StoryKind.EVIDENCE, Chapter.EVIDENCE, back=Who.BENCH, proves=True),
    ] = ()
    oil_ways: Annotated[
        tuple[OilWaySaid, ...], FactKind("oil way", 100, StoryKind.EVIDENCE, Chapter.EVIDENCE, back=Who.BENCH)
    ] = ()
    mistrusts: Annotated[
        tuple[Mistrust, ...],
        FactKind("mistrust", 500, StoryKind.EVIDENCE, Chapter.EVIDENCE, who=Who.DECIDES, back=Who.DECIDES),
    ] = ()
    causes_said: Annotated[
        tuple[CauseSaid, ...],
        FactKind("cause", 500, StoryKind.DECIDED, Chapter.EVIDENCE, who=Who.DECIDES, back=Who.DECIDES),
    ] = ()
    remedies: Annotated[
        tuple[Remedy, ...],
        FactKind("remedy", 200, StoryKind.DECIDED, Chapter.EVIDENCE, who=Who.DECIDES, back=Who.DECIDES),
    ] = ()
    dealt: Annotated[
        tuple[Dealt, ...],
        FactKind("dealt", 1_000, StoryKind.EVIDENCE, Chapter.EVIDENCE, back=Who.BENCH, until=Until.HANDED_OVER),
    ] = ()
    carried_parts: Annotated[
        tuple[CarriedPart, ...],
        FactKind(
            "carried part", 200, StoryKind.EVIDENCE, Chapter.EVIDENCE, back=Who.BENCH, until=Until.HANDED_OVER
        ),
    ] = ()
    reports: Annotated[
        tuple[ReportIssued, ...],
        FactKind("report", 100, StoryKind.EVIDENCE, Chapter.EVIDENCE, who=Who.DECIDES, until=Until.HANDED_OVER),
    ] = ()

    @cached_property
    def taken_back(self) -> frozenset[str]:
        """The names of the facts that were taken back."""
        return frozenset({withdrawal.fact for withdrawal in self.withdrawals})

    def standing(self, facts: tuple[F, ...]) -> tuple[F, ...]:
        """Those facts that were not taken back, oldest first."""
        back = self.taken_back
        return tuple(sorted((one for one in facts if one.id not in back), key=lambda one: (one.at, one.id)))

    @property
    def facts(self) -> Iterator[tuple[HeldFacts, Fact]]:
        """Every fact of the job, with its kind."""
        for held in FACT_KINDS.values():
            for fact in held.of(self):
                yield held, fact


FACT_KINDS.update({held.kind.name: held for held in kinds_declared(JobFacts)})
