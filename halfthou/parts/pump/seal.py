"""The seal at the pickup: which series its section is of, and how far its groove squeezes it."""

from __future__ import annotations

from halfthou.lengths import Length

#: Sections by the hundreds of their dash numbers. Source: SAE AS568, recalled.
SECTIONS = {
    "-0xx": Length(1_778_000),
    "-1xx": Length(2_616_200),
    "-2xx": Length(3_530_600),
    "-3xx": Length(5_334_000),
    "-4xx": Length(6_985_000),
}
#: A section read by a micrometer is this near to one of the list, or it is none of it: 0.006 in.
#: Source: common practice, no source; tolerances of the standard are 0.003 to 0.006 in.
NEAR = Length(152_400)


def series_of(section: Length) -> str:
    """The series of AS568 that a section is nearest to; nothing where it is near none.

    >>> series_of(Length(3_530_600)), series_of(Length(3_000_000))
    ('-2xx', '')
    """
    name = min(SECTIONS, key=lambda one: abs(SECTIONS[one] - section).nm)
    return name if abs(SECTIONS[name] - section) <= NEAR else ""


def squeeze(section: Length, groove: Length) -> float:
    """How much of its section a groove takes off a seal: 15 to 30 in a hundred for one that does not move.

    Source:  docs/trade: The pickup and its seal, from memory.
    >>> round(squeeze(Length(3_530_000), Length(2_820_000)), 3)
    0.201
    """
    return (section.nm - groove.nm) / section.nm
