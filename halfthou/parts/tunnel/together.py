"""The tunnel as a whole: reused, or line-honed, and what that takes off its caps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.jobs import Band
from halfthou.lengths import ZERO, Length
from halfthou.parts.pieces import PieceVerdict, PlacesTogether
from halfthou.parts.tunnel.kind import BORE, CUT
from halfthou.verdicts import Action, Called

#: What the hone needs to clean a bore up, on diameter: half a thou. Source: common practice, no source.
HONE_STOCK = Length(12_700)


@dataclass(frozen=True, slots=True)
class Honing:
    """A line hone to one end of the band: to what, how much comes off the caps, and whether the sheet lets it."""

    to: Length
    cut: Length
    allowed: bool | None

    @property
    def rise(self) -> Length:
        """The most the crank can rise; it may stay where it is.

        Source: docs/trade: The tunnel; geometry.
        """
        return Length(-(-self.cut.nm // 2))


@dataclass(frozen=True, kw_only=True)
class Housings(PlacesTogether):
    """Every housing of a tunnel with its verdict, and the band they are honed to."""

    band: Band | None
    heights: Mapping[str, float | None]

    @cached_property
    def own(self) -> Action:
        """What its verdict says, before a person decides otherwise."""
        found = {one.action for one in self.verdicts.values()}
        for action in (Action.REPLACE, Action.REFER):
            if action in found:
                return action
        if Action.LINE_HONE in found:
            # What every housing is honed to rests on all of them.
            if self.awaiting or self.band is None:
                return Action.MEASURE
            return Action.LINE_HONE if any(one.allowed is not False for one in self.ways) else Action.REFER
        good = bool(found) and all(self.settled(one) for one in self.verdicts.values())
        return Action.REUSE if good and found == {Action.REUSE} else Action.MEASURE

    def settled(self, verdict: PieceVerdict) -> bool:
        """Whether one housing is settled and within."""
        return not verdict.opens and not verdict.to_read and verdict.called is Called.WITHIN

    @cached_property
    def ways(self) -> tuple[Honing, ...]:
        """A line hone to the least and to the most of the band; none while a housing is unread.

        Rule:    tunnel.honed.
        """
        if self.band is None or self.awaiting:
            return ()
        read = [bore for one in self.verdicts.values() if (bore := one.case.read(BORE)) is not None]
        sizes = [size for bore in read for size in bore.sizes.values()]
        if not sizes:
            return ()
        limits = next(iter(self.verdicts.values())).case.limits
        most = limits.figure(CUT)
        found = []
        for end in (self.band.least, self.band.most):
            cut = max(ZERO, max(sizes) + HONE_STOCK - end)
            found.append(Honing(end, cut, None if most is None else cut <= most.value))
        return tuple(found)
