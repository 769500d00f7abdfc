"""Facts: what a person or a gauge reported. They are only ever added; a later one supersedes."""

from enum import StrEnum
from typing import Annotated

from pydantic import AfterValidator, Field, model_validator

from halfthou.jobs.document import Document, FactId, Moment, Note, Words
from halfthou.lengths import ZERO, Length, Unit

JournalName = Annotated[str, Field(pattern=r"^[MR][1-9][0-9]?$")]
SpotName = Annotated[str, Field(pattern=r"^[1-5][a-h]$")]


def _a_size(size: Length) -> Length:
    if size <= ZERO:
        raise ValueError("a reading is a size: more than nothing")
    return size


class Feature(StrEnum):
    """What of a journal and its bearing is measured."""

    JOURNAL = "journal"
    BEARING_BORE = "bearing bore"
    HOUSING_BORE = "housing bore"
    WALL = "wall"


#: The spots of everything but the journal, whose plan can be chosen. Bores: two planes, the crown (a) and 60
#: degrees to either side of it, never on the joint. Walls: the upper half (a) and the lower (b), at the crown.
#: Source: docs/trade: Measuring a bearing, common practice.
FIXED_SPOTS: dict[Feature, tuple[str, ...]] = {
    Feature.BEARING_BORE: ("1a", "1b", "1c", "2a", "2b", "2c"),
    Feature.HOUSING_BORE: ("1a", "1b", "1c", "2a", "2b", "2c"),
    Feature.WALL: ("1a", "1b"),
}


class Reading(Document):
    """One size at one spot. `typed` and `unit` are what was keyed; `size` is what the gauge said.

    A second reading of a spot leaves the first in place: the newest is current. One that `repeats` another counts
    together with it, as their mean. `angle_deg` and `planes` say where it was really taken: at which angle, and in
    which of how many planes; a plan that is changed later moves no reading. What is not said of its state (caps,
    plate, cleaned) is None. `meant` says how the typed text was taken where it was asked about; `by_button` that
    the gauge's own button sent it.
    """

    id: FactId
    journal: JournalName
    feature: Feature = Feature.JOURNAL
    spot: SpotName
    size: Annotated[Length, AfterValidator(_a_size)]
    typed: Words
    unit: Unit
    gauge: FactId
    angle_deg: Annotated[float, Field(ge=0, lt=180)] | None = None
    planes: Annotated[int, Field(ge=2, le=5)] | None = None
    by: Words
    at: Moment
    corrects: FactId | None = None
    repeats: FactId | None = None
    sitting: FactId | None = None
    caps_torqued: bool | None = None
    plate_fitted: bool | None = None
    cleaned: bool | None = None
    meant: Note = ""
    by_button: bool = False


class SlipAnswer(Document):
    """What a person said to "did you mean": taken, so that `offered` counts in place of what was read, or kept."""

    id: FactId
    reading: FactId
    slip: Words
    offered: Length | None = None
    taken: bool
    by: Words
    at: Moment

    @model_validator(mode="after")
    def _something_taken(self) -> "SlipAnswer":
        if self.taken and self.offered is None:
            raise ValueError("what is taken has a size")
        return self


class Withdrawal(Document):
    """A reading or an operation taken back. What was taken back stays in the record."""

    id: FactId
    fact: FactId
    by: Words
    at: Moment


class Look(StrEnum):
    """What can be seen, felt or tested at the bench."""

    CLAIMED_UNDERSIZE = "claimed undersize"
    SURFACE = "surface"
    HEAT = "heat colour"
    SHELL = "shell"
    FILLET = "fillet"
    CRACK_TEST = "crack test"
    HARDNESS = "hardness"
    STRAIGHTNESS = "straightness"
    TREATMENT = "hardening after grinding"


#: What each look may answer. Terms: docs/trade: Hardness and fillets; docs/trade: What is seen.
ANSWERS: dict[Look, tuple[str, ...]] = {
    Look.CLAIMED_UNDERSIZE: ("paint", "stamp", "paper", "word of mouth"),
    Look.SURFACE: ("nail runs clear", "light marks", "nail catches"),
    Look.HEAT: ("none", "straw", "brown or purple", "blue", "grey"),
    Look.SHELL: ("in place", "turned in its housing"),
    Look.FILLET: ("sound", "sharp, notched or undercut"),
    Look.CRACK_TEST: ("passed", "crack found"),
    Look.HARDNESS: ("as the maker asks", "soft"),
    Look.STRAIGHTNESS: ("within the maker's run-out", "bent"),
    Look.TREATMENT: ("hardened again", "not hardened again"),
}


class Observation(Document):
    """One thing seen. `on` is a journal, a set (claimed undersize) or the crank (crack test).

    `depth` is the radial depth of a score, or the size of a claimed undersize; `spot` says where a score lies.
    """

    id: FactId
    on: Annotated[str, Field(pattern=r"^([MR][1-9][0-9]?|mains|rods|crank)$")]
    look: Look
    answer: Words
    depth: Length | None = None
    typed: Note = ""
    spot: SpotName | None = None
    by: Words
    at: Moment

    @model_validator(mode="after")
    def _an_answer(self) -> "Observation":
        if self.answer not in (*ANSWERS[self.look], "not looked at"):
            raise ValueError(f"“{self.answer}” is no answer for {self.look.value}")
        if self.depth is not None and self.depth < ZERO:
            raise ValueError("a depth is not less than nothing")
        if self.look is Look.CLAIMED_UNDERSIZE and self.answer != "not looked at" and self.depth is None:
            raise ValueError("say which undersize is claimed")
        return self
