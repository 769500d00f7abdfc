"""At which size a set of journals stands now: standard, or already ground under."""

from __future__ import annotations

from collections.abc import Iterable

from halfthou.jobs import JournalLimits
from halfthou.lengths import ZERO, Length

#: Shells up to 0.002 in under are for a polish, not for a grind. Source: handbook D6, common practice.
POLISH_SHELL = Length(50_800)


def present_undersize(limits: JournalLimits, sizes: Iterable[Length], doubt: Length = ZERO) -> Length:
    """The undersize a set of journals was last ground to, by what it measures.

    Takes:   the limits; the readings of the whole set (wear only makes a journal smaller, so the largest
             reading is nearest to the ground size); the doubt of one reading.
    Gives:   0 for standard, else the largest step on the sheet whose band still reaches the largest reading.
    Rule:    surveys.present-undersize.   Source: the trade, rule 4. Assumes wear less than one step everywhere.
    """
    largest = max(sizes, default=None)
    if largest is None:
        return ZERO
    steps = [shell.undersize for shell in limits.shells if shell.undersize > POLISH_SHELL]
    return max((step for step in steps if limits.size.most - step + doubt >= largest), default=ZERO)
