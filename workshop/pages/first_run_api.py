"""What an empty shop needs first, and what of it is done."""

from django.http import HttpRequest
from ninja import Router, Schema

from workshop.gauges.models import GaugeRecord
from workshop.house.looks import look_table_in_force
from workshop.house.shop import shop_in_force
from workshop.limits.models import SheetRevision
from workshop.people.api import signed_in
from workshop.people.may import Act
from workshop.people.models import Person
from workshop.record.models import JobRecord

router = Router(tags=["first run"])


class FirstStep(Schema):
    """One thing that comes first: what, why in a line, its page, who may, and whether it is done."""

    name: str
    why: str
    page: str
    right: Act
    done: bool


@router.get("/first-run", response=list[FirstStep])
def first_run(request: HttpRequest) -> list[FirstStep]:
    """What comes first in an empty shop, in its order."""
    signed_in(request)
    return [*_of_the_house(), *_of_the_work()]


def _of_the_house() -> list[FirstStep]:
    return [
        FirstStep(
            name="The house's name",
            why="It stands at the head of every print.",
            page="/house-rules/shop",
            right=Act.KEEP_HOUSE_RULES,
            done=bool(shop_in_force().name),
        ),
        FirstStep(
            name="What an hour costs",
            why="No sum is shown before somebody has chosen it.",
            page="/house-rules/looks",
            right=Act.KEEP_HOUSE_RULES,
            done=look_table_in_force().confirmed,
        ),
        FirstStep(
            name="The people",
            why="Bench reads and looks, machinist decides and signs, owner keeps accounts and rules.",
            page="/people",
            right=Act.KEEP_ACCOUNTS,
            done=Person.objects.filter(is_active=True).count() > 1,
        ),
    ]


def _of_the_work() -> list[FirstStep]:
    return [
        FirstStep(
            name="The gauges",
            why="A reading is as sure as the gauge it was taken with: graduation and permissible error.",
            page="/gauges",
            right=Act.KEEP_GAUGES,
            done=GaugeRecord.objects.exists(),
        ),
        FirstStep(
            name="A limits sheet",
            why="The figures of one engine that its parts are judged by, each with the book it came from.",
            page="/limits/new",
            right=Act.DRAFT_LIMITS,
            done=SheetRevision.objects.exists(),
        ),
        FirstStep(
            name="The first engine",
            why="Only a name is needed; what is known is one press each.",
            page="/book-in",
            right=Act.BOOK_IN,
            done=JobRecord.objects.exists(),
        ),
    ]
