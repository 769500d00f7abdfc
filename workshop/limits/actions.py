"""Changes to limits sheets: draft, change, copy to a new revision, confirm, take in from a file."""

from django.db import transaction

from halfthou.jobs import LimitsSheet, SheetState
from workshop.limits.models import Sheet, SheetRevision
from workshop.limits.translate import SheetForm, sheet_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere


def revision_of(revision_id: int) -> SheetRevision:
    """A revision by its id. Refuses: NotThere."""
    found = SheetRevision.objects.select_related("sheet").filter(pk=revision_id).first()
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
    sheet = sheet_of(form, 1)
    return _new_sheet(person, sheet)


@transaction.atomic
def take_in_sheet(person: Person, sheet: LimitsSheet) -> SheetRevision:
    """Take in a sheet from a file: a new engine, or the next revision of one that is here. It is a draft."""
    must(person, Act.DRAFT_LIMITS)
    known = Sheet.objects.filter(engine=sheet.engine).first()
    if known is None:
        return _new_sheet(person, sheet)
    return _next_revision(person, known, sheet)


@transaction.atomic
def change_sheet(person: Person, revision_id: int, form: SheetForm) -> SheetRevision:
    """Change a revision in place. A frozen or confirmed one is copied to a new revision instead."""
    must(person, Act.DRAFT_LIMITS)
    revision = revision_of(revision_id)
    if revision.frozen:
        raise Clash("frozen", "A job judged by this revision is signed. Copy it to a new revision and change that.")
    if document_of(revision).state is SheetState.CONFIRMED:
        must(person, Act.CONFIRM_LIMITS)
    sheet = sheet_of(form, revision.number)
    if sheet.engine != revision.sheet.engine:
        if Sheet.objects.filter(engine=sheet.engine).exists():
            raise Clash("engine-taken", f"There is a sheet for {sheet.engine} already.")
        if revision.sheet.revisions.count() > 1:
            raise Clash("engine-fixed", "The engine's name stands on earlier revisions too and stays.")
        revision.sheet.engine = sheet.engine
        revision.sheet.save()
    _keep(person, revision, sheet)
    return revision


@transaction.atomic
def copy_sheet(person: Person, revision_id: int) -> SheetRevision:
    """Copy a revision to the next one, as a draft."""
    must(person, Act.DRAFT_LIMITS)
    revision = revision_of(revision_id)
    return _next_revision(person, revision.sheet, document_of(revision))


@transaction.atomic
def confirm_sheet(owner: Person, revision_id: int) -> SheetRevision:
    """Confirm that a revision was checked against its sources."""
    must(owner, Act.CONFIRM_LIMITS)
    revision = revision_of(revision_id)
    confirmed = document_of(revision).model_copy(update={"state": SheetState.CONFIRMED})
    _keep(owner, revision, confirmed)
    return revision


def _new_sheet(person: Person, sheet: LimitsSheet) -> SheetRevision:
    if Sheet.objects.filter(engine=sheet.engine).exists():
        raise Clash("engine-taken", f"There is a sheet for {sheet.engine} already. Change that, or copy it.")
    return _next_revision(person, Sheet.objects.create(engine=sheet.engine), sheet)


def _next_revision(person: Person, of: Sheet, sheet: LimitsSheet) -> SheetRevision:
    last = of.revisions.order_by("-number").first()
    revision = SheetRevision(sheet=of, number=last.number + 1 if last else 1)
    _keep(person, revision, sheet.model_copy(update={"state": SheetState.DRAFT}))
    return revision


def _keep(person: Person, revision: SheetRevision, sheet: LimitsSheet) -> None:
    numbered = sheet.model_copy(update={"revision": revision.number})
    revision.document = numbered.model_dump(mode="json")
    revision.changed_by = person.username
    revision.save()
