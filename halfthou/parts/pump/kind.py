"""The oil pump as a kind of part: what is read and seen of it by its kind of gears, what work does to it."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from halfthou.amounts import Quantity
from halfthou.engines import Drawing, Expected, FeatureKind, PartKind, Place, SheetFigure, SheetMade, StationDrawing
from halfthou.jobs import Layout, LimitsSheet, OperationKind, Purpose, SetLimits, SetName
from halfthou.lengths import ZERO, Length
from halfthou.parts.pump.looks import (
    CHIP,
    DRIVE,
    ENGAGED,
    GEARS,
    HOUSING,
    LOOKS,
    METAL,
    OPEN,
    PRIMED,
    RELIEF,
    RELIEF_SCORED,
    SHUT,
    SPRING_BAD,
    STUCK,
    WHOSE,
)

SET = SetName.PUMP.value
SPUR, GEROTOR, VANE = "spur gears", "gerotor", "vane"
END, TIP, BACKLASH = "end clearance", "tip clearance", "backlash"
ROTOR_TIP, ROTOR_BODY, VANE_SLOT = "rotor tip", "rotor to body", "vane in its slot"
DEPTH, HEIGHT = "body depth", "gear height"
COVER, FLATNESS = "cover wear", "cover flatness"
SHAFT, SHAFT_BORE = "shaft", "shaft bore"
PLUNGER, PLUNGER_BORE = "relief plunger", "plunger bore"
SPRING, LOAD, OPENS_AT, PLAY = "spring length", "spring load", "opening pressure", "drive play"
PICKUP, SEAL, NEW_SEAL = "pickup to pan", "pickup seal", "new seal"
#: Which features belong to which kind of pump; the rest belong to all.
OWN_KIND: Mapping[str, tuple[str, ...]] = {
    TIP: (SPUR,),
    BACKLASH: (SPUR,),
    ROTOR_TIP: (GEROTOR,),
    ROTOR_BODY: (GEROTOR,),
    VANE_SLOT: (VANE,),
}

#: What of a relief valve is mended with new parts in it.
RELIEF_BAD = (STUCK, OPEN, SHUT, CHIP, RELIEF_SCORED, SPRING_BAD)
SCREEN_BAD = ("metal in it", "part blocked", "blocked", "torn")


FIGURES = (
    SheetFigure("end_clearance", "End clearance, most", needed=True),
    SheetFigure("end_new", "End clearance when new", is_band=True),
    SheetFigure("gasket", "Cover gasket, compressed, where one is fitted"),
    SheetFigure("tip_clearance", "Gear tips to body, radial, most"),
    SheetFigure("backlash", "Backlash, most"),
    SheetFigure("rotor_tip", "Inner to outer rotor at the tip, most"),
    SheetFigure("rotor_body", "Outer rotor to body, most"),
    SheetFigure("vane_slot", "Vane in its slot, most"),
    SheetFigure("cover_wear", "Cover wear, most"),
    SheetFigure("cover_flatness", "Cover out of flat, most"),
    SheetFigure("shaft_clearance", "Shaft in its bore, most"),
    SheetFigure("plunger_clearance", "Relief plunger in its bore, most"),
    SheetFigure("spring_length", "Relief spring, free length", is_band=True),
    SheetFigure("spring_load", "Relief spring, load at its fitted length", is_band=True, quantity=Quantity.FORCE),
    SheetFigure("opening_pressure", "Relief valve opens at", is_band=True, quantity=Quantity.PRESSURE),
    SheetFigure("drive_play", "Play of the drive", is_band=True, quantity=Quantity.ANGLE),
    SheetFigure("pickup_depth", "Pickup to pan", is_band=True),
    SheetFigure("seal_section", "Pickup seal, section when new", is_band=True),
    SheetFigure("seal_groove", "Pickup seal, depth of its groove"),
    SheetFigure("gear_module", "Gears, module"),
    SheetFigure("gear_breadth", "Gears, breadth"),
    SheetFigure("leak_breadth", "Leak path at the gear faces, breadth"),
    SheetFigure("leak_length", "Leak path at the gear faces, length"),
)
#: How a sheet gives the limit of a rotor that floats in its body: all of its play, or half of it.
AT_ONE_SIDE, RADIAL = "as the feeler shows it, at one side", "radial, half of what the feeler shows"
MADE = (
    SheetMade("kind", "Kind of pump", (SPUR, GEROTOR, VANE)),
    SheetMade("rotor limit", "Limit of the outer rotor is given", (AT_ONE_SIDE, RADIAL)),
    SheetMade("drive", "Driven by", ("shaft", "crank", "chain")),
    SheetMade("gears sold", "Gears or rotors sold by themselves", ("yes", "no")),
    SheetMade("teeth", "Teeth on each gear", free=True),
    SheetMade("viscosity", "Oil when hot, in mPa s", free=True),
    SheetMade("pump number", "Pump, part number", free=True),
)
#: Which limit each feature is held to. What the sheet asks nothing of need not be read.
LIMIT_OF: Mapping[str, str] = {
    END: "end_clearance",
    DEPTH: "end_clearance",
    HEIGHT: "end_clearance",
    TIP: "tip_clearance",
    BACKLASH: "backlash",
    ROTOR_TIP: "rotor_tip",
    ROTOR_BODY: "rotor_body",
    VANE_SLOT: "vane_slot",
    COVER: "cover_wear",
    FLATNESS: "cover_flatness",
    SHAFT: "shaft_clearance",
    SHAFT_BORE: "shaft_clearance",
    PLUNGER: "plunger_clearance",
    PLUNGER_BORE: "plunger_clearance",
    SPRING: "spring_length",
    LOAD: "spring_load",
    OPENS_AT: "opening_pressure",
    PLAY: "drive_play",
    PICKUP: "pickup_depth",
    SEAL: "seal_section",
    NEW_SEAL: "seal_section",
}
#: What has to be judged of every pump, and of each kind of it. Source: common practice, no source.
NEEDED: Mapping[str, tuple[str, ...]] = {
    SPUR: (END, TIP, BACKLASH),
    GEROTOR: (END, ROTOR_TIP, ROTOR_BODY),
    VANE: (END, VANE_SLOT),
}
#: A clearance of a pump allowed to be more than this is a slip of the decimal point: 0.03 in.
#: Source: common practice, no source.
WIDEST = Length(762_000)
_CLEARANCES = ("end_clearance", "tip_clearance", "backlash", "rotor_tip", "rotor_body", "vane_slot", "cover_wear",
               "cover_flatness", "shaft_clearance", "plunger_clearance")  # fmt: skip


def pump_kind(limits: SetLimits) -> str:
    """What kind of pump the sheet says it is; spur gears where it says nothing."""
    return limits.made.get("kind", SPUR)


def _has(limits: SetLimits, feature: str) -> bool:
    kind = pump_kind(limits)
    return kind in OWN_KIND.get(feature, (kind,))


def _faults(limits: SetLimits) -> tuple[str, ...]:
    found = []
    for figure in FIGURES:
        limit = limits.figure(figure.key)
        if figure.key in _CLEARANCES and limit is not None and not ZERO < limit.value <= WIDEST:
            found.append(
                f"{figure.label.lower()}: it must lie between nothing and 0.03 in: check the decimal point"
            )
    if limits.figure("end_clearance") is None:
        found.append("the most the end clearance may be is needed")
    known = {figure.key for figure in FIGURES}
    if unknown := sorted(limits.figures.keys() - known):
        found.append(f"a pump has no figure {', '.join(unknown)}")
    return tuple(found)


def _parts(_layout: Layout) -> tuple[Place, ...]:
    return (Place("pump", "oil pump", SET, "Oil pump", "Pump"),)


def _spare(name: str) -> Place | None:
    if not name.startswith("pump-"):
        return None
    number = name.removeprefix("pump-").upper()
    return Place(name, "oil pump", SET, f"Oil pump {number}", f"Pump {number}", spare=True)


def _about(key: str) -> Callable[[LimitsSheet, str], Expected | None]:
    """What a size can be, where the sheet has a band of it: a fifth either way, so that a slip is asked about."""

    def expected(sheet: LimitsSheet, one: str) -> Expected | None:
        """The band of the sheet, a fifth wider either way."""
        limits = sheet.sets.get(one)
        band = limits.band(key) if limits is not None else None
        if band is None:
            return None
        low, high = band.least.nm * 4 // 5, band.most.nm * 6 // 5
        return Expected(((low, high),), band.most.nm - band.least.nm, high - low, band.most)

    return expected


def _gap(key: str, name: str, *places: str, planned: bool = False, hold: str = "") -> FeatureKind:
    letters = "ab"[: len(places) or 1]
    return FeatureKind(
        key,
        name,
        Purpose.GAP,
        spots=tuple(f"1{letter}" for letter in letters),
        angles_deg={letter: 90 * n for n, letter in enumerate(letters)},
        planned=planned,
        small=True,
        may_be_nothing=True,
        drawing=Drawing.PUMP,
        hold=hold or "the thickest leaf that goes without force",
        angle_names={90 * n: place for n, place in enumerate(places)},
        plane_names=(name,),
        judged_by=(LIMIT_OF[key],),
    )


#: Shafts and plungers of pumps are about so thick: 1/2 in. Source: common practice, no source.
SHAFT_ABOUT, SEAL_ABOUT = Length(12_700_000), Length(2_600_000)


def _size(key: str, purpose: Purpose, hold: str, *, hole: bool = False) -> FeatureKind:
    return FeatureKind(
        key,
        key,
        purpose,
        spots=("1a", "1b"),
        angles_deg={"a": 0, "b": 90},
        planned=False,
        hole=hole,
        drawing=Drawing.PUMP,
        hold=hold,
        plane_names=(key,),
        angle_names={0: "along", 90: "across"},
        judged_by=(LIMIT_OF[key],),
        about=SHAFT_ABOUT if purpose is not Purpose.DEPTH else None,
    )


def _one(
    key: str, purpose: Purpose, hold: str, quantity: Quantity = Quantity.LENGTH, about: str = ""
) -> FeatureKind:
    return FeatureKind(
        key,
        key,
        purpose,
        spots=("1a",),
        angles_deg={"a": 0},
        planned=False,
        small=quantity is Quantity.LENGTH and not about,
        may_be_nothing=quantity is Quantity.ANGLE,
        quantity=quantity,
        most=Length(50_000_000) if quantity is Quantity.LENGTH and not about else None,
        drawing=Drawing.PUMP,
        hold=hold,
        plane_names=(key,),
        judged_by=(LIMIT_OF[key],),
        about=SEAL_ABOUT if purpose is Purpose.JOURNAL else None,
        expected=_about(about) if about else lambda _sheet, _one: None,
    )


_INNER = (END, TIP, BACKLASH, ROTOR_TIP, ROTOR_BODY, VANE_SLOT, DEPTH, HEIGHT, COVER, FLATNESS, SHAFT, SHAFT_BORE,
          PLUNGER, PLUNGER_BORE, SPRING, LOAD, OPENS_AT, PLAY)  # fmt: skip

PUMP = PartKind(
    key="oil pump",
    name="Oil pump",
    station="pump",
    station_drawing=StationDrawing.PUMP,
    parts=_parts,
    features=(
        _gap(END, END, "first gear", "second gear", planned=True, hold="straightedge across the body, no gasket"),
        _gap(TIP, "gear tips to body", "driving gear", "driven gear", hold="between tip and body, gears in place"),
        _gap(BACKLASH, "backlash"),
        _gap(ROTOR_TIP, "inner to outer rotor", hold="tip against tip, the narrowest place"),
        _gap(ROTOR_BODY, "outer rotor to body, one side", hold="rotor pushed over to the other side"),
        _gap(VANE_SLOT, "vane in its slot"),
        _size(DEPTH, Purpose.DEPTH, "from the joint face to the bottom"),
        _size(HEIGHT, Purpose.JOURNAL, "gear or rotor between the anvils"),
        _gap(COVER, "cover wear", hold="straightedge across the tracks of the gears"),
        _gap(FLATNESS, "cover out of flat", hold="straightedge corner to corner"),
        _size(SHAFT, Purpose.JOURNAL, "where it runs in the body"),
        _size(SHAFT_BORE, Purpose.BORE, "rock it: least along, most across", hole=True),
        _size(PLUNGER, Purpose.JOURNAL, "where it runs in its bore"),
        _size(PLUNGER_BORE, Purpose.BORE, "rock it: least along, most across", hole=True),
        _one(SPRING, Purpose.DEPTH, "stood free on a plate", about="spring_length"),
        _one(LOAD, Purpose.FORCE, "pressed to its fitted length", Quantity.FORCE),
        _one(OPENS_AT, Purpose.PRESSURE, "on the test stand, oil warm", Quantity.PRESSURE),
        _one(PLAY, Purpose.ANGLE, "shaft held, drive turned to and fro", Quantity.ANGLE),
        _one(PICKUP, Purpose.DEPTH, "pan on with its gasket, clay or depth gauge"),
        _one(SEAL, Purpose.JOURNAL, "section of the seal that came off, not squeezed"),
        _one(NEW_SEAL, Purpose.JOURNAL, "section of the seal to be fitted"),
    ),
    sets={SET: "Oil pump"},
    looks=LOOKS,
    first_looks=(HOUSING, GEARS, DRIVE, RELIEF, METAL, WHOSE),
    # Source: docs/trade: What work makes stale, common practice.
    stale_after={
        OperationKind.PUMP_WORK: _INNER,
        OperationKind.LAP_COVER: (END, COVER, FLATNESS),
    },
    look_again={OperationKind.PUMP_WORK: (HOUSING, GEARS, RELIEF, PRIMED, ENGAGED)},
    figures=FIGURES,
    made=MADE,
    needed=lambda limits: NEEDED.get(pump_kind(limits), ()),
    has=_has,
    actions=("reuse", "lap cover", "new parts in it", "refer", "replace"),
    check=_faults,
    done_to={OperationKind.PUMP_WORK: (SET,), OperationKind.LAP_COVER: (SET,)},
    spare=_spare,
    piece_names=lambda number: (f"pump-s{number}",),
)
