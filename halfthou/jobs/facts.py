"""Facts: what a person or a gauge reported. They are only ever added; a later one supersedes."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator
from typing_extensions import override

from halfthou.jobs.document import FactId, Note, Words
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.set_limits import Key
from halfthou.lengths import AmountUnit, Length, Notation, Unit

#: A part by its place in the engine: R1, bearing-rod-5, bore-3. Which there are, the layout and the catalogue know.
PartName = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[A-Za-z][A-Za-z0-9.-]*$")]
#: A spot by its name: of a plan its plane and angle, else as the kind of the part lists it.
SpotName = Annotated[str, Field(pattern=r"^[A-Za-z0-9][A-Za-z0-9.-]{0,11}$")]


class Feature(StrEnum):
    """The features this program knows by name. A kind of part may bring its own."""

    DIAMETER = "diameter"
    BEARING_BORE = "bearing bore"
    HOUSING_BORE = "housing bore"
    WALL = "wall"
    BELOW_TRAVEL = "below ring travel"
    ABOVE_TRAVEL = "above ring travel"


#: The feature of a part that is read where nothing else is said.
DIAMETER = Feature.DIAMETER.value


#: No count of anything is larger: beyond it a number is not exact in every program that reads our files.
LONGEST_COUNT = 9_000_000_000_000_000


class Reading(Fact):
    """One amount at one spot of a feature of a part. `typed` and `unit` are what was keyed; `count` is what the
    gauge said, in whole smallest units of the feature's quantity (lengths: nanometres).

    A second reading of a spot leaves the first in place: the newest is current. One that `repeats` another counts
    together with it, as their mean. `angle_deg` and `planes` say where it was really taken: at which angle, and in
    which of how many planes; a plan that is changed later moves no reading. Of a total reading of the dial
    `angle_deg` is its high side, where that was seen. What is not said of its state (caps,
    plate, cleaned) is None. `meant` says how the typed text was taken where it was asked about; `by_button` that
    the gauge's own button sent it. `setting` is the setting check that a comparator's signed number counted from.
    """

    part: PartName
    feature: Key = DIAMETER
    spot: SpotName
    count: Annotated[int, Field(strict=True, ge=-LONGEST_COUNT, le=LONGEST_COUNT)]
    typed: Words
    unit: Unit | AmountUnit
    gauge: FactId
    angle_deg: Annotated[float, Field(ge=0, lt=360)] | None = None
    planes: Annotated[int, Field(ge=2, le=5)] | None = None
    corrects: FactId | None = None
    repeats: FactId | None = None
    sitting: FactId | None = None
    setting: FactId | None = None
    caps_torqued: bool | None = None
    plate_fitted: bool | None = None
    cleaned: bool | None = None
    meant: Note = ""
    by_button: bool = False

    @property
    def size(self) -> Length:
        """What the gauge said, as a length."""
        return Length(self.count)

    @property
    def length_unit(self) -> Unit:
        """The unit it was typed in, where it is a length."""
        return self.unit if isinstance(self.unit, Unit) else Unit.MM

    @override
    def said(self, names: Names) -> str:
        return f"{names.called(self.part)} {self.spot}, {names.read(self)}"


class SlipAnswer(Fact):
    """What a person said to "did you mean": taken, so that `offered` counts in place of what was read, or kept."""

    reading: FactId
    slip: Words
    offered: Length | None = None
    taken: bool

    @model_validator(mode="after")
    def _something_taken(self) -> "SlipAnswer":
        if self.taken and self.offered is None:
            raise ValueError("what is taken has a size")
        return self

    @override
    def said(self, names: Names) -> str:
        of = names.reading(self.reading)
        where, say = f"{names.called(of.part)} {of.spot}", Notation.usual(of.length_unit)
        if self.taken:
            return f"took {say.text(self.offered) if self.offered is not None else ''} for {where}: {self.slip}"
        return f"kept {names.read(of)} at {where}"

    @override
    def more(self, names: Names) -> str:
        of = names.reading(self.reading)
        if self.taken:
            return f"It was read as {Notation.usual(of.length_unit).text(of.size)}."
        return f"Asked: {self.slip}."


class Withdrawal(Fact):
    """A reading or an operation taken back. What was taken back stays in the record."""

    fact: FactId

    @override
    def said(self, names: Names) -> str:
        return f"took back {self.fact}"


class Extension(Fact):
    """The scope of a job extended by more sets of parts: from then on they are judged too."""

    sets: Annotated[tuple[Key, ...], Field(min_length=1, max_length=40)]

    @override
    def said(self, names: Names) -> str:
        return f"extended the scope: {', '.join(self.sets)}"


class Narrowing(Fact):
    """The scope of a job narrowed by sets of parts, and why: they are no longer missed. What was found of them
    stays."""

    sets: Annotated[tuple[Key, ...], Field(min_length=1, max_length=40)]
    reason: Annotated[str, Field(min_length=1, max_length=2000)]

    @override
    def said(self, names: Names) -> str:
        return f"took out of the scope: {', '.join(self.sets)}"

    @override
    def more(self, names: Names) -> str:
        return self.reason


class Piece(Fact):
    """A piece that did not come in the engine: new, or a used one kept. Until it is fitted it lies in no place.

    What came in the engine is a piece too, named by the place it came in. `part` is the new piece's own name: its
    readings are known by it wherever it lies. `step` is the size from standard it is said to be.
    """

    part: PartName
    kind: Key
    new: bool = True
    step: Length | None = None
    note: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"brought in {names.called(self.part)}"

    @override
    def more(self, names: Names) -> str:
        return "; ".join(text for text in ("" if self.new else "used", self.note) if text)


class Fitting(Fact):
    """A piece put in a place, or taken out of where it lay (`place` empty). What lay there before lies in none."""

    piece: PartName
    place: PartName | None = None
    note: Note = ""

    @override
    def said(self, names: Names) -> str:
        where = f"fitted as {names.called(self.place)}" if self.place else "taken out"
        return f"{names.called(self.piece)} {where}"

    @override
    def more(self, names: Names) -> str:
        return self.note


class Use(StrEnum):
    """What an engine is used for: it picks the typical factors of ring gaps. Source: docs/trade: Ring gaps."""

    STREET = "street"
    HARD = "hard use"
    BOOSTED = "boosted"
    MARINE = "marine"
    STATIONARY = "stationary"


class UseSaid(Fact):
    """What the engine is used for, as somebody said it. The last that was said counts."""

    use: Use

    @override
    def said(self, names: Names) -> str:
        return f"used for: {self.use.value}"
