"""Data of an older form, of 1,500 facts: how long until it is of today's.

The figures: seconds to read a job file of the second version with 1,500 readings into today's job; and to migrate a
database of the third form with as many, beside what starting the command costs where nothing is to be migrated. The
old ones are the golden ones, their readings written often enough. Wanted: each under 2 s.
"""

import json
import os
import sqlite3
import subprocess
import sys
import tempfile
import time
from contextlib import closing
from pathlib import Path

ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT))
from halfthou.exchange import read_job  # noqa: E402

GOLDEN, FACTS = ROOT / "tests" / "golden", 1_500


def old_file() -> str:
    """A job file of the second version with so many readings."""
    old = json.loads((GOLDEN / "files" / "job-version-2.json").read_text(encoding="utf-8"))
    readings = old["job"]["readings"]
    more = (dict(readings[n % len(readings)], id=f"more.{n}") for n in range(FACTS - len(readings)))
    old["job"]["readings"] = [*readings, *({**one, "corrects": None, "repeats": None} for one in more)]
    return json.dumps(old)


def migrate(folder: str) -> float:
    """Run the command on a data folder; how long it took, in seconds."""
    env = {**os.environ, "DATA_DIR": folder, "DJANGO_SETTINGS_MODULE": "workshop.config.settings"}
    start = time.perf_counter()
    subprocess.run([sys.executable, "manage.py", "migrate", "-v0"], cwd=ROOT, env=env, check=True)
    return time.perf_counter() - start


def main() -> None:
    """Measure both, and print."""
    text = old_file()
    start = time.perf_counter()
    read = len(read_job(text).job.readings)
    print(f"job file of version 2, {read:,} readings: read in {time.perf_counter() - start:.2f} s")
    with tempfile.TemporaryDirectory() as folder:
        with closing(sqlite3.connect(Path(folder) / "halfthou.sqlite3")) as shop:
            shop.executescript((GOLDEN / "databases" / "third.sql").read_text(encoding="utf-8"))
            columns = [row[1] for row in shop.execute("pragma table_info(jobs_readingrecord)") if row[1] != "id"]
            (count,) = shop.execute("select count(*) from jobs_readingrecord").fetchone()
            names = ", ".join(columns)
            plain = ", ".join("'more.' || id || '.' || :nth" if name == "key" else name for name in columns)
            nth = 0
            while count < FACTS:
                nth += 1
                shop.execute(
                    f"insert into jobs_readingrecord ({names}) select {plain} from jobs_readingrecord "
                    "where key not like 'more.%' limit :left",
                    {"nth": nth, "left": FACTS - count},
                )
                (count,) = shop.execute("select count(*) from jobs_readingrecord").fetchone()
            shop.commit()
        taken, idle = migrate(folder), migrate(folder)
        with closing(sqlite3.connect(Path(folder) / "halfthou.sqlite3")) as shop:
            (kept,) = shop.execute("select count(*) from jobs_factrecord where kind = 'reading'").fetchone()
    print(
        f"database of the third form, {kept:,} of {count:,} readings: migrated in {taken - idle:.2f} s, beside "
        f"{idle:.2f} s to start the command"
    )


main()
