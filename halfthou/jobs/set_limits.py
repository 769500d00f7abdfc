"""What a set of parts is allowed and what is sold for it, by the key of each figure: the same form for every
kind."""

from enum import StrEnum
from typing import Annotated, Any

from pydantic import Discriminator, Field, Tag, model_validator

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.figures import AmountBand, Band, Figure
from halfthou.lengths import ZERO, Length

#: The key of a figure, of a feature or of something a part is made of: short words, as on the sheet.
Key = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[a-z][a-z0-9 _.-]*$")]
#: A step further from standard than this is a slip of the decimal point: 0.2 in. Source: common practice.
FURTHEST_STEP = Length(5_080_000)


class Step(Document):
    """One size, so far from standard (0 for standard), that parts are made for: an undersize or an oversize.

    `rings` are what has to be sold with it: a piston without its rings makes no step. None where the step has none.
    """

    size: Length
    part_number: Note = ""
    can_be_bought: bool = True
    rings_number: Note = ""
    rings_can_be_bought: bool | None = None

    @property
    def sold(self) -> bool:
        """Whether everything the step needs can be bought."""
        return self.can_be_bought and self.rings_can_be_bought is not False


def _which(given: Any) -> str:
    """Whether a figure has two ends: by the fields it comes with."""
    if isinstance(given, AmountBand) or (isinstance(given, dict) and "quantity" in given):
        return AMOUNT
    if isinstance(given, dict):
        return BAND if "least" in given or "most" in given else FIGURE
    return BAND if isinstance(given, Band) else FIGURE


BAND, FIGURE, AMOUNT = "a band", "a figure", "an amount"
BandOrFigure = Annotated[
    Annotated[Band, Tag(BAND)] | Annotated[Figure, Tag(FIGURE)] | Annotated[AmountBand, Tag(AMOUNT)],
    Discriminator(_which),
]


class SetLimits(Document):
    """The limits of one set: figures by key, each with its source; the steps sold; what the parts are made of."""

    figures: dict[Key, BandOrFigure] = {}
    steps: Annotated[tuple[Step, ...], Field(max_length=20)] = ()
    made: dict[Key, Words] = {}

    @model_validator(mode="after")
    def _plausible(self) -> "SetLimits":
        sizes = [step.size for step in self.steps]
        if any(not ZERO <= size <= FURTHEST_STEP for size in sizes):
            raise ValueError("a step must lie between standard and 0.2 in: check the decimal point")
        if len(set(sizes)) != len(sizes):
            raise ValueError("one size is listed twice among the steps")
        return self

    def band(self, key: str) -> Band | None:
        """A band by its key; None where the sheet has none."""
        found = self.figures.get(key)
        return found if isinstance(found, Band) else None

    def amount(self, key: str) -> AmountBand | None:
        """A limit that is no length by its key; None where the sheet has none."""
        found = self.figures.get(key)
        return found if isinstance(found, AmountBand) else None

    def figure(self, key: str) -> Figure | None:
        """A single limit by its key; None where the sheet has none."""
        found = self.figures.get(key)
        return found if isinstance(found, Figure) else None


class SetName(StrEnum):
    """The sets this program knows by name. A kind of part may bring its own."""

    MAINS = "mains"
    RODS = "rods"
    BORES = "bores"
    PISTONS = "pistons"
    RINGS = "rings"
    PUMP = "pump"
