"""Labels: every code is read back by an independent reader, from the page and from the PDF as it is printed."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pypdfium2
import pytest
import zxingcpp
from django.test import Client

from halfthou.jobs import Layout
from halfthou.strip import places_off
from workshop.people.models import Person
from workshop.record.models import JobRecord

A4_MM, MM_PER_POINT = (210.0, 297.0), 25.4 / 72
SMALLEST = {"roll": "true", "width": "40", "height": "20"}


def get(client: Client, job: JobRecord, end: str = "pdf", **form: str) -> Any:
    return client.get(f"/api/jobs/{job.pk}/labels.{end}", form)


@pytest.mark.parametrize(
    ("form", "page_mm"),
    [
        ({"kinds": "rod,rod cap,half bearing"}, A4_MM),
        ({"kinds": "rod cap", "columns": "2", "rows": "5", "width": "99", "height": "57"}, A4_MM),
        ({"kinds": "rod cap,main cap", "roll": "true", "width": "57", "height": "32"}, (57, 32)),
        ({"kinds": "piston", "roll": "true", "width": "40", "height": "20"}, (40, 20)),
    ],
)
def test_every_code_of_the_pdf_says_its_own_position(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client], form: dict[str, str], page_mm: Any
) -> None:
    """Outside: zxing-cpp 3.1 reads each page that pypdfium2 5.15 draws at 200 dots to the inch, as a printer
    would."""
    answer = get(client_of(bench), job, **form)
    assert answer["Content-Type"] == "application/pdf"
    document = pypdfium2.PdfDocument(answer.content)
    said: list[str] = []
    for page in document:
        size = tuple(side * MM_PER_POINT for side in page.get_size())
        assert size == pytest.approx(page_mm, abs=0.1)
        found = zxingcpp.read_barcodes(page.render(scale=200 / 72).to_pil())
        said += [code.text for code in found]
    kinds = form["kinds"].split(",")
    layout = job.limits.document["layout"]  # type: ignore[union-attr]
    wanted = [one.id for one in places_off(Layout.model_validate(layout)).values() if one.kind in kinds]
    assert sorted(said) == sorted(f"HALF THOU {job.number} {key}" for key in wanted)


def test_labels_used_already_are_left_out_of_the_first_sheet(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client]
) -> None:
    plain, skipped = (
        pypdfium2.PdfDocument(get(client_of(bench), job, kinds="rod,rod cap,piston,main cap", skip=skip).content)
        for skip in ("0", "10")
    )
    assert (len(plain), len(skipped)) == (1, 2)


@pytest.mark.parametrize(
    ("form", "where"),
    [
        ({"width": "10"}, "width"), ({"height": "5"}, "height"), ({"columns": "4"}, "columns"),
        ({"rows": "9"}, "rows"),
        ({"roll": "true", "width": "20", "height": "14"}, "height"),
        ({"roll": "true", "width": "300"}, "width"), ({"kinds": "turbine"}, ""),
    ],
)  # fmt: skip
def test_a_size_that_does_not_fit_is_refused_in_words(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client], form: dict[str, str], where: str
) -> None:
    answer = get(client_of(bench), job, **form)
    assert answer.status_code == 422
    faults = [fault["where"] for fault in answer.json()["faults"]]
    assert (where in faults) if where else (faults == [])


def test_a_label_bears_the_mark_that_was_given(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client]
) -> None:
    page = get(client_of(bench), job, "html", kinds="main cap", **SMALLEST).content.decode()
    assert "Cap of main 1" in page
    assert "M1" in page
    check = client_of(bench).get(f"/api/jobs/{job.pk}/labels/check", {"kinds": "main cap"}).json()
    assert check["count"] == 5
    assert check["first"] == "Cap of main 1"
