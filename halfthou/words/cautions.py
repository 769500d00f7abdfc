"""Cautions that stand beside the work they belong to. Source: docs/trade: Cautions, common practice."""

from __future__ import annotations

from halfthou.jobs import Document, OperationKind
from halfthou.verdicts import Action


class Caution(Document):
    """What can hurt, what to do about it, and whose word goes first."""

    work: str
    say: str
    defer_to: str


GRINDING = Caution(
    work="Grinding",
    say="Guard on, eyes covered, wheel ring-tested, no gloves near the spindle. Keep out of the mist.",
    defer_to="A trained grinder, the wheel maker and local wheel-guard rules.",
)
LIFTING = Caution(
    work="Lifting the crank",
    say="Rated sling and points, balance checked, nobody under it.",
    defer_to="Local lifting rules.",
)
CRACK_TEST = Caution(
    work="Crack test",
    say="Ultraviolet light, solvents and magnetism: shield eyes, air the room, keep pacemakers away.",
    defer_to="A certified inspector reads the result.",
)
POLISHING = Caution(
    work="Polishing",
    say="Loose sleeves and gloves off; the belt or tape takes fingers round the journal.",
    defer_to="The machine's manual.",
)
WASHING = Caution(
    work="Washing and blowing out oilways",
    say="Solvents burn and hot caustic blinds. Air below 2 bar, eyes covered, plugs out.",
    defer_to="Safety data sheets and site rules.",
)
FITTING = Caution(
    work="Fitting",
    say="Torque and order of the caps from the maker's manual; check each clearance before closing.",
    defer_to="The maker's manual.",
)
STRAIGHTENING = Caution(
    work="A crank that got hot",
    say="It may be bent, soft or cracked. A part pressed straight can snap.",
    defer_to="A specialist; hardness and crack test before any grinding.",
)
PRESSING = Caution(
    work="Straightening cold",
    say="A shaft under the press snaps and its pieces fly: shielded, nobody in line, pressed little by little.",
    defer_to="Somebody trained for it, or a specialist; the press maker's manual.",
)

HEATING = Caution(
    work="Heat treatment",
    say="Salt baths and hot parts burn; fumes are poison. Keep water away from molten salt.",
    defer_to="The treatment shop; its safety data sheets.",
)
BORING = Caution(
    work="Line honing and resizing",
    say="Guards on, eyes covered, no gloves near the spindle; a cap let go flies.",
    defer_to="A trained machinist and the machine's manual.",
)

BLOCK_BORING = Caution(
    work="Boring and honing",
    say="Block clamped, guards on, eyes covered, no gloves near spindle or stones. Keep out of the oil mist.",
    defer_to="A trained machinist and the machine's manual.",
)
BLOCK_LIFTING = Caution(
    work="Lifting the block",
    say="Rated sling and points, balance checked, nobody under it.",
    defer_to="Local lifting rules.",
)
PRESSURE_TEST = Caution(
    work="Pressure test",
    say="Plates and hoses shielded, pressure raised slowly, nobody in line of a plate. Hot water scalds.",
    defer_to="The tester's manual and site rules.",
)
SLEEVING = Caution(
    work="Fitting sleeves",
    say="Cold gas and heat burn, and cold gas takes the air: gloves, face shield, open doors. A press lets go.",
    defer_to="A trained machinist; the sleeve maker's fit.",
)

RING_FILING = Caution(
    work="Filing rings",
    say="Eyes covered; rings break and cut. File one end, square, towards the inside; take the burr off.",
    defer_to="The ring maker's sheet.",
)
PISTON_PINS = Caution(
    work="Pins and pistons",
    say="Heated pistons burn and presses let go. Lock clips fly: eyes covered, and see each one seated.",
    defer_to="The maker's manual; a trained machinist.",
)
PUMP_OPEN = Caution(
    work="Opening and testing the pump",
    say="The relief spring is under load: hold the plug, face out of line. Oil under pressure cuts skin.",
    defer_to="The maker's manual.",
)
LAPPING = Caution(
    work="Lapping a cover",
    say="Gloves; flat plate and paste, and every grain washed out before it is closed.",
    defer_to="The maker's manual.",
)

HOT_OIL = Caution(
    work="Draining",
    say="Hot oil and water burn: let it stand, gloves and eyes. Used oil stays off the skin and goes to recycling.",
    defer_to="Safety data sheets and local waste rules.",
)
ENGINE_LIFTING = Caution(
    work="Lifting the engine",
    say="Rated sling and points, balance checked, nobody under it; the stand rated for its weight, locked.",
    defer_to="Local lifting rules and the stand's maker.",
)
SPRINGS = Caution(
    work="Springs and covers under load",
    say="Compressor tool, face out of line. Let a cover off by its long screws, turn about.",
    defer_to="The maker's manual.",
)
OLD_GASKETS = Caution(
    work="Old gaskets and clutch dust",
    say="Made before about 1990 they may hold asbestos: keep wet, do not scrape, sand or blow.",
    defer_to="Licensed removal and local rules.",
)
TURNING = Caution(
    work="Turning the engine",
    say="Plugs or injectors out, fuel and battery off, hands clear of belts, gears and cylinders.",
    defer_to="The maker's manual.",
)
AIR = Caution(
    work="Air in a cylinder",
    say="It throws the crank round: bar off the nose, hands clear, eyes covered, below 2 bar to blow out.",
    defer_to="The tester's manual and site rules.",
)

FUEL = Caution(
    work="Fuel and injection",
    say="Let the pressure down first: fuel under pressure goes through skin. No flame, no spark, nothing hot near.",
    defer_to="The maker's manual and site rules.",
)
CLAMPED = Caution(
    work="Liners and barrels without their head",
    say="Held down before the crank turns: one that lifts drops its seals and cuts fingers.",
    defer_to="The maker's manual.",
)
HEAVY = Caution(
    work="Cases, bedplates and carriers",
    say="Two people or a sling; part the faces with their screws, never with a wedge; hands out of the joint.",
    defer_to="Local lifting rules and the maker's manual.",
)

_BY_ACTION = {
    Action.REUSE: (FITTING,),
    Action.POLISH: (POLISHING, WASHING, FITTING),
    Action.FIT_UNDERSIZE: (WASHING, FITTING),
    Action.REGRIND: (LIFTING, CRACK_TEST, GRINDING, WASHING),
    Action.STRAIGHTEN: (LIFTING, PRESSING, CRACK_TEST),
    Action.FIT_WASHERS: (FITTING,),
    Action.LINE_HONE: (BLOCK_LIFTING, BLOCK_BORING, WASHING),
    Action.HONE: (BLOCK_BORING, WASHING),
    Action.REBORE: (BLOCK_LIFTING, PRESSURE_TEST, BLOCK_BORING, WASHING),
    Action.SLEEVE: (BLOCK_LIFTING, PRESSURE_TEST, SLEEVING, BLOCK_BORING, WASHING),
    Action.REFER: (STRAIGHTENING, CRACK_TEST),
    Action.REPLACE: (LIFTING,),
    Action.MEASURE: (),
    Action.FILE: (RING_FILING, FITTING),
    Action.MOVE: (PISTON_PINS, FITTING),
    Action.REPIN: (PISTON_PINS, WASHING),
    Action.REGROOVE: (PISTON_PINS, WASHING),
    Action.LAP: (LAPPING, WASHING),
    Action.NEW_PARTS: (PUMP_OPEN, WASHING),
}


#: Of a block: what is to be looked at by somebody else is cracked or leaks, and lifting it is the work.
_OF_A_BLOCK = {Action.REFER: (CRACK_TEST, PRESSURE_TEST), Action.REPLACE: (BLOCK_LIFTING,)}


_OF_A_PUMP = {
    Action.REUSE: (PUMP_OPEN, WASHING),
    Action.REPLACE: (PUMP_OPEN,),
    Action.REFER: (PUMP_OPEN,),
    Action.MEASURE: (PUMP_OPEN,),
}
_OF_A_PISTON = {
    Action.REUSE: (PISTON_PINS, FITTING),
    Action.REPLACE: (PISTON_PINS,),
    Action.REFER: (PISTON_PINS, CRACK_TEST),
    Action.MEASURE: (),
}


def cautions_of_piece(action: Action, *, pump: bool) -> tuple[Caution, ...]:
    """The cautions to show where this action is proposed for a pump, or for a piston or ring."""
    own = (_OF_A_PUMP if pump else _OF_A_PISTON).get(action)
    return _BY_ACTION[action] if own is None else own


def cautions_for(action: Action, *, block: bool = False) -> tuple[Caution, ...]:
    """The cautions to show where this action is proposed, for a shaft or for a block."""
    return _OF_A_BLOCK.get(action, _BY_ACTION[action]) if block else _BY_ACTION[action]


_BY_WORK = {
    OperationKind.GRIND: (LIFTING, CRACK_TEST, GRINDING, WASHING),
    OperationKind.POLISH: (POLISHING, WASHING),
    OperationKind.STRAIGHTEN: (PRESSING, CRACK_TEST),
    OperationKind.HEAT_TREAT: (LIFTING, HEATING),
    OperationKind.LINE_HONE: (BORING, WASHING),
    OperationKind.STUDS: (FITTING,),
    OperationKind.TORQUE_CHANGED: (FITTING,),
    OperationKind.RESIZE_RODS: (BORING, WASHING),
    OperationKind.NEW_SHELLS: (FITTING,),
    OperationKind.FINAL_WASH: (LIFTING, WASHING),
    OperationKind.DECK: (BLOCK_LIFTING, BLOCK_BORING),
    OperationKind.BLOCK_STUDS: (FITTING,),
    OperationKind.LIGHT_HONE: (BLOCK_BORING, WASHING),
    OperationKind.BORE: (BLOCK_LIFTING, BLOCK_BORING, WASHING),
    OperationKind.SLEEVE: (BLOCK_LIFTING, SLEEVING),
    OperationKind.FILE_RINGS: (RING_FILING,),
    OperationKind.PISTON_WORK: (PISTON_PINS, WASHING),
    OperationKind.PINS: (PISTON_PINS,),
    OperationKind.PUMP_WORK: (PUMP_OPEN, WASHING),
    OperationKind.LAP_COVER: (LAPPING, WASHING),
}


def cautions_of_work(kind: OperationKind) -> tuple[Caution, ...]:
    """The cautions to show where this work is written down."""
    return _BY_WORK[kind]


_BY_LOOK = {
    "turn": (TURNING,),
    "oil drained": (HOT_OIL,),
    "filter": (HOT_OIL,),
    "starter pressure": (TURNING,),
    "plug holes": (TURNING,),
    "leak-down": (AIR, TURNING),
    "coolant test": (PRESSURE_TEST,),
    "valve covers": (SPRINGS,),
    "heads": (ENGINE_LIFTING, OLD_GASKETS, TURNING),
    "deck": (OLD_GASKETS,),
    "screen": (HOT_OIL, ENGINE_LIFTING),
    "one rod": (TURNING,),
    "all rods": (TURNING,),
    "pump open": (PUMP_OPEN,),
    "pistons": (TURNING,),
    "crank": (LIFTING,),
    "crack test": (CRACK_TEST,),
}


def cautions_of_look(look: str) -> tuple[Caution, ...]:
    """The cautions to show where this look is named."""
    return _BY_LOOK.get(look, ())
