"""The shaft as it lies: where the middle of each journal stands beside the line of the end mains, and how sure."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace

from halfthou.gauges import RECTANGLE, BudgetTerm, TermKind, beyond_guard, combine, guard_band, standard_doubt
from halfthou.jobs import Guard
from halfthou.lengths import Length
from halfthou.parts.straightness.kind import RUN_OUT, TOTAL
from halfthou.surveys import FeatureSurvey, Offset, PartSurvey, Swing, fit_swing
from halfthou.verdicts import FigureKind, Measured, Term, own_and_common, summed

#: How far off the high side of a dial read by eye may be, either way. Source: common practice, no source.
HIGH_SIDE_DEG = 15


@dataclass(frozen=True, eq=False)
class Middle:
    """One place where a crank was indicated.

    `offset` is None where only how far it
    swings is known and not which way: then `total_nm` is that. `moves` say how the offset moves with each reading.
    """

    part: str
    survey: FeatureSurvey
    total_nm: float
    offset: Offset | None
    moves: tuple[tuple[str, float, float], ...] = ()
    swing: Swing | None = None
    by_eye: bool = False


def middle_of(part: PartSurvey) -> Middle | None:
    """A place as it was indicated: round by its angles where they go round, else by its total reading; None where
    neither is known."""
    read = part.features.get(RUN_OUT)
    if read is not None:
        angles = read.feature.angles_deg
        heights = {spot: (float(angles[spot]), count) for spot, count in read.counts.items()}
        swing = fit_swing(heights) if heights else None
        if swing is not None:
            moves = tuple((spot, x, y) for spot, (x, y) in swing.weights.items())
            return Middle(part.part.id, read, 2 * swing.offset.length, swing.offset, moves, swing)
    total = part.features.get(TOTAL)
    if total is None or not total.counts:
        return None
    (spot, count), *_ = total.counts.items()
    high = total.taken[0].reading.angle_deg if total.taken else None
    if high is None:
        return Middle(part.part.id, total, float(count), None)
    x, y = math.cos(math.radians(high)), math.sin(math.radians(high))
    offset = Offset(count / 2 * x, count / 2 * y)
    return Middle(part.part.id, total, float(count), offset, ((spot, x / 2, y / 2),), by_eye=True)


#: A sum of offsets: how much of each middle.
Sum = Mapping[str, float]


@dataclass(frozen=True)
class Shaft:
    """A crank as it was indicated, about the line of its end mains.

    `along` is where every place stands along it; `ends` are the end mains, of which one that carries the shaft and
    was not read lies on the line.
    """

    middles: Mapping[str, Middle]
    along: Mapping[str, float]
    ends: tuple[str, str]

    def about_the_line(self, part: str) -> dict[str, float]:
        """The sum that says where a middle stands beside the line of the end mains."""
        front, rear = (self.along[end] for end in self.ends)
        share = (self.along[part] - front) / (rear - front)
        found = {part: 1.0} if part in self.middles else {}
        for end, weight in zip(self.ends, (share - 1, -share), strict=True):
            if end in self.middles:
                found[end] = found.get(end, 0.0) + weight
        return {key: weight for key, weight in found.items() if abs(weight) > 1e-12}

    def between(self, one: str, other: str) -> dict[str, float]:
        """The sum that says how two places stand to each other."""
        first, second = self.about_the_line(one), self.about_the_line(other)
        keys = dict.fromkeys((*first, *second))
        found = {key: first.get(key, 0.0) - second.get(key, 0.0) for key in keys}
        return {key: weight for key, weight in found.items() if abs(weight) > 1e-12}

    def offset(self, of: Sum) -> Offset | None:
        """A sum of offsets; None where the direction of one in it is not known."""
        known = [(weight, self.middles[part].offset) for part, weight in of.items()]
        if any(offset is None for _, offset in known):
            return None
        total = Offset(0.0, 0.0)
        for weight, offset in known:
            if offset is not None:
                total = total.less(offset, -weight)
        return total

    def bounds(self, of: Sum) -> tuple[float, float]:
        """The least and the most that a sum can swing in nm, whichever way the sides lie that were not read.

        Rule:    straightness.high-side.   Source: geometry: the triangle inequality.
        """
        known, loose = Offset(0.0, 0.0), []
        for part, weight in of.items():
            offset = self.middles[part].offset
            if offset is None:
                loose.append(abs(weight) * self.middles[part].total_nm)
            else:
                known = known.less(offset, -weight)
        sides = sorted((2 * known.length, *loose))
        return max(0.0, sides[-1] - sum(sides[:-1])), sum(sides)


def measured_swing(shaft: Shaft, of: Sum, kind: FigureKind, guard: Guard, share: float = 1.0) -> Measured | None:
    """How far a sum of offsets swings, as a figure with its doubt; None where a high side in it was not read.

    Takes:   `share`, 1 for a total reading, a half for the bend itself.
    Rule:    straightness.first-harmonic, straightness.adjacent.
    """
    offset = shaft.offset(of)
    if offset is None:
        return None
    turn = math.radians(offset.direction_deg)
    x, y = math.cos(turn), math.sin(turn)
    terms = [
        Term(share * 2 * weight * (x * move_x + y * move_y), shaft.middles[part].survey, spot)
        for part, weight in of.items()
        for spot, move_x, move_y in shaft.middles[part].moves
    ]
    if not terms:
        return None
    figure = summed(kind, terms, guard)
    if figure is None:
        return None
    value = Length(round(share * 2 * offset.length))
    more = [*_by_eye(shaft, of, Offset(x, y), share), *_by_dial(shaft, of, share)]
    figure = replace(figure, value=value, spots=())
    return _with_doubt(figure, more, guard)


def _by_eye(shaft: Shaft, of: Sum, along: Offset, share: float) -> Iterator[BudgetTerm]:
    """How far a sum may be out because a high side was read by eye: only what lies across it moves it."""
    off = math.radians(HIGH_SIDE_DEG) / RECTANGLE
    for part, weight in of.items():
        middle = shaft.middles[part]
        if middle.by_eye and middle.offset is not None:
            across = middle.offset.x * along.y - middle.offset.y * along.x
            yield BudgetTerm(TermKind.HIGH_SIDE, f"{part} high side", share * 2 * weight * abs(across) * off)


def _by_dial(shaft: Shaft, of: Sum, share: float) -> Iterator[BudgetTerm]:
    """How far a dial may be out over the travel of one turn: in a difference of its readings only its zero cancels.

    Source:  docs/trade: Limits of gauges, from memory: half to one graduation.
    """
    gauges = {
        taken.setup.gauge.id: taken.setup.gauge
        for part in of
        if shaft.middles[part].swing is not None
        for taken in shaft.middles[part].survey.taken
    }
    for name, gauge in gauges.items():
        yield BudgetTerm(TermKind.DIAL, f"{name} over one turn", share * gauge.permissible_error.nm / RECTANGLE)


def _with_doubt(figure: Measured, more: Iterable[BudgetTerm], guard: Guard) -> Measured:
    budget = combine([(1.0, figure.budget), (1.0, tuple(more))])
    doubt = standard_doubt(budget)
    return replace(
        figure,
        budget=budget,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        beyond=beyond_guard(1, *own_and_common(budget), guard),
    )


def bound_swing(shaft: Shaft, of: Sum, value: float, kind: FigureKind, guard: Guard) -> Measured:
    """The most or the least that a sum can swing, in nm, as a figure: every reading in it counts whole."""
    terms = [
        (2 * abs(weight) * math.hypot(x, y), shaft.middles[part].survey, spot)
        for part, weight in of.items()
        for spot, x, y in shaft.middles[part].moves or ((_only(shaft.middles[part]), 0.5, 0.0),)
    ]
    budget = combine([(factor, survey.budget(spot)) for factor, survey, spot in terms])
    doubt = standard_doubt(budget)
    return Measured(
        key=kind.key,
        rule=kind.rule,
        name=kind.name,
        value=Length(round(value)),
        spots=(),
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard(1, *own_and_common(budget), guard),
    )


def _only(middle: Middle) -> str:
    return next(iter(middle.survey.counts))
