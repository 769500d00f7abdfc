"""Cylinder bores as a kind of part: where they lie, what is read and seen of them, what work does to them."""

from __future__ import annotations

from halfthou.engines import Drawing, Expected, FeatureKind, PartKind, Place, StationDrawing, Stepped
from halfthou.jobs import (
    DIAMETER,
    Feature,
    Layout,
    LimitsSheet,
    Look,
    Material,
    OperationKind,
    Plan,
    Purpose,
    SetName,
)
from halfthou.lengths import Length
from halfthou.parts.bores.limits import FIGURES, MADE, THICKEST_WALL, BoreLimits, faults_of_bores
from halfthou.parts.bores.looks import LOOKS

#: Three depths by the thrust axis (a) and the pin axis (b). Source: docs/trade: Measuring a bore, common practice.
PLAN = Plan(planes=3, angles_deg=(0, 90))
#: The wall by ultrasound: three heights by four sides. Source: docs/trade: Measuring a bore, common practice.
WALL_SPOTS = tuple(f"{height}{side}" for height in (1, 2, 3) for side in "abcd")
WALL_ANGLES_DEG = {"a": 0, "b": 90, "c": 180, "d": 270}
#: How far bores may be worn and still be what they are taken for: 0.012 in. Source: docs/trade: Measuring a bore.
MOST_WEAR = Length(304_800)
FLOOR_NM = 5_080


def _parts(layout: Layout) -> tuple[Place, ...]:
    banks = {cylinder: bank for bank, cylinders in layout.named_banks for cylinder in cylinders}
    return tuple(
        Place(
            f"bore-{n}",
            "bore",
            SetName.BORES.value,
            f"Bore {n}" + (f", {banks[n]} bank" if banks.get(n) else ""),
            f"Bore {n}",
            cylinder=n,
        )
        for n in range(1, layout.cylinders + 1)
    )


def _limits(sheet: LimitsSheet, one: str) -> BoreLimits | None:
    found = sheet.sets.get(one)
    return None if found is None or found.band("size") is None else BoreLimits(found)


def _expected(sheet: LimitsSheet, one: str) -> Expected | None:
    """The bands of standard and every oversize, each as far up as a bore wears."""
    limits = _limits(sheet, one)
    if limits is None:
        return None
    size, round_limit = limits.size, limits.figure("out_of_round")
    bands = tuple((size.least.nm + step.nm, size.most.nm + step.nm + MOST_WEAR.nm) for step in limits.ladder)
    taper = limits.figure("taper")
    apart = max(
        (round_limit.value.nm if round_limit else 0) + (taper.value.nm if taper else 0), MOST_WEAR.nm // 2, FLOOR_NM
    )
    return Expected(bands, size.most.nm - size.least.nm, apart, size.least, hole=True)


def _wall(_sheet: LimitsSheet, _one: str) -> Expected | None:
    return None


def _material(sheet: LimitsSheet, one: str) -> Material:
    found = sheet.sets.get(one)
    return Material(found.made.get("material", Material.GREY_IRON)) if found is not None else Material.GREY_IRON


_SIZES = (DIAMETER, Feature.BELOW_TRAVEL.value, Feature.ABOVE_TRAVEL.value)
_STATE = {"plate": "plate on", "caps": "main caps torqued"}
#: What a bore is finished by: it is measured as it was honed, caps torqued, the plate on where the house has one.
_FINISHED = (OperationKind.BORE, OperationKind.SLEEVE)


def _single(key: Feature, *, planned: bool) -> FeatureKind:
    return FeatureKind(
        key.value,
        key.value,
        Purpose.BORE,
        spots=("1a",),
        angles_deg={"a": 0},
        planned=planned,
        hole=True,
        asks=_STATE,
        as_finished=_FINISHED,
        drawing=Drawing.BORE,
        hold="rock it: least along, most across",
        plane_names=(key.value.removesuffix(" ring travel"),),
        angle_names={0: "thrust"},
        material=_material,
        judged_by=() if planned else ("ridge",),
        kept_as="the size it has worn from" if planned else "",
        expected=_expected,
    )


PLANS = (
    ("3 depths, thrust and pin (6 readings)", PLAN),
    ("3 depths, 4 angles (12 readings)", Plan(planes=3, angles_deg=(0, 45, 90, 135))),
    ("4 depths, thrust and pin (8 readings)", Plan(planes=4, angles_deg=(0, 90))),
    ("5 depths, 4 angles (20 readings)", Plan(planes=5, angles_deg=(0, 45, 90, 135))),
)

BORE = PartKind(
    key="bore",
    name="Cylinder bore",
    station="block",
    station_drawing=StationDrawing.BLOCK,
    parts=_parts,
    features=(
        FeatureKind(
            DIAMETER,
            "bore",
            Purpose.BORE,
            plan=PLAN,
            hole=True,
            asks=_STATE,
            as_finished=_FINISHED,
            drawing=Drawing.BORE,
            hold="rock it: least along, most across",
            judged_by=("size",),
            plane_names=("top", "middle", "bottom"),
            angle_names={0: "thrust", 90: "pin"},
            material=_material,
            expected=_expected,
        ),
        _single(Feature.BELOW_TRAVEL, planned=True),
        _single(Feature.ABOVE_TRAVEL, planned=False),
        FeatureKind(
            Feature.WALL.value,
            "wall by ultrasound",
            Purpose.WALL,
            spots=WALL_SPOTS,
            angles_deg=WALL_ANGLES_DEG,
            planned=False,
            most=THICKEST_WALL,
            drawing=Drawing.BORE,
            hold="couplant on, square to the wall",
            judged_by=("least_wall",),
            plane_names=("top", "middle", "bottom"),
            angle_names={0: "thrust", 90: "front", 180: "minor thrust", 270: "rear"},
            material=_material,
            expected=_wall,
        ),
    ),
    sets={SetName.BORES.value: "Cylinder bores"},
    wholes=("block",),
    looks=LOOKS,
    first_looks=(Look.BORE_WALL,),
    # Source: docs/trade: What work makes stale, common practice.
    stale_after={
        OperationKind.BORE: (*_SIZES, Feature.WALL.value),
        OperationKind.SLEEVE: (*_SIZES, Feature.WALL.value),
        OperationKind.LIGHT_HONE: _SIZES,
        OperationKind.DECK: _SIZES,
        OperationKind.BLOCK_STUDS: _SIZES,
        OperationKind.FINAL_WASH: _SIZES,
    },
    look_again={
        OperationKind.BORE: (Look.BORE_WALL, Look.RIDGE, Look.CRACK_TEST),
        OperationKind.SLEEVE: (Look.BORE_WALL, Look.RIDGE, Look.CRACK_TEST, Look.COATING, Look.PRESSURE),
        OperationKind.LIGHT_HONE: (Look.BORE_WALL,),
        OperationKind.DECK: (Look.DECK, Look.SQUARE),
    },
    figures=FIGURES,
    made=MADE,
    steps="Oversize pistons",
    step_rings=True,
    stepped=Stepped(
        OperationKind.BORE, "Oversize", "Bore and hone to", "Bored to, over standard", "Pistons", "Boring card"
    ),
    plans=PLANS,
    plan_hint="Four angles where a plate is fitted, the deck was worked on, or the form is in doubt.",
    actions=("reuse", "light hone", "rebore", "sleeve", "refer", "replace"),
    check=faults_of_bores,
    done_to={
        OperationKind.BORE: ("bores",),
        OperationKind.LIGHT_HONE: ("bores",),
        OperationKind.SLEEVE: ("bores",),
        OperationKind.DECK: ("block",),
        OperationKind.BLOCK_STUDS: ("block",),
        OperationKind.FINAL_WASH: ("block",),
    },
)
