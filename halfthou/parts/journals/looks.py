"""What is seen of a journal, its crank, rod and half bearings, and what each answer does to it."""

from __future__ import annotations

from typing import NamedTuple

from halfthou.jobs import BlueRod, Look, OperationKind
from halfthou.looks import (
    CRACK_TEST_LOOK,
    CRANK_SUSPECT,
    GOOD,
    HALVES_NOT,
    HALVES_SOUND,
    HOUSING,
    PASSED,
    SEAT_LOOK,
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
from halfthou.parts.straightness import TRUE
from halfthou.verdicts import Action

#: Temper colours from which a journal counts as overheated. Source: common practice, no source.
HOT = ("brown or purple", "blue", "grey")
ROUNDED = "rounded"


class DeepMark(NamedTuple):
    """A mark deeper than a polish takes out: as it is said, what it is called, and the verb to that."""

    said: str
    name: str
    is_: str


DEEP = {"pitted": DeepMark("Pitted", "pits", "are"), "nail catches": DeepMark("A nail catches", "score", "is")}
SMEARED = "metal smeared on"
LIGHT, HARD, SOFT, BENT = "light marks", "as the maker asks", "soft", "bent"
#: What cap and rod, or cap and block, say where they are no pair.
CAPS_DISAGREE, CAP_STEPS = "numbers disagree", "step at the joint"
#: Colours of a rod that ask for tests, and what a test or a new rod makes of it.
ROD_BLUE, ROD_TESTED, ROD_RENEWED = ("blue", "grey"), "tested: hard, no crack", "rod renewed"
TIGHT, BAD_FILLET, TREATED = "tight on its pin", "sharp, notched or undercut", "hardened again"
_ON = ("journal",)
_A = Answer
_HOT = ("journal.hot",)
_BLUE = ("journal.hot", "rods.tight-blue")
_SURFACE, _HEAT, _ROD = "verdicts.journal.surface", "verdicts.journal.heat", "verdicts.journal.blue-rod"
_FILLET = Effect(
    Does.REFERS,
    "verdicts.journal.fillet",
    "Fillet sharp, notched or undercut: a crack starts there. Refer it before any work.",
)
#: Blue that passed its crack test is still a crank that got hot: hardness and straightness end it too.
_OVERHEATED = Effect(
    Does.REFERS, _HEAT, until=((Look.CRACK_TEST, PASSED), (Look.HARDNESS, HARD), (Look.STRAIGHTNESS, TRUE))
)
_SOFT = Effect(Does.REFERS, _HEAT, "Soft by the hardness test: refer it before any grinding.")
_BENT = Effect(
    Does.REFERS,
    "verdicts.journal.straightness",
    "The crank is bent: refer it before any other work. A part pressed straight can snap.",
)
_NO_PAIR = Effect(
    Does.ASKS,
    "verdicts.journal.caps",
    "Cap: {0}. Not a pair until its housing is measured, caps torqued.",
    on=HOUSING,
)
_HOT_ROD = Effect(Does.ASKS, _ROD, on=HOUSING)
_SCRAP, _TAIL = f"blue_rod: {BlueRod.SCRAP}", "New half bearings do not clear a hot rod."
_SCRAP_ROD = Effect(Does.REFERS, _ROD, f"Rod: {{0}}. Replace it, by the house rule. {_TAIL}", when=_SCRAP)
_TEST_ROD = Effect(
    Does.REFERS, _ROD, f"Rod: {{0}}. Wanted: hardness, crack test, then the size. {_TAIL}", unless=_SCRAP
)
_BROWN_ROD = Effect(
    Does.REFERS, _ROD, f"Rod: {{0}}. It got hot. Wanted: hardness, crack test, then the size. {_TAIL}"
)
_STRAW = "Straw: it was warm, and not enough to soften plain steel. Feel and read it as any other."
_USED = Effect(
    Does.REMEDY,
    "evidence.used-shells",
    "Its half bearings do not go back: rejected by eye.",
    "new half bearings",
    mended_by=(OperationKind.NEW_SHELLS,),
)
_EDGE = "Round the edge, polish it and look again: a sharp one scrapes the half bearing, and a crack starts there."
_CRACKED_HOLE = (
    Effect(
        Does.REJECTS,
        "verdicts.journal.crack",
        "Crack at an oil hole. The crank is not used again.",
        of=("journal",),
    ),
)
_CLAIM = ("paint", "stamp", "paper", "word of mouth")
#: What each look may answer. Terms: docs/trade: Hardness and fillets; docs/trade: What is seen.
LOOKS = (
    LookKind(Look.CLAIMED_UNDERSIZE, kept(*_CLAIM, asks=Asks.STEP), ("mains", "rods"), bench=True),
    LookKind(
        Look.SURFACE,
        (
            *good("nail runs clear"),
            _A(LIGHT, does=(Effect(Does.REMEDY, _SURFACE, on=Action.POLISH),)),
            _A("burr round a dent", does=holds("Stone it level, then feel and read it again.")),
            _A(
                SMEARED,
                does=holds("Take the metal off before it is measured: only then has it a size."),
                asks=Asks.DEPTH,
            ),
            *(_A(deep, does=(Effect(Does.REMEDY, _SURFACE, on=Action.REGRIND),), asks=Asks.DEPTH) for deep in DEEP),
        ),
        _ON,
        bench=True,
    ),
    LookKind(Look.FILLET, (*good("sound"), _A(BAD_FILLET, ("fillet.sharp",), does=(_FILLET,))), _ON, bench=True),
    LookKind(
        Look.EDGE,
        name="Edges of the oil holes",
        on=_ON,
        where=Where.BEARINGS,
        opened_by="cap-*.off",
        minutes=5,
        bench=True,
        answers=(*good(ROUNDED), _A("sharp", does=holds(_EDGE)), _A("cracked", does=_CRACKED_HOLE)),
    ),
    LookKind(
        Look.HEAT,
        (
            *good("none"),
            *harmless(_STRAW, "straw"),
            _A(HOT[0], _HOT, does=(_OVERHEATED,)),
            *(_A(colour, _HOT, does=(_OVERHEATED, CRANK_SUSPECT)) for colour in HOT[1:]),
        ),
        _ON,
        bench=True,
    ),
    SEAT_LOOK,
    CRACK_TEST_LOOK,
    LookKind(Look.HARDNESS, (*good(HARD), _A(SOFT, does=(_SOFT,))), ("journal", "crank"), bench=True, test=True),
    LookKind(
        Look.STRAIGHTNESS,
        name="Crank indicated at every main",
        on=("crank", "journal"),
        where=Where.BEARINGS,
        opened_by="crank.out",
        minutes=30,
        bench=True,
        test=True,
        answers=(
            _A(TRUE, ("runout.within",), ("runout.beyond",), does=GOOD),
            _A(BENT, ("runout.beyond",), does=(_BENT,)),
        ),
    ),
    LookKind(Look.TREATMENT, kept("not hardened again", TREATED), ("crank", "journal"), bench=True),
    LookKind(
        Look.CAPS,
        (
            *good("belong together"),
            *(
                _A(text, (sign,), does=(_NO_PAIR,))
                for text, sign in ((CAPS_DISAGREE, "numbers.disagree"), (CAP_STEPS, "cap.step"))
            ),
        ),
        _ON,
        bench=True,
    ),
    LookKind(
        Look.ROD,
        name="Colour of rods and caps",
        on=("rod", "journal"),
        where=Where.BEARINGS,
        opened_by="cap-rod-*.off",
        minutes=5,
        bench=True,
        how="Plain steel: straw about 230 °C, brown 260, purple 280, blue 295, grey above 340. Alloy, time and oil "
        "shift it by tens of degrees.",
        answers=(
            *good("no colour"),
            *harmless(_STRAW, "straw"),
            _A("brown or purple", _BLUE, does=(_BROWN_ROD, _HOT_ROD)),
            *(_A(colour, _BLUE, does=(_SCRAP_ROD, _TEST_ROD, _HOT_ROD)) for colour in ROD_BLUE),
            _A(TIGHT, ("rods.tight-blue",), does=(_HOT_ROD,)),
            _A(ROD_TESTED, does=(_SCRAP_ROD, _HOT_ROD), ends=True),
            _A(ROD_RENEWED, does=GOOD, ends=True),
        ),
        worse=("no colour", ROD_RENEWED, "straw", "brown or purple", ROD_TESTED, TIGHT, *ROD_BLUE),
    ),
    LookKind(Look.HALVES, (*good(HALVES_SOUND), _A(HALVES_NOT, does=(_USED,))), _ON, bench=True),
)
