"""A limits sheet as typed in the form, to and from the core's document."""

from typing import Any

from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.amounts import Quantity, read_amount
from halfthou.engines import PartKind
from halfthou.exchange import Fault, exact_amount, exact_text, faults_of
from halfthou.jobs import (
    AmountBand,
    Band,
    Figure,
    Layout,
    LimitsSheet,
    Material,
    SetLimits,
    SheetState,
    SourceKind,
    Step,
)
from halfthou.lengths import MOST_UNDERSIZE, Length, Typed, Unit, Unreadable, read_length, read_undersize
from halfthou.parts import CATALOGUE
from workshop.people.refusals import Refusal


class FigureForm(Schema):
    """One figure as typed. A single figure has its value under `least`."""

    name: str = Field(max_length=40)
    least: str = Field(default="", max_length=200)
    most: str = Field(default="", max_length=200)
    source: SourceKind = SourceKind.MAKER
    place: str = Field(default="", max_length=2000)


class StepForm(Schema):
    """One step as typed: the size from standard, its parts, and the rings that go with a piston."""

    size: str = Field(max_length=200)
    part_number: str = Field(default="", max_length=2000)
    can_be_bought: bool = True
    rings_number: str = Field(default="", max_length=2000)
    rings_can_be_bought: bool | None = None


class SetForm(Schema):
    """The limits of one set as typed."""

    set: str = Field(max_length=40)
    figures: list[FigureForm] = Field(default=[], max_length=60)
    steps: list[StepForm] = Field(default=[], max_length=60)
    made: dict[str, str] = {}


class SheetForm(Schema):
    """A limits sheet as typed. `version` is that of the sheet it was changed from; `sure` says that what the sheet
    asks about itself was looked at. A set left out is one the sheet says nothing of. `description` is the revision
    of a description that the engine's layout is taken from; without it the layout is as typed."""

    version: int = 0
    sure: bool = False
    engine: str = Field(max_length=2000)
    unit: Unit
    notes: str = Field(default="", max_length=20_000)
    layout: Layout
    description: int | None = None
    crank_material: Material = Material.UNKNOWN
    sets: list[SetForm] = Field(max_length=40)


def sheet_of(form: SheetForm, revision: int) -> LimitsSheet:
    """The form as a document. Refuses: Refusal, naming every field that cannot be used."""
    faults: list[Fault] = []
    if not form.engine.strip():
        faults.append(Fault("engine", "Give the engine a name."))
    if len(form.engine.strip()) > 200:
        faults.append(Fault("engine", "At most 200 characters."))
    if len(form.notes) > 2000:
        faults.append(Fault("notes", "At most 2,000 characters."))
    known = CATALOGUE.sets(form.layout)
    sets = {}
    for given in form.sets:
        if given.set not in known:
            faults.append(Fault("sets", f"This engine has no {given.set}."))
            continue
        kind = CATALOGUE.kind_of_set(given.set, form.layout)
        found = _set(given, kind, form.unit, faults)
        if found is not None:
            sets[given.set] = found
    if not form.sets:
        faults.append(Fault("sets", "Give the limits of one set at the least."))
    if not faults:
        try:
            return LimitsSheet(
                engine=form.engine.strip(),
                revision=revision,
                state=SheetState.DRAFT,
                unit=form.unit,
                notes=form.notes,
                layout=form.layout,
                crank_material=form.crank_material,
                sets={one: sets[one] for one in known if one in sets},
            )
        except ValidationError as error:
            faults.extend(faults_of(error))
    raise Refusal("bad-sheet", "The limits sheet was not kept. Mend what is marked; nothing typed is lost.", faults)


def _set(form: SetForm, kind: PartKind, unit: Unit, faults: list[Fault]) -> SetLimits | None:
    typed = {figure.name: figure for figure in form.figures}
    figures: dict[str, Band | Figure | AmountBand] = {}
    before, part = len(faults), form.set
    for asked in kind.figures:
        figure = typed.get(asked.key)
        if figure is None or not (figure.least.strip() or figure.most.strip()):
            if asked.needed:
                faults.append(Fault(f"{part}.{asked.key}", f"{asked.label} is needed."))
            continue
        where = f"{part}.{asked.key}"
        found: Band | Figure | AmountBand | None
        if asked.quantity is Quantity.LENGTH:
            found = _figure(where, figure, asked.is_band, unit, faults)
        else:
            found = _amount(where, figure, asked.quantity, faults)
        if found is not None:
            figures[asked.key] = found
    made = _made(form, kind, faults)
    given = [_step(f"{part}.steps.{n}", step, unit, faults) for n, step in enumerate(form.steps)]
    if len(faults) > before:
        return None
    try:
        limits = SetLimits(
            figures=figures, steps=tuple(Step(**step) for step in given if step is not None), made=made
        )
        faults.extend(Fault(part, fault) for fault in kind.check(limits))
        return limits
    except ValidationError as error:
        faults.extend(Fault(part, fault.what) for fault in faults_of(error))
        return None


def _made(form: SetForm, kind: PartKind, faults: list[Fault]) -> dict[str, str]:
    made = {}
    for asked in kind.made:
        said = form.made.get(asked.key, "").strip()
        if not said:
            continue
        if asked.answers:
            if said not in asked.answers:
                faults.append(
                    Fault(f"{form.set}.{asked.key}", f"“{said[:40]}” is none of: {', '.join(asked.answers)}.")
                )
            else:
                made[asked.key] = said
        elif asked.free:
            made[asked.key] = said[:200]
        elif (degrees := _degrees(f"{form.set}.{asked.key}", said, faults)) is not None:
            made[asked.key] = f"{degrees:g}"
    return made


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


def _amount(where: str, typed: FigureForm, quantity: Quantity, faults: list[Fault]) -> AmountBand | None:
    """A limit that is no length: at least, at most, or both."""
    ends: dict[str, int] = {}
    for name, text in (("least", typed.least), ("most", typed.most)):
        if not text.strip():
            continue
        try:
            found = read_amount(text, quantity)
        except Unreadable as error:
            faults.append(Fault(where, error.message))
            return None
        if not isinstance(found, Typed):
            faults.append(Fault(where, found.in_words))
            return None
        ends[name] = found.length.nm
    source = {"kind": typed.source, "place": typed.place}
    text = " to ".join(text.strip() for text in (typed.least, typed.most) if text.strip())
    try:
        return AmountBand.model_validate({"quantity": quantity, "typed": text, "source": source, **ends})
    except ValidationError as error:
        faults.extend(Fault(where, fault.what) for fault in faults_of(error))
        return None


def _step(where: str, form: StepForm, unit: Unit, faults: list[Fault]) -> dict[str, Any] | None:
    try:
        found = read_undersize(form.size, unit)
    except Unreadable as error:
        faults.append(Fault(where, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(where, found.in_words))
        return None
    if found.length > MOST_UNDERSIZE:
        faults.append(Fault(where, f"“{form.size.strip()}” is no step: check the decimal point."))
        return None
    return {
        "size": found.length,
        "part_number": form.part_number,
        "can_be_bought": form.can_be_bought,
        "rings_number": form.rings_number,
        "rings_can_be_bought": form.rings_can_be_bought,
    }


def _length(where: str, text: str, unit: Unit, faults: list[Fault]) -> Length | None:
    try:
        found = read_length(text, unit)
    except Unreadable as error:
        faults.append(Fault(where, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(where, found.in_words))
        return None
    if found.length.nm <= 0:
        faults.append(Fault(where, "A limit is more than nothing."))
        return None
    return found.length


def form_of_sheet(sheet: LimitsSheet, version: int = 0, description: int | None = None) -> SheetForm:
    """The document as it stands in the form."""
    return SheetForm(
        version=version,
        description=description,
        engine=sheet.engine,
        unit=sheet.unit,
        notes=sheet.notes,
        layout=sheet.layout,
        crank_material=sheet.crank_material,
        sets=[_set_form(one, limits, sheet) for one, limits in sheet.sets.items()],
    )


def _set_form(one: str, limits: SetLimits, sheet: LimitsSheet) -> SetForm:
    kind, unit = CATALOGUE.kind_of_set(one, sheet.layout), sheet.unit
    figures = []
    for asked in kind.figures:
        found = limits.figures.get(asked.key)
        if found is None:
            figures.append(FigureForm(name=asked.key))
            continue
        if isinstance(found, AmountBand):
            ends = [exact_amount(found.quantity, end) for end in (found.least, found.most)]
            source, place = found.source.kind, found.source.place
            figures.append(FigureForm(name=asked.key, least=ends[0], most=ends[1], source=source, place=place))
            continue
        least = found.least if isinstance(found, Band) else found.value
        figures.append(
            FigureForm(
                name=asked.key,
                least=_text(least, unit),
                most=_text(found.most, unit) if isinstance(found, Band) else "",
                source=found.source.kind,
                place=found.source.place,
            )
        )
    steps = [
        StepForm(
            size=_text(step.size, unit) if step.size.nm else "STD",
            part_number=step.part_number,
            can_be_bought=step.can_be_bought,
            rings_number=step.rings_number,
            rings_can_be_bought=step.rings_can_be_bought,
        )
        for step in limits.steps
    ]
    return SetForm(set=one, figures=figures, steps=steps, made=dict(limits.made))


def _text(length: Length, unit: Unit) -> str:
    text, its_unit = exact_text(length, unit)
    whole, _, rest = text.partition(".")
    shown = f"{whole}.{rest.ljust(4 if its_unit is Unit.INCH else 3, '0')}"
    return shown if its_unit is unit else f"{shown} {its_unit.value}"
