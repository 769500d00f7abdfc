"""An operation that was done to parts of the engine."""

from enum import StrEnum

from typing_extensions import override

from halfthou.jobs.document import Note
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.facts import PartName
from halfthou.lengths import Length


class OperationKind(StrEnum):
    """Work that readings depend on. Source: docs/trade: What work makes stale."""

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
    DECK = "deck surfaced"
    BLOCK_STUDS = "head studs or block fill"
    LIGHT_HONE = "light hone"
    BORE = "bore and hone"
    SLEEVE = "sleeve fitted"
    FILE_RINGS = "ring gap filed"
    PISTON_WORK = "piston machined"
    PINS = "pins or bushes fitted"
    PUMP_WORK = "pump opened and worked on"
    LAP_COVER = "pump cover lapped"


class Operation(Fact):
    """One operation done. `on` is a part, a set, or a whole (crank, block); `step` is how far from standard it
    went: the undersize of a grind, the oversize of a bore."""

    kind: OperationKind
    on: PartName
    step: Length | None = None
    note: Note = ""

    @override
    def said(self, names: Names) -> str:
        size = f" to {names.sized(self.on, self.step)}" if self.step is not None else ""
        return f"{self.kind.value}: {names.called(self.on)}{size}"

    @override
    def more(self, names: Names) -> str:
        return f"{self.note}." if self.note else ""
