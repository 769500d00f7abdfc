"""Printed pages, the key that explains marks and rules, and the kinds of part."""

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Schema
from pydantic import Field

from halfthou.exchange import write_table
from halfthou.jobs import Condition, Moment
from halfthou.parts import CATALOGUE, BoringCard, boring_card_csv
from halfthou.rules import RULES
from halfthou.verdicts import MARKS, Mark
from workshop.bench.shapes import BenchOut
from workshop.bench.work_shapes import CONDITIONS, WORK, WorkOut
from workshop.jobs.actions import looked_at, names_of, open_job, sign
from workshop.jobs.api import bench_answer
from workshop.pages.answers import as_page, as_pdf, as_table, safe_name
from workshop.pages.kinds import KindOut, kind_out
from workshop.pages.labels import LabelForm, code_of, code_text, labels_html, positions_for
from workshop.pages.other_way import other_way_html
from workshop.pages.printing import (
    boring_card_of,
    boring_html,
    card_html,
    filing_html,
    filing_of,
    sheet_html,
)
from workshop.pages.reports import report_html
from workshop.people.api import signed_in
from workshop.people.may import Act, must
from workshop.people.phone import PHONE, codes, host_for_phones
from workshop.people.refusals import NotThere

router = Router(tags=["pages"])
NO_PHONES = (
    "This server speaks to this machine alone, so no phone reaches it. Whoever keeps it starts it with HOST set to "
    "an address of the shop's net."
)


class SignWith(Schema):
    """What is said with a signature: words that answer for what is open of the cause, each by its key."""

    answers: dict[Annotated[str, Field(max_length=300)], Annotated[str, Field(max_length=2000)]] = Field(
        default={}, max_length=200
    )


class LabelsOut(Schema):
    """Labels as they will be printed: how many, and the first one, its code as SVG."""

    count: int
    first: str
    mark: str
    code: str


class CameraIn(Schema):
    """What a phone is to take pictures of: a part or position, a look, a step, or the engine."""

    on: str = Field(max_length=70)


class CameraOut(Schema):
    """The camera page for a phone: its address, as a code too, and until when it is good. Empty, with why, where no
    phone reaches this server."""

    address: str
    code: str
    until: Moment | None
    why_not: str


class RuleOut(Schema):
    """A rule that reasons cite."""

    id: str
    name: str
    source: str


class KeyOut(Schema):
    """The app's key: marks, rules, and what can be done at the bench."""

    marks: list[Mark]
    rules: list[RuleOut]
    work: list[WorkOut]
    conditions: list[Condition]


@router.get("/key", response=KeyOut)
def get_key(request: HttpRequest) -> KeyOut:
    """The key."""
    rules = [RuleOut(id=name, name=rule.name, source=rule.source) for name, rule in RULES.items()]
    return KeyOut(marks=list(MARKS.values()), rules=rules, work=WORK, conditions=CONDITIONS)


@router.get("/kinds", response=list[KindOut])
def get_kinds(request: HttpRequest) -> list[KindOut]:
    """The kinds of part: what is measured where, what is seen, what the limits sheet asks."""
    return [kind_out(kind) for kind in CATALOGUE.all]


@router.get("/jobs/{int:job_id}/sheet.html", include_in_schema=False)
def sheet_page(request: HttpRequest, job_id: int) -> HttpResponse:
    """The decision sheet to print."""
    return as_page(request, sheet_html(open_job(job_id, signed_in(request))))


@router.get("/jobs/{int:job_id}/sheet.pdf", include_in_schema=False)
def sheet_pdf(request: HttpRequest, job_id: int) -> HttpResponse:
    """The decision sheet as PDF."""
    opened = open_job(job_id, signed_in(request))
    return as_pdf(sheet_html(opened), f"decision-sheet-{opened.record.number}.pdf")


@router.get("/jobs/{int:job_id}/card.html", include_in_schema=False)
def card_page(request: HttpRequest, job_id: int) -> HttpResponse:
    """The blank measuring card to print."""
    return as_page(request, card_html(open_job(job_id, signed_in(request))))


@router.get("/jobs/{int:job_id}/card.pdf", include_in_schema=False)
def card_pdf(request: HttpRequest, job_id: int) -> HttpResponse:
    """The blank measuring card as PDF."""
    opened = open_job(job_id, signed_in(request))
    return as_pdf(card_html(opened), f"measuring-card-{opened.record.number}.pdf")


@router.get("/jobs/{int:job_id}/boring.html", include_in_schema=False)
def boring_page(request: HttpRequest, job_id: int) -> HttpResponse:
    """The boring card to print."""
    return as_page(request, boring_html(open_job(job_id, signed_in(request))))


@router.get("/jobs/{int:job_id}/boring.pdf", include_in_schema=False)
def boring_pdf(request: HttpRequest, job_id: int) -> HttpResponse:
    """The boring card as PDF."""
    opened = open_job(job_id, signed_in(request))
    return as_pdf(boring_html(opened), f"boring-card-{opened.record.number}.pdf")


@router.get("/jobs/{int:job_id}/boring.csv", include_in_schema=False)
def boring_csv(request: HttpRequest, job_id: int) -> HttpResponse:
    """The boring card as CSV."""
    opened = open_job(job_id, signed_in(request))
    head, *rows = boring_card_csv(boring_card_of(opened))
    return as_table(write_table(head, rows), f"boring-card-{opened.record.number}.csv")


@router.get("/jobs/{int:job_id}/filing.html", include_in_schema=False)
def filing_page(request: HttpRequest, job_id: int) -> HttpResponse:
    """The ring filing card to print."""
    return as_page(request, filing_html(open_job(job_id, signed_in(request))))


@router.get("/jobs/{int:job_id}/filing.pdf", include_in_schema=False)
def filing_pdf(request: HttpRequest, job_id: int) -> HttpResponse:
    """The ring filing card as PDF."""
    opened = open_job(job_id, signed_in(request))
    return as_pdf(filing_html(opened), f"ring-filing-{opened.record.number}.pdf")


@router.get("/jobs/{int:job_id}/filing.csv", include_in_schema=False)
def filing_csv(request: HttpRequest, job_id: int) -> HttpResponse:
    """The ring filing card as CSV."""
    opened = open_job(job_id, signed_in(request))
    table = filing_of(opened)
    return as_table(write_table(table.columns, table.rows), f"ring-filing-{opened.record.number}.csv")


@router.get("/jobs/{int:job_id}/boring", response=BoringCard)
def get_boring(request: HttpRequest, job_id: int) -> BoringCard:
    """The boring card."""
    return boring_card_of(open_job(job_id, signed_in(request)))


@router.post("/jobs/{int:job_id}/signatures", response=BenchOut)
def sign_sheet(request: HttpRequest, job_id: int, given: SignWith | None = None) -> HttpResponse:
    """Sign the decision sheet; the page for paper is kept as signed. Words answer for what is open of the cause."""
    opened = sign(signed_in(request), job_id, sheet_html, given.answers if given is not None else {})
    return bench_answer(opened)


@router.get("/jobs/{int:job_id}/report.html", include_in_schema=False)
def report_page(request: HttpRequest, job_id: int, number: int | None = None, save: bool = False) -> HttpResponse:
    """A strip report to print, or to keep as one file with its pictures inside."""
    record, job = looked_at(job_id, signed_in(request))
    html = report_html(record, job, number)
    if not save:
        return as_page(request, html)
    response = HttpResponse(html, content_type="text/html")
    response["Content-Disposition"] = f'attachment; filename="strip-report-{safe_name(record.number)}.html"'
    return response


@router.get("/jobs/{int:job_id}/report.pdf", include_in_schema=False)
def report_pdf(request: HttpRequest, job_id: int, number: int | None = None) -> HttpResponse:
    """A strip report as PDF, with its pictures."""
    record, job = looked_at(job_id, signed_in(request))
    return as_pdf(report_html(record, job, number), f"strip-report-{record.number}.pdf")


@router.get("/jobs/{int:job_id}/strip/other-way.html", include_in_schema=False)
def other_way_page(request: HttpRequest, job_id: int) -> HttpResponse:
    """The strip list the other way round, to print."""
    return as_page(request, other_way_html(looked_at(job_id, signed_in(request))[1]))


@router.get("/jobs/{int:job_id}/strip/other-way.pdf", include_in_schema=False)
def other_way_pdf(request: HttpRequest, job_id: int) -> HttpResponse:
    """The strip list the other way round as PDF."""
    record, job = looked_at(job_id, signed_in(request))
    return as_pdf(other_way_html(job), f"other-way-{record.number}.pdf")


@router.get("/jobs/{int:job_id}/labels.html", include_in_schema=False)
def labels_page(request: HttpRequest, job_id: int, form: Query[LabelForm]) -> HttpResponse:
    """Labels for trays and bags, to print."""
    return as_page(request, labels_html(looked_at(job_id, signed_in(request))[1], form))


@router.get("/jobs/{int:job_id}/labels.pdf", include_in_schema=False)
def labels_pdf(request: HttpRequest, job_id: int, form: Query[LabelForm]) -> HttpResponse:
    """Labels for trays and bags as PDF."""
    record, job = looked_at(job_id, signed_in(request))
    return as_pdf(labels_html(job, form), f"labels-{record.number}.pdf")


@router.get("/jobs/{int:job_id}/labels/check", response=LabelsOut)
def check_labels(request: HttpRequest, job_id: int, form: Query[LabelForm]) -> LabelsOut:
    """Whether the labels fit, how many there are, and what the first one's code looks like."""
    _, job = looked_at(job_id, signed_in(request))
    labels_html(job, form)
    places = positions_for(job, form.kinds)
    return LabelsOut(
        count=len(places),
        first=places[0].name,
        mark=places[0].mark,
        code=str(code_of(code_text(job, places[0])).svg),
    )


@router.post("/jobs/{int:job_id}/phone", response=CameraOut)
def open_camera(request: HttpRequest, job_id: int, given: CameraIn) -> CameraOut:
    """A camera page for a phone in the same net: good for one job's pictures for an hour, ended by signing out."""
    person = signed_in(request)
    must(person, Act.READ)
    if given.on not in names_of(open_job(job_id, person).job):
        raise NotThere("no-part", f"This engine has no {given.on} to take a picture of.")
    host = host_for_phones(request.get_host())
    if host is None:
        return CameraOut(address="", code="", until=None, why_not=NO_PHONES)
    code, camera = codes.make(person.pk, job_id, given.on)
    address = f"{request.scheme}://{host}{PHONE}{code}"
    return CameraOut(address=address, code=code_of(address).svg, until=camera.until, why_not="")
