"""Where the tests keep their data: never in the shop's, and each worker in a folder of its own. The demo shop,
furnished once for all of them. And how deep the tests by chance go."""

import fcntl
import os
import random
import shutil
import tempfile
from pathlib import Path

import pytest
from hypothesis import HealthCheck, settings

from tests.serving import manage

if os.environ.get("TESTED_BY") != str(os.getpid()):
    os.environ |= {"TESTED_BY": str(os.getpid()), "DATA_DIR": tempfile.mkdtemp(prefix="half-thou-tests-")}
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


#: What takes longest comes first, so that no worker ends with it alone. The rest in its own order.
LONGEST = ("tests/browser/test_bench.py", "tests/workshop/test_any_sequence.py", "tests/golden", "tests/browser")


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    items.sort(
        key=lambda item: next((n for n, at in enumerate(LONGEST) if item.nodeid.startswith(at)), len(LONGEST))
    )
    if not config.getoption("--run-attacks"):
        skip = pytest.mark.skip(reason="run by make attack")
        for item in items:
            if item.get_closest_marker("attack") is not None:
                item.add_marker(skip)


@pytest.fixture(scope="session")
def furnished(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo shop, furnished once over all workers. To be copied, not written to."""
    own = tmp_path_factory.getbasetemp()
    shared = own.parent if "PYTEST_XDIST_WORKER" in os.environ else own
    folder = shared / "furnished"
    with (shared / "furnishing").open("w") as lock:
        # Whoever comes second waits here until it is furnished.
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not folder.exists():
            making = shared / "being-furnished"
            making.mkdir()
            manage(making, "furnish_demo")
            making.rename(folder)
    return folder


def copied(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A demo shop to write to: a copy of the furnished one."""
    folder: Path = tmp_path_factory.mktemp("shop") / "copy"
    shutil.copytree(furnished, folder)
    return folder


def examples(usual: int, deep: int = 0) -> int:
    """How many examples a test by chance takes: the usual number, or many in a deep run."""
    return deep or usual * DEEPER if settings.get_current_profile_name() == "fuzz" else usual
