"""The end float, judged and told."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import Decision, Job
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.end_float.kind import DIAL, KIND, PART, SET
from halfthou.parts.end_float.looks import FACES
from halfthou.parts.end_float.verdict import judge_float, washers_for
from halfthou.parts.pieces import (
    MARK_OF,
    PiecesTogether,
    PieceVerdict,
    Said,
    Tell,
    cases_of,
    note_words,
    piece_report,
)
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport, SpotAsked, ToOrder
from halfthou.verdicts import MARKS, Action, Finding, MarkCode
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
    "tight": Tell(
        "end-float.tight", "Less than when new: find what binds, a washer the wrong way or dirt behind it."
    ),
}


@dataclass(frozen=True, kw_only=True)
class FloatSet(PiecesTogether):
    """The end float with its verdict."""

    step: Length | None = ZERO

    @property
    def verdict(self) -> PieceVerdict:
        """Its one place."""
        return self.verdicts[PART]

    @property
    def action(self) -> Action:
        """What is done about it."""
        return self.overruled or self.verdict.action

    @property
    def so_far(self) -> bool:
        """Whether it is still to be read."""
        return bool(self.verdict.to_read)


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
        return _headline(cast(FloatSet, decided))

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
    said = Said(action=action, tells=TELLS, looks=(FACES,), size_words=words)
    return piece_report(verdict, said, engine, say)


def _headline(found: FloatSet) -> str:
    if found.action is Action.MEASURE:
        return "measure" if found.so_far else "not settled"
    return found.action.value


def _set(found: FloatSet, say: Notation, accepted: Decision | None) -> SetReport:
    decision, action, verdict = accepted or found.decision, found.action, found.verdict
    done = not found.so_far and action is not Action.MEASURE
    waits = action is Action.MEASURE and not found.so_far
    return SetReport(
        set=SET,
        kind=KIND.key,
        station=KIND.station,
        name=KIND.sets[SET],
        mark=MARKS[MarkCode.TOO_CLOSE if waits else MARK_OF[action]],
        action=action,
        headline=_headline(found),
        step=say.shown(ZERO),
        present=say.shown(ZERO),
        complete=not found.so_far,
        finished=done and action is not Action.REFER,
        decided=decision is not None,
        awaiting=(PART,) if found.so_far else (),
        can_be_accepted=done and action is not Action.REFER,
        reasons=tuple(_reasons(verdict, say)),
        to_order=tuple(_to_order(found, say)),
        reading_order=(SpotAsked(PART, DIAL, "1a"),),
        cautions=cautions_for(action),
    )


def _reasons(verdict: PieceVerdict, say: Notation) -> Iterator[Reason]:
    yield from said_by_eye(verdict.case.eye)
    for note in verdict.notes:
        yield note_words(note, TELLS, say)
    yield from figure_reasons(verdict.findings, say)


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
