"""manage.py check_data: open, judge and print every job, and say of each that fails how to mend it."""

from collections import Counter
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.db import transaction

from halfthou.assess import assess
from halfthou.lengths import Unit
from halfthou.report import read_signed
from workshop.jobs.actions.opened import sound_job
from workshop.jobs.models import FactName, JobRecord
from workshop.people.refusals import Refusal

_KINDS = ("readings", "withdrawals", "observations", "sittings", "operations", "slip_answers", "decisions")


class Command(BaseCommand):
    """Look through every job."""

    help = "Open and judge every job; with --mend give facts that share a name names of their own."

    def add_arguments(self, parser: CommandParser) -> None:
        """Whether to mend."""
        parser.add_argument("--mend", action="store_true", help="give facts that share a name names of their own")

    def handle(self, *args: Any, **options: Any) -> None:  # noqa: ARG002
        """Look at them one by one; exit with an error where one is broken."""
        broken = 0
        for record in JobRecord.objects.select_related("limits").order_by("pk"):
            if options["mend"]:
                with transaction.atomic():
                    for words in mend_names(record):
                        self.stdout.write(f"Job {record.number}: {words}")
            for fault in faults_of_job(record):
                broken += 1
                self.stdout.write(f"Job {record.number}: {fault}")
        if broken:
            message = "Facts that share a name: manage.py check_data --mend. All else: restore a backup."
            raise CommandError(f"{broken} {'fault' if broken == 1 else 'faults'}. {message}")
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


def mend_names(record: JobRecord) -> list[str]:
    """Give every fact whose name another has already a name of its own. Gives what was done, in words."""
    seen: Counter[str] = Counter()
    done = []
    for kind in _KINDS:
        for row in getattr(record, kind).order_by("pk"):
            seen[row.key] += 1
            if seen[row.key] > 1:
                fresh = f"{row.key[:50]}.again{seen[row.key]}.{row.pk}"[:64]
                done.append(f"one of the {kind.replace('_', ' ')} was called {row.key} like another, now {fresh}")
                type(row).objects.filter(pk=row.pk).update(key=fresh)
                FactName.objects.get_or_create(job=record, key=fresh)
    return done
