"""manage.py furnish_demo: migrate, and load the demo shop into an empty database; keep what is there otherwise."""

from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import transaction
from django.utils import timezone

from demo.furnish import furnish


class Command(BaseCommand):
    """Load the demo shop."""

    help = "Load the demo shop into an empty database."

    def handle(self, *args: Any, **options: Any) -> None:  # noqa: ARG002
        """All of it or nothing."""
        call_command("migrate", verbosity=0)
        with transaction.atomic():
            furnish(timezone.localdate())
