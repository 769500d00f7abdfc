"""Piston rings as a kind of part: the gap of each in its own bore, what is seen of it, what work does to it."""

from __future__ import annotations

from halfthou.engines import (
    Description,
    Drawing,
    FeatureKind,
    PartKind,
    Place,
    SheetFigure,
    SheetMade,
    StationDrawing,
    described,
)
from halfthou.jobs import Layout, OperationKind, Purpose, RingDuty, SetLimits, SetName
from halfthou.lengths import ZERO, Length
from halfthou.looks import Answer, Does, Effect, LookKind, good, kept

SET = SetName.RINGS.value
GAP, AT_DEPTH = "closed gap", "depth of the gap"
TOP, SECOND, OIL = 1, 2, 3
NAMES = {TOP: "top ring", SECOND: "second ring", OIL: "oil ring"}

FACE, WHOLE, TENSION, FACING = "face", "whole or broken", "tension", "facing"
SQUARE, SIDE_UP, STAGGER, TAGGED = "square in its bore", "marked side up", "gaps staggered", "tagged"
SCUFFED, THROUGH, FLAKING, BROKEN, WEAK = "scuffed", "worn through its facing", "flaking", "broken", "weak"
NOT_SQUARE, YES, NOT_YET = "not square", "yes", "not yet"
FACINGS = ("plain iron", "chromium", "molybdenum", "nitrided steel")

_ANY = ("ring", SET)
_A = Answer

_BROKEN = (
    Effect(Does.REJECTS, "rings.eye", "Broken: rejected by eye. Advice: look for the piece, and at the land."),
)
_FACE = (Effect(Does.REJECTS, "rings.eye", "Face {0}: rejected by eye."),)
_WEAK = (Effect(Does.REJECTS, "rings.eye", "Weak: it does not spring back. Rejected."),)
_READ_AGAIN = (
    Effect(
        Does.ASKS,
        "rings.gap",
        "Read out of square: push it down with an upturned piston and read it again.",
        on=GAP,
    ),
)
LOOKS = (
    LookKind(WHOLE, (*good("whole"), _A(BROKEN, ("gap.ends",), does=_BROKEN)), _ANY, bench=True),
    LookKind(
        FACE,
        (*good("even all round"), *(_A(text, does=_FACE) for text in (FLAKING, SCUFFED, THROUGH))),
        _ANY,
        bench=True,
    ),
    LookKind(TENSION, (*good("springs back"), _A(WEAK, does=_WEAK)), _ANY, bench=True),
    LookKind(FACING, kept(*FACINGS), ("ring",), bench=True),
    LookKind(SQUARE, (*good("pushed down square"), _A(NOT_SQUARE, does=_READ_AGAIN)), _ANY, bench=True),
    LookKind(TAGGED, (*good(YES), *kept(NOT_YET)), _ANY, bench=True),
    LookKind(SIDE_UP, (*good(YES), *kept(NOT_YET)), _ANY, bench=True),
    LookKind(STAGGER, (*good(YES), *kept(NOT_YET)), (SET,), bench=True),
)
FIGURES = (
    SheetFigure("top_gap", "Top ring, gap when new", is_band=True),
    SheetFigure("second_gap", "Second ring, gap when new", is_band=True),
    SheetFigure("oil_gap", "Oil ring, least gap"),
    SheetFigure("worn_gap", "Gap of a worn ring, most, anywhere in its travel"),
)
ONE_PIECE, THREE_PIECE = "one-piece", "three-piece, with rails"
CHECK_ONLY = "gapless or pre-gapped: check only"
MADE = (
    SheetMade("top factor", "Top ring, gap for each unit of bore, by its maker", free=True),
    SheetMade("second factor", "Second ring, the same", free=True),
    SheetMade("top ring", "Top ring, type and facing", free=True),
    SheetMade("second ring", "Second ring, type and facing", free=True),
    SheetMade("oil ring", "Oil ring", (ONE_PIECE, "one-piece, with expander", THREE_PIECE)),
    SheetMade("second may be tighter", "Second gap", ("at least as wide as the top", "as its maker says")),
    SheetMade("gaps", "Gaps are", ("filed to fit", CHECK_ONLY)),
)
TIGHTER = "as its maker says"
#: A gap wider than this is no ring's in its bore: 0.2 in. Source: common practice, no source.
WIDEST = Length(5_080_000)


def ring_of(part: str) -> tuple[str, int]:
    """The cylinder (or set of spares) and the number of a ring, by its name.

    >>> ring_of("ring-3.2"), ring_of("ring-s1.1")
    (('3', 2), ('s1', 1))
    """
    cylinder, _, number = part.removeprefix("ring-").partition(".")
    return cylinder, int(number)


def _named(part: str, *, spare: bool) -> Place:
    cylinder, number = ring_of(part)
    name = f"{NAMES[number].capitalize()}, {'set' if spare else 'cylinder'} {cylinder.upper()}"
    short = f"{ {TOP: 'Top', SECOND: 'Second', OIL: 'Oil'}[number] } {cylinder.upper()}"
    rests_on = "" if spare else f"bore-{cylinder}"
    of = 0 if spare else int(cylinder)
    return Place(part, "ring", SET, name, short, rests_on=rests_on, spare=spare, cylinder=of)


def _parts(layout: Layout) -> tuple[Place, ...]:
    return tuple(
        _named(f"ring-{cylinder}.{number}", spare=False)
        for cylinder in range(1, layout.cylinders + 1)
        for number in _numbers(described(layout))
    )


def _numbers(engine: Description) -> tuple[int, ...]:
    """The rings that are judged, by number: the first and the second that press, and the one of oil. Rings that run
    over ports are not judged yet."""
    if engine.built.two_stroke or engine.ports:
        return ()
    rings = engine.said.rings
    if rings is None:
        return tuple(NAMES)
    pressing = sum(ring is not RingDuty.OIL for ring in rings)
    here = {TOP: pressing > 0, SECOND: pressing > 1, OIL: RingDuty.OIL in rings}
    return tuple(number for number in NAMES if here[number])


def _spare(name: str) -> Place | None:
    cylinder, _, number = name.removeprefix("ring-").partition(".")
    if not name.startswith("ring-") or number not in ("1", "2", "3") or not cylinder:
        return None
    return _named(name, spare=True)


def factor_of(limits: SetLimits, number: int) -> float | None:
    """The gap for each unit of bore that the ring's maker gives; None where the sheet has none."""
    said = limits.made.get({TOP: "top factor", SECOND: "second factor"}.get(number, ""), "")
    try:
        return float(said)
    except ValueError:
        return None


def faults_of_rings(limits: SetLimits) -> tuple[str, ...]:
    """What does not hang together in the limits of rings, in words."""
    found = []
    for key, name in (("top_gap", "top ring"), ("second_gap", "second ring")):
        band = limits.band(key)
        if band is not None and not ZERO < band.most <= WIDEST:
            found.append(f"the gap of the {name} must lie between nothing and 0.2 in: check the decimal point")
    for key, name in (("oil_gap", "gap of the oil ring"), ("worn_gap", "gap of a worn ring")):
        figure = limits.figure(key)
        if figure is not None and not ZERO < figure.value <= WIDEST:
            found.append(f"the {name} must lie between nothing and 0.2 in: check the decimal point")
    for number, name in ((TOP, "top"), (SECOND, "second")):
        said, factor = limits.made.get(f"{name} factor"), factor_of(limits, number)
        if said and (factor is None or not 0.001 <= factor <= 0.02):
            found.append(f"the factor of the {name} ring is “{said[:20]}”: it lies between 0.001 and 0.02")
    known = {figure.key for figure in FIGURES}
    if unknown := sorted(limits.figures.keys() - known):
        found.append(f"rings have no figure {', '.join(unknown)}")
    return tuple(found)


RING = PartKind(
    key="ring",
    name="Piston ring",
    station="pistons",
    station_drawing=StationDrawing.PISTONS,
    parts=_parts,
    features=(
        FeatureKind(
            GAP,
            "closed gap",
            Purpose.GAP,
            spots=("1a",),
            angles_deg={"a": 0},
            small=True,
            most=WIDEST,
            may_be_nothing=True,
            drawing=Drawing.RING,
            hold="in its own bore, foot of ring travel, pushed square with a piston",
            plane_names=("foot of ring travel",),
        ),
        FeatureKind(
            AT_DEPTH,
            "depth below the deck where the gap was read",
            Purpose.DEPTH,
            spots=("1a",),
            angles_deg={"a": 0},
            planned=False,
            most=Length(400_000_000),
            drawing=Drawing.RING,
            hold="from the deck to the ring",
            kept_as="where the gap was read",
            plane_names=("in its bore",),
        ),
    ),
    sets={SET: "Piston rings"},
    looks=LOOKS,
    first_looks=(WHOLE, FACE),
    # Source: docs/trade: What work makes stale, common practice: a gap counts after the final hone only.
    stale_after={
        OperationKind.FILE_RINGS: (GAP, AT_DEPTH),
        OperationKind.BORE: (GAP, AT_DEPTH),
        OperationKind.LIGHT_HONE: (GAP, AT_DEPTH),
        OperationKind.SLEEVE: (GAP, AT_DEPTH),
    },
    figures=FIGURES,
    made=MADE,
    actions=("reuse", "file to fit", "replace"),
    check=faults_of_rings,
    done_to={
        OperationKind.FILE_RINGS: (SET,),
        OperationKind.BORE: ("bores",),
        OperationKind.LIGHT_HONE: ("bores",),
        OperationKind.SLEEVE: ("bores",),
    },
    spare=_spare,
    goes_into=lambda piece, place: piece.partition(".")[2] == place.partition(".")[2],
    piece_names=lambda number: tuple(f"ring-s{number}.{ring}" for ring in (1, 2, 3)),
)
