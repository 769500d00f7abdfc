"""The line of a tunnel as a bar tells it: one that turns freely in every housing at once."""

from __future__ import annotations

from collections.abc import Mapping

from halfthou.jobs import NOT_LOOKED, OperationKind, Seen
from halfthou.lengths import ZERO, Length
from halfthou.looks import Answer, Asks, Does, Effect, LookKind, kept

BAR, FREE, BINDS = "line by bar", "turns freely", "binds"
_BINDS = Effect(
    Does.HOLDS,
    "tunnel.bar",
    "The bar binds: look for burrs and dirt, then read the line, so that it is known which housing is off.",
    mended_by=(OperationKind.LINE_HONE,),
)
LOOKS = (
    LookKind(
        BAR,
        (*kept(FREE, asks=Asks.MEASURED), Answer(BINDS, does=(_BINDS,))),
        ("tunnel",),
        bench=True,
        test=True,
        how="A straight bar through all housings, caps torqued, turned by hand. Say by how much it is smaller than "
        "the greatest bore.",
        amount="Smaller than the greatest bore by",
    ),
)


def bar_within(seen: Mapping[str, Seen]) -> Length | None:
    """By how much a bar that turned freely in all housings was smaller than the greatest bore: further off the line
    of the end ones no housing lies. None where none turned.

    Rule:    tunnel.bar.   Source: geometry: a middle lies off the bar's by half of that at most, and so do the end
             housings on the other side.
    """
    found = seen.get(BAR)
    if found is None or found.answer in (NOT_LOOKED, BINDS) or found.amount is None:
        return None
    # One as large as the bore does not turn in it: whoever types 0 measured no bar.
    return found.amount if found.amount > ZERO else None
