"""Where the tests keep their data: never in the shop's. And how deep the tests by chance go."""

import os
import random
import tempfile

import pytest
from hypothesis import HealthCheck, settings

os.environ.setdefault("DATA_DIR", tempfile.mkdtemp(prefix="half-thou-tests-"))
os.environ.setdefault("SECRET_KEY", "for tests only")
os.environ["DEMO"] = "0"
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "1"

# The same examples on every run, so that a slow machine never fails by chance; `make fuzz` draws new ones.
settings.register_profile("steady", derandomize=True, deadline=None, suppress_health_check=list(HealthCheck))
settings.register_profile(
    "fuzz", derandomize=False, deadline=None, suppress_health_check=list(HealthCheck), database=None
)
settings.load_profile("steady")

#: How many times the examples of `make test` the deep run takes.
DEEPER = 20


def pytest_addoption(parser: pytest.Parser) -> None:
    parser.addoption("--fuzz", action="store_true", help="new examples, and many more of them; prints the seed")
    parser.addoption("--run-attacks", action="store_true", help="run what tries to stop or rob the server")


def pytest_configure(config: pytest.Config) -> None:
    config.addinivalue_line("markers", "attack: tries to stop or rob the server; long, run by make attack")
    if config.getoption("--fuzz"):
        settings.load_profile("fuzz")
        seed = random.SystemRandom().randrange(2**32)
        config.option.hypothesis_seed = seed
        print(f"seed {seed}: run again with --hypothesis-seed={seed}")


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    if not config.getoption("--run-attacks"):
        skip = pytest.mark.skip(reason="run by make attack")
        for item in items:
            if item.get_closest_marker("attack") is not None:
                item.add_marker(skip)


def examples(usual: int) -> int:
    """How many examples a test by chance takes: the usual number, or many in a deep run."""
    return usual * DEEPER if settings.get_current_profile_name() == "fuzz" else usual
