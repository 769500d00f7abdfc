"""The workshop as an ASGI application."""

import gc
import os
from typing import Any

from a2wsgi import WSGIMiddleware
from django.core.wsgi import get_wsgi_application
from django.urls import get_resolver

from workshop.config.whole import Whole

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "workshop.config.settings")

EVENTS = "/api/live/events"

# Django's middleware costs about half of each request when it hops between tasks and threads. So a request runs
# whole in one thread of the pool; only the event stream, which never ends, is spoken to by the loop itself.
_requests = Whole(WSGIMiddleware(get_wsgi_application(), workers=8))  # type: ignore[arg-type]

from workshop.live.stream import events  # noqa: E402 - after Django is set up


async def application(scope: Any, receive: Any, send: Any) -> None:
    """Requests to the thread pool, the event stream to the loop."""
    chosen: Any = events if scope.get("path") == EVENTS else _requests
    await chosen(scope, receive, send)


# Load the whole address map now, not at the first request.
get_resolver().url_patterns  # noqa: B018

# What was loaded by now stays for good: leave it out of every later collection, and collect less often.
gc.collect()
gc.freeze()
gc.set_threshold(50_000, 20, 20)
