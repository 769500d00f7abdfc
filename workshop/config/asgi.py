"""The workshop as an ASGI application."""

import gc
import os

from django.core.asgi import get_asgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "workshop.config.settings")
application = get_asgi_application()

# What was loaded by now stays for good: leave it out of every later collection, and collect less often.
gc.collect()
gc.freeze()
gc.set_threshold(50_000, 20, 20)
