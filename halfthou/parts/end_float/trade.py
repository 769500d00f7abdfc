"""The end float, judged and told."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import Decision, Job
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.end_float.kind import KIND, PART, SET
from halfthou.parts.end_float.looks import AS_BUILT, FACES
from halfthou.parts.end_float.verdict import judge_float, washers_for
from halfthou.parts.pieces import (
    STILL,
    PieceVerdict,
    PlacesTogether,
    Said,
    Still,
    Tell,
    cases_of,
    headline_of,
    note_words,
    piece_report,
    set_told,
    still_reasons,
)
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport, ToOrder
from halfthou.verdicts import Action, Finding, Open
from halfthou.words import Reason, cautions_for, figure_reasons, said_by_eye, step_words

TELLS = {
    "washers": Tell(
        "end-float.washers",
        "Washers {0} thicker together bring it to {1}, less what the old ones have worn: read it with them in.",
    ),
    "no washers": Tell(
        "end-float.washers",
        "No thrust washers are on the sheet. A new thrust bearing, read again; else refer the crank.",
    ),
    "none sold": Tell(
        "end-float.washers", "No washers that are sold bring {0} to what it is when new: refer the crank."
    ),
    "as built": Tell(
        "end-float.as-built", "Built with {0}, by {1}, said by {2}; {3} now: as it was built, nothing has worn."
    ),
    "blued as built": Tell(
        "end-float.as-built",
        "Built with {0}, by {1}, said by {2}; {3} now. A face that went blue is beyond all the same.",
    ),
    "less than built": Tell(
        "end-float.as-built",
        "Built with {0}, by {1}, said by {2}; {3} less now: find what binds, or which is wrong.",
    ),
    "grown": Tell("end-float.as-built", "Built with {0}, by {1}, said by {2}: it has grown by {3} since."),
    "tight": Tell(
        "end-float.tight", "Less than when new: find what binds, a washer the wrong way or dirt behind it."
    ),
}


@dataclass(frozen=True, kw_only=True)
class FloatSet(PlacesTogether):
    """The end float with its verdict."""

    @property
    def verdict(self) -> PieceVerdict:
        """Its one place."""
        return self.verdicts[PART]

    @property
    def own(self) -> Action:
        """What its verdict says, before a person decides otherwise."""
        return self.verdict.action


class EndFloat:
    """The end float of the crank."""

    kind = KIND

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """The end float, where it is in scope."""
        if SET not in given.job.sets:
            return {}
        cases = cases_of(given, KIND, SET)
        verdicts = {part: given.memo.of(("verdict", part), judge_float, case) for part, case in cases.items()}
        return {SET: FloatSet(verdicts=verdicts, decision=given.overruling(SET))}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of it."""
        found = cast(FloatSet, decided)
        return given.memo.of(("part", part), _part, found.verdict, found.action, given.engine, given.say)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of it as a set."""
        return given.memo.of(("told", one), _set, cast(FloatSet, decided), given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on it in a few words."""
        return headline_of(cast(FloatSet, decided))

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about it is open: what washers are fitted for is open until it was read again.

        Rule:    assess.whole.
        """
        found = cast(FloatSet, decided)
        if found.action is Action.REPLACE:
            return True
        return found.action is Action.REUSE and found.verdict.action is Action.REUSE and not found.verdict.opens

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """A float stands at no step."""
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Its judged figures."""
        return cast(FloatSet, decided).verdict.findings


def _part(verdict: PieceVerdict, action: Action, engine: Engine, say: Notation) -> PartReport:
    high = verdict.finding("end float most")
    words = say.text(high.value) if high is not None else ""
    said = Said(action=action, tells=TELLS, looks=(FACES, AS_BUILT), size_words=words)
    return piece_report(verdict, said, engine, say)


def _set(found: FloatSet, say: Notation, accepted: Decision | None) -> SetReport:
    return SetReport(
        **set_told(found, SET, KIND, say, accepted),
        set=SET,
        headline=headline_of(found),
        reasons=tuple(_reasons(found, say)),
        to_order=tuple(_to_order(found, say)),
        cautions=cautions_for(found.action),
    )


def _reasons(found: FloatSet, say: Notation) -> Iterator[Reason]:
    yield from said_by_eye(found.verdict.case.eye)
    for note in found.verdict.notes:
        yield note_words(note, TELLS, say)
    yield from figure_reasons(found.verdict.findings, say)
    yield from still_reasons(found, (_UNSEEN, *STILL))


_UNSEEN = Still(Open.UNSEEN, "looks.first", "Look at the thrust faces, front and rear.", of_all=True)


def _to_order(found: FloatSet, say: Notation) -> Iterator[ToOrder]:
    """The washers that mend it, where any do."""
    high = found.verdict.finding("end float most")
    if found.action is not Action.FIT_WASHERS or high is None:
        return
    step = washers_for(found.verdict.case, high.value)
    if step is not None:
        yield ToOrder(
            words=step_words(step.size, say, "over"),
            step=say.shown(step.size),
            part_number=step.part_number,
            count=1,
            what="set of thrust washers",
            parts=("Thrust",),
            can_be_bought=step.can_be_bought,
        )
