"""The workshop as an ASGI application."""

import gc
import os

from a2wsgi import WSGIMiddleware
from django.core.wsgi import get_wsgi_application
from django.urls import get_resolver

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "workshop.config.settings")

# Django's middleware costs about half of each request when it hops between tasks and threads. Nothing here streams
# yet, so a request runs whole in one thread of the pool; live gauges will get their own ASGI route beside it.
application = WSGIMiddleware(get_wsgi_application(), workers=8)  # type: ignore[arg-type]

# Load the whole address map now, not at the first request.
get_resolver().url_patterns  # noqa: B018

# What was loaded by now stays for good: leave it out of every later collection, and collect less often.
gc.collect()
gc.freeze()
gc.set_threshold(50_000, 20, 20)
