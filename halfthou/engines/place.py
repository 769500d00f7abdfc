"""Places: everything that has a place in an engine, by one id, whoever speaks of it. Gauge, strip, evidence, marks,
trays and pictures know a part by the place it came in."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from halfthou.jobs import Layout, ThrustBy


@dataclass(frozen=True, slots=True)
class Place:
    """A place in an engine, and the part that came in it: its name in files, the kind it is of, the set it is
    decided with ("" where it is not measured), and how it is called.

    `beside` is the part it lies with: a bearing and its halves lie with their journal. `rests_on` is the part whose
    work makes its readings stale too: a ring's gap is read in its bore. A `spare` did not come in the engine: where
    it lies, facts tell. What comes off in the strip says `how` it is marked and with which `mark`; `pair` is the
    place whose number must agree with its own. `cylinder` is the one it is of, 0 where it is of none.
    """

    id: str
    kind: str
    set: str
    name: str
    short: str
    beside: str = ""
    rests_on: str = ""
    spare: bool = False
    mark: str = ""
    how: str = ""
    pair: str = ""
    cylinder: int = 0


STRUCK = "Number punches or an etcher, both halves on one side; arrow to the front. Never near a fillet."
CAP = "Punch or etcher on the cap's flat, arrow to the front; the block's rail beside it bears the same."
WRITTEN = "Felt pen on the back, towards the parting edge. Never punched."
CROWN = "Felt pen or paint on the crown, arrow to the front; the valve pocket is no sure sign."
WASHER = "Felt pen on its steel back. Its grooves face the crank. Never punched."
BAGGED = "Not marked: its bag bears the label."


def placed(layout: Layout) -> tuple[Place, ...]:
    """The places of an engine beside what is measured, in its order: heads, valve gear, rods, pistons and their
    half bearings, mains, thrust."""
    return tuple(_all(layout))


def merged(here: tuple[Place, ...], measured: Mapping[str, Place]) -> dict[str, Place]:
    """One catalogue of what has a place and of what is measured: what is both is one."""
    found = {
        one.id: replace(measured[one.id], mark=one.mark, how=one.how, pair=one.pair) if one.id in measured else one
        for one in here
    }
    return {**found, **{key: one for key, one in measured.items() if key not in found}}


def _all(layout: Layout) -> Iterator[Place]:
    for bank, _ in layout.named_banks:
        yield _plain(f"head-{bank}" if bank else "head", "head", f"Head{f', {bank} bank' if bank else ''}", BAGGED)
    for cylinder in range(1, layout.cylinders + 1):
        yield from _of_cylinder(layout, cylinder)
    for main in layout.mains:
        yield from _of_main(main)
    yield from _of_thrust(layout)
    yield _plain("pump", "oil pump", "Oil pump", BAGGED)
    yield _plain("cam", "camshaft", "Camshaft", BAGGED)
    yield _plain("crank", "crank", "Crank", BAGGED)


def _of_thrust(layout: Layout) -> Iterator[Place]:
    """The thrust faces of the crank and what runs against them, once it is said which main takes the thrust."""
    main = layout.thrust_main
    for face in ("front", "rear") if main is not None else ():
        name, short = f"Thrust face of the crank, {face}", f"Thrust face {face}"
        yield Place(f"thrust-{face}", "thrust face", "", name, short, beside=main or "")
        for half in ("upper", "lower") if layout.thrust_by is ThrustBy.WASHERS else ():
            name, short = f"Thrust washer, {face}, {half}", f"Washer {face} {half}"
            mark = f"{face[0]}{half[0]}".upper()
            yield Place(
                f"washer-{face}-{half}", "thrust washer", "", name, short, main or "", mark=mark, how=WASHER
            )


def _plain(key: str, kind: str, name: str, how: str) -> Place:
    return Place(key, kind, "", name, name, how=how)


def journal_of(layout: Layout, cylinder: int) -> str:
    """The rod journal that a cylinder's rod hangs on."""
    return next(f"R{n}" for n, pin in enumerate(layout.pins, start=1) if cylinder in pin.cylinders)


def _of_cylinder(layout: Layout, cylinder: int) -> Iterator[Place]:
    def place(key: str, kind: str, name: str, short: str, **more: str) -> Place:
        """A place of this cylinder."""
        return Place(key, kind, "", name, short, cylinder=cylinder, **more)  # type: ignore[arg-type]

    n, journal = str(cylinder), journal_of(layout, cylinder)
    yield place(
        f"plug-{n}", "plug or injector", f"Plug or injector of cylinder {n}", f"Plug {n}", mark=n, how=BAGGED
    )
    for valve in ("inlet", "exhaust"):
        for kind in ("rocker", "push rod", "follower", "valve"):
            key, called = f"{kind.replace(' ', '')}-{n}-{valve}", kind.capitalize()
            short, mark = f"{called} {n} {valve[:2]}", f"{n}{valve[0].upper()}"
            yield place(key, kind, f"{called}, {valve}, cylinder {n}", short, mark=mark, how=BAGGED)
    rod, cap = f"rod-{n}", f"cap-rod-{n}"
    yield place(rod, "rod", f"Rod of cylinder {n}", f"Rod {n}", beside=journal, mark=n, how=STRUCK, pair=cap)
    yield place(cap, "rod cap", f"Cap of rod {n}", f"Cap {n}", beside=journal, mark=n, how=STRUCK, pair=rod)
    for half in ("upper", "lower"):
        name, short, mark = f"Half bearing of rod {n}, {half}", f"Half {n} {half}", f"{n}{half[0].upper()}"
        yield place(f"half-rod-{n}-{half}", "half bearing", name, short, beside=journal, mark=mark, how=WRITTEN)
    yield place(f"piston-{n}", "piston", f"Piston {n}", f"Piston {n}", mark=n, how=CROWN)


def _of_main(main: str) -> Iterator[Place]:
    n = main[1:]
    cap, called = f"Cap of main {n}", f"Main cap {n}"
    yield Place(f"cap-main-{n}", "main cap", "", cap, called, beside=main, mark=main, how=CAP)
    for half in ("upper", "lower"):
        name, short, mark = f"Half bearing of main {n}, {half}", f"Half {main} {half}", f"{main}{half[0].upper()}"
        key = f"half-main-{n}-{half}"
        yield Place(key, "half bearing", "", name, short, beside=main, mark=mark, how=WRITTEN)


#: Kinds that must bear their mark before they leave their place. Source: common practice, no source.
MARKED_FIRST = frozenset({"rod", "rod cap", "main cap", "half bearing", "piston"})
