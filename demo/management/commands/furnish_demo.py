"""manage.py furnish_demo: load the demo shop into an empty database; keep what is there otherwise."""

from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction
from django.utils import timezone

from demo.shop import furnish


class Command(BaseCommand):
    """Load the demo shop."""

    help = "Load the demo shop into an empty database."

    def handle(self, *args: Any, **options: Any) -> None:  # noqa: ARG002
        """All of it or nothing."""
        with transaction.atomic():
            furnish(timezone.localdate())
