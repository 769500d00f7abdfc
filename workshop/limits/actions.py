"""Changes to limits sheets: draft, change, copy to a new revision, confirm, take in from a file."""

from django.db import transaction

from halfthou.exchange import Fault
from halfthou.jobs import LimitsSheet, SheetState
from halfthou.parts import CATALOGUE
from halfthou.words import questions_of_sheet, unsourced
from workshop.limits.describing import description_revision, layout_of
from workshop.limits.models import DescriptionRevision, Sheet, SheetRevision
from workshop.limits.translate import SheetForm, form_of_sheet, sheet_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal


def revision_of(revision_id: int) -> SheetRevision:
    """A revision by its id. Refuses: NotThere."""
    revisions = SheetRevision.objects.select_related("sheet")
    found = revisions.filter(pk=revision_id).first() if 0 < revision_id < 2**63 else None
    if found is None:
        raise NotThere("no-sheet", "There is no such limits sheet.")
    return found


def document_of(revision: SheetRevision) -> LimitsSheet:
    """The revision as the core's document."""
    return LimitsSheet.model_validate(revision.document)


@transaction.atomic
def draft_sheet(person: Person, form: SheetForm) -> SheetRevision:
    """Enter the limits of an engine that has no sheet yet."""
    must(person, Act.DRAFT_LIMITS)
    form, description = _described(form)
    sheet = sheet_of(form, 1)
    _question(sheet, sure=form.sure)
    return _new_sheet(person, sheet, description)


def _described(form: SheetForm) -> tuple[SheetForm, DescriptionRevision | None]:
    """The form with the layout of the description it names."""
    if form.description is None:
        return form, None
    description = description_revision(form.description)
    return form.model_copy(update={"layout": layout_of(description)}), description


@transaction.atomic
def take_in_sheet(person: Person, sheet: LimitsSheet) -> SheetRevision:
    """Take in a sheet from a file: a new engine, or the next revision of one that is here. It is a draft."""
    must(person, Act.DRAFT_LIMITS)
    known = Sheet.objects.filter(engine=sheet.engine).first()
    if known is None:
        return _new_sheet(person, sheet)
    return _next_revision(person, known, sheet)


def _question(sheet: LimitsSheet, *, sure: bool) -> None:
    """Put what is odd about a sheet to the person, once. Refuses: Refusal, at the fields."""
    asked = questions_of_sheet(sheet, CATALOGUE)
    if asked and not sure:
        faults = [Fault(one.where, one.what) for one in asked]
        message = "The sheet asks about itself. Look at what is marked, then keep it as it is or mend it."
        raise Refusal("odd-sheet", message, faults)


@transaction.atomic
def change_sheet(person: Person, revision_id: int, form: SheetForm) -> SheetRevision:
    """Change a revision in place. One that jobs stand on, or a frozen one, is copied to a new one instead."""
    must(person, Act.DRAFT_LIMITS)
    revision = revision_of(revision_id)
    if revision.frozen:
        raise Clash("frozen", "A job judged by this revision is signed. Copy it to a new revision and change that.")
    if revision.jobrecord_set.exists():
        message = "A job stands on this revision. Copy it to a new one, change that, and take it up on the job."
        raise Clash("in-use", message)
    if form.version != revision.version:
        raise Clash("changed-meanwhile", _meanwhile(revision, form))
    if document_of(revision).state is SheetState.CONFIRMED:
        must(person, Act.CONFIRM_LIMITS)
    form, revision.description = _described(form)
    sheet = sheet_of(form, revision.number)
    _question(sheet, sure=form.sure)
    if sheet.engine != revision.sheet.engine:
        if Sheet.objects.filter(engine=sheet.engine).exists():
            raise Clash("engine-taken", f"There is a sheet for {sheet.engine} already.")
        if revision.sheet.revisions.count() > 1:
            raise Clash("engine-fixed", "The engine's name stands on earlier revisions too and stays.")
        revision.sheet.engine = sheet.engine
        revision.sheet.save()
    _keep(person, revision, sheet)
    return revision


def _meanwhile(revision: SheetRevision, form: SheetForm) -> str:
    """What somebody else changed on a sheet meanwhile, in words."""
    theirs = form_of_sheet(document_of(revision))
    changed = [
        name for name in ("engine", "unit", "notes", "layout") if getattr(theirs, name) != getattr(form, name)
    ]
    mine = {(one.set, figure.name): (figure.least, figure.most) for one in form.sets for figure in one.figures}
    for one in theirs.sets:
        for figure in one.figures:
            if mine.get((one.set, figure.name), ("", "")) != (figure.least, figure.most):
                changed.append(f"{one.set} {figure.name.replace('_', ' ')} {figure.least} {figure.most}".strip())
    differs = f" It differs from yours in: {', '.join(changed[:6])}." if changed else ""
    return f"{revision.changed_by} changed this sheet meanwhile.{differs} Yours is not kept yet, and not lost."


@transaction.atomic
def copy_sheet(person: Person, revision_id: int) -> SheetRevision:
    """Copy a revision to the next one, as a draft."""
    must(person, Act.DRAFT_LIMITS)
    revision = revision_of(revision_id)
    return _next_revision(person, revision.sheet, document_of(revision), revision.description)


@transaction.atomic
def confirm_sheet(owner: Person, revision_id: int, version: int, *, sure: bool = False) -> SheetRevision:
    """Confirm that a revision was checked against its sources: as it was looked at, and every source named.

    Refuses: Clash where it was changed since it was looked at; Refusal where figures name no source and nobody says
    that they were checked all the same.
    """
    must(owner, Act.CONFIRM_LIMITS)
    revision = revision_of(revision_id)
    if version != revision.version:
        message = (
            f"{revision.changed_by} changed this sheet since you looked at it. Read it again before confirming."
        )
        raise Clash("changed-meanwhile", message)
    sheet = document_of(revision)
    open_ends = unsourced(sheet)
    if open_ends and not sure:
        faults = [Fault(where, "Names no book or page.") for where in open_ends]
        message = "Some figures name no book or page. Add them, or say that you have checked them all the same."
        raise Refusal("no-source", message, faults)
    _keep(owner, revision, sheet.model_copy(update={"state": SheetState.CONFIRMED}))
    return revision


def _new_sheet(person: Person, sheet: LimitsSheet, description: DescriptionRevision | None = None) -> SheetRevision:
    if Sheet.objects.filter(engine=sheet.engine).exists():
        raise Clash("engine-taken", f"There is a sheet for {sheet.engine} already. Change that, or copy it.")
    return _next_revision(person, Sheet.objects.create(engine=sheet.engine), sheet, description)


def _next_revision(
    person: Person, of: Sheet, sheet: LimitsSheet, description: DescriptionRevision | None = None
) -> SheetRevision:
    last = of.revisions.order_by("-number").first()
    revision = SheetRevision(sheet=of, number=last.number + 1 if last else 1, description=description)
    _keep(person, revision, sheet.model_copy(update={"state": SheetState.DRAFT}))
    return revision


def _keep(person: Person, revision: SheetRevision, sheet: LimitsSheet) -> None:
    numbered = sheet.model_copy(update={"revision": revision.number})
    revision.document = numbered.model_dump(mode="json")
    revision.changed_by = person.username
    revision.version += 1
    revision.save()
