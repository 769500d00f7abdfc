"""Where in its travel a gap was read, and how far it opens or closes from there: π times the growth of the bore."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from itertools import pairwise

from halfthou.lengths import Length
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import Term

#: A gap read so near the last plane counts as read at the foot: 5 mm. Source: common practice, no source.
NEAR_FOOT = Length(5_000_000)

#: How much each plane counts for the size of the bore somewhere: two neighbours share what lies between them.
Shares = Mapping[str, float]


@dataclass(frozen=True)
class Travel:
    """The bore a ring travels in, and at which depth its gap was read.

    `bore` is None where it is not read whole, or is machined first; `depths` says how deep its planes lie, by the
    sheet; `foot` how deep the last; `read_at` is None where the gap was read at the foot, as it is asked for.
    """

    bore: FeatureSurvey | None = None
    depths: Mapping[str, Length] = field(default_factory=dict)
    foot: Length | None = None
    read_at: Length | None = None

    @property
    def at_foot(self) -> bool:
        """Whether the gap was read at the foot of travel, or so near that it comes to the same."""
        if self.read_at is None:
            return True
        return self.foot is not None and abs(self.foot - self.read_at) <= NEAR_FOOT

    @property
    def shares(self) -> Shares | None:
        """Between which planes the gap was read; None where that cannot be said."""
        if self.bore is None:
            return None
        planes = _means(self.bore)
        if self.at_foot:
            return {max(planes): 1.0} if planes else None
        at, known = self.read_at, sorted((d.nm, plane) for plane, d in self.depths.items() if plane in planes)
        if at is None or len(known) < 2:
            return None
        for (upper, over), (lower, under) in pairwise(known):
            if upper <= at.nm <= lower:
                share = (at.nm - upper) / (lower - upper)
                return {over: 1 - share, under: share}
        return None

    def opens(self) -> tuple[Term, ...]:
        """By how much the gap opens between where it was read and where the bore is widest; nothing where it is
        widest there.

        Rule:    rings.growth.   Source: docs/trade: Ring gaps; geometry.
        """
        return self._grows(widest=True)

    def closes(self) -> tuple[Term, ...]:
        """By how much the gap closes between where it was read and where the bore is least: less than nothing.

        Rule:    rings.at-depth.   Source: geometry.
        """
        return () if self.at_foot else self._grows(widest=False)

    def _grows(self, *, widest: bool) -> tuple[Term, ...]:
        shares, bore = self.shares, self.bore
        if bore is None or shares is None:
            return ()
        means, spots = _means(bore), _spots(bore)
        there = (max if widest else min)(means, key=lambda plane: means[plane])
        return tuple(
            Term(math.pi * share / len(spots[plane]), bore, spot, len(means) if plane == there else 1)
            for plane in (there, *(one for one in shares if one != there))
            for spot in spots[plane]
            if (share := (plane == there) - shares.get(plane, 0.0))
        )


def _spots(bore: FeatureSurvey) -> dict[str, list[str]]:
    by_plane: dict[str, list[str]] = {}
    for spot in bore.sizes:
        by_plane.setdefault(spot[0], []).append(spot)
    return by_plane


def _means(bore: FeatureSurvey) -> dict[str, float]:
    return {plane: sum(bore.sizes[s].nm for s in spots) / len(spots) for plane, spots in _spots(bore).items()}
