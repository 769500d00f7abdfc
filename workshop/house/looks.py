"""The house's table of looks in force, and changing it."""

from django.db import transaction
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.first_look import USUAL_LOOKS
from halfthou.jobs import LookTable
from workshop.house.models import LookTableRecord
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal


def look_table_in_force() -> LookTable:
    """The newest table of looks; the one a shop starts with counts as confirmed by nobody."""
    newest = LookTableRecord.objects.order_by("-id").first()
    return LookTable.model_validate(newest.document) if newest else USUAL_LOOKS


def table_version() -> int:
    """Which version of the table is in force: 0 before an owner has changed any."""
    newest = LookTableRecord.objects.order_by("-id").values_list("id", flat=True).first()
    return newest or 0


class LookTableForm(Schema):
    """The table as an owner keeps it; `version` is that of the table it was changed from. Which looks there are,
    and what each waits for, is the program's: their figures are the house's."""

    version: int = 0
    table: LookTable


#: An hour of work for more than this is a slip of the decimal point. Source: common practice, no source.
DEAR_HOUR = 100_000


@transaction.atomic
def keep_looks(owner: Person, given: LookTableForm) -> LookTable:
    """Choose the figures of the table of looks. Refuses: Refusal, NotAllowed."""
    must(owner, Act.KEEP_HOUSE_RULES)
    if given.version != table_version():
        newest = LookTableRecord.objects.order_by("-id").first()
        who = newest.by if newest else "Somebody"
        raise Clash("changed-meanwhile", f"{who} changed the table of looks meanwhile. Yours is not kept yet.")
    known = look_table_in_force()
    if [(row.key, row.after) for row in given.table.looks] != [(row.key, row.after) for row in known.looks]:
        raise Refusal("bad-looks", "The looks themselves cannot be changed here, only their figures.")
    if given.table.hour > DEAR_HOUR * given.table.coins // 100:
        fault = Fault("hour", "An hour for that much? Write it in whole coins and a point, as 85.00.")
        raise Refusal("bad-looks", "The table was not kept. Mend what is marked.", [fault])
    try:
        kept = LookTable.model_validate({**given.table.model_dump(), "confirmed": True})
    except ValidationError as error:
        raise Refusal("bad-looks", "The table was not kept. Mend what is marked.", faults_of(error)) from None
    LookTableRecord.objects.create(document=kept.model_dump(mode="json"), by=owner.username)
    return kept


class LookTableOut(Schema):
    """The table in force and its version."""

    version: int = Field(ge=0)
    table: LookTable
