"""A rod journal of a bent crank ground about the axis on which the bend left it: what that does to its throw."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.amounts import COUNT_PER_UNIT, QUANTITIES, Quantity
from halfthou.jobs import Rotation, SetLimits
from halfthou.lengths import Length
from halfthou.surveys import Offset

_DEGREE = int(COUNT_PER_UNIT[QUANTITIES[Quantity.ANGLE].unit])
#: What a throw leaves of the sheet, and that the sheet says nothing of one of them.
STROKE, INDEX_OFF, UNSAID = "stroke", "index", "unsaid"


@dataclass(frozen=True, slots=True)
class ThrowMoved:
    """How a throw stands once its journal is ground where the bend left it: how much longer half its stroke is
    (less than nothing: shorter), and how far ahead of its place it turns, in microdegrees (less than nothing:
    behind). The index is None where half the stroke is not on the sheet. `faults` are what of the sheet it leaves.
    """

    half_stroke: Length
    index: int | None
    faults: tuple[str, ...] = ()

    @property
    def stroke(self) -> Length:
        """How much longer the stroke is."""
        return self.half_stroke * 2


def throw_moved(
    lies: Offset, throw_deg: float, half_stroke: Length | None, turns: Rotation = Rotation.CLOCKWISE
) -> ThrowMoved:
    """What following the pin does to stroke and index.

    Takes:   where the middle of the journal lies beside the axis of the mains, and the angle of its throw, both
             counted round the shaft clockwise from the front, from throw 1; half the stroke, where that is known;
             which way the crank turns.
    Rule:    sets.follow-the-pin: the part along the throw lengthens half the stroke, the part across turns it by
             asin(across / half the stroke); ahead is the way it turns.
    Source:  geometry.
    >>> throw_moved(Offset(25_400.0, 0.0), 0.0, Length(50_000_000)).half_stroke
    Length(nm=25400)
    """
    turn = math.radians(throw_deg)
    along = lies.x * math.cos(turn) + lies.y * math.sin(turn)
    across = lies.y * math.cos(turn) - lies.x * math.sin(turn)
    index = None
    if half_stroke is not None:
        ahead = across if turns is Rotation.CLOCKWISE else -across
        index = round(math.degrees(math.asin(max(-1.0, min(1.0, ahead / half_stroke.nm)))) * _DEGREE)
    return ThrowMoved(Length(round(along)), index)


def moved_by_sheet(lies: Offset, throw_deg: float, limits: SetLimits, turns: Rotation) -> ThrowMoved:
    """The same for a throw that stood in the middle of its band, with what of the sheet it leaves."""
    band = limits.band("half_stroke")
    half = Length((band.least.nm + band.most.nm) // 2) if band is not None else None
    moved = throw_moved(lies, throw_deg, half, turns)
    return ThrowMoved(moved.half_stroke, moved.index, tuple(_faults(moved, limits)))


def _faults(moved: ThrowMoved, limits: SetLimits) -> Iterator[str]:
    band, index = limits.band("half_stroke"), limits.amount("index")
    if band is None or index is None or index.most is None:
        yield UNSAID
    if band is not None and abs(moved.half_stroke.nm) > (band.most.nm - band.least.nm) // 2:
        yield STROKE
    if moved.index is not None and index is not None and index.most is not None and abs(moved.index) > index.most:
        yield INDEX_OFF
