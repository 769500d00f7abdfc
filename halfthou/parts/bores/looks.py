"""What is seen of a bore and its block, and what each answer does to it."""

from __future__ import annotations

from halfthou.jobs import (
    GlazedBore,
    Look,
    OperationKind,
)
from halfthou.looks import (
    CRACK_TEST_LOOK,
    GOOD,
    KEPT,
    PASSED,
    Answer,
    Asks,
    Does,
    Effect,
    LookKind,
    Where,
    good,
    holds,
    kept,
)
from halfthou.verdicts import Action

HATCH, GLAZED, LINES, SCUFFED, SEIZED = "cross-hatch seen", "glazed", "lines", "scuffed", "seized metal"
SCORED_CLEAR, SCORED, RUST = "scored, nail runs clear", "scored, nail catches", "rust or pitted"
RIDGE_FELT, COATED_BORE, SLEEVED, WET = "ridge felt", "coated or sprayed", "sleeve fitted", "wet with oil"
CRACK_SEEN = "crack seen"
LEAKS, OUT_OF_FLAT, OUT_OF_SQUARE = "leaks", "out of flat", "out of square"
#: With what a deck is measured.
FEELERS, INDICATOR = "straightedge and feelers", "indicator"
_ON, _BLOCK = ("bore",), ("block",)
_A = Answer
_LEAVE, _FULL = f"glazed_bore: {GlazedBore.LEAVE}", f"glazed_bore: {GlazedBore.FULL_HONE}"
_LIGHT = f"glazed_bore: {GlazedBore.LIGHT_HONE}"
_ROUND = "Glazed and still round: {}, by the house rule."
_GLAZED = (
    Effect(Does.REMEDY, "bores.glazed", _ROUND.format("a light hone and new rings"), Action.HONE, when=_LIGHT),
    Effect(Does.REMEDY, "bores.glazed", _ROUND.format("a full hone and new rings"), Action.HONE, when=_FULL),
    Effect(Does.HARMLESS, "bores.glazed", _ROUND.format("left alone"), when=_LEAVE),
)
_CLEAR = (
    Effect(Does.HARMLESS, "bores.surface", "Scored, the nail runs clear: it may stay. Advice: watch for oil."),
)
#: What a nail, rust or a scuff says of a bore: machining. How deep it is, is told with it.
_REBORE = (Effect(Does.REMEDY, "bores.surface", on=Action.REBORE),)
_WET = (
    Effect(
        Does.ADVISES,
        "bores.wet",
        "Wet with oil: rings not sealing, or a bore out of shape. Advice: look at its form, deck work and rings.",
    ),
)
_CRACKED = (
    Effect(
        Does.REFERS,
        "bores.crack",
        "Crack found: refer the block. Nothing is bored before somebody who may says so.",
        until=((Look.CRACK_TEST, PASSED),),
    ),
)
_WASHED = (
    Effect(Does.ADVISES, "bores.surface", "Washed by fuel. Advice: look at that cylinder's injector or mixture."),
)
_SLEEVED = (
    Effect(Does.ADVISES, "bores.surface", "A sleeve is fitted. Advice: measure its wall before it is bored."),
)
#: Read above ring travel too: told with what is still to do.
_ABOVE = (
    Effect(
        Does.ASKS,
        "bores.ridge",
        on="above ring travel",
        mended_by=(OperationKind.BORE, OperationKind.SLEEVE),
    ),
)
_LEANS = holds("Bores that lean wear their pistons: set the boring up square to the main tunnel.")
_LEAKS = (Effect(Does.REFERS, "bores.leaks", "The pressure test leaks: refer the block before anything is bored."),)
LOOKS = (
    LookKind(
        Look.BORE_WALL,
        name="Bores",
        on=_ON,
        where=Where.TOP,
        opened_by="head*.off",
        minutes=5,
        bench=True,
        lost_by="wash.heads",
        answers=(
            *good(HATCH),
            _A(GLAZED, does=_GLAZED),
            _A("washed by fuel", ("bore.washed",), does=_WASHED),
            _A(LINES, does=holds("Draw a nail across the lines: does it catch?")),
            _A(SCORED_CLEAR, does=_CLEAR, asks=Asks.DEPTH),
            _A(RUST, ("rust.line",), does=_REBORE, asks=Asks.DEPTH),
            _A(SCUFFED, does=_REBORE, asks=Asks.DEPTH),
            _A(SEIZED, ("skirt.all-round",), does=_REBORE, asks=Asks.DEPTH),
            _A(SCORED, does=_REBORE, asks=Asks.DEPTH),
            _A(CRACK_SEEN, does=_CRACKED),
        ),
    ),
    LookKind(Look.RIDGE, (*good("no ridge felt"), _A(RIDGE_FELT, does=_ABOVE)), _ON, bench=True),
    LookKind(
        Look.WET,
        name="Oil on the wall of each bore",
        on=_ON,
        where=Where.TOP,
        opened_by="head*.off",
        minutes=3,
        bench=True,
        lost_by="wash.heads",
        answers=(*good("dry"), _A(WET, ("bore.wet",), does=_WET)),
    ),
    LookKind(Look.COATING, (*good("plain"), _A(COATED_BORE, does=KEPT)), _ON, bench=True),
    LookKind(
        Look.SLEEVE,
        (
            *good("none"),
            _A(SLEEVED, does=_SLEEVED),
            _A("sleeve dropped", does=holds("A sleeve that dropped: its seat is measured first.")),
        ),
        _ON,
        bench=True,
    ),
    CRACK_TEST_LOOK,
    LookKind(
        Look.PRESSURE,
        (_A("passed", does=GOOD, ends=True), _A(LEAKS, ("coolant.leaks", "leak.block"), does=_LEAKS)),
        _BLOCK,
        bench=True,
        test=True,
    ),
    LookKind(
        Look.DECK,
        (
            *kept(FEELERS, INDICATOR, asks=Asks.MEASURED),
            *good("flat within the maker's limit"),
            _A(OUT_OF_FLAT, does=holds("Machine the deck first: it moves the bores, which are read again after.")),
        ),
        _BLOCK,
        bench=True,
        test=True,
        amount="Most out of flat",
        how="Along both edges, across, and corner to corner, wherever it is most. With feelers: the thickest leaf "
        "that goes under; 0 where none goes.",
    ),
    LookKind(Look.SQUARE, (*good("square"), _A(OUT_OF_SQUARE, does=_LEANS)), _BLOCK, bench=True, test=True),
    LookKind(
        Look.CLAIMED_OVERSIZE,
        kept("crown stamp", "paint", "paper", "word of mouth", asks=Asks.STEP),
        ("bore", "bores"),
        bench=True,
    ),
)
