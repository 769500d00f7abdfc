"""A limits sheet as typed in the form, to and from the core's document."""

from typing import Any

from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.exchange import Fault, exact_text, faults_of
from halfthou.jobs import (
    Band,
    Figure,
    Hardening,
    JournalLimits,
    Layout,
    LimitsSheet,
    Material,
    SheetState,
    SourceKind,
)
from halfthou.lengths import MOST_UNDERSIZE, Length, Typed, Unit, Unreadable, read_length, read_undersize
from workshop.people.refusals import Refusal

#: The figures of the form, in the order of the sheet: field, label, whether it is a band, whether it is needed.
FIGURES: tuple[tuple[str, str, bool, bool], ...] = (
    ("size", "Journal size, new", True, True),
    ("service_least", "Service limit, least size", False, False),
    ("out_of_round", "Out-of-round, most", False, True),
    ("taper", "Taper, most", False, True),
    ("barrel", "Barrel or hourglass, most", False, False),
    ("width", "Journal width", False, False),
    ("housing_bore", "Housing bore", True, False),
    ("wall", "Wall thickness, standard shell", True, False),
    ("clearance", "Oil clearance", True, False),
    ("clearance_service", "Oil clearance, service limit", False, False),
    ("smallest_allowed", "Smallest size allowed", False, False),
    ("case_depth", "Case depth", False, False),
    ("least_case", "Least case after grinding", False, False),
)


class FigureForm(Schema):
    """One figure as typed. A single figure has its value under `least`."""

    name: str = Field(max_length=40)
    least: str = Field(default="", max_length=200)
    most: str = Field(default="", max_length=200)
    source: SourceKind = SourceKind.MAKER
    place: str = Field(default="", max_length=2000)


class ShellForm(Schema):
    """One shell size as typed."""

    undersize: str = Field(max_length=200)
    part_number: str = Field(default="", max_length=2000)
    can_be_bought: bool = True


class SetForm(Schema):
    """The limits of one set as typed."""

    figures: list[FigureForm] = Field(max_length=60)
    shells: list[ShellForm] = Field(max_length=60)
    hardening: Hardening = Hardening.UNKNOWN
    oil_hole_deg: str = ""
    housing_material: Material = Material.GREY_IRON


class SheetForm(Schema):
    """A limits sheet as typed. `version` is that of the sheet it was changed from; `sure` says that what the sheet
    asks about itself was looked at."""

    version: int = 0
    sure: bool = False
    engine: str = Field(max_length=2000)
    unit: Unit
    notes: str = Field(default="", max_length=20_000)
    layout: Layout
    crank_material: Material = Material.STEEL
    mains: SetForm
    rods: SetForm


def sheet_of(form: SheetForm, revision: int) -> LimitsSheet:
    """The form as a document. Refuses: Refusal, naming every field that cannot be used."""
    faults: list[Fault] = []
    if not form.engine.strip():
        faults.append(Fault("engine", "Give the engine a name."))
    if len(form.engine.strip()) > 200:
        faults.append(Fault("engine", "At most 200 characters."))
    if len(form.notes) > 2000:
        faults.append(Fault("notes", "At most 2,000 characters."))
    sets = {part: _set(part, getattr(form, part), form.unit, faults) for part in ("mains", "rods")}
    mains, rods = sets["mains"], sets["rods"]
    if not faults and mains is not None and rods is not None:
        try:
            return LimitsSheet(
                engine=form.engine.strip(),
                revision=revision,
                state=SheetState.DRAFT,
                unit=form.unit,
                notes=form.notes,
                layout=form.layout,
                crank_material=form.crank_material,
                mains=mains,
                rods=rods,
            )
        except ValidationError as error:
            faults.extend(faults_of(error))
    raise Refusal("bad-sheet", "The limits sheet was not kept. Mend what is marked; nothing typed is lost.", faults)


def _set(part: str, form: SetForm, unit: Unit, faults: list[Fault]) -> JournalLimits | None:
    typed = {figure.name: figure for figure in form.figures}
    values: dict[str, Any] = {"hardening": form.hardening, "housing_material": form.housing_material}
    before = len(faults)
    values["oil_hole_deg"] = _degrees(f"{part}.oil_hole_deg", form.oil_hole_deg, faults)
    for name, label, is_band, needed in FIGURES:
        figure = typed.get(name)
        if figure is None or not (figure.least.strip() or figure.most.strip()):
            if needed:
                faults.append(Fault(f"{part}.{name}", f"{label} is needed."))
            continue
        values[name] = _figure(f"{part}.{name}", figure, is_band, unit, faults)
    shells = [_shell(f"{part}.shells.{n}", shell, unit, faults) for n, shell in enumerate(form.shells)]
    values["shells"] = tuple(shell for shell in shells if shell is not None)
    if len(faults) > before:
        return None
    try:
        return JournalLimits(**values)
    except ValidationError as error:
        faults.extend(Fault(part, fault.what) for fault in faults_of(error))
        return None


def _degrees(where: str, text: str, faults: list[Fault]) -> float | None:
    said = text.strip().removesuffix("°").strip()
    if not said:
        return None
    try:
        degrees = float(said)
    except ValueError:
        degrees = -1.0
    if not 0 <= degrees < 360:
        faults.append(Fault(where, f"“{text.strip()}” is no angle: type degrees from 0 up to 360."))
        return None
    return degrees


def _figure(where: str, typed: FigureForm, is_band: bool, unit: Unit, faults: list[Fault]) -> Band | Figure | None:
    source = {"kind": typed.source, "place": typed.place}
    least = _length(where, typed.least, unit, faults)
    if not is_band:
        text = typed.least.strip()
        return Figure.model_validate({"value": least, "typed": text, "source": source}) if least else None
    most = _length(where, typed.most, unit, faults)
    if least is None or most is None:
        return None
    if least > most:
        faults.append(Fault(where, "The least is larger than the most: swap them."))
        return None
    text = f"{typed.least.strip()} to {typed.most.strip()}"
    return Band.model_validate({"least": least, "most": most, "typed": text, "source": source})


def _shell(where: str, form: ShellForm, unit: Unit, faults: list[Fault]) -> dict[str, Any] | None:
    try:
        found = read_undersize(form.undersize, unit)
    except Unreadable as error:
        faults.append(Fault(where, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(where, f"{found.question} Write it with in or mm."))
        return None
    if found.length > MOST_UNDERSIZE:
        faults.append(Fault(where, f"“{form.undersize.strip()}” is no undersize: check the decimal point."))
        return None
    return {"undersize": found.length, "part_number": form.part_number, "can_be_bought": form.can_be_bought}


def _length(where: str, text: str, unit: Unit, faults: list[Fault]) -> Length | None:
    try:
        found = read_length(text, unit)
    except Unreadable as error:
        faults.append(Fault(where, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(where, f"{found.question} Write it with in or mm."))
        return None
    if found.length.nm <= 0:
        faults.append(Fault(where, "A limit is more than nothing."))
        return None
    return found.length


def form_of_sheet(sheet: LimitsSheet, version: int = 0) -> SheetForm:
    """The document as it stands in the form."""
    return SheetForm(
        version=version,
        engine=sheet.engine,
        unit=sheet.unit,
        notes=sheet.notes,
        layout=sheet.layout,
        crank_material=sheet.crank_material,
        mains=_set_form(sheet.mains, sheet.unit),
        rods=_set_form(sheet.rods, sheet.unit),
    )


def _set_form(limits: JournalLimits, unit: Unit) -> SetForm:
    figures = []
    for name, _, is_band, _ in FIGURES:
        found = getattr(limits, name)
        if found is None:
            figures.append(FigureForm(name=name))
            continue
        least = found.least if is_band else found.value
        figures.append(
            FigureForm(
                name=name,
                least=_text(least, unit),
                most=_text(found.most, unit) if is_band else "",
                source=found.source.kind,
                place=found.source.place,
            )
        )
    shells = [
        ShellForm(
            undersize=_text(shell.undersize, unit) if shell.undersize.nm else "STD",
            part_number=shell.part_number,
            can_be_bought=shell.can_be_bought,
        )
        for shell in limits.shells
    ]
    return SetForm(
        figures=figures,
        shells=shells,
        hardening=limits.hardening,
        oil_hole_deg="" if limits.oil_hole_deg is None else f"{limits.oil_hole_deg:g}",
        housing_material=limits.housing_material,
    )


def _text(length: Length, unit: Unit) -> str:
    text, its_unit = exact_text(length, unit)
    whole, _, rest = text.partition(".")
    shown = f"{whole}.{rest.ljust(4 if its_unit is Unit.INCH else 3, '0')}"
    return shown if its_unit is unit else f"{shown} {its_unit.value}"
