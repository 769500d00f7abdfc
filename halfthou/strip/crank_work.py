"""The work of the strip on mains, case, crank and block, and the washing."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Description
from halfthou.first_look import DEPOSITS, FILTER, SAMPLE, SCREEN, SHELLS
from halfthou.jobs import CooledBy, MainsIn, PumpAt
from halfthou.strip.lower_work import pump_below
from halfthou.strip.step import BLOCK, CRANK, WASH, StripStep
from halfthou.words import CLAMPED, CRACK_TEST, HEAVY, LIFTING, WASHING


def mains(engine: Description) -> Iterator[StripStep]:
    """Mains marked, let go from the ends to the middle, the crank lifted or drawn, the upper halves last."""
    yield StripStep(
        "float.read", "float.read", CRANK,
        f"End float and run-out read while the {'crank is in its case' if not engine.capped else 'caps are on'}",
        minutes=15, tools="dial on its stand", while_on=True, reads=("float read", "run-out read"),
    )  # fmt: skip
    yield StripStep(
        "rear-seal.off", "rear-seal.off", CRANK, "Rear seal carrier off", minutes=8, fit="Rear seal carrier on"
    )
    if engine.case:
        yield from _case(engine)
    elif engine.tunnel:
        yield from _tunnel()
    elif engine.capped:
        yield from _caps(engine)
    else:
        yield from _beam(engine)
    yield _crank_out(engine)
    yield from _pistons_left(engine)
    whole = engine.case or engine.tunnel
    for half in engine.washer_halves if not engine.rollers else ():
        if half == "upper" or whole:
            yield _washers(half, engine.layout.thrust_main)
    for n in _numbers(engine):
        if engine.tunnel:
            yield from _carrier(engine, n)
        if engine.rollers:
            yield StripStep(
                "rollers-main.out", f"rollers-main-{n}.out", CRANK,
                f"Rollers of main {n} off, turned by hand and felt",
                minutes=4, of={"main": n}, takes=(f"rollers-main-{n}",), fit=f"Rollers of main {n} on",
            )  # fmt: skip
        else:
            halves = ("lower", "upper") if engine.tunnel or engine.case else ("upper",)
            yield from (_main_half(n, half, engine.lies(half)) for half in halves)


def _numbers(engine: Description) -> list[str]:
    return [main[1:] for main in engine.layout.mains]


def _caps(engine: Description) -> Iterator[StripStep]:
    numbers = _numbers(engine)
    if engine.built.mains_in is MainsIn.GIRDLE:
        yield StripStep(
            "girdle.off", "girdle.off", CRANK, "Girdle off, its bolts let go from the ends", minutes=15,
            takes=("girdle",), cautions=(HEAVY,), fit="Girdle on, bolts in stages",
        )  # fmt: skip
    for n in numbers:
        yield StripStep(
            "cap-main.marked", f"cap-main-{n}.marked", CRANK, f"Cap of main {n} marked, arrow to the front",
            minutes=2, of={"main": n}, marks=(f"cap-main-{n}",),
        )  # fmt: skip
    if engine.built.side_bolts:
        yield StripStep(
            "side-bolts.out", "side-bolts.out", CRANK, "Side bolts of the main caps out", minutes=8,
            hint="Before the caps: they pull from the side.", fit="Side bolts of the main caps in, after the caps",
        )  # fmt: skip
    for n in from_the_ends(numbers):
        yield StripStep(
            "cap-main.off", f"cap-main-{n}.off", CRANK, f"Cap of main {n} off", of={"main": n}, joint=True,
            takes=(f"cap-main-{n}",), hint="Let all of them go in turns, from the ends to the middle.",
            fit=f"Cap of main {n} on by its number, arrow to the front",
        )  # fmt: skip
        if engine.rollers:
            continue
        yield _main_half(n, "lower")
        if "lower" in engine.washer_halves and engine.layout.thrust_main == f"M{n}":
            yield _washers("lower", engine.layout.thrust_main)


def _beam(engine: Description) -> Iterator[StripStep]:
    beam = "bedplate" if engine.built.mains_in is MainsIn.BEDPLATE else "ladder"
    if engine.built.side_bolts:
        yield StripStep(
            "side-bolts.out",
            "side-bolts.out",
            CRANK,
            f"Side bolts of the {beam} out",
            minutes=8,
            fit=f"Side bolts of the {beam} in",
        )
    yield StripStep(
        "beam.off", f"{beam}.off", CRANK, f"{beam.capitalize()} off, bolts let go from the ends to the middle",
        minutes=25, takes=(beam,), cautions=(HEAVY,), hint="Its lower halves come with it: keep them in.",
        fit=f"{beam.capitalize()} on, sealed as the maker says, bolts in stages from the middle",
    )  # fmt: skip
    if "lower" in engine.washer_halves and not engine.rollers:
        yield _washers("lower", engine.layout.thrust_main)
    for n in _numbers(engine) if not engine.rollers else ():
        yield _main_half(n, "lower")


def _case(engine: Description) -> Iterator[StripStep]:
    if engine.built.pump_at in (PumpAt.PAN, PumpAt.CHAIN):
        yield from pump_below(engine, CRANK)
    yield StripStep(
        "case.bolts", "case.bolts", CRANK, "Case bolts let go in order, from the outside in", minutes=15,
        hint="Through bolts last, as the maker's order says.", fit="Case bolts tightened in the maker's order",
    )  # fmt: skip
    yield StripStep(
        "case.apart", "case.apart", CRANK, "Case halves parted, what stays in which written down", minutes=20,
        takes=("case-left", "case-right"), cautions=(HEAVY,),
        hint="Halves of the bearings fall out: hold them to their place.", fit="Case halves together, joint sealed",
    )  # fmt: skip


def _tunnel() -> Iterator[StripStep]:
    yield StripStep(
        "end-plate.off", "end-plate.off", CRANK, "End plate of the tunnel off, screws of the carriers out",
        minutes=15,
        hint="Carriers are turned to where they pass.", cautions=(HEAVY,), fit="Carriers held, end plate on",
    )  # fmt: skip


def _pistons_left(engine: Description) -> Iterator[StripStep]:
    """Pistons that were pushed off their pins and stayed in their bores."""
    for n in engine.cylinders if engine.leave.pins else ():
        yield StripStep(
            "piston.off", f"piston-{n}.out", CRANK, f"Piston {n} out of its bore, marked", minutes=3,
            of={"cylinder": str(n)}, takes=(f"piston-{n}",), marks=(f"piston-{n}",),
            fit=f"Piston {n} in its bore, pin hole at its hole",
        )  # fmt: skip


def _carrier(engine: Description, n: str) -> Iterator[StripStep]:
    if f"M{n}" in (engine.layout.mains[0], engine.layout.mains[-1]):
        return
    key = f"carrier-main-{n}"
    yield StripStep(
        "carrier.off", f"{key}.off", CRANK, f"Carrier of main {n} marked and parted off the crank", minutes=6,
        of={"main": n}, takes=(key,), marks=(key,), fit=f"Carrier of main {n} on the crank by its mark",
    )  # fmt: skip


def _crank_out(engine: Description) -> StripStep:
    how = "drawn out endwise" if engine.tunnel else "lifted out"
    rods = " with its rods" if engine.case or engine.rollers else ""
    return StripStep(
        "crank.out", "crank.out", CRANK, f"Crank {how}{rods}, stood on its flange or in vee blocks", minutes=15,
        takes=("crank",), cautions=(LIFTING, CRACK_TEST), fit=f"Crank in{rods}, turned by hand at every cap",
    )  # fmt: skip


def _washers(half: str, main: str | None) -> StripStep:
    places = tuple(f"washer-{face}-{half}" for face in ("front", "rear"))
    return StripStep(
        f"washers-{half}.out", f"washers-{half}.out", CRANK,
        f"Thrust washers, {half}, out, each marked with its face",
        minutes=3, takes=places, marks=places, of={"main": (main or "M")[1:]},
        hint="Grooves face the crank. Front and rear are kept apart: one face alone tells of the clutch.",
        fit=f"Thrust washers, {half}, in, grooves to the crank",
    )  # fmt: skip


def _main_half(n: str, half: str, lies: str = "") -> StripStep:
    key = f"half-main-{n}-{half}"
    lies = lies or half
    return StripStep(
        f"half-main-{half}.out", f"{key}.out", CRANK,
        f"Half bearing {lies} of main {n} out, its back marked, not wiped",
        minutes=2, of={"main": n}, takes=(key,), marks=(key,),
        fit=f"Half bearing {lies} of main {n} in, seat and back dry, face oiled",
    )  # fmt: skip


def from_the_ends(numbers: list[str]) -> list[str]:
    """Numbers from both ends to the middle.

    >>> from_the_ends(["1", "2", "3", "4", "5"])
    ['1', '5', '2', '4', '3']
    """
    found, left = [], list(numbers)
    while left:
        found.append(left.pop(0))
        if left:
            found.append(left.pop())
    return found


def block(engine: Description) -> Iterator[StripStep]:
    """What is left in the block; what is taken out for access goes back."""
    if engine.wet_liners:
        for n in engine.cylinders:
            yield StripStep(
                "liner.out", f"liner-{n}.out", BLOCK, f"Liner {n} drawn, marked to its cylinder and side",
                minutes=8,
                of={"cylinder": str(n)}, takes=(f"liner-{n}",), marks=(f"liner-{n}",), cautions=(CLAMPED,),
                fit=f"Liner {n} in by its mark, new seals, its stand read",
            )  # fmt: skip
    yield StripStep(
        "gallery-plugs.out", "gallery-plugs.out", BLOCK, "Gallery plugs out", minutes=20, goes_back="gallery plugs",
        hint="Largest pieces lie behind the last plug: look before brushing.", fit="Gallery plugs in, sealed",
    )  # fmt: skip
    if engine.built.squirters is not False:
        yield StripStep(
            "squirters.out", "squirters.out", BLOCK, "Piston squirters out", minutes=10,
            goes_back="piston squirters",
            takes=("squirters",) if engine.built.squirters else (), fit="Piston squirters in, aimed",
        )  # fmt: skip
    if engine.built.filter_insert is not False:
        yield StripStep(
            "inserts.out", "inserts.out", BLOCK, "Filter insert, bypass and relief parts out of the block",
            minutes=8,
            goes_back="filter insert and bypass", fit="Filter insert, bypass and relief parts in",
        )  # fmt: skip
    if engine.layout.cylinders > 1 and engine.built.cooled_by not in (CooledBy.AIR, CooledBy.OIL):
        yield StripStep(
            "core-plugs.out", "core-plugs.out", BLOCK, "Core plugs out", minutes=12, goes_back="core plugs",
            fit="Core plugs in, new",
        )  # fmt: skip


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
            key, key, WASH, text, minutes=15, destroys=destroys, cautions=(WASHING,),
            hint="Look and photograph before you clean.",
        )  # fmt: skip
    yield StripStep(
        "wash.block",
        "wash.block",
        WASH,
        "Block washed, galleries brushed, plugs out",
        minutes=45,
        cautions=(WASHING,),
    )
