"""What the house changes in every strip list."""

from halfthou.jobs import StripEdits
from workshop.house.models import StripEditsRecord
from workshop.people.models import Person


def strip_edits_in_force() -> StripEdits | None:
    """The newest changes; None where nobody made any."""
    newest = StripEditsRecord.objects.order_by("-id").first()
    return StripEdits.model_validate(newest.document) if newest else None


def keep_strip_edits(owner: Person, edits: StripEdits) -> None:
    """Keep them as the newest."""
    StripEditsRecord.objects.create(document=edits.model_dump(mode="json"), by=owner.username)
