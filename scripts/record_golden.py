"""Write the golden answers again, where a change of answer is meant. Look at each difference before it is kept.

With `forms` as its argument: record today's form of job files, signed sheets and the database, once; what is there
is never written again.
"""

import json
import os
import sqlite3
import subprocess
import sys
import tempfile
from contextlib import closing
from importlib import import_module
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT))

from halfthou.assess import assess  # noqa: E402
from halfthou.exchange import write_job  # noqa: E402
from halfthou.jobs import Job, JobFile  # noqa: E402
from tests.golden.block_jobs import blocks  # noqa: E402
from tests.golden.loose_jobs import loose_jobs  # noqa: E402

FOLDER = ROOT / "tests" / "golden"
#: The newest form of each, by the name it is kept under.
DATABASE, FILE, SHEET = "thirteenth", "job-version-12", "shape-9"
#: A new pump measured, an engine whose evidence is read, one signed with its cause open.
KEPT_JOBS = ("54", "60", "62")
#: Written by the demo shop in its own folder: an engine whose evidence is read, and a sheet signed with its cause
#: open.
EXPORT = """
import json, sys
from halfthou.exchange import write_job
from workshop.record.models import JobRecord, SignatureRecord
from workshop.record.translate import job_file_of
print(json.dumps({
    "file": write_job(job_file_of(JobRecord.objects.get(number="60"))),
    "sheet": SignatureRecord.objects.order_by("pk").last().sheet,
}))
"""


def answers(folder: Path, jobs: dict[str, Job]) -> None:
    """Write each job with its whole answer."""
    folder.mkdir(exist_ok=True)
    for name, job in jobs.items():
        kept = {"file": json.loads(write_job(JobFile(job=job))), "answer": assess(job).model_dump(mode="json")}
        text = json.dumps(kept, ensure_ascii=False, separators=(",", ":")) + "\n"
        (folder / f"{name}.json").write_text(text, encoding="utf-8")
    print(f"{len(jobs)} answers written to {folder.relative_to(ROOT)}")


def keep_few(shop: sqlite3.Connection) -> None:
    """Leave three jobs of the shop, so that a form costs kilobytes."""
    marks = ",".join("?" * len(KEPT_JOBS))
    others = f"select id from jobs_jobrecord where number not in ({marks})"
    held = "select name, sql from sqlite_master where type = 'trigger' and tbl_name like 'jobs_%'"
    triggers = shop.execute(held).fetchall()
    for name, _ in triggers:
        shop.execute(f"drop trigger {name}")
    tables = [row[0] for row in shop.execute("select name from sqlite_master where type = 'table'")]
    for table in tables:
        if "job_id" in {row[1] for row in shop.execute(f"pragma table_info({table})")}:
            shop.execute(f"delete from {table} where job_id in ({others})", KEPT_JOBS)
    shop.execute(f"delete from jobs_jobrecord where number not in ({marks})", KEPT_JOBS)
    for _, sql in triggers:
        shop.execute(sql)
    shop.commit()


def without_index(shop: sqlite3.Connection) -> list[str]:
    """Take the index of words out of a shop: a dump of its inner tables cannot be read again. Gives what makes it
    anew."""
    migration = import_module("workshop.record.migrations.0010_found_and_customers")
    for name in migration.TRIGGERS:
        shop.execute(f"drop trigger {name}")
    shop.execute("drop table jobs_found")
    shop.commit()
    triggers = (f"CREATE TRIGGER {name} {does}" for name, does in migration.TRIGGERS.items())
    return [f"{sql};" for sql in (migration.TABLE, *migration.FILL, *triggers)]


def forms() -> None:
    """Record today's forms from a demo shop, without its people's passwords."""
    with tempfile.TemporaryDirectory() as folder:
        env = {**os.environ, "DATA_DIR": folder, "DEMO": "1"}
        subprocess.run([sys.executable, "manage.py", "furnish_demo", "-v0"], cwd=ROOT, env=env, check=True)
        command = [sys.executable, "manage.py", "shell", "-v0", "-c", EXPORT]
        told = json.loads(subprocess.run(command, cwd=ROOT, env=env, check=True, stdout=subprocess.PIPE).stdout)
        with closing(sqlite3.connect(Path(folder) / "halfthou.sqlite3")) as shop:
            shop.execute("update people_person set password = '!'")
            shop.execute("delete from django_session")
            keep_few(shop)
            index = without_index(shop)
            dump = "\n".join([*shop.iterdump(), *index]) + "\n"
    sheet = json.dumps(told["sheet"], ensure_ascii=False, separators=(",", ":")) + "\n"
    for place, text in (
        (FOLDER / "databases" / f"{DATABASE}.sql", dump),
        (FOLDER / "files" / f"{FILE}.json", told["file"]),
        (FOLDER / "sheets" / f"{SHEET}.json", sheet),
    ):
        if place.exists():
            print(f"{place.relative_to(ROOT)} is there already: left as it is")
            continue
        place.write_text(text, encoding="utf-8")
        print(f"{place.relative_to(ROOT)} written")


def main() -> None:
    if sys.argv[1:] == ["forms"]:
        forms()
        return
    answers(FOLDER / "blocks", blocks())
    answers(FOLDER / "loose", loose_jobs())


if __name__ == "__main__":
    main()
