"""The limits of an engine's bores, read from the sheet's figures by name."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise

from halfthou.engines import SheetFigure, SheetMade
from halfthou.jobs import KNOWN_MATERIALS, Band, Figure, HouseRules, SetLimits, Step, along
from halfthou.lengths import ZERO, Length

#: The figures of the sheet, in its order. Depths count from the deck.
FIGURES = (
    SheetFigure("size", "Bore size, new", is_band=True, needed=True),
    SheetFigure("service_most", "Service limit, greatest size"),
    SheetFigure("wear", "Wear, most"),
    SheetFigure("out_of_round", "Out-of-round, most", needed=True),
    SheetFigure("taper", "Taper, most", needed=True),
    SheetFigure("barrel", "Barrel or hourglass, most"),
    SheetFigure("ridge", "Ridge at the top, most"),
    SheetFigure("clearance", "Piston clearance", is_band=True, asked_of="pistons"),
    SheetFigure("largest_allowed", "Largest bore allowed"),
    SheetFigure("hone_stock", "Stock left for the hone, on diameter"),
    SheetFigure("least_wall", "Least wall left"),
    SheetFigure("deck_flatness", "Deck, most out of flat"),
    SheetFigure("stroke", "Stroke"),
    SheetFigure("sleeve_outside", "Sleeve, outside diameter"),
    SheetFigure("depth_top", "Depth of plane 1, just below the top of ring travel"),
    SheetFigure("depth_middle", "Depth of the middle plane"),
    SheetFigure("depth_bottom", "Depth of the last plane, bottom of ring travel"),
    SheetFigure("depth_below", "Depth below ring travel"),
)
#: The figure of how far a bore may wear.
WEAR = "wear"
PLAIN, COATED = "none", "nickel-silicon carbide or sprayed"
MADE = (
    SheetMade("material", "Material of the bores", tuple(one.value for one in KNOWN_MATERIALS)),
    SheetMade("coating", "Coating", (PLAIN, COATED, "unknown")),
    SheetMade("hatch angle", "Cross-hatch, included angle in degrees"),
    SheetMade("finish", "Finish, as the ring maker asks", free=True),
)
_DEPTHS = ("depth_top", "depth_middle", "depth_bottom", "depth_below")
#: A wall thicker than this is no cylinder's. Source: common practice, no source.
THICKEST_WALL = Length(40_000_000)


@dataclass(frozen=True)
class BoreLimits:
    """What the bores of an engine are allowed. Sizes are for standard, when new; the steps are oversizes."""

    limits: SetLimits

    @property
    def size(self) -> Band:
        """The size when new. Refuses: ValueError where the sheet has none."""
        found = self.limits.band("size")
        if found is None:
            raise ValueError("the sheet has no size of the bores")
        return found

    @property
    def steps(self) -> tuple[Step, ...]:
        """The oversizes sold."""
        return self.limits.steps

    def figure(self, key: str) -> Figure | None:
        """A single limit by its key; None where the sheet has none."""
        return self.limits.figure(key)

    @property
    def wears(self) -> bool:
        """Whether the sheet says how far a bore may wear."""
        return bool({"service_most", WEAR} & self.limits.figures.keys())

    @property
    def clearance(self) -> Band | None:
        """The piston clearance."""
        return self.limits.band("clearance")

    @property
    def coated(self) -> bool:
        """Whether the sheet says that the bores are coated."""
        return self.limits.made.get("coating") == COATED

    def hone_stock(self, house: HouseRules) -> Length:
        """What is left for the final hone, on diameter: as the sheet says, else as the house does."""
        found = self.figure("hone_stock")
        return found.value if found is not None else house.hone_stock

    @property
    def ladder(self) -> tuple[Length, ...]:
        """Standard and the oversizes on the sheet, smallest first."""
        return tuple(sorted({ZERO, *(step.size for step in self.steps)}, key=lambda size: size.nm))


def depths_of_planes(limits: SetLimits, planes: int) -> dict[str, Length]:
    """How deep the planes of a plan lie below the deck, by plane: nothing where the sheet does not tell the first
    and the last. Between them they lie evenly spaced; the middle one of three as the sheet says."""
    top, middle, bottom = (limits.figure(key) for key in ("depth_top", "depth_middle", "depth_bottom"))
    if top is None or bottom is None:
        return {}
    down = bottom.value - top.value
    found = {str(n): top.value + Length(down.nm * along(n, planes) // 12) for n in range(1, planes + 1)}
    return found if planes != 3 or middle is None else {**found, "2": middle.value}


def faults_of_bores(limits: SetLimits) -> tuple[str, ...]:
    """What does not hang together in the limits of bores, in words."""
    return tuple(_faults(limits))


def _faults(limits: SetLimits) -> Iterator[str]:
    known = {figure.key for figure in FIGURES}
    unknown = sorted(limits.figures.keys() - known)
    if unknown:
        yield f"bores have no figure {', '.join(unknown)}"
    size = limits.band("size")
    if size is None:
        yield "the size of the bores when new is needed, from least to most"
        return
    if size.least <= ZERO:
        yield "the bore size must be more than nothing"
    for key, name in (("out_of_round", "out-of-round"), ("taper", "taper")):
        figure = limits.figure(key)
        if figure is None:
            yield f"the {name} limit is needed"
        elif not ZERO < figure.value < Length(2_540_000):
            yield f"the {name} limit must lie between nothing and 0.1 in: check the decimal point"
    service, largest = limits.figure("service_most"), limits.figure("largest_allowed")
    if service is not None and service.value < size.least:
        yield "the service limit is smaller than the bore when new"
    if largest is not None and largest.value < size.least:
        yield "the largest bore allowed is smaller than the bore when new"
    wall = limits.figure("least_wall")
    if wall is not None and wall.value > THICKEST_WALL:
        yield "the least wall is thicker than any cylinder's: check the decimal point"
    deck = limits.figure("deck_flatness")
    if deck is not None and not ZERO < deck.value < Length(1_270_000):
        yield "the deck's limit must lie between nothing and 0.05 in: check the decimal point"
    depths = [found.value for key in _DEPTHS if (found := limits.figure(key)) is not None]
    if any(after <= before for before, after in pairwise(depths)):
        yield "the depths must go down the bore, each deeper than the one before"
    for step in limits.steps:
        if step.size > ZERO and step.part_number and step.can_be_bought and step.rings_can_be_bought is None:
            yield f"pistons {step.part_number} are listed without rings: say whether their rings can be bought"
