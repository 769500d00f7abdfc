"""Passwords that anybody would try: common words with a date or a number, the product's name, the demo's own."""

from __future__ import annotations

import re

from django.contrib.auth.password_validation import CommonPasswordValidator
from django.core.exceptions import ValidationError

from workshop.people.models import Person, Role, demo_password

#: The product's name and what stands on the door, in any spelling.
_OWN_WORDS = re.compile(r"half[\W_]*thou(sandth)?|workshop|machinist|bench|owner|demo")
_NO_LETTERS = re.compile(r"[\W\d_]+")
_MONTHS = re.compile(
    "january|february|march|april|may|june|july|august|september|october|november|december|spring|summer|autumn|winter"
)
#: What is left of a password must have so many letters of its own to count as a word nobody knows.
LEAST_LEFT = 4


class CommonWithDates(CommonPasswordValidator):
    """Django's list of common passwords, tried also without the digits, dates and signs around them, and without
    the product's own words."""

    def validate(self, password: str, user: Person | None = None) -> None:
        """Refuse it where it is common, or nothing but dates and known words. Refuses: ValidationError."""
        super().validate(password, user)
        lower = password.lower()
        word = _NO_LETTERS.sub("", lower)
        left = _MONTHS.sub("", _NO_LETTERS.sub("", _OWN_WORDS.sub("", lower)))
        if word in self.passwords or left in self.passwords or (len(left) < LEAST_LEFT and _is_plain(lower)):
            raise ValidationError("It is a common word, a date or this program's name, with or without digits.")


def _is_plain(password: str) -> bool:
    """Whether a password is made of known words, dates and a few signs only; a long row of mixed signs is none."""
    return bool(_OWN_WORDS.search(password) or _MONTHS.search(password)) or not re.search(
        r"[\W_].*[\W_].*[\W_]", password
    )


def is_demos(password: str) -> bool:
    """Whether a password is one that the demo shows."""
    return password in {demo_password(role) for role in Role.values}


#: By the hash kept: a password is tried once, not at every sign-in.
_tried: dict[str, bool] = {}


def with_demo_passwords() -> list[str]:
    """The open accounts that still have a demo password, by name. Demo accounts are named by their role."""
    found = []
    for person in Person.objects.filter(username__in=Role.values, is_active=True).order_by("username"):
        if person.password not in _tried:
            _tried[person.password] = person.check_password(demo_password(person.username))
        if _tried[person.password]:
            found.append(person.username)
    return found
