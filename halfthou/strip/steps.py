"""The strip list of an engine by its layout: an order that keeps the crank turning as long as it can.

What is done first lets the next be seen; caps and halves are marked where they lie; each step names what it
destroys, what has to be off before it, and what goes back. Source: docs/trade: The strip, common practice.
"""

from __future__ import annotations

from functools import lru_cache

from halfthou.jobs import Layout
from halfthou.strip.lower_list import below, block, front, mains, rods, washing
from halfthou.strip.step import StripStep
from halfthou.strip.upper_list import heads, outside, stand, top


@lru_cache(maxsize=64)
def strip_list(layout: Layout) -> tuple[StripStep, ...]:
    """The steps for one layout, in their order.

    Gives:   every position of the layout taken once, and marked before it is taken where it must be.
    Rule:    strip.order.
    """
    return (
        *stand(),
        *outside(),
        *top(layout),
        *below(),
        *rods(layout),
        *front(),
        *mains(layout),
        *block(layout),
        *heads(layout),
        *washing(),
    )


@lru_cache(maxsize=64)
def steps_by_id(layout: Layout) -> dict[str, StripStep]:
    """The steps of a layout by their names."""
    return {step.id: step for step in strip_list(layout)}
