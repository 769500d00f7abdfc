"""The strip list from the pan to the bare block, and the washing."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.first_look import DEPOSITS, FILTER, SAMPLE, SCREEN, SHELLS
from halfthou.jobs import Layout, ThrustBy
from halfthou.strip.step import BELOW, BLOCK, CRANK, FRONT, RODS, WASH, StripStep
from halfthou.words import CRACK_TEST, HOT_OIL, LIFTING, PUMP_OPEN, SPRINGS, TURNING, WASHING


def below() -> Iterator[StripStep]:
    """The pan and what lies in it; the pump comes off, and is not opened here."""
    yield StripStep(
        id="pan.off",
        section=BELOW,
        text="Pan off",
        minutes=20,
        before=("oil.drained",),
        hint="Lift it level: what lies in it is evidence.",
        cautions=(HOT_OIL,),
    )
    yield StripStep(
        id="pan.photographed",
        section=BELOW,
        text="Pan, screen and pickup photographed as they lie",
        minutes=5,
        before=("pan.off",),
    )
    yield StripStep(
        id="pickup.off",
        section=BELOW,
        text="Pickup off, its seal kept with it",
        minutes=8,
        before=("pan.photographed",),
    )
    yield StripStep(
        id="pump.off",
        section=BELOW,
        text="Oil pump off, not yet opened",
        minutes=12,
        takes=("pump",),
        cautions=(PUMP_OPEN,),
    )


def rods(layout: Layout) -> Iterator[StripStep]:
    """Rods by how far the crank is turned: pins that stand together come out together, and it still turns."""
    yield StripStep(
        id="ridges.seen", section=RODS, text="Ridge and crown height of each bore looked at", minutes=10
    )
    throws = sorted({pin.throw_deg for pin in layout.pins})
    for throw in throws:
        pins = [(f"R{n}", pin) for n, pin in enumerate(layout.pins, start=1) if pin.throw_deg == throw]
        names = " and ".join(short[1:] for short, _ in pins)
        yield StripStep(
            id=f"turn-{round(throw)}",
            section=RODS,
            minutes=2,
            cautions=(TURNING,),
            text=f"Turn the crank: pin {names} at the bottom",
        )
        for _, pin in pins:
            for n in pin.cylinders:
                yield from _rod(n)


def _rod(n: int) -> Iterator[StripStep]:
    rod, cap, piston = f"rod-{n}", f"cap-rod-{n}", f"piston-{n}"
    yield StripStep(
        id=f"{rod}.marked",
        section=RODS,
        text=f"Rod {n}, its cap and piston {n} marked, side and front noted",
        minutes=3,
        marks=(rod, cap, piston),
        tools="punches or etcher, felt pen",
    )
    yield StripStep(
        id=f"{cap}.off",
        section=RODS,
        text=f"Cap of rod {n} off",
        minutes=5,
        takes=(cap,),
        joint=True,
        hint="Note the force it needs; a cap that steps against its rod is not that rod's cap.",
    )
    yield _rod_half(n, "lower", f"{cap}.off")
    yield StripStep(
        id=f"{rod}.out",
        section=RODS,
        text=f"Piston and rod {n} out, bolts sheathed",
        minutes=6,
        takes=(rod, piston),
        before=(f"{cap}.off",),
    )
    yield _rod_half(n, "upper", f"{rod}.out")


def _rod_half(n: int, half: str, before: str) -> StripStep:
    """The lower half lies in the cap, the upper in the rod: it is reached once the rod is out."""
    return StripStep(
        id=f"half-rod-{n}-{half}.out",
        section=RODS,
        minutes=2,
        takes=(f"half-rod-{n}-{half}",),
        text=f"Half bearing {half} of rod {n} out, its back marked, not wiped",
        marks=(f"half-rod-{n}-{half}",),
        before=(before,),
    )


def front() -> Iterator[StripStep]:
    """The front cover and the timing drive: from then on crank and cam no longer turn together."""
    yield StripStep(id="damper.off", section=FRONT, text="Damper off; its rubber and mark looked at", minutes=15)
    yield StripStep(
        id="front-cover.off",
        section=FRONT,
        text="Front cover off",
        minutes=15,
        before=("sensors.off", "damper.off"),
        hint="The sensor before the cover: it breaks in it.",
    )
    yield StripStep(
        id="drive.seen",
        section=FRONT,
        text="Timing marks, play and guides looked at and photographed",
        minutes=8,
        before=("front-cover.off",),
    )
    yield StripStep(
        id="drive.off",
        section=FRONT,
        text="Timing drive off",
        minutes=15,
        before=("drive.seen",),
        cautions=(SPRINGS,),
        hint="From here on crank and cam no longer turn together.",
    )


def mains(layout: Layout) -> Iterator[StripStep]:
    """Mains marked, let go from the ends to the middle, the crank lifted, the upper halves last."""
    yield StripStep(
        id="float.read",
        section=CRANK,
        text="End float and run-out read while the caps are on",
        minutes=15,
        tools="dial on its stand",
    )
    yield StripStep(id="rear-seal.off", section=CRANK, text="Rear seal carrier off", minutes=8)
    numbers = [main[1:] for main in layout.mains]
    for n in numbers:
        yield StripStep(
            id=f"cap-main-{n}.marked",
            section=CRANK,
            text=f"Cap of main {n} marked, arrow to the front",
            minutes=2,
            marks=(f"cap-main-{n}",),
        )
    washers = layout.thrust_by is ThrustBy.WASHERS
    for n in _from_the_ends(numbers):
        yield from _main_cap(n)
        if washers and layout.thrust_main == f"M{n}":
            yield _washers("lower", f"cap-main-{n}.off")
    yield StripStep(
        id="crank.out",
        section=CRANK,
        text="Crank lifted out, stood on its flange or in vee blocks",
        minutes=15,
        takes=("crank",),
        cautions=(LIFTING, CRACK_TEST),
        before=("drive.off", *(f"cap-main-{n}.off" for n in numbers)),
    )
    if washers:
        yield _washers("upper", "crank.out")
    for n in numbers:
        yield _main_half(n, "upper", "crank.out")


def _main_cap(n: str) -> Iterator[StripStep]:
    yield StripStep(
        id=f"cap-main-{n}.off",
        section=CRANK,
        text=f"Cap of main {n} off",
        minutes=5,
        joint=True,
        takes=(f"cap-main-{n}",),
        hint="Let all of them go in turns, from the ends to the middle.",
    )
    yield _main_half(n, "lower", f"cap-main-{n}.off")


def _washers(half: str, before: str) -> StripStep:
    places = tuple(f"washer-{face}-{half}" for face in ("front", "rear"))
    return StripStep(
        id=f"washers-{half}.out",
        section=CRANK,
        minutes=3,
        takes=places,
        marks=places,
        before=(before,),
        text=f"Thrust washers, {half}, out, each marked with its face",
        hint="Grooves face the crank. Front and rear are kept apart: one face alone tells of the clutch.",
    )


def _main_half(n: str, half: str, before: str) -> StripStep:
    return StripStep(
        id=f"half-main-{n}-{half}.out",
        section=CRANK,
        minutes=2,
        takes=(f"half-main-{n}-{half}",),
        text=f"Half bearing {half} of main {n} out, its back marked, not wiped",
        marks=(f"half-main-{n}-{half}",),
        before=(before,),
    )


def _from_the_ends(numbers: list[str]) -> list[str]:
    found, left = [], list(numbers)
    while left:
        found.append(left.pop(0))
        if left:
            found.append(left.pop())
    return found


def block(layout: Layout) -> Iterator[StripStep]:
    """What is left in the block; what is taken out for access goes back."""
    yield StripStep(
        id="cam.out", section=BLOCK, text="Camshaft out, turned as it is drawn", minutes=15, takes=("cam",)
    )
    yield StripStep(
        id="gallery-plugs.out",
        section=BLOCK,
        text="Gallery plugs out",
        minutes=20,
        goes_back="gallery plugs",
        hint="Largest pieces lie behind the last plug: look before brushing.",
    )
    yield StripStep(
        id="squirters.out", section=BLOCK, text="Piston squirters out", minutes=10, goes_back="piston squirters"
    )
    yield StripStep(
        id="inserts.out",
        section=BLOCK,
        text="Filter insert, bypass and relief parts out of the block",
        minutes=8,
        goes_back="filter insert and bypass",
    )
    if layout.cylinders > 1:
        yield StripStep(
            id="core-plugs.out", section=BLOCK, text="Core plugs out", minutes=12, goes_back="core plugs"
        )


def washing() -> Iterator[StripStep]:
    """Washing, last: what it destroys is looked at first."""
    for key, text, destroys in (
        ("wash.pan", "Pan, screen and pickup washed", (SCREEN, SAMPLE)),
        ("wash.filter", "Filter and its housing cleared away", (FILTER,)),
        ("wash.heads", "Crowns, decks and heads cleaned", (DEPOSITS, "deck", "pistons")),
        ("wash.shells", "Half bearings and journals wiped", (SHELLS, "all rods", "one main")),
        ("wash.pump", "Pump washed", ("pump open",)),
    ):
        yield StripStep(
            id=key,
            section=WASH,
            text=text,
            minutes=15,
            destroys=destroys,
            cautions=(WASHING,),
            hint="Look and photograph before you clean.",
        )
    yield StripStep(
        id="wash.block",
        section=WASH,
        text="Block washed, galleries brushed, plugs out",
        minutes=45,
        before=("gallery-plugs.out",),
        cautions=(WASHING,),
    )
