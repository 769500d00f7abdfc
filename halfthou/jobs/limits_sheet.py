"""The limits sheet: the engine's layout and, for every set of parts, what is allowed and what can be bought."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from halfthou.jobs.arrangement import Arrangement
from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.journal_set import JournalSet
from halfthou.jobs.layout import Layout, Pin
from halfthou.jobs.material import Material
from halfthou.jobs.set_limits import Key, SetLimits, SetName
from halfthou.lengths import Unit


class SheetState(StrEnum):
    """A machinist drafts a sheet; the owner confirms it. What came confirmed in a file was confirmed elsewhere."""

    DRAFT = "draft"
    CONFIRMED = "confirmed"
    ELSEWHERE = "confirmed elsewhere"


#: The engine of a job of which nobody has said yet what it is.
NOT_IDENTIFIED = "not identified yet"


class LimitsSheet(Document):
    """One revision of an engine's limits. A set it says nothing of cannot be judged by it."""

    engine: Words
    revision: Annotated[int, Field(ge=1)] = 1
    state: SheetState = SheetState.DRAFT
    unit: Unit
    notes: Note = ""
    layout: Layout
    crank_material: Material = Material.STEEL
    sets: Annotated[dict[Key, SetLimits], Field(min_length=1)]

    def journals(self, journal_set: str) -> tuple[str, ...]:
        """The journals of one set, from the front."""
        return self.layout.mains if journal_set == JournalSet.MAINS else self.layout.rods


def set_of(journal: str) -> JournalSet:
    """The set a journal belongs to, by its name: M1 is a main, R1 a rod."""
    return JournalSet.MAINS if journal.startswith("M") else JournalSet.RODS


def unidentified_sheet() -> LimitsSheet:
    """What stands in for the limits of an engine that is not identified yet: it allows nothing and judges nothing
    but that limits are wanted. The pump is the one part that every engine has."""
    layout = Layout(
        name=NOT_IDENTIFIED,
        arrangement=Arrangement.INLINE,
        cylinders=1,
        pins=(Pin(cylinders=(1,), throw_deg=0),),
        shaft=("M1", "R1", "M2"),
    )
    return LimitsSheet(engine=NOT_IDENTIFIED, unit=Unit.MM, layout=layout, sets={SetName.PUMP: SetLimits()})
