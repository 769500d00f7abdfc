"""One step of the strip, and the sections a strip list has."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import NamedTuple

from halfthou.strip.tie import Binds
from halfthou.words import Caution


class Held(NamedTuple):
    """A step that must be done before another, why, by which rule, and how hard that binds."""

    step: str
    why: str
    rule: str
    binds: Binds

    @property
    def refuses(self) -> bool:
        """Whether the other is refused while it is not done."""
        return self.binds is not Binds.ORDER

    @property
    def stands_before(self) -> bool:
        """Whether it is in the way of the other's coming off: what is off says that this is off too."""
        return self.binds in (Binds.HOLDS, Binds.COVERS)


@dataclass(frozen=True, slots=True)
class StripStep:
    """One step of the strip. `family` is its sort: `cap-rod.off` of every rod; rules bind families. `of` says what
    it is of, by word: cylinder, head, main, cam, valve.

    `takes` are the places whose parts come off, `marks` those that are marked by it; `destroys` the looks that
    cannot be taken as well afterwards. `goes_back` is what it takes out for access only. `joint` says that a step
    at the joint can be felt there. `at` is how far the crank is turned for it, in whole degrees; None where that is
    all one; `turns` says that the crank is turned by it. `reads` are the looks whose amount is read by it;
    `while_on` says that it can be done only while what it comes before is on. `held` are
    the steps that have to be done before it. `own` says that the house wrote it. `fit` is the same the other way
    round, "" where nothing is fitted by it.
    """

    family: str
    id: str
    section: str
    text: str
    minutes: int = 5
    of: dict[str, str] = field(default_factory=dict)
    takes: tuple[str, ...] = ()
    marks: tuple[str, ...] = ()
    destroys: tuple[str, ...] = ()
    hint: str = ""
    tools: str = ""
    goes_back: str = ""
    joint: bool = False
    cautions: tuple[Caution, ...] = ()
    at: int | None = None
    turns: bool = False
    reads: tuple[str, ...] = ()
    while_on: bool = False
    own: bool = False
    fit: str = ""
    held: tuple[Held, ...] = ()

    @property
    def before(self) -> tuple[str, ...]:
        """The steps without which it is refused, by their names."""
        return tuple(one.step for one in self.held if one.refuses)


STAND, OUTSIDE, TOP, BELOW, BARRELS, RODS, FRONT, CRANK, BENCH, BLOCK, HEADS, WASH = (
    "On the stand",
    "Outside",
    "Top",
    "Below",
    "Barrels and pistons",
    "Rods and pistons",
    "Front",
    "Mains and crank",
    "Rods on the bench",
    "Block",
    "Heads on the bench",
    "Washing",
)
