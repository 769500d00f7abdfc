"""Where half bearings sit, and the line that deposits leave in a bore."""

from __future__ import annotations

from halfthou.engines import described
from halfthou.jobs import Layout

DEPOSIT = "deposit line"
#: Doubt of a deposit line's height, in nanometres: it is a band, not a line. Source: judgement, 0.3 mm.
DEPOSIT_DOUBT_NM = 300_000


def halves_of(layout: Layout) -> tuple[str, ...]:
    """The half bearings by position, along the shaft from the front: upper before lower."""
    found: list[str] = []
    if described(layout).rollers:
        return ()
    for name in layout.shaft:
        if name[0] == "M":
            found += [f"half-main-{name[1:]}-{half}" for half in ("upper", "lower")]
        else:
            own = (one for one in layout.pins[int(name[1:]) - 1].cylinders if not layout.is_link(one))
            for cylinder in own:
                found += [f"half-rod-{cylinder}-{half}" for half in ("upper", "lower")]
    return tuple(found)
