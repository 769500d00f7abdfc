"""A radial profile: how far the surface of a journal lies from an axis, angle by angle; and the largest true
cylinder that lies inside it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import IntEnum
from typing import NamedTuple

import numpy as np

#: With a wider gap between two neighbouring angles a profile has a hole: what lies in it nobody knows. Source:
#: judgement.
WIDEST_HOLE_DEG = 60
#: Less than this is float noise, in units of what is given.
_NOISE = 1e-9


class Axis(IntEnum):
    """About which axis a journal is ground: the one it has, one moved to the side, one moved and tilted."""

    FIXED = 0
    MOVED = 2
    TILTED = 4


class At(NamedTuple):
    """One place of a profile: its angle in degrees, how far along the journal, how far from the axis it is."""

    deg: float
    along: float
    radius: float


class Inscribed(NamedTuple):
    """The largest true cylinder inside a profile.

    Its radius; how far its axis lies beside the one it was read about, towards 0 and 90 degrees, at the middle of
    the journal; and how far it leans that way for a unit along.
    """

    radius: float
    x: float = 0.0
    y: float = 0.0
    lean_x: float = 0.0
    lean_y: float = 0.0

    @property
    def moved(self) -> float:
        """How far the axis lies beside the one it was read about."""
        return math.hypot(self.x, self.y)


def has_hole(degs: Sequence[float]) -> bool:
    """Whether two neighbouring angles of a profile lie too far apart.

    >>> has_hole([0, 45, 90, 135, 180, 225, 270, 315]), has_hole([0, 45, 90, 180, 270])
    (False, True)
    """
    around = sorted({deg % 360 for deg in degs})
    if len(around) < 2:
        return True
    gaps = (b - a for a, b in zip(around, [*around[1:], around[0] + 360], strict=True))
    return max(gaps) > WIDEST_HOLE_DEG


def largest_inside(profile: Sequence[At], axis: Axis) -> Inscribed:
    """The largest true cylinder inside a profile.

    Takes:   places all the way round; about which axis it may lie.
    Rule:    surveys.profile.   Source: docs/trade: Clean-up; the maximum inscribed circle, to first order in how
             far the axis moves (off by the square of that over the diameter). Checked against shapely and a
             linear program.
    >>> ring = [At(deg, 0, 28.5 - (0.06 if deg == 0 else 0)) for deg in range(0, 360, 30)]
    >>> round(largest_inside(ring, Axis.FIXED).radius, 6), round(largest_inside(ring, Axis.MOVED).radius, 4)
    (28.44, 28.47)
    """
    least = min(at.radius for at in profile)
    if axis is Axis.FIXED:
        return Inscribed(least)
    rows = [_row(at, axis) for at in profile]
    # Counted from the least radius, so that small differences of large numbers stay exact.
    slack = [at.radius - least for at in profile]
    found = _most(rows, slack)
    return Inscribed(least + found[0], *found[1:])


def _row(at: At, axis: Axis) -> tuple[float, ...]:
    turn = math.radians(at.deg)
    across = (1.0, math.cos(turn), math.sin(turn))
    return across if axis is Axis.MOVED else (*across, at.along * across[1], at.along * across[2])


def _most(rows: list[tuple[float, ...]], limits: list[float]) -> list[float]:
    """The point p that makes its first coordinate the most, with row·p at most each limit.

    A walk from corner to corner: at each the rows that hold it are known; the one that pulls is let go and the next
    one met is taken up, until none pulls. Bland's order, so that it ends.
    """
    size = len(rows[0])
    held = _first_corner(rows, limits)
    for _ in range(len(rows) ** 2):
        corner = _solved([list(rows[n]) for n in held], [limits[n] for n in held])
        # How much of the first coordinate each row that holds gives for a unit of its limit.
        share = _solved([[rows[n][k] for n in held] for k in range(size)], [1.0, *[0.0] * (size - 1)])
        pulls = sorted(n for n, part in zip(held, share, strict=True) if part < -_NOISE)
        if not pulls:
            return corner
        out = held.index(pulls[0])
        # The way off the row that is let go, along all others that hold.
        way = _solved([list(rows[n]) for n in held], [-1.0 if n == out else 0.0 for n in range(size)])
        met = []
        for n, row in enumerate(rows):
            speed = sum(a * b for a, b in zip(row, way, strict=True))
            if n not in held and speed > _NOISE:
                far = limits[n] - sum(a * b for a, b in zip(row, corner, strict=True))
                met.append((max(0.0, far) / speed, n))
        if not met:
            return corner
        held[out] = min(met)[1]
    return corner


def _first_corner(rows: list[tuple[float, ...]], limits: list[float]) -> list[int]:
    """Rows that hold a corner that every row allows: from well inside, row by row until it is held whole."""
    size = len(rows[0])
    point = [min(limits) - 1.0, *[0.0] * (size - 1)]
    held: list[int] = []
    while len(held) < size:
        way = _free_way([rows[n] for n in held], size)
        best: tuple[float, int] | None = None
        for n, row in enumerate(rows):
            speed = sum(a * b for a, b in zip(row, way, strict=True))
            if n not in held and speed > _NOISE:
                far = (limits[n] - sum(a * b for a, b in zip(row, point, strict=True))) / speed
                best = min(best or (far, n), (far, n))
        if best is None:
            raise ValueError("the profile does not go all the way round")
        point = [a + best[0] * b for a, b in zip(point, way, strict=True)]
        held.append(best[1])
    return held


def _free_way(rows: list[tuple[float, ...]], size: int) -> list[float]:
    """A way along which none of these rows changes, upwards in the first coordinate."""
    if not rows:
        return [1.0, *[0.0] * (size - 1)]
    ways = np.linalg.svd(np.array(rows))[2][len(rows) :]
    up = max(ways, key=lambda way: abs(way[0]))
    return [float(one) for one in (up if up[0] >= 0 else -up)]


def _solved(rows: list[list[float]], right: list[float]) -> list[float]:
    """The point at which so many rows are met exactly."""
    return [float(one) for one in np.linalg.solve(np.array(rows), np.array(right))]
