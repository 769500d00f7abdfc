"""What to do with a part, and the mark, letter and word that say it."""

from __future__ import annotations

from enum import StrEnum

from halfthou.jobs import Document


class Action(StrEnum):
    """The verdict on a part. Source: docs/trade: Actions; the rest of its list comes with the parts that need
    it."""

    REUSE = "reuse"
    POLISH = "polish"
    FIT_UNDERSIZE = "fit undersize"
    REGRIND = "regrind"
    STRAIGHTEN = "straighten"
    LINE_HONE = "line hone"
    FIT_WASHERS = "fit thrust washers"
    HONE = "light hone"
    REBORE = "rebore"
    SLEEVE = "sleeve"
    FILE = "file to fit"
    MOVE = "fit to another bore"
    REPIN = "re-pin or bush"
    REGROOVE = "regroove"
    LAP = "lap cover"
    NEW_PARTS = "new parts in it"
    REFER = "refer"
    REPLACE = "replace"
    MEASURE = "measure"


#: What asks for a person first, the most pressing before the rest: where one goes on when all is read.
MOST_PRESSING = (
    Action.REPLACE,
    Action.REFER,
    Action.STRAIGHTEN,
    Action.LINE_HONE,
    Action.FIT_WASHERS,
    Action.SLEEVE,
    Action.REGRIND,
    Action.REBORE,
    Action.MEASURE,
    Action.FIT_UNDERSIZE,
    Action.POLISH,
    Action.HONE,
)
#: What leaves a set at a size, and may name it.
SIZED = (Action.REGRIND, Action.FIT_UNDERSIZE, Action.REUSE, Action.REBORE)


#: Work that is decided first and measured after: until then nothing of it is known.
WORKED = (
    Action.POLISH,
    Action.REGRIND,
    Action.STRAIGHTEN,
    Action.LINE_HONE,
    Action.FIT_WASHERS,
    Action.HONE,
    Action.REBORE,
    Action.SLEEVE,
)
#: By which a part goes back.
USED_AGAIN = (Action.REUSE, Action.POLISH, Action.FIT_UNDERSIZE, Action.HONE, Action.FILE, Action.MOVE)


class MarkCode(StrEnum):
    """The punch marks. The drawing of each is in the web's marks file; letter and word are here."""

    REUSE = "reuse"
    POLISH = "polish"
    FIT_UNDERSIZE = "fit-undersize"
    REGRIND = "regrind"
    STRAIGHTEN = "straighten"
    LINE_HONE = "line-hone"
    FIT_WASHERS = "fit-washers"
    HONE = "hone"
    REBORE = "rebore"
    SLEEVE = "sleeve"
    FILE = "file"
    MOVE = "move"
    REPIN = "repin"
    REGROOVE = "regroove"
    LAP = "lap"
    NEW_PARTS = "new-parts"
    SPARE = "spare"
    WITH_SET = "with-set"
    REFER = "refer"
    REPLACE = "replace"
    TOO_CLOSE = "too-close"
    LOOK = "look"
    NOT_READ = "not-read"


class Mark(Document):
    """A verdict mark: shape by its code, a letter, a word, and what it means."""

    code: MarkCode
    letter: str
    word: str
    meaning: str


MARKS: dict[MarkCode, Mark] = {
    mark.code: mark
    for mark in (
        Mark(code=MarkCode.REUSE, letter="U", word="reuse", meaning="Within every limit. Goes back as it is."),
        Mark(code=MarkCode.POLISH, letter="P", word="polish", meaning="Within limits; light marks polish out."),
        Mark(
            code=MarkCode.FIT_UNDERSIZE,
            letter="F",
            word="fit undersize",
            meaning="A little under, still round and straight: thicker shells, no grinding.",
        ),
        Mark(
            code=MarkCode.REGRIND,
            letter="G",
            word="regrind",
            meaning="Needs grinding to the next size that can be bought and that it cleans up at.",
        ),
        Mark(
            code=MarkCode.STRAIGHTEN,
            letter="A",
            word="straighten",
            meaning="Straightened before any grinding, then indicated and crack-tested.",
        ),
        Mark(
            code=MarkCode.LINE_HONE,
            letter="J",
            word="line hone",
            meaning="Caps cut and the tunnel honed in one line to its size.",
        ),
        Mark(
            code=MarkCode.FIT_WASHERS,
            letter="Q",
            word="fit thrust washers",
            meaning="Thicker thrust washers, or a new thrust bearing, bring the end float back.",
        ),
        Mark(code=MarkCode.HONE, letter="H", word="light hone", meaning="Sound; a light hone and new rings."),
        Mark(
            code=MarkCode.REBORE,
            letter="B",
            word="rebore",
            meaning="Needs boring and honing to the next size that pistons and rings are sold for.",
        ),
        Mark(
            code=MarkCode.SLEEVE,
            letter="L",
            word="sleeve",
            meaning="Past boring by itself: a sleeve takes its place.",
        ),
        Mark(
            code=MarkCode.FILE, letter="E", word="file to fit", meaning="Its gap is filed to size in its own bore."
        ),
        Mark(
            code=MarkCode.MOVE,
            letter="M",
            word="fit to another bore",
            meaning="Sound, and better in another bore than in the one it came from.",
        ),
        Mark(
            code=MarkCode.REPIN,
            letter="I",
            word="re-pin or bush",
            meaning="Another pin, or bushes, make it good.",
        ),
        Mark(
            code=MarkCode.REGROOVE,
            letter="V",
            word="regroove",
            meaning="Grooves worn: machined and spaced where that is done, else another piston.",
        ),
        Mark(code=MarkCode.LAP, letter="C", word="lap cover", meaning="Sound once its cover is lapped flat."),
        Mark(
            code=MarkCode.NEW_PARTS,
            letter="W",
            word="new parts in it",
            meaning="The body is sound; gears, relief plunger or spring are not.",
        ),
        Mark(code=MarkCode.SPARE, letter="O", word="out", meaning="Lies in no place of the engine."),
        Mark(
            code=MarkCode.WITH_SET,
            letter="S",
            word="goes with its set",
            meaning="Does not need it by itself; goes the way of its whole set.",
        ),
        Mark(
            code=MarkCode.REFER,
            letter="R",
            word="refer",
            meaning="Needs somebody else's word first: crack test, maker, licensed work.",
        ),
        Mark(code=MarkCode.REPLACE, letter="X", word="replace", meaning="No way back to size. Another part."),
        Mark(
            code=MarkCode.TOO_CLOSE,
            letter="T",
            word="too close to call",
            meaning="Nearer to a limit than the gauge can tell.",
        ),
        Mark(
            code=MarkCode.LOOK,
            letter="K",
            word="look first",
            meaning="Read, and not looked at yet, or what was seen is not settled.",
        ),
        Mark(code=MarkCode.NOT_READ, letter="N", word="not read", meaning="Readings are still missing."),
    )
}
