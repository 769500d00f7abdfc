"""A figure of a limits sheet: the exact length, what was typed, and the source it came from."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.amounts import Quantity
from halfthou.jobs.document import Document, Note
from halfthou.lengths import Length


class SourceKind(StrEnum):
    """Where a limit comes from, in order of authority. Source: docs/trade: Authority of a limit; docs/trade:
    Authority of a limit."""

    MAKER = "maker"
    PART_MAKER = "part maker"
    HOUSE = "house"
    RULE_OF_THUMB = "rule of thumb"
    INVENTED = "invented"


class Source(Document):
    """The authority of a figure and its place: book and page."""

    kind: SourceKind
    place: Note = ""


class Figure(Document):
    """One limit."""

    value: Length
    typed: Note = ""
    source: Source


class Band(Document):
    """A size from least to most."""

    least: Length
    most: Length
    typed: Note = ""
    source: Source

    @model_validator(mode="after")
    def _in_order(self) -> "Band":
        if self.least > self.most:
            raise ValueError("the least is larger than the most: swap them")
        return self


class AmountBand(Document):
    """A limit that is no length: from least to most, either end may be open, in its smallest units."""

    quantity: Quantity
    least: Annotated[int, Field(ge=0)] | None = None
    most: Annotated[int, Field(ge=0)] | None = None
    typed: Note = ""
    source: Source

    @model_validator(mode="after")
    def _in_order(self) -> "AmountBand":
        if self.quantity is Quantity.LENGTH:
            raise ValueError("a length is a figure or a band, not an amount")
        if self.least is None and self.most is None:
            raise ValueError("give the least, the most, or both")
        if self.least is not None and self.most is not None and self.least > self.most:
            raise ValueError("the least is larger than the most: swap them")
        return self
