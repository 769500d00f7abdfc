"""The limits of a set of journals, read from the sheet's figures by name."""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import Field, ValidationError, model_validator

from halfthou.jobs import Band, Document, Figure, Hardening, LimitsSheet, Material, SetLimits, Step
from halfthou.lengths import ZERO, Length
from halfthou.parts.journals.beside_size import FIGURES as BESIDE_FIGURES
from halfthou.surveys import POLISH_SHELL, SizeLadder

#: The figures of a set of journals: bands, then single limits, each by its key.
BANDS = ("size", "housing_bore", "wall", "clearance")
SINGLES = (
    "service_least",
    "out_of_round",
    "taper",
    "barrel",
    "width",
    "clearance_service",
    "smallest_allowed",
    "case_depth",
    "least_case",
)
#: What is read beside the size has figures of its own: they are no limits of it.
BESIDE = tuple(one.key for one in BESIDE_FIGURES)


class JournalLimits(Document):
    """What one set of journals is allowed. Bands are for standard size, when new. `shells` are the steps sold."""

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
    shells: Annotated[tuple[Step, ...], Field(max_length=20)] = ()
    smallest_allowed: Figure | None = None
    hardening: Hardening = Hardening.UNKNOWN
    case_depth: Figure | None = None
    least_case: Figure | None = None
    oil_hole_deg: Annotated[float, Field(ge=0, lt=360)] | None = None
    housing_material: Material = Material.GREY_IRON

    @model_validator(mode="after")
    def _plausible(self) -> JournalLimits:
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
        undersizes = [shell.size for shell in self.shells]
        if any(undersize < ZERO or undersize > Length(5_080_000) for undersize in undersizes):
            found.append("a shell's undersize must lie between standard and 0.2 in: check the decimal point")
        if len(set(undersizes)) != len(undersizes):
            found.append("one undersize is listed twice among the shells")
        return found

    def shell(self, undersize: Length) -> Step | None:
        """The shells for an undersize as the sheet lists them; None where it lists none."""
        return next((one for one in self.shells if one.size == undersize), None)

    @classmethod
    def of(cls, limits: SetLimits) -> JournalLimits:
        """The limits of a set as those of journals. Refuses: ValueError where a figure they need is missing."""
        known: dict[str, Any] = {key: found for key, found in limits.figures.items() if key in (*BANDS, *SINGLES)}
        unknown = sorted(limits.figures.keys() - known.keys() - set(BESIDE))
        if unknown:
            raise ValueError(f"journals have no figure {', '.join(unknown)}")
        made = limits.made
        known["hardening"] = made.get("hardening", Hardening.UNKNOWN)
        known["housing_material"] = made.get("housing material", Material.GREY_IRON)
        if "oil hole" in made:
            known["oil_hole_deg"] = made["oil hole"]
        return cls(shells=limits.steps, **known)


def limits_of(sheet: LimitsSheet, journal_set: str) -> JournalLimits:
    """The limits of a set of journals. Refuses: KeyError where the sheet says nothing of them."""
    limits = sheet.sets[journal_set]
    # Read once: kept with the set's own figures, which a changed sheet brings anew.
    known = limits.__dict__.get("_of_journals")
    if known is None:
        known = limits.__dict__["_of_journals"] = JournalLimits.of(limits)
    found: JournalLimits = known
    return found


def faults_of_journals(limits: SetLimits) -> tuple[str, ...]:
    """What does not hang together in the limits of journals, in words: a figure they need is missing, or cannot
    be."""
    try:
        JournalLimits.of(limits)
    except ValidationError as error:
        return tuple(_said(one) for one in error.errors())
    except ValueError as error:
        return (str(error),)
    return ()


def _said(fault: Any) -> str:
    named = ".".join(str(part) for part in fault["loc"]).replace("_", " ")
    said = fault["msg"].removeprefix("Value error, ")
    return f"{named} is needed" if fault["type"] == "missing" else f"{named}: {said}" if named else said


def ladder_of(limits: JournalLimits) -> SizeLadder:
    """The ladder of a set of journals."""
    return SizeLadder(limits.size.least, limits.size.most, sheet_steps(limits))


def sheet_steps(limits: JournalLimits) -> tuple[Length, ...]:
    """Standard and the grind steps of a sheet, smallest first."""
    return tuple(
        sorted({ZERO, *(s.size for s in limits.shells if s.size > POLISH_SHELL)}, key=lambda size: size.nm)
    )
