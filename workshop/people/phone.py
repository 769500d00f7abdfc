"""A phone's camera page: a code that is good for the pictures of one job for an hour, and no longer than its maker
is signed in."""

from __future__ import annotations

import secrets
import threading
from datetime import datetime, timedelta
from ipaddress import ip_address
from typing import NamedTuple
from urllib.parse import urlsplit

from django.conf import settings
from django.dispatch import receiver
from django.utils import timezone

from workshop.people.api import streams_end
from workshop.people.models import Person
from workshop.people.refusals import NotThere

GOOD_FOR = timedelta(hours=1)
#: So many codes are good at once; the oldest ends first.
MOST_CODES = 500
#: Where a camera page is found, by its code.
PHONE = "/phone/"


class Camera(NamedTuple):
    """What a code is good for: pictures of one thing of one job, in the name of whoever made it."""

    job: int
    on: str
    person: int
    until: datetime


class Codes:
    """The codes that are good. One server serves a shop: they stay in its memory, and end with it."""

    def __init__(self) -> None:
        self._good: dict[str, Camera] = {}
        self._lock = threading.Lock()

    def make(self, person: int, job: int, on: str) -> tuple[str, Camera]:
        """A new code for the pictures of one thing."""
        code, camera = secrets.token_urlsafe(18), Camera(job, on, person, timezone.now() + GOOD_FOR)
        with self._lock:
            while len(self._good) >= MOST_CODES:
                del self._good[next(iter(self._good))]
            self._good[code] = camera
        return code, camera

    def known(self, code: str) -> Camera | None:
        """What a code is good for now; None where it is good for nothing."""
        with self._lock:
            camera = self._good.get(code)
            if camera is not None and camera.until < timezone.now():
                del self._good[code]
                return None
            return camera

    def of(self, code: str) -> tuple[Camera, Person]:
        """What a code is good for, and in whose name. Refuses: NotThere."""
        camera = self.known(code)
        person = Person.objects.filter(pk=camera.person, is_active=True).first() if camera is not None else None
        if camera is None or person is None:
            raise NotThere("no-code", "This code is no longer good. Make a new one on the job's page.")
        return camera, person

    def end(self, person: int) -> None:
        """End the codes of a person."""
        with self._lock:
            self._good = {code: one for code, one in self._good.items() if one.person != person}


codes = Codes()


@receiver(streams_end)
def _end_codes(person: int, **_: object) -> None:
    codes.end(person)


def host_for_phones(asked_for: str) -> str | None:
    """The name and port that a phone in the same net reaches this server by; None where it speaks to this machine
    alone.

    Takes:   the host that the browser asked for: as good for a phone, unless it means this machine. Then an address
             of this machine that the server answers to is taken.
    """
    asked = urlsplit(f"//{asked_for}")
    if asked.hostname is not None and not _is_here(asked.hostname):
        return asked_for
    facing = [one for one in settings.ALLOWED_HOSTS if _is_address(one) and not _is_here(one)]
    if not facing:
        return None
    found = min(facing, key=lambda one: (":" in one, one))
    named = f"[{found}]" if ":" in found else found
    return f"{named}:{asked.port}" if asked.port else named


def _is_here(name: str) -> bool:
    return ip_address(name).is_loopback if _is_address(name) else name == "localhost"


def _is_address(name: str) -> bool:
    try:
        ip_address(name.strip("[]"))
    except ValueError:
        return False
    return not name.startswith("[")
