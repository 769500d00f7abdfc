"""The ways on for a crank's journals and its grinder's card, over HTTP, on paper and as a table."""

from django.http import HttpRequest, HttpResponse
from ninja import Router

from halfthou.exchange import write_table
from halfthou.report import GrindingCard, WaysShown
from workshop.jobs.actions import open_job
from workshop.pages.answers import as_page, as_pdf, as_table
from workshop.pages.crank import grinding_card_of, grinding_html, ways_of
from workshop.people.api import signed_in

router = Router(tags=["crank"])


@router.get("/jobs/{int:job_id}/ways", response=list[WaysShown])
def get_ways(request: HttpRequest, job_id: int) -> list[WaysShown]:
    """The ways on for the mains and the rod journals, side by side."""
    return ways_of(open_job(job_id, signed_in(request)))


@router.get("/jobs/{int:job_id}/grinding", response=GrindingCard)
def get_grinding(request: HttpRequest, job_id: int) -> GrindingCard:
    """The grinder's card."""
    return grinding_card_of(open_job(job_id, signed_in(request)))


@router.get("/jobs/{int:job_id}/grinding.html", include_in_schema=False)
def grinding_page(request: HttpRequest, job_id: int) -> HttpResponse:
    """The grinder's card to print."""
    return as_page(request, grinding_html(open_job(job_id, signed_in(request))))


@router.get("/jobs/{int:job_id}/grinding.pdf", include_in_schema=False)
def grinding_pdf(request: HttpRequest, job_id: int) -> HttpResponse:
    """The grinder's card as PDF."""
    opened = open_job(job_id, signed_in(request))
    return as_pdf(grinding_html(opened), f"grinding-card-{opened.record.number}.pdf")


@router.get("/jobs/{int:job_id}/grinding.csv", include_in_schema=False)
def grinding_csv(request: HttpRequest, job_id: int) -> HttpResponse:
    """The grinder's card as CSV."""
    opened = open_job(job_id, signed_in(request))
    head, rows = grinding_card_of(opened).rows
    return as_table(write_table(head, rows), f"grinding-card-{opened.record.number}.csv")
