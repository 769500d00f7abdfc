"""What is seen of a piston, and what each answer does to it."""

from __future__ import annotations

from halfthou.jobs import SetName
from halfthou.looks import (
    CRACK_TEST_LOOK,
    GOOD,
    Answer,
    Asks,
    Does,
    Effect,
    LookKind,
    Where,
    good,
    harmless,
    holds,
    kept,
)
from halfthou.verdicts import Action

_SET = SetName.PISTONS.value
SCUFF, LANDS, CROWN, GROOVE_LOOK = "skirts", "lands", "crown", "grooves"
PIN_BORES, PIN_FEEL, MADE_FOR, ROD = "pin bores", "pin", "made for", "rod"
STAMPED = "size stamped"
SNAP, PASSES = "pin in a snap set at its least size", "passes"
FRONT, CLIPS, VALVES = "mark to the front", "lock clips", "valves and deck"
ONE_SKIRT, BOTH_SKIRTS, CORNERS = "scuffed on one skirt", "scuffed on both skirts", "scuffed at four corners"
BROKEN, WASHED, BURNT, MELTED, HOLED = "land broken", "washed clean", "burnt", "melted", "holed"
STEPPED, SCORED, STIFF, BLUED, LOOSE = "stepped", "scored", "stiff", "blued", "loose at one boss"
ANY_BORE, LEFT, RIGHT = "any bore", "left bank", "right bank"
OFF, STILL_ON = "off", "still on"
YES, NOT_YET = "yes", "not yet"
#: Looks that may be said of one piston, or of all at once.
_ANY, _ON = ("piston", _SET), ("piston",)
_A = Answer
_STRUCK = holds("Find what struck it, and whether its pin and rod are straight, before it goes back.")
_EYE, _PIN = "pistons.eye", "pistons.pin"
_SCUFFED = (Effect(Does.REJECTS, _EYE, "{0}: rejected by eye."),)
_LAND = (Effect(Does.REJECTS, _EYE, "{0}: rejected by eye. Advice: look for the piece."),)
_BURNT = (
    Effect(Does.REJECTS, _EYE, "Crown {0}: rejected by eye. Advice: look at that cylinder's injector or mixture."),
)
_WASHED = (
    Effect(
        Does.ADVISES, _EYE, "Crown washed clean: coolant or fuel got in here. Advice: look at gasket and injector."
    ),
)
_CARBON = holds("Clean the grooves, then look and feel again: carbon hides wear.")
_DRY = (Effect(Does.ADVISES, _EYE, "Crown with dry carbon: oil burnt here. Advice: look at its rings and guides."),)
_WET = (
    Effect(
        Does.ADVISES, _EYE, "Crown wet: oil or fuel stood here. Advice: look at its rings, injector or mixture."
    ),
)
_STEPPED = (
    Effect(
        Does.REMEDY,
        "pistons.groove",
        "Grooves stepped: a new ring rides on the step, whatever the feeler says.",
        Action.REGROOVE,
    ),
)
_SCORED = (Effect(Does.REJECTS, _PIN, "Pin bore scored: rejected by eye."),)
_STIFF = (Effect(Does.REMEDY, _PIN, "Pin {0}.", Action.REPIN),)
_LOOSE = (Effect(Does.REJECTS, _PIN, "Pin {0}."),)
_BLUED = (
    Effect(Does.REFERS, _PIN, "Pin blued: it got hot. Hardness and crack test before anything of it is used."),
)
_PASSES = (
    Effect(
        Does.REMEDY,
        _PIN,
        "The pin passes a snap set at its least size: it is at or below it. A pin is wanted.",
        Action.REPIN,
    ),
)
#: Source: docs/trade: Measuring a piston: what a go or a no-go proves.
_HELD = (
    Effect(
        Does.ADVISES,
        _PIN,
        "The pin does not pass a snap set at its least size: it is above it, and that proves no more.",
    ),
)
LOOKS = (
    LookKind(
        SCUFF,
        name="Skirts",
        on=_ANY,
        where=Where.TOP,
        opened_by="rod-*.out",
        minutes=5,
        bench=True,
        answers=(
            *good("clean"),
            *harmless("{0}: as a skirt wears in. What it measures decides.", "polished centre", rule=_EYE),
            *harmless("{0}, the nail runs clear: they may stay.", "light marks", rule=_EYE),
            *harmless("{0}: what it measures decides.", "coating worn", rule=_EYE),
            _A("diagonal", ("wear.diagonal",), does=holds("Measure its rod for bend and twist first.")),
            _A(ONE_SKIRT, does=_SCUFFED),
            _A(BOTH_SKIRTS, does=_SCUFFED),
            _A(CORNERS, ("skirt.all-round",), does=_SCUFFED),
        ),
    ),
    LookKind(
        LANDS,
        name="Ring lands",
        on=_ANY,
        where=Where.TOP,
        opened_by="rod-*.out",
        minutes=5,
        bench=True,
        answers=(
            _A("sound", (), ("lands.broken",), does=GOOD),
            _A("lifted", ("gap.ends",), does=_LAND),
            *(_A(text, ("lands.broken",), does=_LAND) for text in ("cracked", BROKEN, "gone")),
        ),
    ),
    LookKind(
        CROWN,
        name="Crowns, before they are cleaned",
        on=_ANY,
        where=Where.TOP,
        opened_by="head*.off",
        minutes=5,
        bench=True,
        lost_by="wash.heads",
        answers=(
            *good("evenly sooted"),
            _A("dry carbon", does=_DRY),
            _A("wet", does=_WET),
            _A(WASHED, does=_WASHED),
            _A("valve mark", ("valve.marks",), does=_STRUCK),
            _A("hammered", ("lands.broken",), does=_STRUCK),
            _A(BURNT, does=_BURNT),
            _A(MELTED, ("lands.broken",), does=_BURNT),
            _A(HOLED, does=_BURNT),
        ),
    ),
    LookKind(
        GROOVE_LOOK,
        (
            *good("square"),
            _A("carboned", does=_CARBON),
            _A(STEPPED, does=_STEPPED),
        ),
        _ANY,
        bench=True,
    ),
    LookKind(PIN_BORES, (*good("smooth"), _A(SCORED, does=_SCORED)), _ON, bench=True),
    LookKind(
        PIN_FEEL,
        (*good("free"), _A(STIFF, does=_STIFF), _A(LOOSE, does=_LOOSE), _A(BLUED, does=_BLUED)),
        _ON,
        bench=True,
    ),
    LookKind(SNAP, (_A("does not pass", does=_HELD), _A(PASSES, does=_PASSES)), _ON, bench=True, test=True),
    LookKind(MADE_FOR, kept(ANY_BORE, LEFT, RIGHT), _ON, bench=True),
    LookKind(ROD, kept(OFF, STILL_ON), _ANY, bench=True),
    LookKind(STAMPED, kept("crown stamp", "paint", "paper", asks=Asks.STEP), _ON, bench=True),
    CRACK_TEST_LOOK,
    LookKind(FRONT, (*good(YES), *kept(NOT_YET)), _ANY, bench=True),
    LookKind(CLIPS, (*good("seated"), *kept(NOT_YET)), _ANY, bench=True),
    LookKind(VALVES, (*good("checked"), *kept(NOT_YET)), _ANY, bench=True),
)
