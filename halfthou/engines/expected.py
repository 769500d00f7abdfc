"""What a feature can measure by its limits sheet: the bands of its steps, and how far its readings may differ."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.lengths import Length

#: How far from the size it was made to a whole part may be worn. Source: common practice, no source.
WEAR_NM = 76_200
#: How far past new, the way that wear does not go, a size may read before it is odd. Source: docs/trade: Slips of
#: reading.
ABOVE_NM = 25_400


@dataclass(frozen=True, slots=True)
class Expected:
    """The bands of sizes, in nm; the tolerance when new; how far readings of one part may differ; the nominal size.

    `hole` says that wear makes it larger.
    """

    bands: tuple[tuple[int, int], ...]
    tolerance_nm: int
    apart_nm: int
    nominal: Length
    hole: bool = False

    def holds(self, nm: float) -> bool:
        """Whether a part can stand there, worn from one of its steps."""
        below, above = (ABOVE_NM, WEAR_NM) if self.hole else (WEAR_NM, ABOVE_NM)
        return any(low - below <= nm <= high + above for low, high in self.bands)

    def nearest(self, nm: float) -> int:
        """The unworn end of the band that is nearest."""
        ends = [low if self.hole else high for low, high in self.bands]
        return min(ends, key=lambda end: abs(end - nm))
