"""Usual crankshaft layouts, offered when an engine is booked in. Any of them can be changed.

Throw angles and numbering: common practice, no source; makers differ in both, so the person checks them.
"""

from halfthou.jobs import Arrangement, Layout, Pin

_INLINE = {
    1: (0,),
    2: (0, 0),
    3: (0, 120, 240),
    4: (0, 180, 180, 0),
    5: (0, 144, 216, 288, 72),
    6: (0, 120, 240, 240, 120, 0),
    8: (0, 180, 90, 270, 270, 90, 180, 0),
}
_NUMBER_WORDS = {1: "one", 2: "two", 3: "three", 4: "four", 5: "five", 6: "six", 8: "eight"}


def full_bearing_shaft(pins: int) -> tuple[str, ...]:
    """The journals along a shaft with a main on each side of every pin."""
    return (*(name for n in range(1, pins + 1) for name in (f"M{n}", f"R{n}")), f"M{pins + 1}")


def paired_shaft(pins: int) -> tuple[str, ...]:
    """The journals along a shaft with a main on each side of every two pins."""
    names: list[str] = []
    for pair in range(pins // 2):
        names += [f"M{pair + 1}", f"R{2 * pair + 1}", f"R{2 * pair + 2}"]
    return (*names, f"M{pins // 2 + 1}")


def usual_layouts() -> tuple[Layout, ...]:
    """The layouts offered, from one cylinder to sixteen."""
    inline = [
        _single_pins(f"Inline {_NUMBER_WORDS[n]}", Arrangement.INLINE, throws) for n, throws in _INLINE.items()
    ]
    three_mains = Layout(
        name="Inline four, three mains",
        arrangement=Arrangement.INLINE,
        cylinders=4,
        pins=tuple(Pin(cylinders=(n + 1,), throw_deg=deg) for n, deg in enumerate(_INLINE[4])),
        shaft=paired_shaft(4),
    )
    return (
        *inline,
        three_mains,
        _shared_pins("V twin", 45, (0,)),
        _shared_pins("V four", 90, (0, 180)),
        _shared_pins("V six, shared pins", 90, (0, 120, 240)),
        _split_vee_six(),
        _shared_pins("V eight, cross plane", 90, (0, 90, 270, 180)),
        _shared_pins("V eight, flat plane", 90, (0, 180, 180, 0)),
        _shared_pins("V ten", 72, (0, 144, 216, 288, 72)),
        _shared_pins("V twelve", 60, (0, 120, 240, 240, 120, 0)),
        _shared_pins("V sixteen", 90, (0, 180, 90, 270, 270, 90, 180, 0)),
        _narrow_vee_six(),
        _single_pins("Flat twin", Arrangement.FLAT, (0, 180)),
        _single_pins("Flat four", Arrangement.FLAT, (0, 180, 180, 0), 180),
        _single_pins("Flat six", Arrangement.FLAT, (0, 180, 240, 60, 120, 300), 180),
    )


def _single_pins(name: str, arrangement: Arrangement, throws: tuple[int, ...], bank: int = 0) -> Layout:
    flat = arrangement is Arrangement.FLAT
    shaft = paired_shaft(len(throws)) if flat else full_bearing_shaft(len(throws))
    return Layout(
        name=name,
        arrangement=arrangement,
        bank_deg=180 if flat else bank,
        cylinders=len(throws),
        pins=tuple(Pin(cylinders=(n + 1,), throw_deg=deg) for n, deg in enumerate(throws)),
        shaft=shaft,
    )


def _shared_pins(name: str, bank: int, throws: tuple[int, ...]) -> Layout:
    """Two rods to a pin; cylinders numbered down one bank, then down the other."""
    pins = len(throws)
    return Layout(
        name=name,
        arrangement=Arrangement.VEE,
        bank_deg=bank,
        cylinders=2 * pins,
        pins=tuple(Pin(cylinders=(n + 1, n + 1 + pins), throw_deg=deg) for n, deg in enumerate(throws)),
        shaft=full_bearing_shaft(pins),
    )


def _split_vee_six() -> Layout:
    return Layout(
        name="V six, a pin to each rod",
        arrangement=Arrangement.VEE,
        bank_deg=60,
        cylinders=6,
        pins=tuple(
            Pin(cylinders=(cylinder,), throw_deg=deg)
            for cylinder, deg in zip((1, 4, 2, 5, 3, 6), (0, 60, 240, 300, 120, 180), strict=True)
        ),
        shaft=paired_shaft(6),
    )


def _narrow_vee_six() -> Layout:
    """Two staggered rows under one head, a pin to each rod."""
    return Layout(
        name="V six, narrow",
        arrangement=Arrangement.VEE,
        bank_deg=15,
        cylinders=6,
        pins=tuple(
            Pin(cylinders=(n,), throw_deg=deg) for n, deg in enumerate((0, 135, 240, 255, 120, 15), start=1)
        ),
        shaft=full_bearing_shaft(6),
    )
