"""Changes to descriptions of engines: draft, change, copy to a new revision."""

from django.db import transaction
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import Layout
from workshop.limits.models import DescribedEngine, DescriptionRevision
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal


class DescriptionForm(Schema):
    """An engine as it is described. `version` is that of the revision it was changed from."""

    version: int = Field(default=0, ge=0)
    layout: Layout


def description_revision(revision_id: int) -> DescriptionRevision:
    """A revision by its id. Refuses: NotThere."""
    revisions = DescriptionRevision.objects.select_related("description")
    found = revisions.filter(pk=revision_id).first() if 0 < revision_id < 2**63 else None
    if found is None:
        raise NotThere("no-description", "There is no such description.")
    return found


def layout_of(revision: DescriptionRevision) -> Layout:
    """The revision as the core's document."""
    return Layout.model_validate(revision.document)


@transaction.atomic
def draft_description(person: Person, form: DescriptionForm) -> DescriptionRevision:
    """Describe a make of engine that is not described yet."""
    must(person, Act.DRAFT_LIMITS)
    _complete(form.layout)
    name = form.layout.name.strip()
    if DescribedEngine.objects.filter(name=name).exists():
        fault = Fault("layout.name", "Change that, or copy it.")
        raise Clash("description-taken", f"There is a description of {name} already.", [fault])
    return _next(person, DescribedEngine.objects.create(name=name), form.layout)


@transaction.atomic
def change_description(person: Person, revision_id: int, form: DescriptionForm) -> DescriptionRevision:
    """Change a revision in place. One that a job or a limits sheet stands on is copied to a new one instead."""
    must(person, Act.DRAFT_LIMITS)
    revision = description_revision(revision_id)
    if revision.frozen:
        raise Clash("frozen", "A job that stands on this revision is signed. Copy it to a new one and change that.")
    if in_use(revision):
        message = "Limits or a job stand on this revision. Copy it to a new one, change that, and take it up there."
        raise Clash("in-use", message)
    if form.version != revision.version:
        message = f"{revision.changed_by} changed this description meanwhile. Yours is not kept yet, and not lost."
        raise Clash("changed-meanwhile", message)
    _complete(form.layout)
    name = form.layout.name.strip()
    if name != revision.description.name:
        _rename(revision.description, name)
    _keep(person, revision, form.layout)
    return revision


@transaction.atomic
def copy_description(person: Person, revision_id: int) -> DescriptionRevision:
    """Copy a revision to the next one."""
    must(person, Act.DRAFT_LIMITS)
    revision = description_revision(revision_id)
    return _next(person, revision.description, layout_of(revision))


def in_use(revision: DescriptionRevision) -> bool:
    """Whether limits or a job stand on it."""
    return revision.sheetrevision_set.exists() or revision.jobrecord_set.exists()


def _complete(layout: Layout) -> None:
    """Refuses: Refusal where its name or its use is not said."""
    faults = []
    if not layout.name.strip():
        faults.append(Fault("layout.name", "Give the engine a name."))
    if layout.built is None or layout.built.made_for is None:
        faults.append(Fault("layout.built.made_for", "Say what the engine is made for: some are not judged here."))
    if faults:
        raise Refusal(
            "bad-description", "The description was not kept. Mend what is marked; nothing is lost.", faults
        )


def _rename(description: DescribedEngine, name: str) -> None:
    if DescribedEngine.objects.filter(name=name).exists():
        raise Clash("description-taken", f"There is a description of {name} already.")
    if description.revisions.count() > 1:
        raise Clash("name-fixed", "Its name stands on earlier revisions too and stays.")
    description.name = name
    description.save(update_fields=["name"])


def _next(person: Person, of: DescribedEngine, layout: Layout) -> DescriptionRevision:
    last = of.revisions.order_by("-number").first()
    revision = DescriptionRevision(description=of, number=last.number + 1 if last else 1)
    _keep(person, revision, layout)
    return revision


def _keep(person: Person, revision: DescriptionRevision, layout: Layout) -> None:
    named = layout.model_copy(update={"name": revision.description.name})
    revision.document = named.model_dump(mode="json")
    revision.changed_by = person.username
    revision.version += 1
    revision.save()
