"""Run every check and test, on all cores: make test.

Two lanes at once, since neither needs the other: pytest, and what checks code without running it, one after the
other. What a check prints is shown when it has ended. At the end: how long each took on the clock and on the
processor. Those figures are for reading; nothing fails by them.
"""

from __future__ import annotations

import os
import subprocess
import sys
import threading
import time
from pathlib import Path
from typing import NamedTuple

ROOT = Path(__file__).resolve().parents[1]
BIN = ROOT / ".venv" / "bin"
PYTHON = str(BIN / "python")
DESCRIBE = "manage.py export_openapi_schema --api workshop.config.api.api --indent 1"

#: A file is one worker's: its tests may share a server or a shop. In the order of tests/conftest.py.
SHARED = ["-n", str(os.cpu_count() or 1), "--dist", "loadfile", "--no-loadscope-reorder"]
PYTEST = [PYTHON, "-m", "pytest", *SHARED, "--durations=20"]
#: In this order: the quick ones first.
CHECKS: tuple[tuple[str, str, str], ...] = (
    ("format", ".", f"{BIN}/ruff format --check ."),
    ("lint", ".", f"{BIN}/ruff check ."),
    ("imports", ".", f"{BIN}/lint-imports"),
    ("types", ".", f"{PYTHON} -m mypy halfthou workshop gauge_bridge demo tests manage.py"),
    ("migrations", ".", f"{PYTHON} manage.py makemigrations --check --dry-run"),
    (
        "API description",
        ".",
        f"{PYTHON} {DESCRIBE} | cmp - web/src/api/openapi.json || (echo Run make api; exit 1)",
    ),
    ("web types", "web", "npm run --silent typecheck"),
    ("web lint", "web", "npm run --silent lint"),
    ("web tests", "web", "npm run --silent test"),
)


class Took(NamedTuple):
    """How one step ended."""

    name: str
    status: int
    wall_s: float
    cpu_s: float


def run(name: str, folder: str, command: str | list[str], *, shown: bool) -> Took:
    """Run one step; what it prints is shown as it comes, or when it has ended."""
    start = time.monotonic()
    out = None if shown else subprocess.PIPE
    process = subprocess.Popen(
        command,
        cwd=ROOT / folder,
        shell=isinstance(command, str),
        stdout=out,
        stderr=subprocess.STDOUT if out else None,
    )
    said = process.stdout.read() if process.stdout else b""
    _, status, usage = os.wait4(process.pid, 0)
    process.returncode = os.waitstatus_to_exitcode(status)
    if not shown:
        print(f"--- {name}\n{said.decode(errors='replace').rstrip()}", flush=True)
    return Took(name, process.returncode, time.monotonic() - start, usage.ru_utime + usage.ru_stime)


def main() -> None:
    """Run both lanes; exit with 1 where anything failed."""
    start, took = time.monotonic(), []

    def check() -> None:
        for name, folder, command in CHECKS:
            took.append(run(name, folder, command, shown=False))

    checking = threading.Thread(target=check)
    checking.start()
    took.append(run("pytest", ".", [*PYTEST, *sys.argv[1:]], shown=True))
    checking.join()
    print("\n  on the clock   processor   step")
    for one in sorted(took, key=lambda one: -one.cpu_s):
        failed = "" if one.status == 0 else "   FAILED"
        print(f"{one.wall_s:12.1f} s {one.cpu_s:9.1f} s   {one.name}{failed}")
    print(f"{time.monotonic() - start:12.1f} s {sum(one.cpu_s for one in took):9.1f} s   together")
    sys.exit(1 if any(one.status for one in took) else 0)


if __name__ == "__main__":
    main()
