"""The spots of a feature as they are shown: what counts, what is kept beside it, what is asked."""

from __future__ import annotations

from collections.abc import Iterable

from halfthou.amounts import AmountNotation, notation_for
from halfthou.engines import FeatureKind, Lies
from halfthou.jobs import Plan, Reading, plane_and_angle
from halfthou.lengths import ZERO, Notation
from halfthou.report.documents import AsideShown, FeatureReport, ShownReading, Spot, SpotAsked
from halfthou.surveys import Aside, FeatureSurvey, SpotState, Taken
from halfthou.verdicts import Settling, SettlingWay
from halfthou.words import doubt_shown


def feature_report(survey: FeatureSurvey, name: str, say: Notation) -> FeatureReport:
    """One feature of a part with its spots, in the order of its plan; those outside it at the angle that is
    known."""
    kind, plan = survey.feature, survey.plan
    says = notation_for(kind.quantity, say)
    return FeatureReport(
        survey.part.id,
        kind.key,
        name,
        kind.planned,
        tuple(_spot(state, _lies(state.spot, kind, plan), says) for state in survey.spots),
        tuple(_spot(state, _outside(state.spot, survey), says) for state in survey.outside),
    )


def _lies(spot: str, kind: FeatureKind, plan: Plan | None) -> Lies:
    if plan is None:
        return kind.lies[spot]
    plane, letter = plane_and_angle(spot) or (1, spot)
    return Lies(plane, letter, plan.angle_of(spot))


def _outside(spot: str, survey: FeatureSurvey) -> Lies:
    """Where a spot lies that the plan does not have, as far as anybody knows."""
    plane, letter = plane_and_angle(spot[:2]) or (1, spot)
    where = survey.places.get(spot)
    return Lies(plane, letter, round(where.angle_deg) if where is not None else 0)


def spots_asked(survey: FeatureSurvey, spots: Iterable[str]) -> tuple[SpotAsked, ...]:
    """Spots of a feature that are to be read."""
    return tuple(SpotAsked(survey.part.id, survey.feature.key, spot) for spot in spots)


def spots_to_repeat(survey: FeatureSurvey, ways: Iterable[Settling]) -> tuple[SpotAsked, ...]:
    """The spots to read again once the plan is read, each as often as the figure that needs most. A figure may rest
    on a spot of another feature too: that one is not read again here."""
    more: dict[str, int] = {}
    if survey.whole:
        for way in ways:
            if way.way is SettlingWay.READ_AGAIN:
                more.update({spot: max(way.more, more.get(spot, 0)) for spot in way.spots if spot in survey.sizes})
    return tuple(SpotAsked(survey.part.id, survey.feature.key, spot, count) for spot, count in more.items())


def _spot(state: SpotState, lies: Lies, say: Notation | AmountNotation) -> Spot:
    current = _taken(state.counted[0], say) if state.counted else None
    size = None
    if current is not None and not state.held:
        size = current.size if len(state.counted) == 1 else say.shown(state.size or ZERO)
    return Spot(
        state.spot,
        lies.row,
        lies.column,
        lies.angle_deg,
        current,
        tuple([_reading(reading, say) for reading in state.others]) if state.others else (),
        size,
        len(state.counted),
        tuple([_aside(aside, say) for aside in state.aside]) if state.aside else (),
        doubt_shown(state) if state.doubt is not None else None,
    )


def _taken(taken: Taken, say: Notation | AmountNotation) -> ShownReading:
    reading = taken.reading
    read = say.text(reading.size) if taken.size.nm != reading.count else ""
    return ShownReading(
        reading.id, say.shown(taken.size), reading.typed, reading.unit, reading.gauge, reading.by, reading.at, read
    )


def _reading(reading: Reading, say: Notation | AmountNotation) -> ShownReading:
    return ShownReading(
        reading.id, say.shown(reading.size), reading.typed, reading.unit, reading.gauge, reading.by, reading.at
    )


def _aside(aside: Aside, say: Notation | AmountNotation) -> AsideShown:
    done = aside.operation
    why = f"{done.kind.value}, {done.at:%d %B}" if done else aside.state
    return AsideShown(aside.reading.id, say.shown(aside.reading.size), aside.reading.by, why)
