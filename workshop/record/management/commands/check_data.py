"""manage.py check_data: open, judge and print every job, and say of each that fails how to mend it."""

from typing import Any

from django.core.management.base import BaseCommand, CommandError

from halfthou.assess import assess
from halfthou.lengths import Unit
from halfthou.report import read_signed
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord
from workshop.record.opened import sound_job


class Command(BaseCommand):
    """Look through every job."""

    help = "Open and judge every job."

    def handle(self, *args: Any, **options: Any) -> None:  # noqa: ARG002
        """Look at them one by one; exit with an error where one is broken."""
        broken = 0
        for record in JobRecord.objects.select_related("limits").order_by("pk"):
            for fault in faults_of_job(record):
                broken += 1
                self.stdout.write(f"Job {record.number}: {fault}")
        if broken:
            raise CommandError(f"{broken} {'fault' if broken == 1 else 'faults'}. Restore a backup.")
        self.stdout.write("Every job opens and can be judged.")


def faults_of_job(record: JobRecord) -> list[str]:
    """What keeps a job from opening, in words."""
    try:
        assess(sound_job(record, Unit(record.entry_unit)))
        for signature in record.signatures.filter(made_elsewhere=False):
            read_signed(signature.sheet)
    except Refusal as refusal:
        return [fault.what for fault in refusal.faults] or [str(refusal)]
    except (ValueError, KeyError) as error:
        return [f"{type(error).__name__}: {error}"]
    return []
