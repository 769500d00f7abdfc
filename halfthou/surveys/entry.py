"""What a reading can be before it is taken, so that last digits are enough."""

from __future__ import annotations

from collections.abc import Iterable

from halfthou.jobs import JournalLimits
from halfthou.lengths import ZERO, Length, Window

#: How far past the sheet's own sizes a reading may lie before it is asked about: 0.010 in below the last
#: undersize, 0.001 in above new. Source: handbook A5, from memory.
BELOW, ABOVE = Length(254_000), Length(25_400)


def window_for(limits: JournalLimits, present: Length, read: Iterable[Length]) -> Window:
    """The window of sizes for a journal of one set.

    Takes:   the limits; the undersize the set stands at (measured, or claimed while nothing is read);
             the readings of the set so far.
    Gives:   the window. A signed number counts from the largest size when new, less the present undersize.
    """
    sizes = sorted(read)
    last_step = max((shell.undersize for shell in limits.shells), default=ZERO)
    claimed = limits.size.least - present if present > ZERO else None
    near = sizes[len(sizes) // 2] if sizes else claimed
    return Window(
        nominal=limits.size.most - present,
        least=limits.size.least - last_step - BELOW,
        most=limits.size.most + ABOVE,
        near=near,
    )
