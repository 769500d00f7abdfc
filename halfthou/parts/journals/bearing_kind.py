"""Bearings as a kind of part: one to each main, one to each rod. They are judged with the journal that lies in
them."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Drawing, Expected, FeatureKind, PartKind, Place, StationDrawing, described, short_name
from halfthou.jobs import Feature, Layout, LimitsSheet, Material, OperationKind, Purpose
from halfthou.lengths import Length
from halfthou.parts.journals.kind import FLOOR_NM
from halfthou.parts.journals.limits import limits_of
from halfthou.parts.tunnel import housing_of

#: Bores: two planes, the crown (a) and 60 degrees to either side of it, never on the joint. Walls: the upper half
#: (a) and the lower (b), at the crown. Source: docs/trade: Measuring a bearing, common practice.
BORE_SPOTS, WALL_SPOTS = ("1a", "1b", "1c", "2a", "2b", "2c"), ("1a", "1b")
#: Degrees from the crown at which a bore is read. Source: docs/trade: Measuring a bearing, common practice.
BORE_ANGLES_DEG = {"a": 0, "b": 60, "c": 120}
WALL_ANGLES_DEG = {"a": 0, "b": 180}


def _parts(layout: Layout) -> tuple[Place, ...]:
    return () if described(layout).rollers else tuple(_all(layout))


def _all(layout: Layout) -> Iterator[Place]:
    """The bearings along the shaft. Of a pin that two rods share each has its own; the pin's is for older
    records."""
    for name in layout.shaft:
        short = short_name(name, layout)
        if name[0] == "M":
            called, lies_in = f"Bearing of {name}", housing_of(name)
            yield Place(f"bearing-{name}", "bearing", "mains", called, short, name, rests_on=lies_in)
            continue
        cylinders = layout.pins[int(name[1:]) - 1].cylinders
        for cylinder in (one for one in cylinders if not layout.is_link(one)):
            called = short if len(cylinders) == 1 else f"rod {cylinder}"
            yield Place(
                f"bearing-rod-{cylinder}",
                "bearing",
                "rods",
                f"Bearing of rod {cylinder}",
                called,
                name,
                cylinder=cylinder,
            )
        if len(cylinders) > 1:
            yield Place(
                f"bearing-{name}", "bearing", "rods", f"Bearing of pin {name}, by an older record", short, name
            )


def _housing(sheet: LimitsSheet, one: str) -> Expected | None:
    band = limits_of(sheet, one).housing_bore if one in sheet.sets else None
    return None if band is None else _one_band(sheet, one, ((band.least.nm, band.most.nm),))


def _wall(sheet: LimitsSheet, one: str) -> Expected | None:
    band = limits_of(sheet, one).wall if one in sheet.sets else None
    if band is None:
        return None
    return _one_band(
        sheet, one, tuple((band.least.nm + step // 2, band.most.nm + step // 2) for step in _steps(sheet, one))
    )


def _bearing_bore(sheet: LimitsSheet, one: str) -> Expected | None:
    if one not in sheet.sets:
        return None
    housing, wall = limits_of(sheet, one).housing_bore, limits_of(sheet, one).wall
    if housing is None or wall is None:
        return None
    low, high = housing.least.nm - 2 * wall.most.nm, housing.most.nm - 2 * wall.least.nm
    return _one_band(sheet, one, tuple((low - step, high - step) for step in _steps(sheet, one)))


def _steps(sheet: LimitsSheet, one: str) -> list[int]:
    return sorted({0, *(shell.size.nm for shell in limits_of(sheet, one).shells)})


def _one_band(sheet: LimitsSheet, one: str, bands: tuple[tuple[int, int], ...]) -> Expected:
    apart = max(limits_of(sheet, one).out_of_round.value.nm * 3 // 4, FLOOR_NM)
    return Expected(bands, bands[0][1] - bands[0][0], apart, Length(max(high for _, high in bands)))


def _of_housing(sheet: LimitsSheet, one: str) -> Material:
    return limits_of(sheet, one).housing_material if one in sheet.sets else Material.GREY_IRON


def _bore(key: Feature, expected: object) -> FeatureKind:
    return FeatureKind(
        key.value,
        key.value,
        Purpose.BORE,
        spots=BORE_SPOTS,
        angles_deg=BORE_ANGLES_DEG,
        planned=False,
        caps=True,
        asks={"caps": "caps torqued", **({"plate": "girdle on"} if key is Feature.HOUSING_BORE else {})},
        drawing=Drawing.HOUSING,
        hold="rock it: least along, most across",
        judged_by=("housing_bore",) if key is Feature.HOUSING_BORE else ("clearance",),
        angle_names={0: "at the crown", 60: "60° past the crown", 120: "60° before it"},
        material=_of_housing,
        expected=expected,  # type: ignore[arg-type]
    )


_BORES = (Feature.BEARING_BORE.value, Feature.HOUSING_BORE.value)
BEARING = PartKind(
    key="bearing",
    name="Bearing",
    station="crank",
    station_drawing=StationDrawing.CRANK,
    parts=_parts,
    features=(
        _bore(Feature.BEARING_BORE, _bearing_bore),
        _bore(Feature.HOUSING_BORE, _housing),
        FeatureKind(
            Feature.WALL.value,
            Feature.WALL.value,
            Purpose.WALL,
            judged_by=("clearance",),
            spots=WALL_SPOTS,
            angles_deg=WALL_ANGLES_DEG,
            planned=False,
            expected=_wall,
            drawing=Drawing.SHELL,
            hold="ball anvil, at the crown",
            angle_names={0: "upper", 180: "lower"},
        ),
    ),
    wholes=("crank",),
    stale_after={
        OperationKind.LINE_HONE: _BORES,
        OperationKind.STUDS: _BORES,
        OperationKind.TORQUE_CHANGED: _BORES,
        OperationKind.RESIZE_RODS: _BORES,
        OperationKind.NEW_SHELLS: (Feature.BEARING_BORE.value, Feature.WALL.value),
    },
)
