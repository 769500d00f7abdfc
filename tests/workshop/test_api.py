"""The doors: nothing without signing in, refusals in words, files and paper."""

import json
from collections.abc import Callable
from io import BytesIO
from typing import Any

import pytest
from django.core.management import call_command
from django.test import Client
from pypdf import PdfReader

from halfthou.jobs import Gauge, Reading
from tests.making import GOOD_ENGINE
from tests.workshop.conftest import kept
from workshop.config.api import api
from workshop.limits.models import SheetRevision
from workshop.people.models import Person
from workshop.record.models import JobRecord

from .conftest import PASSWORD, sheet_form

OPEN = {("GET", "/api/session"), ("POST", "/api/session")}


def all_doors() -> list[tuple[str, str]]:
    """Every address of the API that takes a request, files and paper too."""
    doors = []
    for prefix, router in api._routers:
        for path, view in router.path_operations.items():
            address = f"/api{prefix}{path}" if prefix.startswith("/") else f"/api/{prefix}{path}"
            for name in ("job_id", "revision_id", "person_id", "customer_id"):
                address = address.replace(f"{{int:{name}}}", "1").replace(f"{{{name}}}", "1")
            doors += [(method, address.replace("//", "/")) for op in view.operations for method in op.methods]
    return doors


@pytest.mark.django_db
def test_nothing_is_reachable_without_signing_in() -> None:
    closed = [door for door in all_doors() if door not in OPEN]
    assert len(closed) > 40
    client = Client()
    for method, address in closed:
        assert client.generic(method, address).status_code == 401, (method, address)


@pytest.mark.django_db
def test_the_open_doors_tell_no_names() -> None:
    said = Client().get("/api/session").json()
    assert (said["person"], said["names"], said["hints"]) == (None, [], [])


def test_sign_in_and_lockout_after_repeated_failures(bench: Person) -> None:
    client = Client()

    def post(password: str) -> Any:
        body = json.dumps({"name": "bench", "password": password})
        return client.post("/api/session", body, content_type="application/json")

    assert post("wrong").status_code == 403
    for _ in range(5):
        last = post("wrong")
    assert last.status_code == 429
    assert "locked" in last.json()["message"]
    assert post(PASSWORD).status_code == 429


def test_sign_in_needs_the_csrf_token(bench: Person) -> None:
    strict = Client(enforce_csrf_checks=True)
    body = json.dumps({"name": "bench", "password": PASSWORD})
    assert strict.post("/api/session", body, content_type="application/json").status_code == 403
    token = strict.get("/api/session").cookies["csrftoken"].value
    done = strict.post("/api/session", body, content_type="application/json", headers={"X-CSRFToken": token})
    assert done.json()["person"]["name"] == "bench"


def test_changing_ones_password_keeps_one_signed_in(bench: Person, client_of: Callable[[Person], Client]) -> None:
    client = client_of(bench)
    change = {"old": PASSWORD, "new": "chalk-on-cast-iron"}
    refused = client.post("/api/session/password", {**change, "old": "no"}, content_type="application/json")
    assert refused.json()["faults"][0]["where"] == "old"
    weak = client.post("/api/session/password", {**change, "new": "1234"}, content_type="application/json")
    assert weak.json()["code"] == "weak-password"
    assert client.post("/api/session/password", change, content_type="application/json").status_code == 200
    assert client.get("/api/session").json()["person"]["name"] == "bench"


@pytest.mark.parametrize(
    ("who", "method", "address", "allowed"),
    [
        ("bench", "GET", "/api/people", False),
        ("machinist", "GET", "/api/people", False),
        ("owner", "GET", "/api/people", True),
        ("bench", "POST", "/api/limits", False),
        ("machinist", "POST", "/api/limits", True),
        ("machinist", "POST", "/api/limits/{limits}/confirm", False),
        ("owner", "POST", "/api/limits/{limits}/confirm", True),
        ("machinist", "PUT", "/api/house-rules", False),
        ("owner", "PUT", "/api/house-rules", True),
        ("bench", "POST", "/api/gauges", False),
        ("machinist", "POST", "/api/gauges", True),
    ],
)
def test_who_may(
    who: str,
    method: str,
    address: str,
    allowed: bool,
    limits: SheetRevision,
    request: pytest.FixtureRequest,
    client_of: Callable[[Person], Client],
) -> None:
    """The rights of the three roles: common practice, no source."""
    bodies = {
        "/api/limits/{limits}/confirm": {"version": 1, "sure": True},
        "/api/limits": sheet_form("Other 4").model_dump(mode="json"),
        "/api/house-rules": {"guard": "2u", "hardened_crank": "never ground", "polish_allowance": ".0003"},
        "/api/gauges": {
            "name": "x", "kind": "caliper", "unit": "in", "resolution": ".001", "permissible_error": ".001",
        },
    }  # fmt: skip
    client = client_of(request.getfixturevalue(who))
    body = json.dumps(bodies.get(address, {}))
    answer = client.generic(method, address.format(limits=limits.pk), body, content_type="application/json")
    assert answer.status_code == (200 if allowed else 403)
    if not allowed:
        assert answer.json()["message"].startswith("Only a")


def test_the_last_owner_stays(owner: Person, client_of: Callable[[Person], Client]) -> None:
    client = client_of(owner)
    answer = client.patch(f"/api/people/{owner.pk}", {"role": "bench"}, content_type="application/json")
    assert answer.json()["code"] == "last-owner"


def test_a_limits_sheet_is_refused_with_every_fault(
    machinist: Person, client_of: Callable[[Person], Client]
) -> None:
    form = sheet_form().model_dump(mode="json")
    form["sets"][1]["figures"][0]["least"] = "2.0479"
    form["sets"][1]["figures"][2]["least"] = "two thirds"
    form["sets"][0]["figures"][1]["least"] = ""
    form["sets"][0]["steps"][1]["size"] = "25"
    answer = client_of(machinist).post("/api/limits", form, content_type="application/json")
    assert answer.status_code == 422
    assert {f["where"] for f in answer.json()["faults"]} == {
        "rods.size", "rods.taper", "mains.out_of_round", "mains.steps.1",
    }  # fmt: skip


def test_a_sheet_goes_out_as_json_and_csv_and_comes_in_as_the_next_revision(
    limits: SheetRevision, machinist: Person, client_of: Callable[[Person], Client]
) -> None:
    client = client_of(machinist)
    for number, kind in enumerate(("json", "csv"), start=2):
        text = client.get(f"/api/limits/{limits.pk}/limits.{kind}").content.decode()
        answer = client.post(
            "/api/limits/import", {"name": f"a.{kind}", "text": text}, content_type="application/json"
        )
        assert answer.json()["line"]["revision"] == number
        assert answer.json()["form"]["sets"] == client.get(f"/api/limits/{limits.pk}").json()["form"]["sets"]


def test_the_draft_of_a_reading_lands_nothing(
    job: JobRecord, bench: Person, gauge: Gauge, client_of: Callable[[Person], Client]
) -> None:
    client = client_of(bench)
    body = {"part": "R1", "spot": "1a", "typed": "371", "unit": "in", "gauge": gauge.id}
    answer = client.post(f"/api/jobs/{job.pk}/draft", body, content_type="application/json")
    assert answer.json()["text"] == "2.0371 in"
    assert len(kept(job, Reading)) == 0


def test_the_unit_shown_is_the_persons(job: JobRecord, read_all: Any, bench: Person, client_of: Any) -> None:
    read_all()
    client = client_of(bench)
    client.put("/api/session/unit", {"unit": "mm"}, content_type="application/json")
    found = client.get(f"/api/jobs/{job.pk}").json()["assessment"]["parts"][0]
    assert found["size"]["text"] == "61.316"
    assert found["features"][0]["spots"][0]["current"]["typed"] == GOOD_ENGINE["M1"][0]


def test_paper_holds_the_sheet_and_the_card(
    job: JobRecord, read_all: Any, bench: Person, client_of: Callable[[Person], Client]
) -> None:
    """Library: pypdf reads the PDF's text back."""
    read_all(R3=["2.0330", "2.0353", "2.0376", "2.0353"] * 2)
    client = client_of(bench)
    for paper, words in (("sheet", "Rod journals: regrind, 0.010 under"), ("card", "Main journal M5")):
        page = client.get(f"/api/jobs/{job.pk}/{paper}.html")
        assert words in page.content.decode()
        assert f"nonce-{page.content.decode().split('nonce=')[1][1:8]}" in page["Content-Security-Policy"]
        pdf = PdfReader(BytesIO(client.get(f"/api/jobs/{job.pk}/{paper}.pdf").content))
        text = " ".join(sheet.extract_text() for sheet in pdf.pages)
        assert words in " ".join(text.split())


def test_the_rack_searches_sorts_and_archives(
    job: JobRecord, read_all: Any, machinist: Person, client_of: Callable[[Person], Client]
) -> None:
    client = client_of(machinist)
    for title, due in (("Sawmill", "2031-01-02"), ("Pump", "2030-01-02")):
        body = {
            "title": title,
            "due": due,
            "limits_id": job.limits_id,
            "entry_unit": "mm",
            "booked_in": "2029-12-01",
        }
        client.post("/api/jobs", body, content_type="application/json")

    def titles(query: str) -> list[str]:
        return [line["title"] for line in client.get(f"/api/rack{query}").json()["jobs"]]

    assert titles("") == ["Pump", "Sawmill", "Ferry winch"]
    assert titles("?order=number") == ["Pump", "Sawmill", "Ferry winch"]
    assert titles("?search=bramling saw") == ["Sawmill"]
    client.put(f"/api/jobs/{job.pk}/archived", {"archived": True}, content_type="application/json")
    assert titles("") == ["Pump", "Sawmill"]
    assert titles("?archived=true") == ["Ferry winch"]
    assert client.get("/api/rack?page=99").json()["page"] == 1


def test_booking_in_refuses_a_number_that_is_taken(job: JobRecord, bench: Person, client_of: Any) -> None:
    body = {
        "number": job.number,
        "title": "",
        "limits_id": job.limits_id,
        "entry_unit": "in",
        "booked_in": "2031-05-04",
    }
    answer = client_of(bench).post("/api/jobs", body, content_type="application/json")
    assert {fault["where"] for fault in answer.json()["faults"]} == {"number", "title"}


def test_what_is_not_there_is_said(bench: Person, client_of: Callable[[Person], Client]) -> None:
    answer = client_of(bench).get("/api/jobs/999")
    assert (answer.status_code, answer.json()["message"]) == (404, "There is no such job.")


def test_the_summary_can_be_rebuilt(job: JobRecord, read_all: Any) -> None:
    read_all()
    JobRecord.objects.update(taken=0, sets=[], stage="booked in")
    call_command("rebuild_rack", verbosity=0)
    job.refresh_from_db()
    assert (job.taken, job.sets[1]["headline"], job.stage) == (72, "reuse", "deciding")
