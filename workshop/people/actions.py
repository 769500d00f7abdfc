"""Changes to accounts."""

from django.contrib.auth import password_validation
from django.core.exceptions import ValidationError
from django.db import transaction

from halfthou.exchange import Fault
from halfthou.lengths import Unit
from workshop.people.may import Act, must
from workshop.people.models import Person, Role
from workshop.people.refusals import NotThere, Refusal


def check_password(password: str, person: Person) -> None:
    """Refuse a password that is too easy. Refuses: Refusal, listing every fault."""
    try:
        password_validation.validate_password(password, person)
    except ValidationError as error:
        faults = [Fault("password", message) for message in error.messages]
        raise Refusal("weak-password", "That password is too easy to guess. Choose another.", faults) from None


@transaction.atomic
def add_person(owner: Person, name: str, role: Role, password: str) -> Person:
    """Open an account."""
    must(owner, Act.KEEP_ACCOUNTS)
    name = name.strip()
    if not name:
        raise Refusal("no-name", "Give the account a name.", [Fault("name", "is empty")])
    if Person.objects.filter(username__iexact=name).exists():
        raise Refusal("name-taken", f"There is an account {name} already.", [Fault("name", "is taken")])
    person = Person(username=name, role=role)
    check_password(password, person)
    person.set_password(password)
    person.save()
    return person


@transaction.atomic
def change_person(owner: Person, person_id: int, role: Role | None, active: bool | None, password: str) -> Person:
    """Change an account's role, close or open it, or set its password. The last owner stays an owner."""
    must(owner, Act.KEEP_ACCOUNTS)
    person = Person.objects.filter(pk=person_id).first()
    if person is None:
        raise NotThere("no-person", "There is no such account.")
    stays = (role or person.role) == Role.OWNER and active is not False
    others = Person.objects.filter(role=Role.OWNER, is_active=True).exclude(pk=person.pk)
    if person.role == Role.OWNER and not stays and not others.exists():
        raise Refusal("last-owner", "This is the last owner. Make somebody else owner first.")
    person.role = role or person.role
    person.is_active = person.is_active if active is None else active
    if password:
        check_password(password, person)
        person.set_password(password)
    person.save()
    return person


@transaction.atomic
def change_own_password(person: Person, old: str, new: str) -> None:
    """Change one's own password."""
    if not person.check_password(old):
        raise Refusal("wrong-password", "The old password is not right.", [Fault("old", "is not right")])
    check_password(new, person)
    person.set_password(new)
    person.save(update_fields=["password"])


def prefer_unit(person: Person, unit: Unit) -> None:
    """Choose the unit a person reads sizes in. What was typed stays as it was."""
    person.shown_unit = unit.value
    person.save(update_fields=["shown_unit"])
