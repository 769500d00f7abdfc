"""The positions of an engine that parts are taken from: each has its name and its mark by where it lies, never by
the order in which parts come out."""

from __future__ import annotations

from collections.abc import Iterator
from functools import lru_cache

from halfthou.engines import short_name
from halfthou.jobs import Document, Layout


class Position(Document):
    """A place that a part is taken from. `mark` is what its part bears, `how` where and with what it is marked;
    `kind` is what it is of, `of` the part of the bench that it belongs to. `pair` is the position whose number must
    agree with its own."""

    id: str
    kind: str
    name: str
    short: str
    mark: str
    how: str
    of: str = ""
    pair: str = ""


STRUCK = "Number punches or an etcher, both halves on one side; arrow to the front. Never near a fillet."
CAP = "Punch or etcher on the cap's flat, arrow to the front; the block's rail beside it bears the same."
WRITTEN = "Felt pen on the back, towards the parting edge. Never punched."
CROWN = "Felt pen or paint on the crown, arrow to the front; the valve pocket is no sure sign."
BAGGED = "Not marked: its bag bears the label."


@lru_cache(maxsize=64)
def positions_of(layout: Layout) -> dict[str, Position]:
    """Every position of an engine by its id: heads, valve gear, rods, pistons and their shells, mains.

    Rule:    strip.places: parts are known by their position, not by the order they came out in.
    """
    return {one.id: one for one in _all(layout)}


def _all(layout: Layout) -> Iterator[Position]:
    for bank, _ in layout.named_banks:
        yield _plain(f"head-{bank}" if bank else "head", "head", f"Head{f', {bank} bank' if bank else ''}", BAGGED)
    for cylinder in range(1, layout.cylinders + 1):
        yield from _of_cylinder(layout, cylinder)
    for main in layout.mains:
        yield from _of_main(main)
    yield _plain("pump", "oil pump", "Oil pump", BAGGED, of="pump")
    yield _plain("cam", "camshaft", "Camshaft", BAGGED)
    yield _plain("crank", "crank", "Crank", BAGGED)


def _plain(key: str, kind: str, name: str, how: str, *, of: str = "") -> Position:
    return Position(id=key, kind=kind, name=name, short=name, mark="", how=how, of=of)


def journal_of(layout: Layout, cylinder: int) -> str:
    """The rod journal that a cylinder's rod hangs on."""
    return next(f"R{n}" for n, pin in enumerate(layout.pins, start=1) if cylinder in pin.cylinders)


def _of_cylinder(layout: Layout, cylinder: int) -> Iterator[Position]:
    n, journal = str(cylinder), journal_of(layout, cylinder)
    yield Position(id=f"plug-{n}", kind="plug or injector", name=f"Plug or injector of cylinder {n}",
                   short=f"Plug {n}", mark=n, how=BAGGED)  # fmt: skip
    for valve in ("inlet", "exhaust"):
        for kind in ("rocker", "push rod", "follower", "valve"):
            key = kind.replace(" ", "")
            yield Position(id=f"{key}-{n}-{valve}", kind=kind, name=f"{kind.capitalize()}, {valve}, cylinder {n}",
                           short=f"{kind.capitalize()} {n} {valve[:2]}", mark=f"{n}{valve[0].upper()}", how=BAGGED,
                           )  # fmt: skip
    yield Position(id=f"rod-{n}", kind="rod", name=f"Rod of cylinder {n}", short=f"Rod {n}", mark=n, how=STRUCK,
                   of=journal, pair=f"cap-rod-{n}")  # fmt: skip
    yield Position(id=f"cap-rod-{n}", kind="rod cap", name=f"Cap of rod {n}", short=f"Cap {n}", mark=n, how=STRUCK,
                   of=journal, pair=f"rod-{n}")  # fmt: skip
    for half in ("upper", "lower"):
        yield Position(id=f"half-rod-{n}-{half}", kind="half bearing", name=f"Half bearing of rod {n}, {half}",
                       short=f"Half {n} {half}", mark=f"{n}{half[0].upper()}", how=WRITTEN, of=journal)  # fmt: skip
    yield Position(id=f"piston-{n}", kind="piston", name=f"Piston {n}", short=f"Piston {n}", mark=n, how=CROWN,
                   of=f"piston-{n}")  # fmt: skip


def _of_main(main: str) -> Iterator[Position]:
    n = main[1:]
    yield Position(id=f"cap-main-{n}", kind="main cap", name=f"Cap of main {n}", short=f"Main cap {n}", mark=main,
                   how=CAP, of=main)  # fmt: skip
    for half in ("upper", "lower"):
        yield Position(id=f"half-main-{n}-{half}", kind="half bearing", name=f"Half bearing of main {n}, {half}",
                       short=f"Half {short_name(main)} {half}", mark=f"{main}{half[0].upper()}", how=WRITTEN,
                       of=main)  # fmt: skip


#: Kinds that must bear their mark before they leave their place. Source: common practice, no source.
MARKED_FIRST = frozenset({"rod", "rod cap", "main cap", "half bearing", "piston"})
