"""What a clearance of a pump costs, and at what pressure its relief valve opens. Advice, never a verdict."""

from __future__ import annotations

import math

from halfthou.amounts import Force, Pressure
from halfthou.lengths import Length

LITRES_A_MINUTE = 1e3 * 60


def leak_ratio(now: Length, new: Length) -> float:
    """How many times the oil of a new pump leaks past a gap: it goes with the cube of the gap.

    Rule:    pump.leak.   Source: docs/trade: Leak past a gap: flow between parallel plates.
    >>> leak_ratio(Length(160_000), Length(80_000))
    8.0
    """
    return (now.nm / new.nm) ** 3


def leak_litres(gap: Length, breadth: Length, length: Length, pressure: Pressure, viscosity: float) -> float:
    """The oil that leaks past a gap, in litres a minute.

    Takes:   the gap; the breadth of the path across the flow and its length along it; the pressure; the dynamic
             viscosity of the oil in mPa s.
    Source:  docs/trade: Leak past a gap: q = b h³ Δp / (12 µ L).
    By hand: 30 mm × (0.1 mm)³ × 4 bar over 12 × 20 mPa s × 8 mm makes 6.25e-6 m³/s.
    >>> gap, breadth, length = Length(100_000), Length(30_000_000), Length(8_000_000)
    >>> round(leak_litres(gap, breadth, length, Pressure(400_000), 20), 3)
    0.375
    """
    b, h, along = (one.nm / 1e9 for one in (breadth, gap, length))
    return b * h**3 * pressure.count / (12 * viscosity / 1000 * along) * LITRES_A_MINUTE


def opening_pressure(load: Force, plunger: Length) -> Pressure:
    """At what pressure a spring's load lets a relief plunger lift.

    Rule:    pump.relief.   Source: docs/trade: Relief valve: p = 4F / (π d²). By hand: 31.416 N on 10 mm is
             4 bar.
    >>> round(opening_pressure(Force(31_416), Length(10_000_000)).count / 1e5, 3)
    4.0
    """
    return Pressure(round(4 * load.count / 1000 / (math.pi * (plunger.nm / 1e9) ** 2)))


def spur_displacement_mm3(module: Length, teeth: int, breadth: Length) -> float:
    """What a pair of spur gears moves at each turn, in cubic millimetres.

    Source:  docs/trade: Measuring an oil pump: about 2 π m² z b. By hand: 4 mm, 10 teeth, 25 mm: 8000 π.
    >>> round(spur_displacement_mm3(Length(4_000_000), 10, Length(25_000_000)))
    25133
    """
    return 2 * math.pi * (module.nm / 1e6) ** 2 * teeth * breadth.nm / 1e6
