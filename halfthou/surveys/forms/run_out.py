"""Run-out: how far the middle of a journal lies beside the axis it turns about, and which way, from an indicator
read round one slow turn."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

#: With fewer angles, or a wider gap between two of them, a bend is not told from an oval journal.
#: Source: geometry: the ellipse is left out only where the angles go all the way round.
LEAST_ANGLES, WIDEST_GAP_DEG = 4, 120
#: From so many angles, none further than this from the next, the ellipse is fitted beside the bend.
ENOUGH_ANGLES, CLOSE_GAP_DEG = 6, 90


class Offset(NamedTuple):
    """Where the middle of a journal lies beside the axis, in nm: towards 0 degrees and towards 90."""

    x: float
    y: float

    @property
    def length(self) -> float:
        """How far, in nm."""
        return math.hypot(self.x, self.y)

    @property
    def direction_deg(self) -> float:
        """Which way, in degrees from 0 up to 360."""
        return math.degrees(math.atan2(self.y, self.x)) % 360

    @property
    def side(self) -> str:
        """Which way, as a person reads it.

        >>> Offset(1.0, -1e-9).side, Offset(0.0, 1.0).side
        ('0°', '90°')
        """
        return f"{round(self.direction_deg) % 360}°"

    def less(self, other: Offset, share: float = 1.0) -> Offset:
        """What is left of it once a share of another is taken away."""
        return Offset(self.x - share * other.x, self.y - share * other.y)


@dataclass(frozen=True, slots=True)
class Swing:
    """How a journal swings in one turn.

    `offset` is that of its middle; a total reading of the bend alone is twice its length. `weights` say, spot by
    spot, how far the offset moves with that reading, so that its doubt follows from theirs. `total_nm` is the
    greatest reading less the least, as the dial shows it, ovality in it. `oval_nm` is how much the journal differs
    between its longest and its shortest diameter by the same readings; None where too few angles tell it apart.
    """

    offset: Offset
    weights: Mapping[str, tuple[float, float]]
    total_nm: int
    oval_nm: float | None


def fit_swing(read: Mapping[str, tuple[float, int]]) -> Swing | None:
    """The first harmonic of an indicator read round a journal.

    Takes:   by spot, the angle in degrees (from 0 below 360, from cylinder 1 at top dead centre) and what the dial
             says there in nm, larger towards the high side.
    Gives:   the swing; None where the angles do not go round far enough to tell a bend at all.
    Rule:    straightness.first-harmonic.   Source: docs/trade: Run-out; e = (2/n)|sum r exp(-it)| for equal steps,
             else least squares; checked against numpy.
    >>> turned = {str(t): (float(t), round(1000 * math.cos(math.radians(t - 90)))) for t in range(0, 360, 45)}
    >>> round(fit_swing(turned).offset.length), round(fit_swing(turned).offset.direction_deg)
    (1000, 90)
    """
    angles = tuple(angle for angle, _ in read.values())
    if not goes_round(angles):
        return None
    rows = _weights(angles)
    heights = [height for _, height in read.values()]
    base = heights[0]
    found = [sum(weight * (height - base) for weight, height in zip(row, heights, strict=True)) for row in rows]
    across, along = rows[0], rows[1]
    return Swing(
        offset=Offset(found[0], found[1]),
        weights={spot: (across[n], along[n]) for n, spot in enumerate(read)},
        total_nm=max(heights) - min(heights),
        oval_nm=4 * math.hypot(found[2], found[3]) if len(rows) > 2 else None,
    )


def goes_round(angles: Sequence[float]) -> bool:
    """Whether indicator readings at these angles tell a bend.

    >>> goes_round((0, 90, 180, 270)), goes_round((0, 45, 90, 135, 180))
    (True, False)
    """
    return len(set(angles)) >= LEAST_ANGLES and widest_gap(angles) <= WIDEST_GAP_DEG


def widest_gap(angles: Sequence[float]) -> float:
    """The widest gap between two neighbouring angles, in degrees."""
    turned = sorted(set(angles))
    return max(after - before for before, after in zip(turned, [*turned[1:], turned[0] + 360], strict=True))


@lru_cache(maxsize=256)
def _weights(angles: tuple[float, ...]) -> tuple[tuple[float, ...], ...]:
    """By how much each reading moves the cosine and the sine of the fit; of the ellipse too where it is fitted.

    Least squares: the rows of (A'A)^-1 A' for the columns 1, cos, sin (and cos 2t, sin 2t).
    """
    turns = [math.radians(angle) for angle in angles]
    oval = len(set(angles)) >= ENOUGH_ANGLES and widest_gap(angles) <= CLOSE_GAP_DEG
    waves = (1, 2) if oval else (1,)
    columns = [[1.0] * len(turns)]
    for wave in waves:
        columns += [[math.cos(wave * t) for t in turns], [math.sin(wave * t) for t in turns]]
    square = [[sum(a * b for a, b in zip(one, other, strict=True)) for other in columns] for one in columns]
    solved = _solve(square, columns)
    return tuple(tuple(row) for row in solved[1:])


def _solve(square: list[list[float]], right: list[list[float]]) -> list[list[float]]:
    """The solution of a small system for several right-hand sides at once, by elimination with pivots."""
    size = len(square)
    rows = [[*square[n], *right[n]] for n in range(size)]
    for n in range(size):
        pivot = max(range(n, size), key=lambda row: abs(rows[row][n]))
        rows[n], rows[pivot] = rows[pivot], rows[n]
        lead = rows[n][n]
        rows[n] = [value / lead for value in rows[n]]
        for other in range(size):
            if other != n and rows[other][n]:
                factor = rows[other][n]
                rows[other] = [a - factor * b for a, b in zip(rows[other], rows[n], strict=True)]
    return [row[size:] for row in rows]
