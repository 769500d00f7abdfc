"""A record that is not lost, forged or overwritten. Common practice, no source, unless said."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.jobs import Gauge, Reading
from tests.workshop.conftest import kept
from workshop.gauges.models import GaugeRecord
from workshop.jobs import actions
from workshop.limits.models import SheetRevision
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord

from .conftest import PASSWORD

SignedIn = Callable[[Person], Client]


def send(client: Client, method: str, path: str, body: Any) -> Any:
    return getattr(client, method)(path, json.dumps(body), content_type="application/json")


def test_the_second_writer_of_a_card_is_told_and_nothing_is_overwritten(
    job: JobRecord, bench: Person, client_of: SignedIn
) -> None:
    client, path = client_of(bench), f"/api/jobs/{job.pk}"
    version = client.get(path).json()["card"]["card_version"]
    first = {"title": "Ferry winch 2", "card_version": version}
    assert send(client, "put", path, first).status_code == 200
    second = send(client, "put", path, {"title": "Winch", "card_version": version})
    assert (second.status_code, second.json()["code"]) == (409, "changed-meanwhile")
    assert client.get(path).json()["card"]["title"] == "Ferry winch 2"


def test_the_second_writer_of_limits_gauges_and_house_rules_is_told(
    limits: SheetRevision, gauge: Gauge, owner: Person, client_of: SignedIn
) -> None:
    client = client_of(owner)
    sheet, one, house = f"/api/limits/{limits.pk}", f"/api/gauges/{gauge.id}", "/api/house-rules"
    form, rules = client.get(sheet).json()["form"], client.get(house).json()
    listed = next(found for found in client.get("/api/gauges").json() if found["id"] == gauge.id)
    names = ("name", "kind", "unit", "resolution", "permissible_error", "repeatability", "least", "most", "version")
    typed = {name: listed[name] for name in names}
    for path, body in (
        (sheet, {**form, "notes": "a"}),
        (one, {**typed, "name": "a"}),
        (house, {**rules, "sure": True}),
    ):
        assert send(client, "put", path, body).status_code == 200, path
        again = send(client, "put", path, body)
        assert (again.status_code, again.json()["code"]) == (409, "changed-meanwhile"), path


def test_a_limits_sheet_that_a_job_stands_on_is_not_changed_under_it(
    job: JobRecord, limits: SheetRevision, owner: Person, client_of: SignedIn
) -> None:
    client, path = client_of(owner), f"/api/limits/{limits.pk}"
    form = client.get(path).json()["form"]
    refused = send(client, "put", path, {**form, "notes": "another"})
    assert refused.status_code in (409, 422)
    assert client.get(f"/api/jobs/{job.pk}").status_code == 200


def test_a_resent_name_with_other_content_is_refused(land: Callable[..., Any], job: JobRecord) -> None:
    land("R1", "1a", "2.0375", id="one")
    with pytest.raises(Exception, match="name"):
        land("R1", "1b", "2.0371", id="one")
    assert kept(job, Reading)[-1].spot == "1a"


def test_cells_that_begin_like_formulas_are_made_safe_and_come_back(
    job: JobRecord, land: Callable[..., Any], owner: Person, client_of: SignedIn
) -> None:
    """A spreadsheet runs a cell that begins with = + - @; what was typed comes back as it was."""
    land("R1", "1a", "-0.0003")
    client, path = client_of(owner), f"/api/jobs/{job.pk}/readings.csv"
    text = client.get(path).content.decode()
    cells = [cell for row in csv.reader(io.StringIO(text)) for cell in row]
    assert not [cell for cell in cells if cell[:1] in "=+-@\t" and cell]
    compared = send(client, "post", f"{path}/compare", {"text": text, "gauge": ""}).json()
    assert (compared["known"], compared["new"], compared["differs"]) == (1, 0, [])


def test_a_readings_file_out_and_in_says_what_is_already_here(
    job: JobRecord, read_all: Any, gauge: Gauge, owner: Person, client_of: SignedIn
) -> None:
    read_all()
    client, path = client_of(owner), f"/api/jobs/{job.pk}/readings.csv"
    before = client.get(f"/api/jobs/{job.pk}").json()["assessment"]
    text = client.get(path).content.decode()
    more = text.rstrip("\n") + "\n"
    rows = list(csv.reader(io.StringIO(text)))
    size = next(name for name in rows[0] if name.startswith("size"))
    new = dict.fromkeys(rows[0], "") | {"part": "R1", "spot": "1a", size: "51.750", "gauge": gauge.id}
    line = io.StringIO()
    csv.writer(line).writerow([new[name] for name in rows[0]])
    compared = send(client, "post", f"{path}/compare", {"text": more + line.getvalue(), "gauge": gauge.id}).json()
    assert (compared["known"], compared["new"]) == (72, 1)
    assert send(client, "post", path, {"text": text, "gauge": ""}).status_code == 200
    assert client.get(f"/api/jobs/{job.pk}").json()["assessment"] == before


def test_decisions_of_a_file_are_nobodys_here(
    job: JobRecord, read_all: Any, machinist: Person, bench: Person, client_of: SignedIn
) -> None:
    """A bench hand takes in a file that says the owner decided: it decides nothing until somebody takes it up."""
    read_all(R1=["2.0355"] * 8)
    decide = {"id": "d", "kind": "overridden", "set": "rods", "action": "reuse", "reason": "old", "sure": True,
              "at": "2031-05-04T12:00:00Z"}  # fmt: skip
    assert send(client_of(machinist), "post", f"/api/jobs/{job.pk}/decisions", decide).status_code == 200
    file = json.loads(client_of(bench).get(f"/api/jobs/{job.pk}/job.json").content)
    file["job"]["number"] = "900"
    file["job"]["decisions"][0]["by"] = "owner"
    taken = send(client_of(bench), "post", "/api/jobs/import", {"text": json.dumps(file)}).json()
    assert taken["assessment"]["sets"][1]["headline"] == "regrind, 0.010 under"
    assert [(d["by"], d["made_elsewhere"]) for d in taken["decisions"]] == [("owner (elsewhere)", True)]
    up = f"/api/jobs/{taken['card']['id']}/decisions/take-up"
    assert send(client_of(bench), "post", up, {"id": "d"}).status_code == 403
    took = send(client_of(machinist), "post", up, {"id": "d"})
    assert took.json()["assessment"]["sets"][1]["headline"].startswith("decided: reuse")


@pytest.mark.parametrize("password", [" " * 12, "\t" * 12, "short"])
def test_a_password_of_nothing_is_refused(owner: Person, client_of: SignedIn, password: str) -> None:
    body = {"name": "new hand", "password": password, "role": "bench"}
    assert send(client_of(owner), "post", "/api/people", body).status_code == 422


def test_tries_at_the_old_password_are_limited(bench: Person, client_of: SignedIn) -> None:
    client = client_of(bench)
    body = {"old": "wrong", "new": "another-line-77"}
    statuses = {send(client, "post", "/api/session/password", body).status_code for _ in range(12)}
    right = send(client, "post", "/api/session/password", {"old": PASSWORD, "new": "another-line-77"})
    assert 200 not in statuses
    assert right.status_code in (403, 429)


def test_two_thousand_readings_land_on_a_job_of_five_thousand(
    job: JobRecord, bench: Person, gauge: Gauge, client_of: SignedIn
) -> None:
    """All of them or none; how long it takes is told by bench/kept_readings.py."""
    spots = [(f"R{n % 4 + 1}", f"{n % 2 + 1}{'abcd'[n // 4 % 4]}") for n in range(5000)]
    for part in (spots[:2500], spots[2500:]):
        lines = ["journal,spot,size [in]", *(f"{j},{s},2.0375" for j, s in part)]
        actions.take_in_readings(bench, job.pk, "\n".join(lines) + "\n", gauge.id)
    now = timezone.now().isoformat()
    readings = [
        {
            "fact": "reading",
            "id": f"b{n}",
            "part": j,
            "spot": s,
            "typed": "2.0374",
            "unit": "in",
            "gauge": gauge.id,
            "at": now,
        }
        for n, (j, s) in enumerate(spots[:2000])
    ]
    answer = send(client_of(bench), "post", f"/api/jobs/{job.pk}/facts", {"facts": readings})
    assert answer.status_code == 200
    assert [one for one in answer.json()["results"] if one["refused"]] == []
    assert len(kept(job, Reading)) == 7000


def test_the_job_opens_after_every_gauge_is_retired(
    job: JobRecord, read_all: Any, gauge: Gauge, machinist: Person, client_of: SignedIn
) -> None:
    read_all()
    GaugeRecord.objects.update(retired=True)
    assert client_of(machinist).get(f"/api/jobs/{job.pk}").status_code == 200


def test_a_file_with_too_many_new_readings_is_refused_in_words(job: JobRecord, bench: Person, gauge: Gauge) -> None:
    lines = ["journal,spot,size [in]", *["R1,1a,2.0375"] * 4001]
    with pytest.raises(Refusal, match="split the file"):
        actions.take_in_readings(bench, job.pk, "\n".join(lines) + "\n", gauge.id)
    assert not kept(job, Reading)
