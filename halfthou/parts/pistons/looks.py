"""What is seen of a piston, and what each answer does to it."""

from __future__ import annotations

from halfthou.jobs import SetName
from halfthou.looks import CRACK_TEST_LOOK, Answer, Asks, Does, Effect, LookKind, Where, holds, plain
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
_LAND = (Effect(Does.REJECTS, _EYE, "{0}: rejected by eye. Look for the piece."),)
_BURNT = (Effect(Does.REJECTS, _EYE, "Crown {0}: rejected by eye. Look at that cylinder's injector or mixture."),)
_WASHED = (
    Effect(Does.ADVISES, _EYE, "Crown washed clean: coolant or fuel got in here. Look at gasket and injector."),
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
        minutes=5,
        bench=True,
        answers=(
            _A("clean"),
            _A("polished centre"),
            _A("light marks"),
            _A("coating worn"),
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
        minutes=5,
        bench=True,
        answers=(
            _A("sound", (), ("lands.broken",)),
            _A("lifted", ("gap.ends",), does=_LAND),
            *(_A(text, ("lands.broken",), does=_LAND) for text in ("cracked", BROKEN, "gone")),
        ),
    ),
    LookKind(
        CROWN,
        name="Crowns, before they are cleaned",
        on=_ANY,
        where=Where.TOP,
        minutes=5,
        bench=True,
        lost_by="wash.heads",
        answers=(
            _A("evenly sooted"),
            _A("dry carbon"),
            _A("wet"),
            _A(WASHED, does=_WASHED),
            _A("valve mark", ("valve.marks",), does=_STRUCK),
            _A("hammered", ("lands.broken",), does=_STRUCK),
            _A(BURNT, does=_BURNT),
            _A(MELTED, ("lands.broken",), does=_BURNT),
            _A(HOLED, does=_BURNT),
        ),
    ),
    LookKind(GROOVE_LOOK, (*plain("square", "carboned"), _A(STEPPED, does=_STEPPED)), _ANY, bench=True),
    LookKind(PIN_BORES, (_A("smooth"), _A(SCORED, does=_SCORED)), _ON, bench=True),
    LookKind(
        PIN_FEEL,
        (_A("free"), _A(STIFF, does=_STIFF), _A(LOOSE, does=_LOOSE), _A(BLUED, does=_BLUED)),
        _ON,
        bench=True,
    ),
    LookKind(SNAP, (_A("does not pass", does=_HELD), _A(PASSES, does=_PASSES)), _ON, bench=True),
    LookKind(MADE_FOR, plain(ANY_BORE, LEFT, RIGHT), _ON, bench=True),
    LookKind(ROD, plain(OFF, STILL_ON), _ANY, bench=True),
    LookKind(STAMPED, plain("crown stamp", "paint", "paper", asks=Asks.STEP), _ON, bench=True),
    CRACK_TEST_LOOK,
    LookKind(FRONT, plain(YES, NOT_YET), _ANY, bench=True),
    LookKind(CLIPS, plain("seated", NOT_YET), _ANY, bench=True),
    LookKind(VALVES, plain("checked", NOT_YET), _ANY, bench=True),
)
