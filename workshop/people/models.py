"""The people of the shop: who they are and what they may."""

from typing import ClassVar

from django.contrib.auth.models import AbstractUser
from django.db import models

from halfthou.lengths import Unit


class Role(models.TextChoices):
    """The three roles (docs/trade: Who may)."""

    BENCH = "bench"
    MACHINIST = "machinist"
    OWNER = "owner"


class DecimalSign(models.TextChoices):
    """What stands before the decimals where somebody reads. Files and signed papers keep the point."""

    POINT = "."
    COMMA = ","


class DateForm(models.TextChoices):
    """How somebody reads a date; the words with the month are read alike everywhere."""

    WORDS = "4 May 2031"
    DAY_FIRST = "04.05.2031"
    ISO = "2031-05-04"


class TimeForm(models.TextChoices):
    """How somebody reads the time."""

    HOURS_24 = "16:30"
    HOURS_12 = "4:30 pm"


class Person(AbstractUser):
    """An account. `shown_unit` is the unit this person reads; `decimal_sign`, `date_form` and `time_form` how they
    read sizes, dates and times. None of it changes what was typed."""

    first_name = None  # type: ignore[assignment]
    last_name = None  # type: ignore[assignment]
    email = None  # type: ignore[assignment]
    role = models.CharField(max_length=20, choices=Role.choices, default=Role.BENCH)
    shown_unit = models.CharField(max_length=2, choices=[(u.value, u.value) for u in Unit], default=Unit.INCH.value)
    decimal_sign = models.CharField(max_length=1, choices=DecimalSign.choices, default=DecimalSign.POINT)
    date_form = models.CharField(max_length=10, choices=DateForm.choices, default=DateForm.WORDS)
    time_form = models.CharField(max_length=10, choices=TimeForm.choices, default=TimeForm.HOURS_24)
    EMAIL_FIELD = "username"
    REQUIRED_FIELDS: ClassVar[list[str]] = []

    def __str__(self) -> str:
        return self.username


def demo_password(role: str) -> str:
    """The password of a demo account, as the demo's sign-in page shows it: anybody knows it."""
    return f"{role}-half-thou"
