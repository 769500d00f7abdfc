"""The limits sheet: the engine's layout and, for its mains and its rods, what is allowed and what can be bought."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.figures import Band, Figure
from halfthou.jobs.layout import Layout
from halfthou.jobs.material import Material
from halfthou.lengths import ZERO, Length, Unit


class JournalSet(StrEnum):
    """Journals that are decided together: all mains one size, all rods one size."""

    MAINS = "mains"
    RODS = "rods"


class Hardening(StrEnum):
    """How the journals were hardened. Source: docs/trade: Hardness and fillets."""

    NONE = "none"
    INDUCTION = "induction"
    NITRIDED = "nitrided"
    NITROCARBURISED = "nitrocarburised"
    UNKNOWN = "unknown"


class ShellSize(Document):
    """Half bearings that exist: for a journal so much under standard (0 for standard)."""

    undersize: Length
    part_number: Note = ""
    can_be_bought: bool = True


class JournalLimits(Document):
    """What one set of journals is allowed. Bands are for standard size, when new."""

    size: Band
    service_least: Figure | None = None
    out_of_round: Figure
    taper: Figure
    barrel: Figure | None = None
    width: Figure | None = None
    housing_bore: Band | None = None
    wall: Band | None = None
    clearance: Band | None = None
    clearance_service: Figure | None = None
    shells: Annotated[tuple[ShellSize, ...], Field(max_length=20)] = ()
    smallest_allowed: Figure | None = None
    hardening: Hardening = Hardening.UNKNOWN
    case_depth: Figure | None = None
    least_case: Figure | None = None
    oil_hole_deg: Annotated[float, Field(ge=0, lt=360)] | None = None
    housing_material: Material = Material.GREY_IRON

    @model_validator(mode="after")
    def _plausible(self) -> "JournalLimits":
        faults = list(self._faults())
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def _faults(self) -> list[str]:
        found = []
        if self.size.least <= ZERO:
            found.append("the journal size must be more than nothing")
        if self.service_least and self.service_least.value > self.size.most:
            found.append("the service limit is larger than the journal when new")
        for name, figure in (("out-of-round", self.out_of_round), ("taper", self.taper)):
            if not ZERO < figure.value < Length(2_540_000):
                found.append(f"the {name} limit must lie between nothing and 0.1 in: check the decimal point")
        undersizes = [shell.undersize for shell in self.shells]
        if any(undersize < ZERO or undersize > Length(5_080_000) for undersize in undersizes):
            found.append("a shell's undersize must lie between standard and 0.2 in: check the decimal point")
        if len(set(undersizes)) != len(undersizes):
            found.append("one undersize is listed twice among the shells")
        return found


class SheetState(StrEnum):
    """A machinist drafts a sheet; the owner confirms it. What came confirmed in a file was confirmed elsewhere."""

    DRAFT = "draft"
    CONFIRMED = "confirmed"
    ELSEWHERE = "confirmed elsewhere"


class LimitsSheet(Document):
    """One revision of an engine's limits."""

    engine: Words
    revision: Annotated[int, Field(ge=1)] = 1
    state: SheetState = SheetState.DRAFT
    unit: Unit
    notes: Note = ""
    layout: Layout
    crank_material: Material = Material.STEEL
    mains: JournalLimits
    rods: JournalLimits

    def of(self, journal_set: JournalSet) -> JournalLimits:
        """The limits of one set."""
        return self.mains if journal_set is JournalSet.MAINS else self.rods

    def journals(self, journal_set: JournalSet) -> tuple[str, ...]:
        """The journals of one set, from the front."""
        return self.layout.mains if journal_set is JournalSet.MAINS else self.layout.rods


def set_of(journal: str) -> JournalSet:
    """The set a journal belongs to, by its name: M1 is a main, R1 a rod."""
    return JournalSet.MAINS if journal.startswith("M") else JournalSet.RODS
