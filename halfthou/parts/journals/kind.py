"""Crank journals as a kind of part: where they lie, what is read and seen of them, what work does to them."""

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
    Stepped,
    described,
    journal_name,
    short_name,
)
from halfthou.jobs import (
    DIAMETER,
    KNOWN_MATERIALS,
    Hardening,
    Layout,
    LimitsSheet,
    Look,
    Material,
    OperationKind,
    Plan,
    Purpose,
    set_of,
)
from halfthou.lengths import Length
from halfthou.parts.journals import beside_size as beside
from halfthou.parts.journals.limits import faults_of_journals, limits_of
from halfthou.parts.journals.looks import LOOKS
from halfthou.parts.journals.profiled import FEATURE as PROFILE_FEATURE
from halfthou.parts.journals.profiled import PROFILE
from halfthou.parts.journals.sheet_questions import questions_of_journals

#: Two tenths: readings of one part are never expected to agree better. Source: docs/trade: Slips of reading.
FLOOR_NM = 5_080


def _parts(layout: Layout) -> tuple[Place, ...]:
    return tuple(
        Place(name, "journal", set_of(name).value, journal_name(name, layout), short_name(name, layout))
        for name in (() if described(layout).rollers else layout.shaft)
    )


def _expected(sheet: LimitsSheet, one: str) -> Expected | None:
    if one not in sheet.sets:
        return None
    limits = limits_of(sheet, one)
    steps = sorted({0, *(shell.size.nm for shell in limits.shells)})
    bands = tuple((limits.size.least.nm - step, limits.size.most.nm - step) for step in steps)
    apart = max(limits.out_of_round.value.nm * 3 // 4, FLOOR_NM)
    return Expected(bands, bands[0][1] - bands[0][0], apart, Length(max(high for _, high in bands)))


def _material(sheet: LimitsSheet, _one: str) -> Material:
    return sheet.crank_material


_DIAMETER = (DIAMETER,)
_SETS = ("mains", "rods")


#: The figures of the sheet, in its order.
FIGURES = (
    SheetFigure("size", "Journal size, new", is_band=True, needed=True),
    SheetFigure("service_least", "Service limit, least size"),
    SheetFigure("out_of_round", "Out-of-round, most", needed=True),
    SheetFigure("taper", "Taper, most", needed=True),
    SheetFigure("barrel", "Barrel or hourglass, most"),
    SheetFigure("width", "Journal width"),
    SheetFigure("housing_bore", "Housing bore", is_band=True),
    SheetFigure("wall", "Wall thickness, standard shell", is_band=True),
    SheetFigure("clearance", "Oil clearance", is_band=True),
    SheetFigure("clearance_service", "Oil clearance, service limit"),
    SheetFigure("smallest_allowed", "Smallest size allowed"),
    SheetFigure("case_depth", "Case depth"),
    SheetFigure("least_case", "Least case after grinding"),
    *beside.FIGURES,
)
MADE = (
    SheetMade("hardening", "Hardening", tuple(one.value for one in Hardening)),
    SheetMade("housing material", "Housing material", tuple(one.value for one in KNOWN_MATERIALS)),
    SheetMade("oil hole", "Oil hole, degrees"),
)

_FOUR, _THREE = (0, 45, 90, 135), (0, 60, 120)
PLANS = (
    ("2 planes, 4 angles (8 readings)", Plan(planes=2, angles_deg=_FOUR)),
    ("3 planes, 4 angles (12 readings)", Plan(planes=3, angles_deg=_FOUR)),
    ("2 planes, 3 angles (6 readings)", Plan(planes=2, angles_deg=_THREE)),
    ("3 planes, 3 angles (9 readings)", Plan(planes=3, angles_deg=_THREE)),
    ("2 planes, 2 angles (4 readings): may reject, never accept", Plan(planes=2, angles_deg=(0, 90))),
)

JOURNAL = PartKind(
    key="journal",
    name="Crank journal",
    station="crank",
    station_drawing=StationDrawing.CRANK,
    parts=_parts,
    features=(
        FeatureKind(
            DIAMETER,
            "journal",
            Purpose.JOURNAL,
            plan=Plan(),
            material=_material,
            expected=_expected,
            drawing=Drawing.SHAFT,
            hold="square, clear of fillets",
            judged_by=("size",),
        ),
        *beside.FEATURES,
        PROFILE_FEATURE,
    ),
    sets={"mains": "Main journals", "rods": "Rod journals"},
    wholes=("crank",),
    looks=LOOKS,
    first_looks=(Look.SURFACE, Look.HEAT),
    figures=FIGURES,
    made=MADE,
    steps="Undersize shells",
    plans=PLANS,
    plan_hint="Wider than 25 mm, about an inch: three planes, to see barrel and hourglass.",
    has=beside.has_limit,
    check=faults_of_journals,
    questions=questions_of_journals,
    actions=("reuse", "polish", "fit undersize", "regrind", "refer", "replace"),
    # Source: docs/trade: What work makes stale, common practice; grinding can crack, so can straightening.
    stale_after={
        OperationKind.GRIND: (*_DIAMETER, *beside.KEYS, PROFILE),
        OperationKind.POLISH: (*_DIAMETER, beside.FINISH, PROFILE),
        OperationKind.STRAIGHTEN: (*_DIAMETER, *beside.THROW, PROFILE),
        OperationKind.HEAT_TREAT: (*_DIAMETER, *beside.HARDNESS, PROFILE),
        OperationKind.FINAL_WASH: _DIAMETER,
    },
    # Source: common practice, no source; which of them are asked of which crank, the house and the sheet say.
    looks_after={
        OperationKind.GRIND: (Look.FILLET, Look.EDGE, Look.CRACK_TEST, Look.HARDNESS),
        OperationKind.STRAIGHTEN: (Look.CRACK_TEST, Look.STRAIGHTNESS),
        OperationKind.HEAT_TREAT: (Look.HARDNESS, Look.STRAIGHTNESS),
    },
    look_again={
        OperationKind.GRIND: (
            Look.SURFACE,
            Look.CRACK_TEST,
            Look.FILLET,
            Look.EDGE,
            Look.HARDNESS,
            Look.TREATMENT,
        ),
        OperationKind.POLISH: (Look.SURFACE,),
        OperationKind.STRAIGHTEN: (Look.CRACK_TEST, Look.STRAIGHTNESS),
        OperationKind.HEAT_TREAT: (Look.HARDNESS, Look.STRAIGHTNESS),
        OperationKind.NEW_SHELLS: (Look.SEAT, Look.HALVES),
        OperationKind.RESIZE_RODS: (Look.SEAT,),
    },
    stepped=Stepped(OperationKind.GRIND, "Undersize", "Grind to", "Ground to, under standard", "Shells"),
    done_to={
        OperationKind.GRIND: _SETS,
        OperationKind.POLISH: _SETS,
        OperationKind.STRAIGHTEN: ("crank",),
        OperationKind.HEAT_TREAT: ("crank",),
        OperationKind.LINE_HONE: ("mains",),
        OperationKind.STUDS: ("mains",),
        OperationKind.TORQUE_CHANGED: _SETS,
        OperationKind.RESIZE_RODS: ("rods",),
        OperationKind.NEW_SHELLS: _SETS,
        OperationKind.FINAL_WASH: ("crank",),
    },
)
