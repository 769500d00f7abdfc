"""A kind of part that only the tests have: push rods, judged by their length. One module and a line of the list."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from halfthou.engines import Engine, FeatureKind, LookKind, PartKind, Place, SheetFigure, StationDrawing
from halfthou.jobs import Decision, Job, Layout, Purpose
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts import Given, SetDecided
from halfthou.report import ClearanceShown, FigureShown, PartReport, SetReport, feature_report, spots_asked
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import MARKS, Action, Called, Finding, MarkCode

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
    looks=(LookKind("tip", ("round", "worn flat")),),
    figures=(SheetFigure("length", "Length", is_band=True, needed=True),),
    actions=("reuse", "replace"),
)


@dataclass(frozen=True)
class RodsDecided:
    """The push rods of an engine, each with what it came to."""

    actions: Mapping[str, Action]
    decision: Decision | None = None
    step: Length | None = ZERO

    @property
    def so_far(self) -> bool:
        return Action.MEASURE in self.actions.values()

    @property
    def ends(self) -> bool:
        return False

    @property
    def action(self) -> Action:
        rank = (Action.MEASURE, Action.REPLACE, Action.REUSE)
        return next(one for one in rank if one in self.actions.values())


class PushRods:
    """Within its length a push rod is used again; else replaced."""

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
        band = given.job.limits.sets[self.set].band(self.kind.figures[0].key)
        assert band is not None
        actions = {}
        for part in given.engine.parts.values():
            if part.set == self.set:
                sizes = self._survey(given, part.id).sizes.values()
                within = all(band.least <= size <= band.most for size in sizes)
                actions[part.id] = (Action.REUSE if within else Action.REPLACE) if sizes else Action.MEASURE
        return {self.set: RodsDecided(actions)}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        assert isinstance(decided, RodsDecided)
        survey, known, action = self._survey(given, part), given.engine.parts[part], decided.actions[part]
        return PartReport(
            id=part,
            kind=self.kind.key,
            station=self.kind.station,
            set=self.set,
            name=known.name,
            short_name=known.short,
            mark=MARKS[_MARK[action]],
            own_action=action,
            action=action,
            called=Called.WITHIN if survey.sizes else Called.NOT_READ,
            headline=action.value.capitalize(),
            features=(feature_report(survey, self.feature, given.say),),
            to_read=spots_asked(survey, survey.unread),
            left=len(survey.unread),
            figures=self.figures(survey, given),
            size_words="".join(given.say.text(size) for size in survey.sizes.values()),
            clearance=ClearanceShown(least=None, most=None, called=None, words=""),
        )

    def figures(self, survey: FeatureSurvey, given: Given) -> tuple[FigureShown, ...]:
        """The figures of one of them; of a push rod there are none."""
        return ()

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        assert isinstance(decided, RodsDecided)
        unread = tuple(name for name, action in decided.actions.items() if action is Action.MEASURE)
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
                for name in decided.actions
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
