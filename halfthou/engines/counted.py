"""The same engine counted from its other end. Source: common practice, no source: makers begin at either."""

from __future__ import annotations

from halfthou.jobs import Layout


def mains_from_the_other_end(layout: Layout) -> Layout:
    """The mains numbered from the other end, and the one that takes the thrust by its new number.

    >>> from halfthou.engines import usual_layouts
    >>> mains_from_the_other_end(usual_layouts()[1]).shaft
    ('M3', 'R1', 'M2', 'R2', 'M1')
    """
    last = len(layout.mains) + 1

    def other(name: str) -> str:
        """A main by its number from the other end."""
        return f"M{last - int(name[1:])}" if name[0] == "M" else name

    thrust = None if layout.thrust_main is None else other(layout.thrust_main)
    return layout.model_copy(update={"shaft": tuple(map(other, layout.shaft)), "thrust_main": thrust})


def cylinders_from_the_other_end(layout: Layout) -> Layout:
    """The cylinders numbered from the other end, on their pins and in their banks.

    >>> from halfthou.engines import usual_layouts
    >>> [pin.cylinders for pin in cylinders_from_the_other_end(usual_layouts()[2]).pins]
    [(3,), (2,), (1,)]
    """
    last = layout.cylinders + 1
    pins = tuple(
        pin.model_copy(update={"cylinders": tuple(last - one for one in pin.cylinders)}) for pin in layout.pins
    )
    banks = tuple(tuple(last - one for one in bank) for bank in layout.banks)
    return layout.model_copy(update={"pins": pins, "banks": banks})
