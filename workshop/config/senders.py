"""Who sends a request, by its head alone: asked before a large body is read and before a stream is opened.

A few threads of their own answer it, so that no open page keeps a thread or a connection to the database.
"""

from __future__ import annotations

import asyncio
from concurrent.futures import ThreadPoolExecutor
from http.cookies import CookieError, SimpleCookie
from importlib import import_module
from secrets import compare_digest
from typing import TYPE_CHECKING, Any

from django.conf import settings
from django.contrib.auth import get_user
from django.http import HttpRequest

if TYPE_CHECKING:
    from workshop.people.models import Person

_asked = ThreadPoolExecutor(max_workers=2, thread_name_prefix="senders")
#: Where the gauge bridge speaks; it is known by its key.
BRIDGE = "/api/live/bridge/"


async def sender_of(scope: Any) -> Person | None:
    """The person signed in whose browser sends this; None where nobody is, or the account is closed."""
    cookies = b"; ".join(value for name, value in scope["headers"] if name == b"cookie").decode("latin1")
    return await asyncio.get_running_loop().run_in_executor(_asked, _person_of, cookies)


def _person_of(cookies: str) -> Person | None:
    try:
        found = SimpleCookie(cookies).get(settings.SESSION_COOKIE_NAME)
    except CookieError:
        return None
    if found is None:
        return None
    request = HttpRequest()
    request.session = import_module(settings.SESSION_ENGINE).SessionStore(found.value)
    person: Any = get_user(request)
    return person if person.is_authenticated and person.is_active else None


def is_phone(path: str) -> bool:
    """Whether this comes from a phone's camera page, by the code in its address."""
    from workshop.people.phone import PHONE, codes  # noqa: PLC0415 - after Django is set up

    return path.startswith(PHONE) and codes.known(path.removeprefix(PHONE)) is not None


def is_bridge(scope: Any) -> bool:
    """Whether the gauge bridge sends this, by its key."""
    return is_bridge_key(dict(scope["headers"]).get(b"x-bridge-key", b""))


def is_bridge_key(key: bytes) -> bool:
    """Whether a key is the gauge bridge's."""
    return compare_digest(key, settings.BRIDGE_KEY.encode())
