"""What was seen: one kind of fact, on whatever page it was written down."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator
from typing_extensions import override

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.facts import PartName, SpotName
from halfthou.lengths import ZERO, Length

#: What is seen of the engine as a whole is seen on this.
ENGINE = "engine"
#: Degrees round a half bearing from one joint (0) over the crown (90) to the other joint.
Degrees = Annotated[int, Field(strict=True, ge=0, le=180)]


class Look(StrEnum):
    """The looks that the judgement of journals and bores knows by name. The table of looks knows
    which there are."""

    CLAIMED_UNDERSIZE = "claimed undersize"
    SURFACE = "surface"
    HEAT = "heat colour"
    SEAT = "seat"
    FILLET = "fillet"
    EDGE = "oil-hole edge"
    CRACK_TEST = "crack test"
    HARDNESS = "hardness"
    STRAIGHTNESS = "straightness"
    TREATMENT = "hardening after grinding"
    CLAIMED_OVERSIZE = "claimed oversize"
    BORE_WALL = "bore wall"
    RIDGE = "ridge"
    WET = "oil on the wall"
    COATING = "coating"
    SLEEVE = "sleeve"
    PRESSURE = "pressure test"
    DECK = "deck"
    SQUARE = "bore to tunnel"
    CAPS = "cap and rod"
    ROD = "colour of the rod"
    HALVES = "half bearings"


NOT_LOOKED = "not looked at"
#: What came of a look in general, where nothing nearer is said.
NOTHING, FOUND, CANNOT = "looked, nothing", "found", "cannot be looked at"
IN_GENERAL = (NOTHING, FOUND, CANNOT)
#: The answer to a look whose answer is its amount.
AMOUNT_ONLY = "measured"


class Much(StrEnum):
    """How much debris there is."""

    TRACE = "a trace"
    PINCH = "a pinch"
    SPOON = "a spoonful"
    MORE = "more"


class Grain(StrEnum):
    """How large its pieces are."""

    FLOUR = "as flour"
    GLITTER = "glitter"
    FLAKES = "flakes"
    PIECES = "pieces"


class Tint(StrEnum):
    """What colour it is."""

    GREY = "grey"
    BRIGHT = "bright"
    COPPER = "copper"
    BLACK = "black"
    BROWN = "brown"


class Debris(Document):
    """What debris is like: how much, how large, its colour, whether a magnet takes it. What was not looked at is
    left out."""

    much: Much | None = None
    grain: Grain | None = None
    tint: Tint | None = None
    magnetic: bool | None = None

    @property
    def words(self) -> str:
        """As it is said.

        >>> Debris(much=Much.PINCH, magnetic=False).words
        'a pinch, not magnetic'
        """
        magnet = {None: "", True: "magnetic", False: "not magnetic"}[self.magnetic]
        return ", ".join(str(one) for one in (self.much, self.grain, self.tint, magnet) if one)


class Seen(Fact):
    """One thing seen of a part, a set, a whole (crank, block) or of the engine: the look and its answer.

    `amount` is the depth of a score, a claimed step, a height, how far it was out; `typed` as it was keyed. `spot`
    says where a score lies, `arc` where on a half bearing it is worn, in degrees from joint to joint. `cleaned`
    says that it was clean already: the answer is kept, and counts less. `minutes` is what the look took, where that
    was written down. `debris` says what debris is like. `ends` says that it can end the job. `by_one_key` says that
    eye and nail found nothing, all by one key. Which looks there are and what each may answer, the table
    of looks knows.
    """

    on: PartName = ENGINE
    look: Words
    answer: Words
    amount: Length | None = None
    typed: Note = ""
    spot: SpotName | None = None
    arc: tuple[Degrees, Degrees] | None = None
    cleaned: bool = False
    minutes: Annotated[int, Field(strict=True, ge=0, le=10_000)] | None = None
    debris: Debris | None = None
    ends: bool = False
    note: Note = ""
    by_one_key: bool = False

    @model_validator(mode="after")
    def _hangs_together(self) -> "Seen":
        if self.arc is not None and self.arc[0] >= self.arc[1]:
            raise ValueError("the worn place runs from a smaller to a larger angle")
        if self.amount is not None and self.amount < ZERO:
            raise ValueError("neither a depth nor a height is less than nothing")
        if (self.answer == FOUND or self.ends) and not self.note.strip():
            raise ValueError("say what was found, in a few words")
        return self

    @override
    def said(self, names: Names) -> str:
        where = "" if self.on == ENGINE else f"{names.called(self.on)}, "
        debris = "" if self.debris is None else self.debris.words
        told = [one for one in (self.answer, self.typed, debris, self.note) if one and one != AMOUNT_ONLY]
        wiped = ", after cleaning" if self.cleaned else ""
        wiped += ", all by one key" if self.by_one_key else ""
        return f"{where}{names.look(self.look)}: {', '.join(told)}{wiped}"
