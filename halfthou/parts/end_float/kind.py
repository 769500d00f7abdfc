"""End float as a kind of part: read whole by indicator or leaf, or worked out from the widths it lies between."""

from __future__ import annotations

from halfthou.engines import Drawing, FeatureKind, PartKind, Place, SheetFigure, StationDrawing, described
from halfthou.jobs import Layout, OperationKind, Purpose, SetLimits
from halfthou.lengths import ZERO, Length
from halfthou.parts.end_float.looks import FACES, LOOKS
from halfthou.parts.pieces import faults_of_figures

SET, STATION, PART = "end float", "end float", "end-float"
DIAL, LEAF, JOURNAL, BEARING = "end float", "end float by leaf", "thrust journal width", "thrust bearing width"
#: What washers and thrust halves are fitted to.
THRUST = "thrust"
NEW, SERVICE = "float_new", "float_service"
#: No crank is allowed more than this: 0.1 in, a slip of the decimal point. Source: common practice, no source.
WIDEST = Length(2_540_000)
FIGURES = (
    SheetFigure(NEW, "End float, new", is_band=True, needed=True),
    SheetFigure(SERVICE, "End float, service limit"),
)


def _parts(layout: Layout) -> tuple[Place, ...]:
    if described(layout).rollers:
        return ()
    thrust = layout.thrust_main or layout.mains[len(layout.mains) // 2]
    return (Place(PART, "end float", SET, "End float of the crank", "End float", rests_on=thrust),)


def _faults(limits: SetLimits) -> tuple[str, ...]:
    found = list(faults_of_figures(limits, FIGURES, (WIDEST, "0.1 in"), "end float"))
    new, service = limits.band(NEW), limits.figure(SERVICE)
    if new is not None and not ZERO <= new.least < new.most <= WIDEST:
        found.append("the end float when new must lie between nothing and 0.1 in: check the decimal point")
    if new is not None and service is not None and service.value < new.most:
        found.append("the service limit is less than the end float when new may be")
    return tuple(found)


def _feature(key: str, purpose: Purpose, hold: str, *, small: bool, planned: bool = False) -> FeatureKind:
    return FeatureKind(
        key,
        key,
        purpose,
        spots=("1a",),
        angles_deg={"a": 0},
        planned=planned,
        small=small,
        may_be_nothing=small,
        most=WIDEST if small else None,
        hole=key == JOURNAL,
        drawing=Drawing.FLOAT,
        hold=hold,
        plane_names=(key,),
        judged_by=(NEW,),
    )


_READ = (DIAL, LEAF, JOURNAL, BEARING)
KIND = PartKind(
    key="end float",
    name="End float",
    station=STATION,
    station_drawing=StationDrawing.ROW,
    parts=_parts,
    features=(
        _feature(DIAL, Purpose.RUN_OUT, "levered both ways, halves seated, caps torqued", small=True, planned=True),
        _feature(LEAF, Purpose.GAP, "crank levered one way, the thickest leaf that goes", small=True),
        _feature(JOURNAL, Purpose.BORE, "between the thrust faces of the crank, square", small=False),
        _feature(BEARING, Purpose.JOURNAL, "over the flanges, or housing and both washers", small=False),
    ),
    sets={SET: "End float"},
    wholes=(THRUST,),
    looks=LOOKS,
    first_looks=(FACES,),
    # Source: docs/trade: What work makes stale, common practice.
    stale_after={OperationKind.NEW_SHELLS: (DIAL, LEAF, BEARING), OperationKind.GRIND: _READ},
    look_again={OperationKind.GRIND: (FACES,)},
    done_to={OperationKind.NEW_SHELLS: (THRUST,), OperationKind.GRIND: ("mains",)},
    figures=FIGURES,
    steps="Thrust washers, over standard",
    check=_faults,
    actions=("reuse", "fit thrust washers", "refer", "replace"),
)
