"""A picture from the phone. Source: common practice, no source: who holds the code may take pictures of one job,
for an hour, and while whoever made it is signed in."""

from __future__ import annotations

import io
import re
from datetime import timedelta
from typing import Any

import pypdfium2
import pytest
import zxingcpp
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone
from PIL import Image
from weasyprint import HTML

from halfthou.jobs import Picture
from tests.workshop.conftest import kept
from workshop.people.models import Person
from workshop.people.phone import codes, host_for_phones
from workshop.record.models import JobRecord

pytestmark = pytest.mark.django_db


def camera(client: Client, job: JobRecord, on: str = "R1", host: str = "shop.test") -> dict[str, Any]:
    asked = client.post(f"/api/jobs/{job.pk}/phone", {"on": on}, "application/json", headers={"host": host})
    assert asked.status_code == 200, asked.content
    found: dict[str, Any] = asked.json()
    return found


@pytest.fixture
def signed_in(client: Client, bench: Person, settings: Any) -> Client:
    settings.ALLOWED_HOSTS = ["shop.test", "127.0.0.1"]
    client.force_login(bench)
    return client


def photo() -> SimpleUploadedFile:
    out = io.BytesIO()
    Image.linear_gradient("L").save(out, "JPEG")
    return SimpleUploadedFile("a.jpg", out.getvalue(), "image/jpeg")


def test_a_phone_that_is_not_signed_in_takes_pictures_by_the_code(signed_in: Client, job: JobRecord) -> None:
    made = camera(signed_in, job)
    path = made["address"].removeprefix("http://shop.test")
    phone = Client(headers={"host": "shop.test"})
    answer = phone.get(path)
    page = answer.content.decode()
    (nonce,) = re.findall(r'<style nonce="([^"]+)"', page)
    assert f"'nonce-{nonce}'" in answer["Content-Security-Policy"]
    assert 'capture="environment"' in page
    assert job.number in page
    assert "Northgate" not in page
    assert "1 picture taken" in phone.post(path, {"file": photo()}).content.decode()
    (picture,) = kept(job, Picture)
    assert (picture.on, picture.by) == ("R1", "bench")
    assert phone.post(path, {}).status_code == 400
    assert phone.post(path, {"file": SimpleUploadedFile("a.jpg", b"no picture")}).status_code == 400
    assert phone.get("/api/rack").status_code == 401


def test_the_code_says_the_address(signed_in: Client, job: JobRecord) -> None:
    """ISO/IEC 18004. Outside: zxing-cpp reads the page that weasyprint prints and pypdfium2 draws."""
    made = camera(signed_in, job)
    page = pypdfium2.PdfDocument(HTML(string=f'<div style="width: 6cm">{made["code"]}</div>').write_pdf())[0]
    assert [one.text for one in zxingcpp.read_barcodes(page.render(scale=3).to_pil())] == [made["address"]]


def test_it_ends_after_an_hour_and_with_the_session(signed_in: Client, job: JobRecord, monkeypatch: Any) -> None:
    phone = Client(headers={"host": "shop.test"})
    first = camera(signed_in, job)["address"].removeprefix("http://shop.test")
    later = timezone.now() + timedelta(minutes=61)
    with monkeypatch.context() as then:
        then.setattr("workshop.people.phone.timezone.now", lambda: later)
        gone = phone.get(first)
    assert gone.status_code == 404
    assert "Make a new one" in gone.content.decode()
    second = camera(signed_in, job)["address"].removeprefix("http://shop.test")
    assert phone.get(second).status_code == 200
    signed_in.delete("/api/session", headers={"host": "shop.test"})
    assert phone.post(second, {"file": photo()}).status_code == 404
    assert kept(job, Picture) == []


def test_where_the_server_speaks_to_this_machine_alone_that_is_said(signed_in: Client, job: JobRecord) -> None:
    made = camera(signed_in, job, host="127.0.0.1")
    assert made["address"] == ""
    assert "this machine alone" in made["why_not"]


def test_the_address_is_one_that_a_phone_reaches(settings: Any) -> None:
    """RFC 1918 addresses stand for the shop's net, 127.0.0.0/8 and ::1 for this machine."""
    settings.ALLOWED_HOSTS = ["127.0.0.1", "localhost", "[::1]", "bench-pc", "192.168.4.20", "fe80::1"]
    assert host_for_phones("127.0.0.1:8000") == "192.168.4.20:8000"
    assert host_for_phones("localhost") == "192.168.4.20"
    assert host_for_phones("bench-pc:8000") == "bench-pc:8000"
    assert host_for_phones("[::1]:8000") == "192.168.4.20:8000"
    settings.ALLOWED_HOSTS = ["127.0.0.1", "localhost"]
    assert host_for_phones("localhost:8000") is None


def test_so_many_codes_and_no_more(bench: Person) -> None:
    first, _ = codes.make(bench.pk, 1, "engine")
    for _ in range(500):
        codes.make(bench.pk, 1, "engine")
    assert codes.known(first) is None
    codes.end(bench.pk)
