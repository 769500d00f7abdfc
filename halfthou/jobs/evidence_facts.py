"""Facts of the evidence: oil reports, the oil's way, what people make of the cause,
what was done about metal, and reports sent to the customer."""

from enum import StrEnum
from typing import Annotated, Any

from pydantic import Field, model_validator
from typing_extensions import override

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.facts import PartName
from halfthou.jobs.set_limits import Key


class Drawn(StrEnum):
    """How an oil sample was drawn. It decides what it may prove."""

    RUNNING = "hot and running"
    DRAIN = "from the drain, mid-stream"
    LEFT_OVER = "what was left after the strip"
    NOT_SAID = "not said"


class OilFigure(Document):
    """One figure of an oil report: its value, the unit it stands in, and what it is for this engine as a rule."""

    key: Key
    value: Annotated[float, Field(ge=0, le=1_000_000)]
    unit: Words
    usual: Annotated[float, Field(ge=0, le=1_000_000)] | None = None


class OilReport(Fact):
    """A report on one sample of oil. Its figures are all of that sample."""

    sample: Words
    drawn: Drawn
    figures: Annotated[tuple[OilFigure, ...], Field(min_length=1, max_length=40)]
    lab: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"oil report, sample {self.sample}, drawn {self.drawn.value}"


class OilWaySaid(Fact):
    """How the oil runs in this engine: from which end the gallery feeds the mains, which main feeds each pin, and
    what else hangs on it. `source` says who says so."""

    from_rear: bool = False
    feeds: dict[PartName, tuple[PartName, ...]] = {}
    extras: Annotated[tuple[Key, ...], Field(max_length=30)] = ()
    source: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"the oil's way{f', by {self.source}' if self.source else ''}"


class Mistrust(Fact):
    """A look or reading that a person mistrusts, and why: it proves nothing until that is taken back."""

    of: Annotated[str, Field(min_length=1, max_length=80)]
    reason: Words

    @override
    def said(self, names: Names) -> str:
        return f"mistrusts {self.of}: {self.reason}"


class Stand(StrEnum):
    """What a person makes of the cause."""

    SETTLED = "settled on"
    OWN = "a cause of their own"
    OPEN = "left open"


class CauseSaid(Fact):
    """What a person made of the cause, and why. The last counts; all are kept.

    `cause` is the id of a known one, `words` name one of their own.
    """

    stand: Stand
    cause: Note = ""
    words: Note = ""
    reason: Words

    @model_validator(mode="after")
    def _says_which(self) -> "CauseSaid":
        if self.stand is Stand.SETTLED and not self.cause:
            raise ValueError("say which cause")
        if self.stand is Stand.OWN and not self.words.strip():
            raise ValueError("name the cause")
        return self

    @override
    def said(self, names: Names) -> str:
        return f"cause {self.stand.value}: {names.cause(self.cause or self.words)}; {self.reason}"


class RemedyHow(StrEnum):
    """By what a cause is removed."""

    OPERATION = "an operation"
    PART = "a new part"
    ELSEWHERE = "work done elsewhere"
    CHECK = "a check"


class Remedy(Fact):
    """What removes a cause: an operation, a new part, or work done elsewhere, by whom (`shop`) and on what `paper`.
    `cause` is its id, or the words of one's own. It counts when it is `done`; a check counts only where it is what
    clears that cause."""

    cause: Words
    words: Words
    how: RemedyHow = RemedyHow.OPERATION
    shop: Note = ""
    paper: Note = ""
    done: bool = True

    @model_validator(mode="after")
    def _says_whose(self) -> "Remedy":
        if self.how is RemedyHow.ELSEWHERE and not (self.shop.strip() and self.paper.strip()):
            raise ValueError("say by whom it was done, and on what paper that stands")
        return self

    @property
    def told(self) -> str:
        """The work in words, and whose it is."""
        return f"{self.words}, by {self.shop}, {self.paper}" if self.how is RemedyHow.ELSEWHERE else self.words

    @override
    def said(self, names: Names) -> str:
        what = "cause removed" if self.done else "to remove the cause"
        return f"{what}, {names.cause(self.cause)}: {self.told}"


class DealtHow(StrEnum):
    """What was done to a part that metal went through."""

    WASHED = "washed"
    RENEWED = "renewed"
    CHECKED = "checked"


class Dealt(Fact):
    """Something on the list of what metal went through is dealt with."""

    item: Words
    how: DealtHow
    words: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"{self.item}: {self.how.value}{f', {self.words}' if self.words else ''}"


class CarriedPart(Fact):
    """A used part that goes to another engine (`out`), or came from one. `with_metal` says what went through it; ""
    where nothing is known to have. Both jobs hold such a fact."""

    what: Words
    out: bool
    other: Words
    with_metal: Note = ""

    @override
    def said(self, names: Names) -> str:
        metal = f", with {self.with_metal}" if self.with_metal else ""
        return f"{self.what} {'left for' if self.out else 'came from'} job {self.other}{metal}"


class ReportIssued(Fact):
    """A strip report sent to the customer, as it stood. It is never worked out again."""

    number: Annotated[int, Field(strict=True, ge=1, le=1_000)]
    words: Note = ""
    content: dict[str, Any] = Field(default_factory=dict)

    @override
    def said(self, names: Names) -> str:
        return f"strip report {self.number}"
