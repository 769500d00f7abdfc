"""Main housings as a kind of part: one at each main, read without shells, caps torqued."""

from __future__ import annotations

from halfthou.engines import (
    Drawing,
    Expected,
    FeatureKind,
    PartKind,
    Place,
    SheetFigure,
    SheetMade,
    StationDrawing,
    described,
)
from halfthou.jobs import Band, Feature, Layout, LimitsSheet, Material, OperationKind, Purpose, SetLimits
from halfthou.lengths import Length
from halfthou.parts.pieces import faults_of_figures
from halfthou.parts.tunnel.looks import BAR, LOOKS

SET, STATION = "tunnel", "tunnel"
BORE, LEAF, DIAL = Feature.HOUSING_BORE.value, "line by leaf", "line by indicator"
#: Two planes, at the crown and 60 degrees to either side of it, never on the joint. Source: docs/trade: The tunnel.
SPOTS = ("1a", "1b", "1c", "2a", "2b", "2c")
ANGLES_DEG = {"a": 0, "b": 60, "c": 120}
SIZE, OUT_OF_ROUND, TAPER = "housing_bore", "out_of_round", "taper"
ADJACENT, OVER_ALL, CUT = "line_adjacent", "line_over_all", "most_cut"
#: More than this is a slip of the decimal point: 0.1 in. Source: common practice, no source.
WIDEST = Length(2_540_000)
FIGURES = (
    SheetFigure(SIZE, "Housing bore", is_band=True, asked_of="mains"),
    SheetFigure(OUT_OF_ROUND, "Housing out-of-round, most", needed=True),
    SheetFigure(TAPER, "Housing taper, most"),
    SheetFigure(ADJACENT, "Line, one housing against its neighbour, most"),
    SheetFigure(OVER_ALL, "Line, over all, most"),
    SheetFigure(CUT, "Most that may be cut off the caps"),
)
SOLD, NOT_SOLD = "sold", "not sold"
MADE = (SheetMade("larger shells", "Shells of larger outside", (SOLD, NOT_SOLD)),)


def main_of(part: str) -> str:
    """The main a housing lies at."""
    return part.removeprefix("housing-")


def housing_of(main: str) -> str:
    """The housing at a main."""
    return f"housing-{main}"


def band_of(sheet: LimitsSheet) -> Band | None:
    """The band of the housing bore: of the mains, or of the tunnel where the sheet says nothing of mains."""
    for one in ("mains", SET):
        limits = sheet.sets.get(one)
        if limits is not None and (band := limits.band(SIZE)) is not None:
            return band
    return None


def _parts(layout: Layout) -> tuple[Place, ...]:
    if described(layout).rollers:
        return ()
    return tuple(
        Place(housing_of(main), "housing", SET, f"Housing of main {main[1:]}", f"Housing {main[1:]}", rests_on=main)
        for main in layout.mains
    )


def _expected(sheet: LimitsSheet, _one: str) -> Expected | None:
    band = band_of(sheet)
    if band is None:
        return None
    tolerance = band.most.nm - band.least.nm
    return Expected(((band.least.nm, band.most.nm),), tolerance, max(tolerance, 12_700), band.most)


def _material(sheet: LimitsSheet, _one: str) -> Material:
    mains = sheet.sets.get("mains")
    return Material(mains.made.get("housing material", Material.GREY_IRON)) if mains else Material.GREY_IRON


def _faults(limits: SetLimits) -> tuple[str, ...]:
    return tuple(faults_of_figures(limits, FIGURES, (WIDEST, "0.1 in"), "a tunnel"))


def _line(key: str, purpose: Purpose, hold: str) -> FeatureKind:
    return FeatureKind(
        key,
        key,
        purpose,
        spots=("1a",),
        angles_deg={"a": 0},
        planned=False,
        small=True,
        may_be_nothing=True,
        signed=purpose is Purpose.RUN_OUT,
        most=WIDEST,
        drawing=Drawing.PLAIN,
        hold=hold,
        plane_names=(key,),
        material=_material,
        judged_by=(ADJACENT, OVER_ALL),
    )


_READ = (BORE, LEAF, DIAL)
_WORK = (OperationKind.LINE_HONE, OperationKind.STUDS, OperationKind.TORQUE_CHANGED)
HOUSING = PartKind(
    key="housing",
    name="Main housing",
    station=STATION,
    station_drawing=StationDrawing.SHAFT_LINE,
    parts=_parts,
    features=(
        FeatureKind(
            BORE,
            BORE,
            Purpose.BORE,
            spots=SPOTS,
            angles_deg=ANGLES_DEG,
            hole=True,
            caps=True,
            asks={"caps": "caps torqued", "plate": "girdle on"},
            drawing=Drawing.HOUSING,
            hold="rock it: least along, most across",
            angle_names={0: "vertical", 60: "60° past it", 120: "60° before it"},
            material=_material,
            expected=_expected,
            judged_by=(OUT_OF_ROUND,),
        ),
        _line(LEAF, Purpose.GAP, "straightedge along the crowns: the thickest leaf that goes under it"),
        _line(DIAL, Purpose.RUN_OUT, "from a bar in the end housings: plus is above it"),
    ),
    sets={SET: "Tunnel"},
    wholes=("block",),
    looks=LOOKS,
    # Source: docs/trade: What work makes stale, common practice.
    stale_after=dict.fromkeys(_WORK, _READ),
    look_again=dict.fromkeys(_WORK, (BAR,)),
    done_to=dict.fromkeys(_WORK, (SET,)),
    figures=FIGURES,
    made=MADE,
    check=_faults,
    actions=("reuse", "line hone", "refer", "replace"),
)
