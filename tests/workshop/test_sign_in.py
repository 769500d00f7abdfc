"""Who gets in: passwords that anybody would try are refused, and who tries many is slowed.

Outside: the list of common passwords that Django ships. RFC 6585, section 4 (from memory): 429 says too many.
"""

from __future__ import annotations

import json
from collections.abc import Callable

import pytest
from django.test import Client

from tests.workshop.conftest import PASSWORD, person
from workshop.people.actions import check_password
from workshop.people.models import Person, Role, demo_password
from workshop.people.refusals import Refusal
from workshop.people.throttle import MOST_WRONG, WITHIN_S, TooManyWrong, WrongFrom

pytestmark = pytest.mark.django_db


@pytest.mark.parametrize(
    "password",
    ["password2031", "2031-letmein", "HalfThou2031", "half-thou", "machinist-half-thou", "Summer-2031",
     "iloveyou!!", "73829183645", "the.owner.1"],
)  # fmt: skip
def test_what_anybody_would_try_is_no_password(password: str) -> None:
    """Common practice, no source: a common word stays one with a date behind it."""
    with pytest.raises(Refusal, match="too easy"):
        check_password(password, Person(username="somebody"))


@pytest.mark.parametrize("password", [PASSWORD, "plumb bob and brass shim", "k7%q!p_9xw", "vellumtarn81"])
def test_what_nobody_would_try_is_one(password: str) -> None:
    check_password(password, Person(username="somebody"))


def test_an_owner_is_told_of_demo_passwords_in_a_real_shop(
    client_of: Callable[[Person], Client], machinist: Person
) -> None:
    """The demo's passwords stand on its sign-in page: everybody knows them."""
    owner = person(Role.OWNER, "keeper")
    assert client_of(owner).get("/api/session").json()["warning"] == ""
    machinist.set_password(demo_password("machinist"))
    machinist.save()
    assert client_of(owner).get("/api/session").json()["warning"].startswith("machinist has the demo's password")
    assert client_of(machinist).get("/api/session").json()["warning"] == ""


def sign_in(address: str, password: str, name: str = "machinist") -> int:
    body = json.dumps({"name": name, "password": password})
    return int(
        Client().post("/api/session", body, content_type="application/json", REMOTE_ADDR=address).status_code
    )


def test_a_demo_password_opens_nothing_from_beyond_this_machine(machinist: Person) -> None:
    machinist.set_password(demo_password("machinist"))
    machinist.save()
    assert sign_in("192.0.2.7", demo_password("machinist")) == 403
    assert sign_in("127.0.0.1", demo_password("machinist")) == 200


def test_an_address_that_tries_many_names_waits() -> None:
    now = [0.0]
    tried = WrongFrom(lambda: now[0])
    for _ in range(MOST_WRONG):
        tried.must_have_room("192.0.2.7")
        tried.count("192.0.2.7")
    with pytest.raises(TooManyWrong):
        tried.must_have_room("192.0.2.7")
    tried.must_have_room("192.0.2.8")
    now[0] += WITHIN_S + 1
    tried.must_have_room("192.0.2.7")


def test_names_tried_one_after_the_other_end_in_429() -> None:
    statuses = [sign_in("192.0.2.99", "wrong-word-once", f"nobody{n}") for n in range(MOST_WRONG + 1)]
    assert statuses == [403] * MOST_WRONG + [429]
