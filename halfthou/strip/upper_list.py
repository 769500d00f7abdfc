"""The strip list from the stand to the deck."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Layout
from halfthou.strip.step import HEADS, OUTSIDE, STAND, TOP, StripStep
from halfthou.words import ENGINE_LIFTING, HOT_OIL, OLD_GASKETS, SPRINGS, TURNING, WASHING


def stand() -> Iterator[StripStep]:
    """The engine drained, washed outside and put on its stand. The oil sample comes before all."""
    yield StripStep(id="stand.photographed", section=STAND, text="Photograph it all round as it came", minutes=10)
    yield from _drained()
    yield StripStep(
        id="stand.washed",
        section=STAND,
        text="Wash it outside",
        minutes=20,
        before=("stand.photographed",),
        hint="Leaks, sealants and fresh paint are looked at first: it takes them away.",
        cautions=(WASHING,),
    )
    yield StripStep(
        id="stand.on",
        section=STAND,
        text="Engine on its stand",
        minutes=25,
        cautions=(ENGINE_LIFTING,),
        tools="rated sling, stand, spirit level",
    )


def _drained() -> Iterator[StripStep]:
    yield StripStep(
        id="oil.drained",
        section=STAND,
        text="Drain the oil through a strainer; sample first",
        minutes=15,
        destroys=("starter pressure",),
        cautions=(HOT_OIL,),
        tools="strainer, sample bottle",
    )
    yield StripStep(
        id="filter.off",
        section=STAND,
        text="Filter off, kept upright for cutting open",
        minutes=5,
        hint="Look whether insert, spring and bypass lie as they should.",
    )
    yield StripStep(
        id="coolant.drained",
        section=STAND,
        text="Drain the cooling",
        minutes=10,
        before=("oil.drained",),
        destroys=("coolant test",),
        hint="The oil sample comes first: one drop of coolant spoils it.",
        cautions=(HOT_OIL,),
    )


def outside() -> Iterator[StripStep]:
    """What hangs on the engine, from the outside in."""
    yield StripStep(
        id="sensors.off",
        section=OUTSIDE,
        text="Sensors and wiring off, each plug labelled",
        minutes=15,
        hint="The sensor in a cover comes out before its cover.",
    )
    yield StripStep(
        id="bracket.off",
        section=OUTSIDE,
        text="Brackets off",
        minutes=10,
        hint="A bracket that holds the gearbox's top bolt comes off before the gearbox.",
    )
    yield StripStep(
        id="gearbox.off",
        section=OUTSIDE,
        text="Gearbox or coupling off; bell housing bolts and dowels looked at",
        minutes=30,
        before=("bracket.off",),
        hint="Count bolts and dowels: a hole found empty is written down.",
        cautions=(ENGINE_LIFTING, OLD_GASKETS),
    )
    yield StripStep(
        id="flywheel.off",
        section=OUTSIDE,
        text="Clutch and flywheel off, marked to the crank",
        minutes=15,
        before=("gearbox.off",),
    )
    for key, text, minutes in (
        ("fuel.off", "Fuel and injection lines off, capped", 15),
        ("inlet.off", "Inlet manifold off", 12),
        ("exhaust.off", "Exhaust and turbo off", 15),
        ("accessories.off", "Starter, generator, water pump off", 20),
        ("cooler.off", "Oil cooler and lines off, ends closed", 10),
    ):
        yield StripStep(id=key, section=OUTSIDE, text=text, minutes=minutes)


def top(layout: Layout) -> Iterator[StripStep]:
    """From the valve covers to the bare deck; then it is turned once without compression."""
    yield StripStep(id="covers.off", section=TOP, text="Valve covers off", minutes=10, cautions=(SPRINGS,))
    for n in range(1, layout.cylinders + 1):
        yield StripStep(
            id=f"plug-{n}.out", section=TOP, text=f"Plug or injector {n} out", minutes=3, takes=(f"plug-{n}",)
        )
    for n in range(1, layout.cylinders + 1):
        for valve in ("inlet", "exhaust"):
            yield StripStep(
                id=f"rocker-{n}-{valve}.off",
                section=TOP,
                text=f"Rocker off, cylinder {n} {valve}",
                minutes=2,
                takes=(f"rocker-{n}-{valve}",),
                cautions=(SPRINGS,),
            )
            yield StripStep(
                id=f"pushrod-{n}-{valve}.out",
                section=TOP,
                text=f"Push rod out, cylinder {n} {valve}",
                minutes=1,
                takes=(f"pushrod-{n}-{valve}",),
                hint="Twist it free of its follower.",
            )
    yield from _heads(layout)
    for n in range(1, layout.cylinders + 1):
        for valve in ("inlet", "exhaust"):
            yield StripStep(
                id=f"follower-{n}-{valve}.out",
                section=TOP,
                text=f"Follower out, cylinder {n} {valve}",
                minutes=2,
                takes=(f"follower-{n}-{valve}",),
            )
    yield StripStep(
        id="turned",
        section=TOP,
        text="Turned by hand without compression, two whole turns",
        minutes=5,
        cautions=(TURNING,),
    )


def _heads(layout: Layout) -> Iterator[StripStep]:
    for bank, _ in layout.named_banks:
        key, name = (f"head-{bank}", f"{bank.capitalize()} head") if bank else ("head", "Head")
        yield StripStep(
            id=f"{key}.bolts",
            section=TOP,
            text=f"{name}: bolts let go in turns from the ends, cold",
            minutes=15,
            before=("coolant.drained",),
            destroys=("leak-down", "starter pressure"),
        )
        yield StripStep(
            id=f"{key}.off",
            section=TOP,
            text=f"{name} off, gasket kept",
            minutes=15,
            takes=(key,),
            before=(f"{key}.bolts",),
            cautions=(ENGINE_LIFTING, OLD_GASKETS),
        )


def heads(layout: Layout) -> Iterator[StripStep]:
    """The heads taken apart on the bench, each valve with its own spring and collets."""
    for n in range(1, layout.cylinders + 1):
        for valve in ("inlet", "exhaust"):
            yield StripStep(
                id=f"valve-{n}-{valve}.out",
                section=HEADS,
                text=f"Valve out, cylinder {n} {valve}, with its spring and collets",
                minutes=3,
                takes=(f"valve-{n}-{valve}",),
                cautions=(SPRINGS,),
                tools="spring compressor",
            )
