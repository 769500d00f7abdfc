"""One step of the strip, and the sections a strip list has."""

from __future__ import annotations

from halfthou.jobs import Document
from halfthou.words import Caution


class StripStep(Document):
    """One step of the strip.

    `takes` are the positions whose parts come off, `marks` those that are marked by it; `destroys` the looks that
    cannot be taken as well afterwards. `before` are steps that have to be done before it, and `hint` says why.
    `goes_back` is what it takes out for access only. `joint` says that a step at the joint can be felt there.
    """

    id: str
    section: str
    text: str
    minutes: int = 5
    takes: tuple[str, ...] = ()
    marks: tuple[str, ...] = ()
    destroys: tuple[str, ...] = ()
    before: tuple[str, ...] = ()
    hint: str = ""
    tools: str = ""
    goes_back: str = ""
    joint: bool = False
    cautions: tuple[Caution, ...] = ()


STAND, OUTSIDE, TOP, BELOW, RODS, FRONT, CRANK, BLOCK, HEADS, WASH = (
    "On the stand",
    "Outside",
    "Top",
    "Below",
    "Rods and pistons",
    "Front",
    "Mains and crank",
    "Block",
    "Heads on the bench",
    "Washing",
)
