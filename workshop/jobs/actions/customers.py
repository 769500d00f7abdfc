"""Customers: how they are called on cards, how they are reached, and how many engines of theirs are known."""

from __future__ import annotations

from django.db import transaction
from ninja import Schema
from pydantic import Field

from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere
from workshop.record.models import Customer, JobRecord

#: So many are offered while a name is typed, and so many are listed.
MOST_OFFERED, MOST_LISTED = 12, 500


class CustomerOut(Schema):
    """A customer, and how many jobs name him."""

    id: int
    name: str
    reach: str
    jobs: int


class CustomerReach(Schema):
    """How a customer is reached: a telephone number, an address, in any words."""

    reach: str = Field(max_length=2_000)


def customers_like(search: str, most: int = MOST_LISTED) -> list[CustomerOut]:
    """The customers whose name or way to reach holds what is typed, by name."""
    found = Customer.objects.order_by("name")
    for word in search.split()[:10]:
        found = found.filter(name__icontains=word) | found.filter(reach__icontains=word)
    return [customer_out(one) for one in found.distinct()[:most]]


def customer_out(one: Customer) -> CustomerOut:
    """A customer as the API shows him."""
    jobs = JobRecord.objects.filter(customer=one.name).count()
    return CustomerOut(id=one.pk, name=one.name, reach=one.reach, jobs=jobs)


@transaction.atomic
def keep_reach(person: Person, customer_id: int, given: CustomerReach) -> CustomerOut:
    """Keep how a customer is reached. Refuses: NotThere, NotAllowed."""
    must(person, Act.BOOK_IN)
    one = Customer.objects.filter(pk=customer_id).first()
    if one is None:
        raise NotThere("no-customer", "There is no such customer.")
    one.reach = given.reach.strip()
    one.save(update_fields=["reach"])
    return customer_out(one)
