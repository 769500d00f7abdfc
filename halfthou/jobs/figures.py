"""A figure of a limits sheet: the exact length, what was typed, and the source it came from."""

from enum import StrEnum

from pydantic import model_validator

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
