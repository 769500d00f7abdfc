"""Sign in, change person, accounts."""

from urllib.parse import unquote

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.dispatch import Signal
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.middleware.csrf import get_token
from django.views.decorators.csrf import csrf_protect
from ninja import Router, Schema
from ninja.decorators import decorate_view
from ninja.security import SessionAuth
from pydantic import Field

from halfthou.lengths import Unit
from workshop.config.connections import by_number_only
from workshop.people import actions
from workshop.people.may import Act, must, rights_of
from workshop.people.models import DateForm, DecimalSign, Person, Role, TimeForm, demo_password
from workshop.people.passwords import is_demos, with_demo_passwords
from workshop.people.refusals import Clash, NotAllowed
from workshop.people.throttle import wrong_from

#: Sent when somebody signs out, gets a new password or another role, or an account is closed: what is open ends.
streams_end = Signal()
router = Router(tags=["people"])
DEMOS = "That is the demo's password, which anybody knows: it opens nothing from here."
WRONG = "Name and password do not go together. Try again."


class ShownForms(Schema):
    """How a person reads sizes, dates and times."""

    decimal_sign: DecimalSign
    date_form: DateForm
    time_form: TimeForm


class PersonOut(Schema):
    """An account as others see it."""

    id: int
    name: str
    role: Role
    active: bool
    shown_unit: Unit
    shown: ShownForms
    rights: list[Act]


class HintOut(Schema):
    """A demo account and its password, shown on the sign-in page of the demo only."""

    name: str
    password: str


class SessionOut(Schema):
    """Who is signed in."""

    person: PersonOut | None
    demo: bool
    hints: list[HintOut]
    names: list[str]
    warning: str


class SignIn(Schema):
    """Name and password."""

    name: str = Field(max_length=500)
    password: str = Field(max_length=4096)


class PasswordIn(Schema):
    """Change of one's own password."""

    old: str = Field(max_length=4096)
    new: str = Field(max_length=4096)


class UnitIn(Schema):
    """The unit to show."""

    unit: Unit


class PersonIn(Schema):
    """A new account."""

    name: str = Field(max_length=500)
    role: Role
    password: str = Field(max_length=4096)


class PersonChange(Schema):
    """A change to an account; what is left out stays."""

    role: Role | None = None
    active: bool | None = None
    password: str = Field(default="", max_length=4096)


class SignedIn(SessionAuth):
    """The session of a browser. A page says for whom it was drawn: what somebody made in one tab is not taken as
    another's, where a second tab changed the person meanwhile."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Person | None:
        """The person signed in. Refuses: Clash where the page was drawn for another."""
        person = super().authenticate(request, key)
        if not isinstance(person, Person):
            return None
        drawn_for = unquote(request.headers.get("X-Person", ""))
        if drawn_for and drawn_for != person.username:
            words = f"This browser is signed in as {person.username} now, and this page was {drawn_for}'s."
            raise Clash(
                "other-person", f"{words} Nothing was changed: sign in as {drawn_for} again, or load the page."
            )
        return person


def signed_in(request: HttpRequest) -> Person:
    """The person behind a request that has passed the session check."""
    person = request.user
    if not isinstance(person, Person):
        raise NotAllowed("signed-out", "Sign in first.")
    return person


def person_out(person: Person) -> PersonOut:
    """An account as the API shows it."""
    return PersonOut(
        id=person.pk,
        name=person.username,
        role=Role(person.role),
        active=person.is_active,
        shown_unit=Unit(person.shown_unit),
        shown=ShownForms(
            decimal_sign=DecimalSign(person.decimal_sign),
            date_form=DateForm(person.date_form),
            time_form=TimeForm(person.time_form),
        ),
        rights=rights_of(person),
    )


def address_of(request: HttpRequest) -> str:
    """The address a request comes from: the other end of its connection. What a header says is believed only where
    the server was told to trust a proxy (then the server has put it here)."""
    return str(request.META.get("REMOTE_ADDR", ""))


def locked_out(_request: HttpRequest, _credentials: dict[str, str], *_: object) -> HttpResponse:
    """The answer after too many wrong passwords."""
    message = "Too many wrong passwords. This name is locked for a quarter of an hour."
    return JsonResponse({"code": "locked-out", "message": message, "faults": []}, status=429)


def session_out(request: HttpRequest) -> SessionOut:
    """Who is signed in; names of accounts only for people who are."""
    person = request.user if isinstance(request.user, Person) else None
    hints = []
    if settings.DEMO:
        hints = [HintOut(name=role.value, password=demo_password(role.value)) for role in Role]
    names = list(Person.objects.filter(is_active=True).order_by("username").values_list("username", flat=True))
    return SessionOut(
        person=person_out(person) if person else None,
        demo=settings.DEMO,
        hints=hints,
        names=names if person else [],
        warning=_warning(person),
    )


def _warning(person: Person | None) -> str:
    """What an owner is told at every sign-in: in a real shop, an account still has the demo's password."""
    if settings.DEMO or person is None or Act.KEEP_ACCOUNTS not in rights_of(person):
        return ""
    names = with_demo_passwords()
    if not names:
        return ""
    still = f"{', '.join(names)} {'has' if len(names) == 1 else 'have'}"
    each = "it" if len(names) == 1 else "each"
    return f"{still} the demo's password still, which anybody knows. Give {each} its own."


@router.get("/session", auth=None, response=SessionOut)
def get_session(request: HttpRequest) -> SessionOut:
    """Who is signed in."""
    get_token(request)
    return session_out(request)


@router.post("/session", auth=None, response=SessionOut)
@decorate_view(csrf_protect)
def sign_in(request: HttpRequest, given: SignIn) -> SessionOut:
    """Sign in, or change person at a shared bench."""
    address = address_of(request)
    if not settings.DEMO and is_demos(given.password) and not by_number_only(address):
        raise NotAllowed("demo-password", DEMOS)
    wrong_from.must_have_room(address)
    person = authenticate(request, username=given.name.strip(), password=given.password)
    if person is None:
        wrong_from.count(address)
        raise NotAllowed("wrong-sign-in", WRONG)
    login(request, person)
    return session_out(request)


@router.delete("/session", response=SessionOut)
def sign_out(request: HttpRequest) -> SessionOut:
    """Sign out."""
    person = signed_in(request)
    logout(request)
    streams_end.send(Person, person=person.pk)
    return session_out(request)


@router.post("/session/password", response=SessionOut)
def change_password(request: HttpRequest, given: PasswordIn) -> SessionOut:
    """Change one's own password and stay signed in."""
    person = signed_in(request)
    actions.change_own_password(request, person, given.old, given.new)
    update_session_auth_hash(request, person)
    streams_end.send(Person, person=person.pk)
    return session_out(request)


@router.put("/session/forms", response=SessionOut)
def prefer_forms(request: HttpRequest, given: ShownForms) -> SessionOut:
    """Choose how sizes, dates and times are shown."""
    actions.prefer_forms(signed_in(request), given.decimal_sign, given.date_form, given.time_form)
    return session_out(request)


@router.put("/session/unit", response=SessionOut)
def prefer_unit(request: HttpRequest, given: UnitIn) -> SessionOut:
    """Choose the unit shown."""
    actions.prefer_unit(signed_in(request), given.unit)
    return session_out(request)


@router.get("/people", response=list[PersonOut])
def list_people(request: HttpRequest) -> list[PersonOut]:
    """All accounts."""
    must(signed_in(request), Act.KEEP_ACCOUNTS)
    return [person_out(person) for person in Person.objects.order_by("username")]


@router.post("/people", response=PersonOut)
def add_person(request: HttpRequest, given: PersonIn) -> PersonOut:
    """Open an account."""
    return person_out(actions.add_person(signed_in(request), given.name, given.role, given.password))


@router.patch("/people/{int:person_id}", response=PersonOut)
def change_person(request: HttpRequest, person_id: int, given: PersonChange) -> PersonOut:
    """Change an account."""
    changed = actions.change_person(signed_in(request), person_id, given.role, given.active, given.password)
    if given.role is not None or given.active is False or given.password:
        streams_end.send(Person, person=changed.pk)
    return person_out(changed)


@router.post("/people/{int:person_id}/unlock", response=PersonOut)
def unlock_person(request: HttpRequest, person_id: int) -> PersonOut:
    """Lift the lock after wrong passwords."""
    return person_out(actions.lift_lock(signed_in(request), person_id))
