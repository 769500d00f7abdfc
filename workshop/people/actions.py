"""Changes to accounts."""

from axes.utils import reset as axes_reset
from django.contrib.auth import authenticate, password_validation
from django.core.exceptions import ValidationError
from django.db import transaction
from django.http import HttpRequest

from halfthou.exchange import Fault
from halfthou.lengths import Unit
from workshop.people.may import Act, must
from workshop.people.models import DateForm, DecimalSign, Person, Role, TimeForm
from workshop.people.refusals import NotThere, Refusal


def check_password(password: str, person: Person) -> None:
    """Refuse a password that is too easy. Refuses: Refusal, listing every fault."""
    if len(password.strip()) < len(password) // 2 or not password.strip():
        message = "A password of spaces is no password. Choose another."
        raise Refusal("weak-password", message, [Fault("password", message)])
    try:
        password_validation.validate_password(password, person)
    except ValidationError as error:
        faults = [Fault("password", message) for message in error.messages]
        raise Refusal("weak-password", "That password is too easy to guess. Choose another.", faults) from None


#: So long may a name be: it stands in every fact.
MOST_NAME = 100


@transaction.atomic
def add_person(owner: Person, name: str, role: Role, password: str) -> Person:
    """Open an account."""
    must(owner, Act.KEEP_ACCOUNTS)
    name = name.strip()
    if not name or len(name) > MOST_NAME or not name.isprintable():
        words = f"Give the account a name of 1 to {MOST_NAME} characters."
        raise Refusal("no-name", words, [Fault("name", words)])
    if name.endswith("(elsewhere)"):
        words = "A name that ends so is kept for people of other shops. Choose another."
        raise Refusal("no-name", words, [Fault("name", words)])
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
        axes_reset(username=person.username)
    person.save()
    return person


def lift_lock(owner: Person, person_id: int) -> Person:
    """Let a person try again who is locked out after wrong passwords."""
    must(owner, Act.KEEP_ACCOUNTS)
    person = Person.objects.filter(pk=person_id).first()
    if person is None:
        raise NotThere("no-person", "There is no such account.")
    axes_reset(username=person.username)
    return person


def change_own_password(request: HttpRequest, person: Person, old: str, new: str) -> None:
    """Change one's own password. Wrong old ones count as wrong sign-ins do. Refuses: Refusal."""
    if authenticate(request, username=person.username, password=old) is None:
        words = "The old password is not right."
        raise Refusal("wrong-password", words, [Fault("old", words)])
    check_password(new, person)
    person.set_password(new)
    person.save(update_fields=["password"])


def prefer_forms(person: Person, sign: DecimalSign, date: DateForm, time: TimeForm) -> None:
    """Choose how a person reads sizes, dates and times. What was typed stays as it was."""
    person.decimal_sign, person.date_form, person.time_form = sign.value, date.value, time.value
    person.save(update_fields=["decimal_sign", "date_form", "time_form"])


def prefer_unit(person: Person, unit: Unit) -> None:
    """Choose the unit a person reads sizes in. What was typed stays as it was."""
    person.shown_unit = unit.value
    person.save(update_fields=["shown_unit"])
