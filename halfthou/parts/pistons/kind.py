"""Pistons as a kind of part: where they are measured, what is seen of them, what work does to them."""

from __future__ import annotations

from halfthou.amounts import Quantity
from halfthou.engines import Drawing, Expected, FeatureKind, PartKind, Place, SheetFigure, SheetMade, StationDrawing
from halfthou.jobs import Layout, LimitsSheet, Material, OperationKind, Purpose, SetLimits, SetName
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.fit import CAST, F2618, F4032, HYPER, NOT_THE_SKIRT, SKIRT
from halfthou.parts.pistons.looks import (
    BOTH_SKIRTS,
    BROKEN,
    CLIPS,
    CORNERS,
    CROWN,
    GROOVE_LOOK,
    LANDS,
    LOOKS,
    ONE_SKIRT,
    PIN_BORES,
    PIN_FEEL,
    SCUFF,
)

SET = SetName.PISTONS.value
FOOT = "skirt foot"
PIN, PIN_BORE, SMALL_END = "pin", "pin bore", "small end"
GROOVES = ("groove 1", "groove 2", "groove 3")
CROWN_HEIGHT, WEIGHT = "crown height", "weight"

SCUFFED = (ONE_SKIRT, BOTH_SKIRTS, CORNERS)
LAND_BAD = ("cracked", "lifted", BROKEN, "gone")


PRESSED = "a press fit in the rod"
FIGURES = (
    SheetFigure("size", "Piston size at the gauge point, new", is_band=True, needed=True),
    SheetFigure("gauge_height", "Height of the gauge point, from its datum"),
    SheetFigure("clearance", "Clearance in the bore", is_band=True),
    SheetFigure("clearance_worn", "Clearance in a worn bore, most"),
    SheetFigure("target_clearance", "Clearance aimed at"),
    SheetFigure("collapse", "Skirt collapse, most"),
    SheetFigure("skirt_taper", "Skirt, foot larger than gauge point", is_band=True),
    SheetFigure("pin", "Gudgeon pin", is_band=True),
    SheetFigure("pin_clearance", "Pin in the piston, most"),
    SheetFigure("small_end_clearance", "Pin in the small end, most"),
    SheetFigure("groove_clearance", "Ring in its groove, most"),
    SheetFigure("crown_spread", "Crown heights apart, most"),
    SheetFigure("weight_spread", "Weights apart, most", is_band=True, quantity=Quantity.MASS),
)
MADE = (
    SheetMade("alloy", "Pistons are", (CAST, HYPER, F4032, F2618)),
    SheetMade(
        "datum", "Gauge point counts from", ("bottom of the skirt", "centre of the pin", "oil ring groove", "crown")
    ),
    SheetMade("coating", "Skirt", ("plain", "coated, size over it", "coated, size under it")),
    SheetMade("handed", "Left and right bank", ("alike", "differ")),
    SheetMade("pin fit", "Pin held by", ("lock clips", PRESSED)),
    SheetMade("regrooved", "Worn grooves machined and spaced", ("here", "not done")),
)
MATERIAL = {
    CAST: Material.PISTON_ALLOY,
    HYPER: Material.HYPEREUTECTIC,
    F4032: Material.PISTON_ALLOY,
    F2618: Material.FORGED_2618,
}
MISTAKEN = (
    "On a land, or below the gauge point? Read at the gauge height, square to the pin. Or is a digit missing? "
    "Take it as read only if you have read it twice."
)


def bank_of(layout: Layout, cylinder: int) -> str:
    """The bank a cylinder stands in; "" where there is only one."""
    return next((bank for bank, cylinders in layout.named_banks if cylinder in cylinders), "")


def _parts(layout: Layout) -> tuple[Place, ...]:
    return tuple(
        Place(
            f"piston-{n}",
            "piston",
            SET,
            f"Piston {n}" + (f", {bank} bank" if (bank := bank_of(layout, n)) else ""),
            f"Piston {n}",
            cylinder=n,
        )
        for n in range(1, layout.cylinders + 1)
    )


def _spare(name: str) -> Place | None:
    if not name.startswith("piston-"):
        return None
    number = name.removeprefix("piston-").upper()
    return Place(name, "piston", SET, f"Piston {number}", f"Piston {number}", spare=True)


def steps_of(sheet: LimitsSheet) -> tuple[Length, ...]:
    """Standard and the oversizes sold: they stand with the bores, as a piston is bought with its bore's size."""
    bores = sheet.sets.get(SetName.BORES.value)
    return tuple(sorted({ZERO, *(step.size for step in (bores.steps if bores else ()))}, key=lambda s: s.nm))


def _skirt(sheet: LimitsSheet, one: str) -> Expected | None:
    limits = sheet.sets.get(one)
    band = limits.band("size") if limits is not None else None
    if band is None:
        return None
    bands = tuple((band.least.nm + step.nm, band.most.nm + step.nm) for step in steps_of(sheet))
    return Expected(bands, band.most.nm - band.least.nm, NOT_THE_SKIRT.nm // 4, band.most)


def _pin(sheet: LimitsSheet, one: str) -> Expected | None:
    limits = sheet.sets.get(one)
    band = limits.band("pin") if limits is not None else None
    if band is None:
        return None
    return Expected(((band.least.nm, band.most.nm),), band.most.nm - band.least.nm, 25_400, band.most)


def _pin_hole(sheet: LimitsSheet, one: str) -> Expected | None:
    found = _pin(sheet, one)
    if found is None:
        return None
    low, high = found.bands[0]
    return Expected(((low, high + 25_400),), found.tolerance_nm, 25_400, Length(low), hole=True)


def _material(sheet: LimitsSheet, one: str) -> Material:
    found = sheet.sets.get(one)
    return MATERIAL.get(found.made.get("alloy", ""), Material.PISTON_ALLOY) if found else Material.PISTON_ALLOY


def _groove(key: str, *, planned: bool) -> FeatureKind:
    return FeatureKind(
        key,
        f"ring in {key}",
        Purpose.GAP,
        spots=("1a", "1b"),
        angles_deg={"a": 0, "b": 90},
        planned=planned,
        small=True,
        may_be_nothing=True,
        drawing=Drawing.PISTON,
        hold="a new ring rolled all round, the thickest leaf that goes",
        judged_by=("groove_clearance",),
        plane_names=(key,),
        angle_names={0: "tightest", 90: "widest"},
    )


PISTON = PartKind(
    key="piston",
    name="Piston",
    station="pistons",
    station_drawing=StationDrawing.PISTONS,
    parts=_parts,
    features=(
        FeatureKind(
            SKIRT,
            "skirt at the gauge point",
            Purpose.JOURNAL,
            spots=("1a",),
            angles_deg={"a": 0},
            drawing=Drawing.PISTON,
            hold="at the gauge height, square to the pin",
            judged_by=("size",),
            plane_names=("gauge point",),
            angle_names={0: "square to the pin"},
            material=_material,
            expected=_skirt,
            mistaken=MISTAKEN,
        ),
        FeatureKind(
            PIN_BORE,
            "pin bore",
            Purpose.BORE,
            spots=("1a", "1b", "2a", "2b"),
            angles_deg={"a": 0, "b": 90},
            hole=True,
            drawing=Drawing.PISTON,
            hold="in each boss, up and down and across",
            judged_by=("pin_clearance",),
            plane_names=("front boss", "rear boss"),
            angle_names={0: "upright", 90: "across"},
            material=_material,
            expected=_pin_hole,
        ),
        FeatureKind(
            PIN,
            "gudgeon pin",
            Purpose.JOURNAL,
            spots=("1a", "2a", "3a"),
            angles_deg={"a": 0},
            drawing=Drawing.PISTON,
            hold="where the front boss, the rod and the rear boss ran",
            judged_by=(
                "pin",
                "pin_clearance",
                "small_end_clearance",
            ),
            plane_names=("front boss", "rod", "rear boss"),
            expected=_pin,
        ),
        FeatureKind(
            SMALL_END,
            "small end",
            Purpose.BORE,
            spots=("1a", "1b"),
            angles_deg={"a": 0, "b": 90},
            planned=False,
            hole=True,
            drawing=Drawing.PISTON,
            hold="rock it: least along, most across",
            judged_by=("small_end_clearance",),
            plane_names=("small end",),
            angle_names={0: "along the rod", 90: "across"},
            expected=_pin_hole,
        ),
        _groove(GROOVES[0], planned=True),
        _groove(GROOVES[1], planned=True),
        _groove(GROOVES[2], planned=False),
        FeatureKind(
            FOOT,
            "skirt at its foot",
            Purpose.JOURNAL,
            spots=("1a",),
            angles_deg={"a": 0},
            planned=False,
            drawing=Drawing.PISTON,
            hold="just above the foot, square to the pin",
            judged_by=("skirt_taper",),
            kept_as="how the skirt is made",
            plane_names=("foot",),
            material=_material,
            expected=_skirt,
        ),
        FeatureKind(
            CROWN_HEIGHT,
            "crown above the deck",
            Purpose.DEPTH,
            spots=("1a",),
            angles_deg={"a": 0},
            planned=False,
            small=True,
            signed=True,
            drawing=Drawing.PISTON,
            hold="at top dead centre, over the pin; minus is below the deck",
            judged_by=("crown_spread",),
            plane_names=("crown",),
        ),
        FeatureKind(
            WEIGHT,
            "weight",
            Purpose.WEIGHT,
            spots=("1a",),
            angles_deg={"a": 0},
            planned=False,
            quantity=Quantity.MASS,
            drawing=Drawing.PISTON,
            hold="clean and dry, with its pin and clips, without rings",
            judged_by=("weight_spread",),
            plane_names=("piston and pin",),
        ),
    ),
    sets={SET: "Pistons"},
    looks=LOOKS,
    first_looks=(SCUFF, LANDS, CROWN),
    # Source: docs/trade: What work makes stale, common practice.
    stale_after={
        OperationKind.PISTON_WORK: (*GROOVES, SKIRT, FOOT, WEIGHT, PIN_BORE),
        OperationKind.PINS: (PIN, PIN_BORE, SMALL_END, WEIGHT),
        OperationKind.DECK: (CROWN_HEIGHT,),
    },
    look_again={OperationKind.PISTON_WORK: (GROOVE_LOOK, PIN_BORES), OperationKind.PINS: (PIN_FEEL, CLIPS)},
    figures=FIGURES,
    made=MADE,
    actions=("reuse", "fit to another bore", "re-pin or bush", "regroove", "refer", "replace"),
    check=lambda limits: faults_of_pistons(limits),
    questions=lambda limits, say: questions_of_pistons(limits, say),
    done_to={OperationKind.PISTON_WORK: (SET,), OperationKind.PINS: (SET,), OperationKind.DECK: ("block",)},
    spare=_spare,
    piece_names=lambda number: (f"piston-s{number}",),
)
#: A clearance of a piston larger than this is a slip of the decimal point: 0.03 in. Source: common practice.
WIDEST = Length(762_000)


def faults_of_pistons(limits: SetLimits) -> tuple[str, ...]:
    """What does not hang together in the limits of pistons, in words."""
    found = []
    size = limits.band("size")
    if size is None:
        found.append("the size of the pistons when new is needed, from least to most")
    elif size.least <= ZERO:
        found.append("the piston size must be more than nothing")
    clearance = limits.band("clearance")
    if clearance is not None and clearance.most > WIDEST:
        found.append("the clearance is more than 0.03 in: check the decimal point")
    for key, name in (("clearance_worn", "clearance in a worn bore"), ("collapse", "skirt collapse"),
                      ("pin_clearance", "clearance of the pin"),
                      ("groove_clearance", "ring in its groove")):  # fmt: skip
        figure = limits.figure(key)
        if figure is not None and figure.value > WIDEST:
            found.append(f"the {name} is more than 0.03 in: check the decimal point")
    height = limits.figure("gauge_height")
    if height is not None and "datum" not in limits.made:
        found.append("say from which datum the height of the gauge point counts")
    known = {figure.key for figure in FIGURES}
    if unknown := sorted(limits.figures.keys() - known):
        found.append(f"pistons have no figure {', '.join(unknown)}")
    return tuple(found)


#: A piston clearance of more than this for each unit of bore is hardly any engine's: 0.0025, twice what forged
#: pistons have. Source: common practice, no source.
HARDLY_PER_UNIT = (25, 10_000)


def questions_of_pistons(limits: SetLimits, _say: Notation) -> tuple[tuple[str, str], ...]:
    """What is odd in the limits of pistons: a clearance in thou where tenths are usual.

    Rule:    sets.sheet-questions.   Source: docs/trade: Piston clearance.
    """
    size, clearance = limits.band("size"), limits.band("clearance")
    top, bottom = HARDLY_PER_UNIT
    if size is None or clearance is None or clearance.most.nm * bottom <= size.most.nm * top:
        return ()
    return (("clearance", "That is several times what pistons of this size have. Were tenths meant, not thou?"),)
