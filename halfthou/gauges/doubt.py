"""Standard uncertainty of a reading and of what is worked out from readings, and the guard band from it."""

from __future__ import annotations

import math
from collections.abc import Iterable

from halfthou.jobs import Gauge, Guard
from halfthou.lengths import Length

#: One-sided 95 % of the normal distribution. Source: any table of the normal distribution; design 8.1.
GUARD_FACTOR = {Guard.ONE_SIDED_95: 1.645, Guard.TWO_U: 2.0}
#: Coverage factor of the expanded uncertainty. Source: JCGM 100 (GUM) clause 6, recalled.
COVERAGE = 2.0


def repeat_doubt(gauge: Gauge) -> float:
    """Standard uncertainty in nm of what changes from reading to reading: resolution and repeatability.

    Where the shop does not know its repeatability, half a graduation is taken.
    Source: resolution as a rectangular half step, GUM F.2.2.1 (recalled); the half graduation is common practice.
    """
    resolution = gauge.resolution.nm / (2 * math.sqrt(3))
    repeatability = gauge.resolution.nm / 2 if gauge.repeatability is None else gauge.repeatability.nm
    return math.hypot(resolution, repeatability)


def size_doubt(gauge: Gauge) -> float:
    """Standard uncertainty in nm of one size: permissible error as a rectangle, with resolution and repeatability.

    Source: GUM 4.3.7 (recalled), handbook C1 to C3.
    """
    return math.hypot(gauge.permissible_error.nm / math.sqrt(3), repeat_doubt(gauge))


def difference_doubt(gauges: Iterable[Gauge]) -> float:
    """Standard uncertainty in nm of the difference of two readings.

    With one gauge its scale error is common to both and cancels (design 8.1). With two gauges it does not.
    """
    used = list({gauge.id: gauge for gauge in gauges}.values())
    if len(used) == 1:
        return math.sqrt(2) * repeat_doubt(used[0])
    worst = sorted((size_doubt(gauge) for gauge in used), reverse=True)
    return math.hypot(worst[0], worst[1])


def fitted_ovality_doubt(one_difference: float, angles: int) -> float:
    """Standard uncertainty in nm of an ovality fitted to so many angles, from that of one difference.

    With equal steps each harmonic coefficient has variance 2·s²/n, and the ovality is twice the amplitude.
    Source: least squares; for four angles it equals the doubt of a difference.
    """
    return one_difference * 2 / math.sqrt(angles)


def guard_band(doubt_nm: float, guard: Guard) -> Length:
    """The guard band: the factor times the standard uncertainty, rounded outward to a whole nanometre."""
    return Length(math.ceil(GUARD_FACTOR[guard] * doubt_nm))


def expanded(doubt_nm: float) -> Length:
    """The expanded uncertainty U = 2u, rounded outward to a whole nanometre."""
    return Length(math.ceil(COVERAGE * doubt_nm))
