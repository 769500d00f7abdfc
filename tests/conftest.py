"""Where the tests keep their data: never in the shop's."""

import os
import tempfile

os.environ.setdefault("DATA_DIR", tempfile.mkdtemp(prefix="half-thou-tests-"))
os.environ.setdefault("SECRET_KEY", "for tests only")
os.environ["DEMO"] = "0"
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "1"
