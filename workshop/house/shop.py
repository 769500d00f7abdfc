"""The shop as its paper names it: name, address, picture. Every version is kept; the newest counts.

What was signed or sent keeps the shop as it stood then: its page, or its content, holds a copy.
"""

from django.db import transaction
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.report import Letterhead
from workshop.house.models import ShopRecord
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal

#: So many lines of address stand at the head of a page.
MOST_LINES = 8


class ShopForm(Schema):
    """Name and address as typed; `version` is that of the shop it was changed from."""

    version: int = 0
    name: str = Field(max_length=200)
    address: str = Field(default="", max_length=2000)


def shop_in_force() -> Letterhead:
    """The shop as its paper names it now; nothing where nobody has said."""
    newest = ShopRecord.objects.order_by("-id").first()
    return Letterhead.model_validate(newest.document) if newest else Letterhead()


def shop_version() -> int:
    """Which version of the shop is in force: 0 before anybody has said."""
    newest = ShopRecord.objects.order_by("-id").values_list("id", flat=True).first()
    return newest or 0


@transaction.atomic
def keep_shop(owner: Person, given: ShopForm) -> Letterhead:
    """Say the shop's name and address. Refuses: Refusal without a name; Clash where it was changed meanwhile."""
    must(owner, Act.KEEP_HOUSE_RULES)
    if given.version != shop_version():
        message = "Somebody changed it meanwhile. Yours is not kept yet: look at what it is now."
        raise Clash("changed-meanwhile", message)
    name = " ".join(given.name.split())
    lines = [line.strip() for line in given.address.strip().splitlines()]
    faults = [] if name else [Fault("name", "Say the shop's name.")]
    if len(lines) > MOST_LINES:
        faults.append(Fault("address", f"At most {MOST_LINES} lines stand at the head of a page."))
    if faults:
        raise Refusal("bad-shop", "The shop was not kept. Mend what is marked.", faults)
    return _keep(owner, shop_in_force().model_copy(update={"name": name, "address": "\n".join(lines)}))


@transaction.atomic
def keep_shop_picture(owner: Person, picture: str) -> Letterhead:
    """Put a picture at the head of every page, or ("") take it off. Takes: the picture as data."""
    must(owner, Act.KEEP_HOUSE_RULES)
    return _keep(owner, Letterhead(**{**shop_in_force().model_dump(), "picture": picture}))


def _keep(owner: Person, shop: Letterhead) -> Letterhead:
    ShopRecord.objects.create(document=shop.model_dump(mode="json"), by=owner.username)
    return shop
