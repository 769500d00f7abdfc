"""How the evidence of a job stands: gathered and weighed once, for the bench, the board and the report."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from halfthou.causes import CAUSES, SIGNS, Evidence, StillOpen, Weighed, Word, weigh_causes
from halfthou.door import answered_at_the_door
from halfthou.engines import Engine, Kinds
from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.contaminated import Contaminated, contaminated, contamination_notices
from halfthou.evidence.contradictions import against_the_settled, contradictions_of
from halfthou.evidence.figure_signs import FigureCalled
from halfthou.evidence.gate import Gate, gate_of
from halfthou.evidence.gathering import gather
from halfthou.evidence.sighted import Sightings
from halfthou.first_look import answered_in_general
from halfthou.jobs import Job
from halfthou.memo import Memo
from halfthou.report import CauseBrief
from halfthou.strip import Strip, laid_bare, lies_bare, way_to
from halfthou.words import Reason


class EvidenceTold(NamedTuple):
    """What bench, rack and sheet are told of the evidence."""

    brief: CauseBrief
    notices: tuple[Reason, ...]


@dataclass(frozen=True)
class EvidenceStanding:
    """The evidence of one job: `figures` are the bench's, as the engine came. A memo spares weighing what has not
    changed."""

    job: Job
    engine: Engine
    figures: tuple[FigureCalled, ...]
    memo: Memo

    @cached_property
    def sightings(self) -> Sightings:
        """What stands seen."""
        return Sightings(self.job, self.engine)

    @cached_property
    def bearings(self) -> BearingMap:
        """The bearing map."""
        return BearingMap(self.sightings)

    @cached_property
    def evidence(self) -> Evidence:
        """Everything gathered into signs."""
        return gather(self.sightings, self.figures)

    @cached_property
    def weighed(self) -> Weighed:
        """The causes weighed: anew only where a finding used as evidence has changed."""
        return self.memo.of("weighed", weigh_causes, self.evidence)

    @cached_property
    def signs(self) -> frozenset[str]:
        """The signs that are there."""
        return frozenset(self.evidence.seen)

    @cached_property
    def contaminated(self) -> tuple[Contaminated, ...]:
        """What metal went through."""
        return contaminated(self.job, self.sightings, self.signs)

    @cached_property
    def gate(self) -> Gate:
        """Whether the cause is found and removed."""
        dirty = tuple(one for one in self.contaminated if one.open)
        return gate_of(self.job, self.weighed, begun=self.sightings.begun, dirty=dirty)

    @cached_property
    def contradictions(self) -> tuple[Reason, ...]:
        """What contradicts itself."""
        found = contradictions_of(self.sightings, self.figures, self.signs)
        return (*found, *against_the_settled(self.job, self.weighed))

    @cached_property
    def still(self) -> StillOpen:
        """What may still be looked at, and what the strip destroys. Where nobody wrote the strip down, every way is
        open and washing may come next."""
        strip, taken = Strip(self.job), {look for _, look in self.sightings.by_place}
        ahead = {step.id: step.text for step in strip.steps if not strip.is_behind(step.id)}
        if not strip.done:
            at_once = frozenset(step for step in ahead if step.startswith("wash."))
        else:
            at_once = frozenset(list(ahead)[:1])
        # What is read at the bench or on the map is taken once it says something; the map, once it is whole.
        taken |= {
            look.key
            for look in self.sightings.looks.on_the_board
            if not look.answers
            and (self.bearings.all_graded if look.key == "bearings" else set(look.reads) & self.evidence.answered)
        }
        mains = [grade for half, grade in self.bearings.grades.items() if half.startswith("half-main")]
        if self.bearings.all_graded and all(grade.harm == 0 for grade in mains):
            # Where every main is as new there are no bands to be asked for.
            taken.add("bands")
        taken |= answered_at_the_door(self.job) | answered_in_general(self.job)
        gone = frozenset(self.sightings.washed)
        lost = frozenset(look.key for look in self.sightings.looks.on_the_board if look.lost_by in gone)
        bare = laid_bare(self.job, self.sightings.looks)
        shut = frozenset((*self._past(strip, bare), *(self._shut(bare) if strip.done else ())))
        return StillOpen(
            self.sightings.looks, frozenset(taken), lost, ahead, at_once, shut=shut, unwritten=not strip.done
        )

    def _past(self, strip: Strip, bare: frozenset[str]) -> Iterator[str]:
        """The looks that it is too late for: what destroys them must be done by what lies bare."""
        implied = bare - strip.done.keys()
        yield from (look.key for look in self.sightings.looks.on_the_board if look.lost_by in implied)

    def _shut(self, bare: frozenset[str]) -> Iterator[str]:
        """The looks whose way is not open yet: no step of the strip has laid them bare, and nobody has looked at
        anything that lies there."""
        board = self.sightings.looks.on_the_board
        seen = {look for _, look in self.sightings.by_place}
        open_ways = {look.opened_by for look in self.sightings.looks.values() if look.key in seen}
        yield from (
            look.key
            for look in board
            if (way := way_to(self.job.limits.layout, look.opened_by))
            and look.opened_by not in open_ways
            and not lies_bare(bare, way)
        )

    def brief(self) -> CauseBrief:
        """The cause in a few words, for bench, rack and sheet."""
        leaders = [key for key in self.weighed.standing if self.weighed.words[key] in (Word.PROVED, Word.LIKELY)]
        gate = self.gate
        return CauseBrief(
            asked=gate.asked,
            open=gate.open,
            words=gate.words,
            found=gate.found,
            removed=gate.removed,
            items=gate.items,
            leaders=tuple(f"{CAUSES[key].name}: {self.weighed.words[key].value}" for key in leaders),
            unexplained=tuple(SIGNS[sign].words for sign in self.weighed.unexplained),
            contaminated=sum(one.open for one in self.contaminated),
        )

    def told(self) -> EvidenceTold:
        """The cause in a few words and what else bench and rack have to be told; as before where nothing that it
        rests on has changed."""
        return self.memo.of_what_is_read(
            "evidence told", _told, self.job, self.engine.kinds, self.figures, self.memo
        )

    @property
    def notices(self) -> tuple[Reason, ...]:
        """What bench and rack are told of metal and of what contradicts itself."""
        return (*contamination_notices(self.job, self.contaminated), *self.contradictions)


def _told(job: Job, kinds: Kinds, figures: tuple[FigureCalled, ...], memo: Memo) -> EvidenceTold:
    standing = EvidenceStanding(job, kinds.engine_of(job), figures, memo)
    return EvidenceTold(standing.brief(), standing.notices)
