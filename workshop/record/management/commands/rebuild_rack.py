"""manage.py rebuild_rack: work the rack's summaries out again from the facts."""

from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction

from halfthou.lengths import Unit
from workshop.record.models import JobRecord
from workshop.record.opened import settle
from workshop.record.translate import job_of


class Command(BaseCommand):
    """Rebuild every job's summary."""

    help = "Work the rack's summaries out again from the facts."

    def handle(self, *args: Any, **options: Any) -> None:  # noqa: ARG002
        """Rebuild them one by one, each in its own transaction."""
        for record in JobRecord.objects.select_related("limits").order_by("pk"):
            with transaction.atomic():
                settle(record, job_of(record, Unit(record.entry_unit)))
        self.stdout.write("The rack is rebuilt.")
