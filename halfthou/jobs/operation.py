"""An operation that was done to parts of the engine."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from halfthou.jobs.document import Document, FactId, Moment, Note, Words
from halfthou.lengths import Length

PartName = Annotated[str, Field(pattern=r"^([MR][1-9][0-9]?|mains|rods|crank)$")]


class OperationKind(StrEnum):
    """Work on the bottom end that readings depend on. Source: docs/trade: What work makes stale."""

    GRIND = "grind"
    POLISH = "polish"
    STRAIGHTEN = "straighten"
    HEAT_TREAT = "heat treat"
    LINE_HONE = "line hone"
    STUDS = "studs or girdle fitted"
    TORQUE_CHANGED = "cap torque changed"
    RESIZE_RODS = "resize rods"
    NEW_SHELLS = "other shells fitted"
    FINAL_WASH = "final wash"


class Operation(Document):
    """One operation done. `on` is a set, a journal or the crank; `undersize` is what a grind went to."""

    id: FactId
    kind: OperationKind
    on: PartName
    undersize: Length | None = None
    note: Note = ""
    by: Words
    at: Moment
