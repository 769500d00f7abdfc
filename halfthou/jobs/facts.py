"""Facts: what a person or a gauge reported. They are only ever added; a later one supersedes."""

from datetime import datetime
from enum import StrEnum
from typing import Annotated

from pydantic import AfterValidator, Field, model_validator

from halfthou.jobs.document import Document, FactId, Note, Words
from halfthou.lengths import ZERO, Length, Unit

JournalName = Annotated[str, Field(pattern=r"^[MR][1-9][0-9]?$")]
SpotName = Annotated[str, Field(pattern=r"^[1-5][a-h]$")]


def _a_size(size: Length) -> Length:
    if size <= ZERO:
        raise ValueError("a reading is a size: more than nothing")
    return size


class Reading(Document):
    """One diameter at one spot. `typed` and `unit` are what was keyed; `size` is what it means.

    A second reading of a spot leaves the first in place: the newest is current.
    """

    id: FactId
    journal: JournalName
    spot: SpotName
    size: Annotated[Length, AfterValidator(_a_size)]
    typed: Words
    unit: Unit
    gauge: FactId
    by: Words
    at: datetime
    corrects: FactId | None = None


class Withdrawal(Document):
    """A reading taken back. The reading itself stays in the record."""

    id: FactId
    reading: FactId
    by: Words
    at: datetime


class Look(StrEnum):
    """What can be seen, felt or tested at the bench."""

    CLAIMED_UNDERSIZE = "claimed undersize"
    SURFACE = "surface"
    HEAT = "heat colour"
    SHELL = "shell"
    FILLET = "fillet"
    CRACK_TEST = "crack test"


#: What each look may answer. Terms: handbook D4, M; the-work, rules 7 and 9.
ANSWERS: dict[Look, tuple[str, ...]] = {
    Look.CLAIMED_UNDERSIZE: ("paint", "stamp", "paper", "word of mouth"),
    Look.SURFACE: ("nail runs clear", "light marks", "nail catches"),
    Look.HEAT: ("none", "straw", "brown or purple", "blue", "grey"),
    Look.SHELL: ("in place", "turned in its housing"),
    Look.FILLET: ("sound", "sharp, notched or undercut"),
    Look.CRACK_TEST: ("passed", "crack found"),
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
    at: datetime

    @model_validator(mode="after")
    def _an_answer(self) -> "Observation":
        if self.answer not in (*ANSWERS[self.look], "not looked at"):
            raise ValueError(f"“{self.answer}” is no answer for {self.look.value}")
        if self.depth is not None and self.depth < ZERO:
            raise ValueError("a depth is not less than nothing")
        if self.look is Look.CLAIMED_UNDERSIZE and self.answer != "not looked at" and self.depth is None:
            raise ValueError("say which undersize is claimed")
        return self
