"""What wall is left when a bore is bored further, or for a sleeve."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from halfthou.gauges import expanded, standard_doubt
from halfthou.jobs import SourceKind
from halfthou.lengths import ZERO, Length
from halfthou.parts.bores.case import BoreCase


class WallSays(StrEnum):
    """What the wall says of a bore going to a size."""

    ENOUGH = "enough is left"
    TOO_THIN = "too little is left"
    UNREAD = "not read"
    NO_LIMIT = "no least wall on the sheet"


@dataclass(frozen=True, slots=True)
class WallLeft:
    """The thinnest wall that is left, where, and what that says."""

    says: WallSays
    left: Length | None = None
    least: Length | None = None
    spot: str = ""


def wall_left(reading: Length, growth: Length, axis_offset: Length = ZERO, doubt: Length = ZERO) -> Length:
    """What is left of a wall on the side it was read, when the bore grows so much on diameter.

    Takes:   the reading there, which already holds the core's shift; the growth on diameter; how far the axis moves
             towards that side; the expanded doubt of the reading.
    Rule:    bores.wall.   Source: docs/trade: Wall left; worked example H09.
    >>> wall_left(Length(6_350_000), Length(1_524_000), Length(254_000)) == Length(5_334_000)
    True
    """
    return reading - Length(-(-growth.nm // 2)) - axis_offset - doubt


def wall_at(case: BoreCase, finished: Length) -> WallLeft:
    """What wall would be left with the bore finished to a size, by the thinnest side read."""
    least = case.limits.figure("least_wall")
    form = case.survey.form
    if least is None or least.source.kind is SourceKind.RULE_OF_THUMB:
        return WallLeft(WallSays.NO_LIMIT)
    if case.wall is None or form is None:
        return WallLeft(WallSays.UNREAD, least=least.value)
    found = []
    for spot, reading in case.wall.sizes.items():
        doubt = expanded(standard_doubt(case.wall.budget(spot)))
        # Axis kept, all wear may lie on the other side: this side then loses the whole growth of the radius.
        found.append((wall_left(reading, finished - form.least.value, doubt=doubt), spot))
    left, spot = min(found, key=lambda pair: pair[0].nm)
    says = WallSays.ENOUGH if left >= least.value else WallSays.TOO_THIN
    return WallLeft(says, left, least.value, spot)


def wall_for_sleeve(case: BoreCase) -> WallLeft:
    """What wall would be left behind a sleeve of the sheet's outside diameter."""
    outside = case.limits.figure("sleeve_outside")
    if outside is None:
        return WallLeft(WallSays.NO_LIMIT)
    return wall_at(case, outside.value)
