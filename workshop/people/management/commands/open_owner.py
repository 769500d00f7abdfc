"""manage.py open_owner NAME: open the first owner's account of a real shop."""

from getpass import getpass
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from workshop.people.actions import check_password
from workshop.people.models import Person, Role
from workshop.people.refusals import Refusal


class Command(BaseCommand):
    """Open an owner's account."""

    help = "Open the first owner's account; asks for a password, twice."

    def add_arguments(self, parser: CommandParser) -> None:
        """The name."""
        parser.add_argument("name")

    def handle(self, *args: Any, **options: Any) -> None:  # noqa: ARG002
        """Ask for a password twice and open the account."""
        name = options["name"].strip()
        if not name or Person.objects.filter(username=name).exists():
            raise CommandError("Give a name that is not taken: make owner NAME=owner")
        person = Person(username=name, role=Role.OWNER)
        password = getpass("Password: ")
        try:
            check_password(password, person)
        except Refusal as refusal:
            raise CommandError(" ".join(fault.what for fault in refusal.faults)) from None
        if getpass("The same again: ") != password:
            raise CommandError("The two are not the same. Nothing was kept: start again.")
        person.set_password(password)
        person.save()
        self.stdout.write(f"{name} may sign in.")
