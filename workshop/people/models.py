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


class Person(AbstractUser):
    """An account. `shown_unit` is the unit this person reads; it changes nothing that was typed."""

    first_name = None  # type: ignore[assignment]
    last_name = None  # type: ignore[assignment]
    email = None  # type: ignore[assignment]
    role = models.CharField(max_length=20, choices=Role.choices, default=Role.BENCH)
    shown_unit = models.CharField(max_length=2, choices=[(u.value, u.value) for u in Unit], default=Unit.INCH.value)
    EMAIL_FIELD = "username"
    REQUIRED_FIELDS: ClassVar[list[str]] = []

    def __str__(self) -> str:
        return self.username


def demo_password(role: str) -> str:
    """The password of a demo account, as the demo's sign-in page shows it: anybody knows it."""
    return f"{role}-half-thou"
