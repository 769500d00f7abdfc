"""A setting check: a gauge read on something of known size before measuring."""

from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, FactId, Moment, Note, Words
from halfthou.jobs.temperatures import Celsius
from halfthou.lengths import ZERO, Length, Unit


class SettingCheck(Document):
    """What a gauge read on a standard. The zero error is the mean of `read` less `standard`.

    `against` names the gauge of the cabinet that was the standard, where one was: a setting ring, or a micrometer
    locked at a size. `standard_error` is the ± limit of a standard that is not in the cabinet.
    """

    id: FactId
    gauge: FactId
    against: FactId | None = None
    standard: Length
    standard_error: Length = Length(1_000)
    read: Annotated[tuple[Length, ...], Field(min_length=1, max_length=50)]
    typed: Note = ""
    unit: Unit
    gauge_c: Celsius | None = None
    by: Words
    at: Moment

    @model_validator(mode="after")
    def _plausible(self) -> "SettingCheck":
        if self.standard <= ZERO:
            raise ValueError("the standard has a size: more than nothing")
        if not ZERO <= self.standard_error <= Length(100_000):
            raise ValueError("the standard's error must lie between nothing and 0.1 mm: check the decimal point")
        if any(abs(read - self.standard) > Length(1_000_000) for read in self.read):
            raise ValueError("it read more than 1 mm off the standard: set it anew, or check which standard it was")
        if self.against == self.gauge:
            raise ValueError("a gauge cannot be its own standard")
        return self
