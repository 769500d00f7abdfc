"""What is seen of an oil pump, and what each answer does to it."""

from __future__ import annotations

from halfthou.looks import GOOD, Answer, Does, Effect, LookKind, Where, good, harmless, holds, kept
from halfthou.verdicts import Action

HOUSING, GEARS, DRIVE, DRY = "pump housing", "gears or rotors", "drive", "inside"
RELIEF, SCREEN, PICKUP_SEAL, METAL = "relief valve", "screen", "seal at the pickup", "metal"
WHOSE, PRIMED, ENGAGED = "which pump", "priming", "drive in mesh"
SCORED, NAIL, CRACKED = "scored, nail runs clear", "scored, nail catches", "cracked"
BLUED, CHIPPED = "blued", "chipped"
TWISTED, BROKEN, LOOSE = "tang twisted", "broken or rounded off", "loose"
DRY_INSIDE, METAL_FOUND, FOREIGN, YES, NOT_YET = "dry", "metal found", "foreign pump", "yes", "not yet"
STUCK, OPEN, SHUT, CHIP = "plunger stuck", "stuck open", "stuck shut", "chip in it"
RELIEF_SCORED, SPRING_BAD = "plunger scored", "spring broken or packed out"
SEAL_RIGHT, TUBE = "as the new one", "tube cracked or loose"
SEAL_WRONG = ("too thick", "too thin", "hard", "doubled", "wrong kind", "missing")
_ON = ("oil pump",)
_A = Answer
_EYE = "pump.eye"
_FOREIGN = (
    Effect(
        Does.REFERS,
        _EYE,
        "Not this engine's pump: find out what it is made for before anything of it is used.",
    ),
)
_HOUSING = (Effect(Does.REJECTS, _EYE, "Housing {0}: rejected by eye. Measuring adds nothing."),)
_SOLD = "gears sold: yes"
_GEARS = (
    Effect(
        Does.REMEDY,
        "pump.new-gears",
        "Gears or rotors {0}: rejected by eye. New ones go into a measured body.",
        Action.NEW_PARTS,
        when=_SOLD,
    ),
    Effect(Does.REJECTS, _EYE, "Gears or rotors {0}: rejected by eye. Measuring adds nothing.", unless=_SOLD),
)
_DRIVE = (
    Effect(
        Does.REJECTS,
        _EYE,
        "Drive {0}: the pump jammed and the drive went on. Rejected by eye; find what jammed it.",
    ),
)
_DRIVE_LOOSE = (Effect(Does.REFERS, _EYE, "Drive loose: it may let go at any start. Refer it."),)
_MEASURED = (Effect(Does.ADVISES, "pump.clearance", "{0}: what it measures decides."),)
_DRY = (
    Effect(Does.ADVISES, _EYE, "Dry inside: it was never primed. Advice: look for scores before it is measured."),
)
_RELIEF = (
    Effect(
        Does.REMEDY,
        "pump.relief",
        "Relief valve: {0}. What the oil pressure was says nothing, and grit went round.",
        Action.NEW_PARTS,
    ),
)
_JAMMED = holds("Find what jammed it before it is measured.")
_SCREEN = holds("Where it came from is found before the engine is closed.", "pump.pickup")
_SEAL = holds("Air gets in, the oil foams, the pressure wanders. Fit the right one.", "pump.seal")
_TUBE = holds("Air gets in, the pressure wanders. Mend it, press it again.", "pump.pickup")
_METAL = (Effect(Does.SUSPECTS, "pump.suspect"),)
_FLOUR = "A trace of metal, fine as flour: an engine running in leaves as much."
_TORN = (*holds("A new pickup: what went through it went through the pump.", "pump.pickup"), *_METAL)
LOOKS = (
    LookKind(
        HOUSING,
        name="Pump body",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=5,
        bench=True,
        answers=(
            _A("smooth", (), ("pump.scored",), does=GOOD),
            _A(SCORED, ("pump.scored",), does=_MEASURED),
            _A(NAIL, ("pump.scored",), does=_HOUSING),
            _A(CRACKED, ("pump.scored",), does=_HOUSING),
        ),
    ),
    LookKind(
        GEARS,
        name="Pump gears or rotors",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=5,
        bench=True,
        answers=(
            _A("sound", (), ("pump.blued",), does=GOOD),
            _A("scored", ("pump.scored",), does=_MEASURED),
            _A(BLUED, ("pump.blued",), does=_GEARS),
            _A(CHIPPED, ("pump.jammed",), does=_GEARS),
        ),
    ),
    LookKind(
        DRIVE,
        name="Pump drive: tang, hex or chain",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=5,
        bench=True,
        answers=(
            _A("sound", ("drive.whole",), ("drive.broken",), does=GOOD),
            _A(LOOSE, ("drive.broken",), does=_DRIVE_LOOSE),
            _A(TWISTED, ("drive.broken",), does=_DRIVE),
            _A(BROKEN, ("drive.broken",), does=_DRIVE),
        ),
    ),
    LookKind(
        DRY,
        name="Pump opened: wet or dry",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=10,
        bench=True,
        lost_by="wash.pump",
        answers=(_A("wet with oil", (), ("pump.dry",), does=GOOD), _A(DRY_INSIDE, ("pump.dry",), does=_DRY)),
    ),
    LookKind(
        RELIEF,
        name="Relief plunger, before it is moved",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=5,
        bench=True,
        test=True,
        lost_by="wash.pump",
        answers=(
            _A("falls by its own weight", ("relief.free",), ("relief.stuck",), does=GOOD),
            *(_A(text, does=_RELIEF) for text in (RELIEF_SCORED, SPRING_BAD)),
            _A(SHUT, ("relief.shut",), does=_RELIEF),
            *(_A(text, ("relief.stuck",), does=_RELIEF) for text in (STUCK, OPEN, CHIP)),
        ),
    ),
    LookKind(
        SCREEN,
        name="Screen, before it is cleaned",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pan.off",
        minutes=5,
        bench=True,
        lost_by="wash.pan",
        how="Photograph it where it lies; hold it to the light.",
        answers=(
            _A("clear", ("screen.clear",), ("screen.blocked", "debris.carbon"), does=GOOD),
            _A("torn", ("dirt.in-oil",), does=_TORN),
            _A("metal in it", ("bearings.gone",), does=(*_SCREEN, *_METAL)),
            *(_A(text, ("screen.blocked",), does=_SCREEN) for text in ("part blocked", "blocked")),
        ),
    ),
    LookKind(
        PICKUP_SEAL,
        name="Pickup seal beside a new one",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pickup.off",
        minutes=10,
        bench=True,
        lost_by="wash.pan",
        how="Section measured; does it go on without force? Tube pressed under water.",
        answers=(
            _A(SEAL_RIGHT, ("seal.sound",), ("seal.wrong",), does=GOOD),
            *(_A(text, ("seal.wrong",), does=_SEAL) for text in SEAL_WRONG),
            _A(TUBE, ("seal.wrong",), does=_TUBE),
        ),
    ),
    LookKind(
        METAL,
        (
            *good("none found"),
            *harmless(_FLOUR, "a trace, fine as flour"),
            _A(METAL_FOUND, ("bearings.gone",), does=_METAL),
        ),
        _ON,
        bench=True,
    ),
    LookKind(WHOSE, (*good("its own"), _A(FOREIGN, does=_FOREIGN)), _ON, bench=True),
    LookKind(PRIMED, (*good(YES), *kept(NOT_YET)), _ON, bench=True),
    LookKind(ENGAGED, (*good(YES), *kept(NOT_YET)), _ON, bench=True),
    LookKind(
        "pump turns",
        name="Pump turned by hand",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=3,
        test=True,
        answers=(
            _A("spins free", (), ("pump.jammed",), does=GOOD),
            _A("with play", does=_MEASURED),
            _A("jammed", ("pump.jammed",), does=_JAMMED),
        ),
    ),
    LookKind(
        "pump measured",
        name="Pump measured",
        on=_ON,
        where=Where.SUPPLY,
        opened_by="pump.off",
        minutes=30,
        how="At the bench: end, tip, backlash.",
        reads=("pump.beyond", "pump.within"),
    ),
)
