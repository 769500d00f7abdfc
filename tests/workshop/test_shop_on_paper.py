"""The shop's name, address and picture on paper: on every print, and as they stood when signed or sent."""

from __future__ import annotations

import base64
import io
from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import CommandError, call_command
from django.test import Client
from django.utils import timezone
from PIL import Image

from tests.workshop.test_evidence import decide_all
from workshop.jobs import actions
from workshop.pages.printing import sheet_html
from workshop.people.models import Person, Role
from workshop.record.models import JobRecord

ADDRESS = "/api/shop"
PRINTS = ("sheet.html", "card.html", "report.html", "labels.html?kinds=piston")


def keep(client: Client, name: str, address: str = "2 Alder Quay", version: int = 0) -> Any:
    body = {"name": name, "address": address, "version": version}
    return client.put(ADDRESS, body, content_type="application/json")


def clear_mark() -> SimpleUploadedFile:
    """A mark on a ground that one sees through, as marks are kept."""
    picture = Image.new("RGBA", (64, 32), (0, 0, 0, 0))
    picture.paste((22, 38, 58, 255), (8, 8, 24, 24))
    out = io.BytesIO()
    picture.save(out, "PNG")
    return SimpleUploadedFile("mark.png", out.getvalue(), "image/png")


@pytest.fixture
def owners(client_of: Callable[[Person], Client], owner: Person) -> Client:
    return client_of(owner)


def test_only_the_owner_says_whose_paper_it_is(
    owners: Client, bench: Person, client_of: Callable[[Person], Client]
) -> None:
    assert keep(client_of(bench), "Mine").status_code == 403
    assert client_of(bench).post(f"{ADDRESS}/picture", {"file": clear_mark()}).status_code == 403
    kept = keep(owners, "  Alder Quay   Engine Works ").json()
    assert kept["name"] == "Alder Quay Engine Works"
    assert client_of(bench).get(ADDRESS).json()["name"] == "Alder Quay Engine Works"
    assert keep(owners, "Another").status_code == 409
    assert keep(owners, " ", version=kept["version"]).json()["faults"][0]["where"] == "name"
    long = "\n".join("line" for _ in range(9))
    assert keep(owners, "Alder Quay", long, kept["version"]).json()["faults"][0]["where"] == "address"


def test_every_print_stands_under_the_shop(job: JobRecord, owners: Client) -> None:
    keep(owners, "Alder Quay Engine Works")
    for one in PRINTS:
        assert b"Alder Quay Engine Works" in owners.get(f"/api/jobs/{job.pk}/{one}").content, one


def test_a_mark_one_sees_through_lies_on_white(owners: Client) -> None:
    """Paper is white: what is clear in a mark must not come out black. Common practice, no source."""
    keep(owners, "Alder Quay Engine Works")
    picture = owners.post(f"{ADDRESS}/picture", {"file": clear_mark()}).json()["picture"]
    head, _, data = picture.partition(",")
    assert head == "data:image/jpeg;base64"
    shown = Image.open(io.BytesIO(base64.b64decode(data)))
    assert min(shown.getpixel((60, 28))) > 240  # type: ignore[arg-type]
    none = SimpleUploadedFile("notes.txt", b"no picture", "text/plain")
    assert owners.post(f"{ADDRESS}/picture", {"file": none}).status_code == 422
    assert owners.delete(f"{ADDRESS}/picture").json()["picture"] == ""


def test_what_was_signed_or_sent_keeps_the_head_it_had(
    job: JobRecord, owners: Client, read_all: Any, machinist: Person
) -> None:
    read_all()
    keep(owners, "Alder Quay Engine Works")
    report = actions.SendingReport(id="r", answer_by=date(2031, 5, 9), at=timezone.now())
    actions.land_facts(machinist, job.pk, [report])
    decide_all(machinist, job)
    actions.sign(machinist, job.pk, sheet_html)
    version = owners.get(ADDRESS).json()["version"]
    assert keep(owners, "Quay and Sons", version=version).status_code == 200
    sheet = owners.get(f"/api/jobs/{job.pk}/sheet.html").content
    sent = owners.get(f"/api/jobs/{job.pk}/report.html?number=1").content
    draft = owners.get(f"/api/jobs/{job.pk}/report.html").content
    assert b"Alder Quay Engine Works" in sheet
    assert b"Quay and Sons" not in sheet
    assert b"Alder Quay Engine Works" in sent
    assert b"by 9 May 2031" in sent
    assert b"Quay and Sons" in draft


def test_the_first_owner_types_the_password_twice(db: None, monkeypatch: pytest.MonkeyPatch) -> None:
    typed = iter(["scribed-line-42", "scribed-line-43", "scribed-line-42", "scribed-line-42"])
    monkeypatch.setattr("workshop.people.management.commands.open_owner.getpass", lambda _: next(typed))
    with pytest.raises(CommandError, match="not the same"):
        call_command("open_owner", "ada")
    assert not Person.objects.filter(username="ada").exists()
    call_command("open_owner", "ada")
    assert Person.objects.get(username="ada").role == Role.OWNER
