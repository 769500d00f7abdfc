"""Where a crank is indicated, as a kind of part: its mains from the front, its nose and its flange."""

from __future__ import annotations

from halfthou.engines import (
    Drawing,
    FeatureKind,
    PartKind,
    Place,
    SheetFigure,
    SheetMade,
    StationDrawing,
    described,
)
from halfthou.jobs import Layout, LimitsSheet, Material, OperationKind, Purpose, SetLimits
from halfthou.lengths import Length
from halfthou.parts.pieces import faults_of_figures
from halfthou.parts.straightness.looks import LOOKS, SUPPORTS

SET = "straightness"
STATION = "straightness"
RUN_OUT, TOTAL = "run-out", "total reading"
#: Every 45 degrees from cylinder 1 at top dead centre: enough to leave ovality out. Source: docs/trade: Run-out.
ANGLES_DEG = {str(deg): deg for deg in range(0, 360, 45)}
NOSE, FLANGE = "run-out-nose", "run-out-flange"
#: A crank is allowed no more than this out, and none swings further: the decimal point slipped. 0.1 in and 0.2 in.
#: Source: common practice, no source.
WIDEST, FURTHEST = Length(2_540_000), Length(5_080_000)

OVER_ALL, ADJACENT, AT_NOSE, AT_FLANGE = "run_out_over_all", "run_out_adjacent", "run_out_nose", "run_out_flange"
FIGURES = (
    SheetFigure(OVER_ALL, "Run-out of a main, over all, most", needed=True),
    SheetFigure(ADJACENT, "Run-out of neighbouring mains, one against the other, most"),
    SheetFigure(AT_NOSE, "Run-out at the nose, most"),
    SheetFigure(AT_FLANGE, "Run-out at the flange, most"),
)
#: How a sheet gives a run-out: as the dial's whole swing, or as how far the middle lies beside its axis.
AS_TOTAL, AS_BEND = "total reading of the dial", "bend, half of the total reading"
FORGED, NODULAR, GREY, CAST_STEEL = "forged steel", "nodular iron", "grey cast iron", "cast steel"
#: What snaps in a press.
IRON = (Material.GREY_IRON, Material.NODULAR_IRON)
GROUND, ROLLED = "ground", "rolled"
MADE = (
    SheetMade("given as", "Run-out is given as", (AS_TOTAL, AS_BEND)),
    SheetMade("made of", "Crank made of", (FORGED, CAST_STEEL, NODULAR, GREY)),
    SheetMade("fillets", "Fillets", (GROUND, ROLLED)),
)


def main_of(part: str) -> str:
    """The main a place to indicate lies at; "" for nose and flange.

    >>> main_of("run-out-M3"), main_of("run-out-nose")
    ('M3', '')
    """
    name = part.removeprefix("run-out-")
    return name if name.startswith("M") else ""


def at_main(main: str) -> str:
    """The place where the crank is indicated at a main."""
    return f"run-out-{main}"


def _parts(layout: Layout) -> tuple[Place, ...]:
    if described(layout).rollers:
        return ()
    mains = (
        Place(at_main(main), "run-out", SET, f"Crank at main {main[1:]}", f"At {main}", rests_on=main)
        for main in layout.mains
    )
    nose = Place(NOSE, "run-out", SET, "Nose of the crank", "Nose")
    return (nose, *mains, Place(FLANGE, "run-out", SET, "Flange of the crank", "Flange"))


def _material(sheet: LimitsSheet, _one: str) -> Material:
    return sheet.crank_material


def _faults(limits: SetLimits) -> tuple[str, ...]:
    return tuple(faults_of_figures(limits, FIGURES, (WIDEST, "0.1 in"), "straightness"))


_READ = (RUN_OUT, TOTAL)
KIND = PartKind(
    key="run-out",
    name="Run-out of the crank",
    station=STATION,
    station_drawing=StationDrawing.SHAFT_LINE,
    parts=_parts,
    features=(
        FeatureKind(
            RUN_OUT,
            "run-out",
            Purpose.RUN_OUT,
            spots=tuple(ANGLES_DEG),
            angles_deg=ANGLES_DEG,
            drawing=Drawing.ROUND,
            hold="on top, clear of the oil hole, one slow turn",
            small=True,
            may_be_nothing=True,
            signed=True,
            most=FURTHEST,
            material=_material,
            judged_by=(OVER_ALL, AT_NOSE, AT_FLANGE),
        ),
        FeatureKind(
            TOTAL,
            "total reading",
            Purpose.RUN_OUT,
            spots=("1a",),
            angles_deg={"a": 0},
            planned=False,
            drawing=Drawing.ROUND,
            hold="greatest less least in one slow turn",
            plane_names=("total reading",),
            angle_names={0: "whole turn"},
            small=True,
            may_be_nothing=True,
            most=FURTHEST,
            material=_material,
            high_side=True,
            judged_by=(OVER_ALL, AT_NOSE, AT_FLANGE),
        ),
    ),
    sets={SET: "Straightness"},
    wholes=("crank",),
    looks=LOOKS,
    looks_open=3,
    first_looks=(SUPPORTS,),
    # Source: docs/trade: What work makes stale, common practice.
    stale_after=dict.fromkeys((OperationKind.STRAIGHTEN, OperationKind.GRIND, OperationKind.HEAT_TREAT), _READ),
    figures=FIGURES,
    made=MADE,
    check=_faults,
    actions=("reuse", "straighten", "refer", "replace"),
    done_to={OperationKind.STRAIGHTEN: ("crank",), OperationKind.HEAT_TREAT: ("crank",)},
)
