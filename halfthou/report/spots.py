"""The spots of a journal and its bearing as they are shown: what counts, what is kept beside it, what is asked."""

from __future__ import annotations

from halfthou.jobs import ANGLE_LETTERS, FIXED_SPOTS, Feature, Plan, Reading
from halfthou.lengths import ZERO, Notation
from halfthou.report.documents import AsideShown, ShownReading, Spot
from halfthou.surveys import Aside, JournalSurvey, SpotState, Taken
from halfthou.verdicts import doubt_shown

#: Degrees from the crown at which a bore is read. Source: docs/trade: Measuring a bearing, common practice.
BORE_ANGLES_DEG = {"a": 0, "b": 60, "c": 120}
WALL_ANGLES_DEG = {"a": 0, "b": 180}


def journal_spots(survey: JournalSurvey, plan: Plan, say: Notation) -> tuple[Spot, ...]:
    """The spots of a journal, in the order of its plan."""
    angles = dict(zip(ANGLE_LETTERS, plan.angles_deg, strict=False))
    return tuple(_spot(state, angles[state.spot[1]], say) for state in survey.spots)


def outside_spots(survey: JournalSurvey, say: Notation) -> tuple[Spot, ...]:
    """The spots read outside the plan: at the angle where that is known, else at none."""
    return tuple(
        _spot(state, round(where.angle_deg) if (where := survey.places.get(state.spot)) else 0, say)
        for state in survey.outside
    )


def bearing_spots(feature: Feature, spots: tuple[SpotState, ...], say: Notation) -> tuple[Spot, ...]:
    """The spots of one feature of a bearing."""
    angles = WALL_ANGLES_DEG if feature is Feature.WALL else BORE_ANGLES_DEG
    return tuple(_spot(state, angles[state.spot[1]], say) for state in spots)


def blank_spots(feature: Feature, say: Notation) -> tuple[Spot, ...]:
    """The spots of a feature of which nothing is read yet."""
    names = FIXED_SPOTS.get(feature, ())
    return bearing_spots(feature, tuple(SpotState(name) for name in names), say)


def _spot(state: SpotState, angle_deg: int, say: Notation) -> Spot:
    current = _taken(state.counted[0], say) if state.counted else None
    size = None
    if current is not None and not state.held:
        size = current.size if len(state.counted) == 1 else say.shown(state.size or ZERO)
    return Spot(
        state.spot,
        int(state.spot[0]),
        state.spot[1],
        angle_deg,
        current,
        tuple([_reading(reading, say) for reading in state.others]) if state.others else (),
        size,
        len(state.counted),
        tuple([_aside(aside, say) for aside in state.aside]) if state.aside else (),
        doubt_shown(state) if state.doubt is not None else None,
    )


def _taken(taken: Taken, say: Notation) -> ShownReading:
    reading = taken.reading
    read = say.text(reading.size) if taken.size != reading.size else ""
    return ShownReading(
        reading.id, say.shown(taken.size), reading.typed, reading.unit, reading.gauge, reading.by, reading.at, read
    )


def _reading(reading: Reading, say: Notation) -> ShownReading:
    return ShownReading(
        reading.id, say.shown(reading.size), reading.typed, reading.unit, reading.gauge, reading.by, reading.at
    )


def _aside(aside: Aside, say: Notation) -> AsideShown:
    done = aside.operation
    why = f"{done.kind.value}, {done.at:%d %B}" if done else aside.state
    return AsideShown(aside.reading.id, say.shown(aside.reading.size), aside.reading.by, why)
