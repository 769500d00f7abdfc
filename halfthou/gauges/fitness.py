"""Whether a gauge is fine enough for a limit, said before measuring."""

from __future__ import annotations

import math
from typing import NamedTuple

from halfthou.gauges.budget import COVERAGE, GUARD_FACTOR, RECTANGLE
from halfthou.gauges.repeatability import repeatability
from halfthou.jobs import Gauge, Guard
from halfthou.lengths import Length

#: Tolerance over uncertainty: at least 4 to 1. Source: common practice; ANSI/NCSL Z540.1, from memory.
LEAST_RATIO = 4.0
#: Control-chart constant d2: the mean range of so many readings of one size, over their standard deviation.
#: Source: control-chart constants, e.g. AIAG SPC, recalled.
D2 = {2: 1.128, 3: 1.693, 4: 2.059, 5: 2.326, 6: 2.534, 7: 2.704, 8: 2.847}


class Fitness(NamedTuple):
    """How a gauge stands to a limit: the ratio, and whether it could ever accept."""

    ratio: float
    can_accept: bool

    @property
    def coarse(self) -> bool:
        """Whether close calls are to be expected."""
        return self.ratio < LEAST_RATIO


def repeat_doubt(gauge: Gauge) -> float:
    """Standard uncertainty in nm of what changes from reading to reading: resolution and repeatability.

    Source: resolution as a rectangular half step, GUM F.2.2.1 (recalled).
    """
    return math.hypot(gauge.resolution.nm / (2 * RECTANGLE), repeatability(gauge).nm)


def size_doubt(gauge: Gauge) -> float:
    """Standard uncertainty in nm of one size by a gauge as it comes from the cabinet, unchecked, at 20 degrees.

    Source: GUM 4.3.7 (recalled), docs/trade: Uncertainty. Worked: 0.0001 in permissible and one step of 0.0001 in,
    scatter left out: √((2540/√3)² + (2540/2√3)²) = 1640 nm.
    """
    return math.hypot(gauge.permissible_error.nm / RECTANGLE, repeat_doubt(gauge))


def difference_doubt(gauge: Gauge) -> float:
    """Standard uncertainty in nm of the difference of two readings of one gauge: its scale error cancels.

    Source: docs/trade: Decision rule; GUM 5.2, recalled.
    """
    return math.sqrt(2) * repeat_doubt(gauge)


def fitness(span: Length, doubt_nm: float, guard: Guard) -> Fitness:
    """How a gauge's doubt stands to what a limit leaves.

    Takes:   the span from the best a part can be to its limit; the standard uncertainty of the figure in nm.
    Gives:   half the span over U = 2u, and whether even the best part would clear the guard band.
    Rule:    gauges.ratio.   Source: docs/trade: Gauge ratio, common practice.
    >>> round(fitness(Length(25_400), 2954.255634827246, Guard.ONE_SIDED_95).ratio, 3)
    2.149
    """
    if doubt_nm <= 0:
        return Fitness(1e9, True)
    return Fitness(span.nm / 2 / (COVERAGE * doubt_nm), span.nm >= GUARD_FACTOR[guard] * doubt_nm)


def noise_floor(readings: int, deviation_nm: float) -> Length:
    """The out-of-round that so many readings of a perfectly round journal show on average, d2 times sigma in nm.

    Rule:    gauges.noise-floor.   Source: docs/trade: Noise floor; control-chart constant d2.
    >>> noise_floor(8, 1_000)
    Length(nm=2847)
    """
    return Length(round(D2[min(max(readings, 2), 8)] * deviation_nm))
