"""Data is kept: many benches at once, backup and restore, a demo that is never overwritten."""

import http.client
import json
import os
import sqlite3
import subprocess
import sys
import threading
import time
import urllib.request
from pathlib import Path
from typing import Any

import pytest

from tests.conftest import copied
from tests.serving import Server, serving

ROOT = Path(__file__).parents[2]


def run(folder: Path, *words: str, check: bool = True) -> subprocess.CompletedProcess[str]:
    env = {**os.environ, "DATA_DIR": str(folder), "DEMO": "1"}
    return subprocess.run([sys.executable, *words], cwd=ROOT, env=env, check=check, capture_output=True, text=True)


@pytest.fixture(scope="module")
def shop(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A folder with the demo shop in it."""
    return copied(furnished, tmp_path_factory)


def count(folder: Path, table: str) -> int:
    with sqlite3.connect(folder / "halfthou.sqlite3") as database:
        return int(database.execute(f"SELECT count(*) FROM {table}").fetchone()[0])


def test_the_demo_is_lived_in_and_is_not_overwritten(shop: Path) -> None:
    """At least three engines and six jobs in different stages, as asked."""
    with sqlite3.connect(shop / "halfthou.sqlite3") as database:
        stages = {row[0] for row in database.execute("SELECT stage FROM jobs_jobrecord")}
        summed = [json.loads(row[0]) for row in database.execute("SELECT sets FROM jobs_jobrecord")]
    marks = {one["mark"] for sets in summed for one in sets}
    assert count(shop, "limits_sheet") == 10
    assert count(shop, "jobs_jobrecord") >= 6
    assert stages == {"booked in", "stripping", "measuring", "deciding", "signed", "handed over"}
    assert {"regrind", "replace", "reuse", "polish", "not-read"} <= marks
    before = count(shop, "jobs_factrecord")
    run(shop, "manage.py", "furnish_demo")
    assert count(shop, "jobs_factrecord") == before


def test_a_backup_taken_in_use_comes_back(shop: Path, tmp_path: Path) -> None:
    before = count(shop, "jobs_factrecord")
    with sqlite3.connect(shop / "halfthou.sqlite3") as busy:
        busy.execute("BEGIN IMMEDIATE")
        run(shop, "scripts/keep.py", "backup", str(tmp_path))
        busy.rollback()
    (copy,) = tmp_path.glob("*.sqlite3")
    with sqlite3.connect(shop / "halfthou.sqlite3") as database:
        database.execute("DROP TRIGGER fact_is_never_removed")
        database.execute("DELETE FROM jobs_factrecord")
    run(shop, "scripts/keep.py", "restore", str(copy))
    assert count(shop, "jobs_factrecord") == before
    assert list((shop / "before-restore").glob("*.sqlite3"))


@pytest.mark.parametrize("content", [b"", b"not a database at all", None])
def test_what_is_no_backup_is_refused_and_changes_nothing(
    shop: Path, tmp_path: Path, content: bytes | None
) -> None:
    before = count(shop, "jobs_factrecord")
    file = tmp_path / "wrong.sqlite3"
    if content is not None:
        file.write_bytes(content)
    refused = run(shop, "scripts/keep.py", "restore", str(file), check=False)
    assert refused.returncode != 0
    assert "Nothing was changed" in refused.stderr
    assert count(shop, "jobs_factrecord") == before


def test_a_backup_comes_back_over_a_broken_live_file(shop: Path, tmp_path: Path) -> None:
    """The very day it is needed for."""
    before = count(shop, "jobs_factrecord")
    run(shop, "scripts/keep.py", "backup", str(tmp_path))
    (copy,) = tmp_path.glob("*.sqlite3")
    for broken in (b"torn" * 1000, b""):
        for beside in ("-wal", "-shm"):
            (shop / f"halfthou.sqlite3{beside}").unlink(missing_ok=True)
        (shop / "halfthou.sqlite3").write_bytes(broken)
        refused = run(shop, "manage.py", "migrate", "-v0", check=False)
        if broken:
            assert refused.returncode != 0
            assert "Traceback" not in refused.stderr
            assert "make restore" in refused.stderr
        run(shop, "scripts/keep.py", "restore", str(copy))
        assert count(shop, "jobs_factrecord") == before


def test_the_data_of_another_program_is_no_backup(shop: Path, tmp_path: Path) -> None:
    """A sound database with other tables, and one of this program's with a table missing."""
    before = count(shop, "jobs_factrecord")
    other = tmp_path / "other.sqlite3"
    with sqlite3.connect(other) as made:
        made.execute("create table notes (text)")
    run(shop, "scripts/keep.py", "backup", str(tmp_path / "kept"))
    (part,) = (tmp_path / "kept").glob("*.sqlite3")
    with sqlite3.connect(part) as made:
        made.execute("drop table jobs_factrecord")
    for file in (other, part):
        refused = run(shop, "scripts/keep.py", "restore", str(file), check=False)
        assert refused.returncode != 0
        assert "Nothing was changed" in refused.stderr
    assert count(shop, "jobs_factrecord") == before


def test_only_the_owner_of_the_process_reads_the_data(tmp_path: Path) -> None:
    """Outside: the operating system's file modes."""
    folder = tmp_path / "data"
    run(folder, "manage.py", "migrate", "-v0")
    run(folder, "scripts/keep.py", "backup", str(folder / "backups"))
    assert folder.stat().st_mode & 0o777 == 0o700
    files = [path for path in folder.rglob("*") if path.is_file()]
    assert len(files) >= 2
    assert {path.stat().st_mode & 0o077 for path in files} == {0}


def post(server: Server, cookie: str, token: str, path: str, body: dict[str, object]) -> dict[str, Any]:
    request = urllib.request.Request(server.url + path, json.dumps(body).encode(), method="POST")
    for name, value in (("Cookie", cookie), ("X-CSRFToken", token), ("Content-Type", "application/json")):
        request.add_header(name, value)
    with urllib.request.urlopen(request, timeout=30) as answer:
        found: dict[str, Any] = json.loads(answer.read())
    return found


def sign_in(server: Server, name: str) -> tuple[str, str]:
    first = urllib.request.urlopen(server.url + "/api/session", timeout=30)
    token = first.headers["Set-Cookie"].split("csrftoken=")[1].split(";")[0]
    request = urllib.request.Request(
        server.url + "/api/session",
        json.dumps({"name": name, "password": f"{name}-half-thou"}).encode(),
        method="POST",
    )
    for key, value in (
        ("Cookie", f"csrftoken={token}"),
        ("X-CSRFToken", token),
        ("Content-Type", "application/json"),
    ):
        request.add_header(key, value)
    answer = urllib.request.urlopen(request, timeout=30)
    cookies = dict(part.split(";")[0].split("=", 1) for part in answer.headers.get_all("Set-Cookie"))
    return "; ".join(f"{key}={value}" for key, value in cookies.items()), cookies["csrftoken"]


def test_two_people_at_once_lose_nothing(shop: Path) -> None:
    """Two benches land readings on one job at the same time: everything acknowledged is there, once."""
    acknowledged, kept = land_from_two_benches(shop, kill_after=None)
    assert len(acknowledged) == 16
    assert sorted(kept) == sorted(acknowledged)


def test_a_server_killed_in_mid_entry_loses_nothing_it_acknowledged(
    furnished: Path, tmp_path_factory: pytest.TempPathFactory
) -> None:
    """The server dies outright while both benches are still landing readings."""
    acknowledged, kept = land_from_two_benches(copied(furnished, tmp_path_factory), kill_after=6)
    assert 6 <= len(acknowledged) < 16
    assert set(acknowledged) <= set(kept)
    assert len(kept) == len(set(kept))


def land_from_two_benches(shop: Path, kill_after: int | None) -> tuple[list[str], list[str]]:
    """Sixteen readings from two benches at once, the server killed after so many acknowledgements, or at the end.
    Gives the readings acknowledged, and those that are in the database afterwards."""
    acknowledged: list[str] = []
    with serving(shop) as server:
        job = json.loads(
            urllib.request.urlopen(
                urllib.request.Request(
                    server.url + "/api/rack?search=Sprayer", headers={"Cookie": sign_in(server, "bench")[0]}
                ),
                timeout=30,
            ).read()
        )
        job_id = job["jobs"][0]["id"]
        with sqlite3.connect(shop / "halfthou.sqlite3") as cabinet:
            rows = cabinet.execute("SELECT key, document FROM gauges_gaugerecord").fetchall()
        gauge = next(key for key, document in rows if json.loads(document)["name"].startswith("50–75 mm digital"))

        def work(name: str, journal: str) -> None:
            cookie, token = sign_in(server, name)
            for n, spot in enumerate(["1a", "1b", "1c", "1d", "2a", "2b", "2c", "2d"]):
                body = {"fact": "reading",
 "id": f"{name}.{spot}", "part": journal, "spot": spot, "typed": f"61.37{n}",
                        "unit": "mm", "gauge": gauge, "at": "2031-05-04T10:00:00+00:00"}  # fmt: skip
                try:
                    answer = post(server, cookie, token, f"/api/jobs/{job_id}/facts", {"facts": [body]})
                except (OSError, http.client.HTTPException):
                    return
                (result,) = answer["results"]
                if not result["refused"]:
                    acknowledged.append(str(body["id"]))

        benches = [threading.Thread(target=work, args=pair) for pair in (("bench", "R1"), ("machinist", "R2"))]
        for bench in benches:
            bench.start()
        while kill_after is not None and len(acknowledged) < kill_after and any(b.is_alive() for b in benches):
            time.sleep(0.001)
        if kill_after is not None:
            server.kill()
        for bench in benches:
            bench.join()
        server.kill()
    with sqlite3.connect(shop / "halfthou.sqlite3") as database:
        kept = [
            row[0]
            for row in database.execute(
                "SELECT key FROM jobs_factrecord WHERE job_id=? AND kind='reading'", (job_id,)
            )
        ]
    return acknowledged, kept


def test_pictures_go_with_a_backup_and_come_back(shop: Path, tmp_path: Path) -> None:
    """A file is known by its hash: what is there already is not copied again."""
    pictures = sorted(path.relative_to(shop) for path in (shop / "pictures").rglob("*.jpg"))
    assert len(pictures) > 10
    copies = tmp_path / "copies"
    for _ in range(2):
        run(shop, "scripts/keep.py", "backup", str(copies))
    kept = sorted(path.relative_to(copies) for path in (copies / "pictures").rglob("*.jpg"))
    assert kept == pictures
    (shop / pictures[0]).unlink()
    told = run(shop, "scripts/keep.py", "check").stdout
    assert ("not here" in told) is not pictures[0].name.endswith(".small.jpg")
    run(shop, "scripts/keep.py", "restore", str(next(copies.glob("*.sqlite3"))))
    assert (shop / pictures[0]).read_bytes() == (copies / pictures[0]).read_bytes()


def test_a_damaged_picture_is_found_and_never_put_over_a_good_one(shop: Path, tmp_path: Path) -> None:
    """A picture is named by its SHA-256 (FIPS 180-4): whatever was changed of it, its name tells."""
    one = next(path for path in sorted((shop / "pictures").rglob("*.jpg")) if ".small" not in path.name)
    good, copies = one.read_bytes(), tmp_path / "copies"
    run(shop, "scripts/keep.py", "backup", str(copies))
    one.write_bytes(good[:-40])
    told = run(shop, "scripts/keep.py", "check", check=False)
    assert told.returncode == 1
    assert "damaged" in told.stdout
    assert "damaged" in run(shop, "scripts/keep.py", "backup", str(copies)).stdout
    assert (copies / one.relative_to(shop)).read_bytes() == good
    run(shop, "scripts/keep.py", "restore", str(next(copies.glob("*.sqlite3"))))
    assert one.read_bytes() == good
    (copies / one.relative_to(shop)).write_bytes(b"x")
    run(shop, "scripts/keep.py", "backup", str(copies))
    assert (copies / one.relative_to(shop)).read_bytes() == good
