"""A figure worked out from readings: every linear one is a weighted sum of spots."""

from __future__ import annotations

from dataclasses import dataclass
from typing import NamedTuple

from halfthou.lengths import Length

#: Where the end planes lie, in twelfths of the way from front (a bore: top) to rear (bottom).
FRONT, REAR = 0, 12


class MeasuredWhere(NamedTuple):
    """Where a reading was taken: how far along in twelfths from the front plane to the rear, and at which angle."""

    along: int
    angle_deg: float


@dataclass(frozen=True, slots=True)
class Measure:
    """A figure as a weighted sum of spots: size +1; out-of-round and taper +1 -1; barrel +1 and the ends' shares.

    `terms` are the factors and spots, in order: from them follow the budget, what cancels, what to read again and
    the links from a sentence to its readings. What is not linear (a fitted ellipse) gives its factors linearised.
    `spots` are those it is told by. `out_of` says out of how many values, planes or lines it was picked.
    """

    value: Length
    terms: tuple[tuple[float, str], ...]
    spots: tuple[str, ...]
    out_of: int = 1

    @classmethod
    def of(cls, value: Length, terms: tuple[tuple[float, str], ...], out_of: int = 1) -> Measure:
        """A measure told by the spots it consists of."""
        return cls(value, terms, tuple(spot for _, spot in terms), out_of)
