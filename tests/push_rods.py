"""A kind of part that only the tests have: push rods, judged by their length. One module and a line of the list."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from halfthou.engines import Engine, FeatureKind, PartKind, Place, SheetFigure, StationDrawing
from halfthou.jobs import Band, Decision, Guard, Job, Layout, Purpose, Seen, SourceKind
from halfthou.lengths import ZERO, Length, Notation
from halfthou.looks import LookKind, plain
from halfthou.parts import Given, SetDecided
from halfthou.report import ClearanceShown, PartReport, SetReport, feature_report, figures_shown, spots_asked
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import (
    MARKS,
    Action,
    Called,
    FigureKind,
    Finding,
    Limit,
    MarkCode,
    Measured,
    greatest,
    judge,
    least,
    summed,
)

SET = "push rods"
_MARK = {
    Action.REUSE: MarkCode.REUSE,
    Action.REPLACE: MarkCode.REPLACE,
    Action.MEASURE: MarkCode.NOT_READ,
}


def _rods(layout: Layout) -> tuple[Place, ...]:
    return tuple(
        Place(f"push-rod-{n}", "push rod", SET, f"Push rod {n}", f"Push rod {n}")
        for n in range(1, 2 * layout.cylinders + 1)
    )


PUSH_ROD = PartKind(
    key="push rod",
    name="Push rod",
    station="valve train",
    station_drawing=StationDrawing.ROW,
    parts=_rods,
    features=(FeatureKind("length", "length", Purpose.JOURNAL, spots=("1a",), angles_deg={"a": 0}),),
    sets={SET: "Push rods"},
    looks=(LookKind("tip", plain("round", "worn flat"), ("push rod",), bench=True),),
    figures=(SheetFigure("length", "Length", is_band=True, needed=True),),
    actions=("reuse", "replace"),
)


LEAST = FigureKind("least length", "surveys.size.least", "least length", difference=False)
GREATEST = FigureKind("greatest length", "surveys.size.least", "greatest length", difference=False)


@dataclass(frozen=True)
class Verdict:
    """One part by itself: what is to be done with it, and why."""

    action: Action
    findings: tuple[Finding, ...]


def verdict_of(
    survey: FeatureSurvey, figures: Iterable[tuple[Measured | None, Limit]], *, good: bool | None
) -> Verdict:
    """What is beyond a limit, or looks bad, is replaced; nothing is used again of which anything is unread, held,
    too close or unseen."""
    found = tuple(judge(figure, limit) for figure, limit in figures if figure is not None)
    called = {one.called for one in found}
    if Called.BEYOND in called or good is False:
        return Verdict(Action.REPLACE, found)
    sure = survey.whole and not survey.held and called == {Called.WITHIN} and good is True
    return Verdict(Action.REUSE if sure else Action.MEASURE, found)


def judge_rod(survey: FeatureSurvey, band: Band, guard: Guard, tip: Seen | None) -> Verdict:
    """A push rod by its length and its tips."""
    figures = (
        (summed(LEAST, [least(survey)], guard), Limit(band.least, True, SourceKind.MAKER)),
        (summed(GREATEST, [greatest(survey)], guard), Limit(band.most, False, SourceKind.MAKER)),
    )
    return verdict_of(survey, figures, good=None if tip is None else tip.answer == "round")


@dataclass(frozen=True)
class RodsDecided:
    """The push rods of an engine, each with what it came to."""

    verdicts: Mapping[str, Verdict]
    decision: Decision | None = None
    step: Length | None = ZERO

    @property
    def so_far(self) -> bool:
        return any(one.action is Action.MEASURE for one in self.verdicts.values())

    @property
    def ends(self) -> bool:
        return False

    @property
    def action(self) -> Action:
        found = {one.action for one in self.verdicts.values()}
        return next(one for one in (Action.MEASURE, Action.REPLACE, Action.REUSE) if one in found)


class PushRods:
    """Within its length, its tips round, a push rod is used again; else replaced."""

    kind = PUSH_ROD

    @property
    def set(self) -> str:
        """The one set of the kind."""
        return next(iter(self.kind.sets))

    @property
    def feature(self) -> str:
        """What is read of it."""
        return self.kind.features[0].key

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        if self.set not in given.job.sets:
            return {}
        parts = [part.id for part in given.engine.parts.values() if part.set == self.set]
        return {self.set: RodsDecided({part: self.judged(part, given) for part in parts})}

    def judged(self, part: str, given: Given) -> Verdict:
        """One of them, judged by what was read and seen of it alone: kept where nothing of that changed."""
        band, tip = given.job.limits.sets[self.set].band("length"), given.seen.get((part, "tip"))
        assert band is not None
        guard = given.job.house_rules.guard
        return given.memo.of(("verdict", part), judge_rod, self._survey(given, part), band, guard, tip)

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        assert isinstance(decided, RodsDecided)
        survey, known, found = self._survey(given, part), given.engine.parts[part], decided.verdicts[part]
        calls = {one.called for one in found.findings}
        return PartReport(
            id=part,
            kind=self.kind.key,
            station=self.kind.station,
            set=self.set,
            name=known.name,
            short_name=known.short,
            mark=MARKS[_MARK[found.action]],
            own_action=found.action,
            action=found.action,
            called=next(
                (one for one in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if one in calls), Called.NOT_READ
            ),
            headline=found.action.value.capitalize(),
            features=(feature_report(survey, self.feature, given.say),),
            to_read=spots_asked(survey, survey.unread),
            left=len(survey.unread),
            figures=figures_shown(found.findings, given.say),
            size_words="".join(given.say.text(size) for size in survey.sizes.values()),
            looks=tuple(look.key for look in self.kind.looks if (part, look.key) not in given.seen),
            clearance=ClearanceShown(least=None, most=None, called=None, words=""),
        )

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        assert isinstance(decided, RodsDecided)
        unread = tuple(name for name, one in decided.verdicts.items() if one.action is Action.MEASURE)
        return SetReport(
            set=one,
            kind=self.kind.key,
            station=self.kind.station,
            name=self.kind.sets[self.set],
            mark=MARKS[_MARK[decided.action]],
            action=decided.action,
            headline=decided.action.value,
            present=given.say.shown(ZERO),
            complete=not unread,
            finished=not unread,
            decided=accepted is not None,
            awaiting=unread,
            can_be_accepted=not unread,
            reading_order=tuple(
                asked
                for name in decided.verdicts
                for asked in spots_asked(self._survey(given, name), self.kind.features[0].spots)
            ),
        )

    def headline(self, decided: SetDecided, say: Notation) -> str:
        return decided.action.value

    def settled(self, decided: SetDecided) -> bool:
        return not decided.so_far

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        return ()

    def _survey(self, given: Given, part: str) -> FeatureSurvey:
        return given.surveys[part].features[self.feature]
