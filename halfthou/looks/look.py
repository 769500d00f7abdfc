"""What a look is: one row of the one table. On what it is taken, what it may answer, what each answer says."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum, StrEnum
from typing import NamedTuple

from halfthou.jobs import ENGINE, OperationKind
from halfthou.looks.effect import KEEPS_BACK, Does, Effect


class Where(StrEnum):
    """Where the board shows a look: its stations."""

    OIL = "Oil and history"
    SUPPLY = "Pickup and pump"
    FILTER = "Filter and debris"
    BEARINGS = "Bearings and crank"
    DRIVE = "Bell housing and drive"
    TOP = "Pistons and head"


class Asks(Enum):
    """What has to be said beside an answer: how deep it is, which step is claimed, how far it was out, how high it
    lies; what is asked of debris."""

    DEPTH = "depth"
    STEP = "step"
    MEASURED = "measured"
    HEIGHT = "height"
    DEBRIS = "debris"


class Echo(NamedTuple):
    """What an answer says of another part at once: of the part of that kind that this one lies with, or of the only
    one there is. `all` says that every place of the look there must have such an answer."""

    kind: str
    look: str
    answer: str
    all: bool = False


#: The signs that metal went round with the oil: what fed it is suspect, and what it reached is washed or renewed.
METAL_SIGNS = ("bearings.gone", "metal.found", "curls")


@dataclass(frozen=True, slots=True)
class Answer:
    """One answer to a look: the signs it shows, and those that were looked for and are not there.

    What it `does` to the part it is of is what a verdict reads. `echoes` are what it says of other parts. `asks` is
    what has to be said beside it. One that `ends` a fault, as a test that is passed, counts over every answer given
    before it. A `former` answer is read for ever and offered no more. `magnetic` is what a magnet must do where
    debris is so, None where it may do either.
    """

    text: str
    shows: tuple[str, ...] = ()
    clears: tuple[str, ...] = ()
    echoes: tuple[Echo, ...] = ()
    does: tuple[Effect, ...] = ()
    asks: Asks | None = None
    ends: bool = False
    former: bool = False
    magnetic: bool | None = None

    @property
    def fault(self) -> bool:
        """Whether it keeps a part back."""
        return any(one.does in KEEPS_BACK for one in self.does)

    @property
    def sheds(self) -> bool:
        """Whether it says that metal went round with the oil."""
        return any(sign in METAL_SIGNS for sign in self.shows)

    def outlasts(self, work: OperationKind) -> bool:
        """Whether what it found stands after work on the part, until it is looked at again.

        Rule:    looks.after-work.
        """
        return any(one.does in KEEPS_BACK and work not in one.mended_by for one in self.does)


def plain(*texts: str) -> tuple[Answer, ...]:
    """Answers that only the evidence reads, and that show no sign by themselves."""
    return tuple(Answer(text) for text in texts)


GOOD, KEPT = (Effect(Does.GOOD),), (Effect(Does.RECORDS),)


def good(*texts: str) -> tuple[Answer, ...]:
    """Answers that say that a part is as it should be."""
    return tuple(Answer(text, does=GOOD) for text in texts)


def kept(*texts: str, asks: Asks | None = None) -> tuple[Answer, ...]:
    """Answers that are neither good nor bad: claims, kinds, what is still to be done."""
    return tuple(Answer(text, does=KEPT, asks=asks) for text in texts)


def harmless(why: str, *texts: str, rule: str = "looks.harmless") -> tuple[Answer, ...]:
    """Answers that look bad and are not, and why."""
    return tuple(Answer(text, does=(Effect(Does.HARMLESS, rule, why),)) for text in texts)


def holds(words: str, rule: str = "looks.holds") -> tuple[Effect, ...]:
    """What lets nothing go back until it is settled: what is to be done first."""
    return (Effect(Does.HOLDS, rule, words),)


@dataclass(frozen=True, slots=True)
class LookKind:
    """A look by its lasting id.

    `on` are the kinds of place it is taken on, or a set, a whole (crank, block) or the engine; the first is meant
    where nothing else is said. One with a station (`where`) stands on the board under its `name`; one that is asked
    at the `bench` stands there under its id, beside the part in hand.

    `minutes` is what it takes, `harm` what it spoils, as minutes of work. `lost_by` is the step of the strip that
    destroys what it is of; `opened_by`, as a pattern, the steps of which any lays it bare. `how` says how it is
    taken, `amount` what is asked for where an answer is measured. `reads` are signs that the bench's readings
    answer and no key here does. `several` says that more than one answer may stand, `at_thrust` that it is taken
    only where the crank's thrust is taken. `worse` ranks its answers from good to bad where two people differ;
    where it says nothing, they stand in that order where the bench asks it, and the later counts elsewhere. A
    `test` is more than eye and nail: something is pressed, moved, struck or indicated.
    """

    key: str
    answers: tuple[Answer, ...] = ()
    on: tuple[str, ...] = (ENGINE,)
    name: str = ""
    where: Where | None = None
    minutes: int = 0
    bench: bool = False
    how: str = ""
    harm: int = 0
    lost_by: str = ""
    opened_by: str = ""
    amount: str = ""
    reads: tuple[str, ...] = ()
    several: bool = False
    at_thrust: bool = False
    worse: tuple[str, ...] = ()
    test: bool = False

    @property
    def called(self) -> str:
        """What it is called in a sentence."""
        return self.name or self.key

    @property
    def station(self) -> str:
        """Where the board shows it; "" where it does not."""
        return "" if self.where is None else self.where.value

    @property
    def texts(self) -> tuple[str, ...]:
        """Its answers in words."""
        return tuple(answer.text for answer in self.answers)

    @property
    def offered(self) -> tuple[str, ...]:
        """The answers that are offered."""
        return tuple(answer.text for answer in self.answers if not answer.former)

    @property
    def signs(self) -> tuple[str, ...]:
        """Every sign that it can show or clear."""
        found = [sign for answer in self.answers for sign in (*answer.shows, *answer.clears)]
        return tuple(dict.fromkeys((*found, *self.reads)))

    @property
    def sound(self) -> str:
        """The answer that says it is as it should be; "" where it has none, or where that asks for an amount."""
        return next((one.text for one in self.answers if one.does == GOOD and one.asks is None), "")

    @property
    def sound_by_eye(self) -> str:
        """The answer by which eye and nail find nothing; "" where it is a test."""
        return "" if self.test else self.sound

    @property
    def judges(self) -> bool:
        """Whether any of its answers does something to the part; of a claim or a kind none does."""
        return any(effect.does is not Does.RECORDS for answer in self.answers for effect in answer.does)

    def answer(self, text: str) -> Answer | None:
        """One of its answers; None where it has no such answer."""
        return next((one for one in self.answers if one.text == text), None)

    def asking(self, what: Asks) -> tuple[str, ...]:
        """The answers beside which something has to be said."""
        return tuple(answer.text for answer in self.answers if answer.asks is what)

    def harm_of(self, text: str) -> int:
        """How bad an answer is, from 0; 0 for all where none is worse than another.

        >>> LookKind("lands", plain("sound", "broken"), bench=True).harm_of("broken")
        1
        """
        ranked = self.worse or (self.texts if self.bench else ())
        return ranked.index(text) if text in ranked else 0
