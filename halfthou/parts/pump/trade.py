"""The oil pump, judged as a unit."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import Decision, Job, Look, OperationKind
from halfthou.lengths import ZERO, Length, Notation
from halfthou.looks import MOVED_SEAT
from halfthou.parts.journals.looks import HOT
from halfthou.parts.pieces import (
    PieceCase,
    PiecesTogether,
    PieceVerdict,
    Said,
    cases_of,
    mark_of,
    piece_report,
    verdict_of,
)
from halfthou.parts.pump.kind import PUMP, SET
from halfthou.parts.pump.looks import LOOKS
from halfthou.parts.pump.verdict import by_house_rule, judge_pump
from halfthou.parts.pump.words import TELLS, before_closing, renewed, still_of_pump, under_pump
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport, SpotAsked, TableShown, ToOrder
from halfthou.verdicts import MARKS, Action, Finding, MarkCode, Open
from halfthou.words import Reason, cautions_of_piece


@dataclass(frozen=True, kw_only=True)
class PumpSet(PiecesTogether):
    """The pump that lies in the engine, and those beside it: taken out, or spare."""

    step: Length | None = ZERO

    @property
    def fitted(self) -> PieceVerdict | None:
        """The pump in its place; None where none is."""
        return next((one for one in self.verdicts.values() if one.case.placed), None)

    @property
    def own(self) -> Action:
        """What its verdict says, before a person decides otherwise."""
        fitted = self.fitted
        if fitted is None:
            return Action.MEASURE
        if fitted.action is Action.MEASURE and fitted.opens == {Open.SUSPECT}:
            return Action.REFER
        return fitted.action

    @property
    def action(self) -> Action:
        """What is done with it."""
        return self.overruled or self.own

    @property
    def so_far(self) -> bool:
        """Whether readings of it are missing."""
        return self.fitted is None or bool(self.fitted.to_read)


class Pump:
    """The oil pump."""

    kind = PUMP

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """The pump, where it is in scope."""
        if SET not in given.job.sets:
            return {}
        failed = max(_failures(given), default=None)
        verdicts = {
            name: given.memo.of(("verdict", name), _verdict, case, failed, _opened(given, name))
            for name, case in cases_of(given, PUMP, SET).items()
        }
        return {SET: PumpSet(verdicts=verdicts, decision=given.overruling(SET))}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one pump."""
        found = cast(PumpSet, decided)
        verdict = found.verdicts[part]
        action = found.action if verdict.case.placed else verdict.action
        return given.memo.of(("part", part), _part, verdict, action, given.engine, given.say)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the pump as a unit."""
        return given.memo.of(("told", one), _told, cast(PumpSet, decided), given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on the pump in a few words."""
        return _headline(cast(PumpSet, decided))

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about the pump is open: a new one is measured too before it counts.

        Rule:    assess.whole, pump.new.
        """
        found = cast(PumpSet, decided)
        fitted = found.fitted
        if fitted is None or found.action is not Action.REUSE:
            return False
        return not fitted.opens - {Open.SUSPECT} and fitted.action in (Action.REUSE, Action.MEASURE)

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """A pump has no steps."""
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged length of one pump."""
        return cast(PumpSet, decided).verdicts[part].findings


def _opened(given: Given, pump: str) -> datetime | None:
    """When a pump was last opened and washed; None where it was not."""
    done = (one for one in given.job.standing_operations if one.kind is OperationKind.PUMP_WORK)
    return max((one.at for one in done if pump in given.engine.touched(one.on)), default=None)


def _failures(given: Given) -> Iterator[datetime]:
    """When a bearing was found to have failed, or metal to have gone round with the oil, wherever it was seen.

    Rule:    pump.suspect.
    """
    looks = given.engine.kinds.looks
    several = (one for one in given.job.standing(given.job.seen) if one.look in looks and looks[one.look].several)
    for seen in (*given.seen.values(), *several):
        row, other = looks.get(seen.look), given.engine.places.get(seen.on)
        answer = row.answer(seen.answer) if row is not None else None
        moved = seen.look == Look.SEAT and seen.answer in MOVED_SEAT
        hot = seen.look == Look.HEAT and seen.answer in HOT
        own = other is not None and other.kind == PUMP.key
        if not own and (moved or hot or (answer is not None and answer.sheds)):
            yield seen.at


def _verdict(case: PieceCase, failed: datetime | None, opened: datetime | None) -> PieceVerdict:
    return verdict_of(case, judge_pump(case, failed, opened))


def _part(verdict: PieceVerdict, action: Action, engine: Engine, say: Notation) -> PartReport:
    said = Said(
        action=action,
        tells=TELLS,
        looks=tuple(look.key for look in LOOKS if look.bench),
        under=under_pump(verdict),
        still=tuple(still_of_pump(verdict)) if verdict.case.placed else (),
    )
    return piece_report(verdict, said, engine, say)


_HEADLINES = {
    Action.REUSE: "Reuse",
    Action.LAP: "Reuse, its cover lapped",
    Action.NEW_PARTS: "New parts in it",
    Action.REFER: "A person's word first",
    Action.REPLACE: "Replace",
}


def _headline(found: PumpSet) -> str:
    fitted = found.fitted
    if fitted is None:
        return "No pump fitted"
    if found.action is Action.REPLACE and fitted.judged.by_eye is not None:
        return "Replace, by the house rule" if by_house_rule(fitted) else "Replace, by eye"
    if found.action is Action.MEASURE:
        return "Measure" if fitted.to_read else "Not settled"
    return _HEADLINES.get(found.action, found.action.value.capitalize())


def _told(found: PumpSet, say: Notation, accepted: Decision | None) -> SetReport:
    fitted, decision = found.fitted, accepted or found.decision
    awaiting = ("pump",) if found.so_far and not (fitted and fitted.judged.by_eye) else ()
    spots = tuple(
        SpotAsked(name, feature.key, spot)
        for name in found.verdicts
        for feature in PUMP.features
        for spot in feature.spots
    )
    code = MarkCode.NOT_READ if fitted is None else mark_of(fitted, found.action)
    table = () if fitted is None else (_closing(fitted),)
    return SetReport(
        set=SET,
        kind=PUMP.key,
        station=PUMP.station,
        name=PUMP.sets[SET],
        mark=MARKS[code],
        action=found.action,
        headline=_headline(found),
        present=say.shown(ZERO),
        complete=not awaiting,
        finished=not awaiting and found.action is not Action.MEASURE,
        decided=decision is not None,
        awaiting=awaiting,
        can_be_accepted=fitted is not None and found.action not in (Action.MEASURE, Action.REFER),
        reasons=tuple(_reasons(found)),
        to_order=_to_order(found, say),
        reading_order=spots,
        cautions=cautions_of_piece(found.action, pump=True),
        tables=table,
    )


def _reasons(found: PumpSet) -> list[Reason]:
    fitted = found.fitted
    if fitted is None:
        return [Reason(rule="pump.new", text="No pump lies in the engine: fit one, and measure it first.")]
    if fitted.case.piece.part.spare:
        name = fitted.case.piece.part.short
        return [Reason(rule="pump.new", text=f"{name} is fitted, judged by its own readings.")]
    if fitted.judged.by_eye is not None and found.action is Action.REPLACE:
        return [
            Reason(
                rule="pump.eye",
                text="The eye rejects it. The one that replaces it is measured before it is fitted.",
            )
        ]
    return []


def _closing(verdict: PieceVerdict) -> TableShown:
    return TableShown(
        key="pump-closing",
        title="Pump, before the engine is closed",
        columns=("what", "stands"),
        rows=before_closing(verdict),
        note="A dry pump starves the bearings at the first start.",
    )


def _to_order(found: PumpSet, say: Notation) -> tuple[ToOrder, ...]:
    """What is bought for the pump; nothing where it is not settled what.

    Rule:    pump.to-order.
    """
    fitted = found.fitted
    if fitted is None or found.so_far:
        return ()
    whole = found.action is Action.REPLACE
    number = fitted.case.limits.made.get("pump number", "")
    what = ("oil pump",) if whole else renewed(fitted) if found.action is Action.NEW_PARTS else ()
    return tuple(
        ToOrder(
            words="",
            step=say.shown(ZERO),
            part_number=number if whole else "",
            count=1,
            what=one,
            parts=("Pump",),
            can_be_bought=True,
        )
        for one in what
    )
