"""The evidence over HTTP: the board, the strip report, and what is known of causes. Facts land by the one door."""

from datetime import datetime

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema

from halfthou.assess import assess, evidence_standing
from halfthou.causes import CAUSES, SIGNS, Against, Cause, Strength
from halfthou.evidence import CustomerReport, EvidenceBoard, Sent, customer_report, evidence_board, read_report
from halfthou.jobs import Job
from halfthou.lengths import Unit
from halfthou.words import WASHING
from workshop.house.shop import shop_in_force
from workshop.jobs import actions
from workshop.people.api import signed_in
from workshop.people.refusals import NotThere
from workshop.record.kept import kept

router = Router(tags=["evidence"])


class CauseKnown(Schema):
    """A cause as it is known: what it leaves, what it makes of other parts, what speaks against it and settles
    it."""

    key: str
    name: str
    leaves: list[str]
    makes: list[str]
    against: list[str]
    settled: str
    remedy: str


class ReportSent(Schema):
    """A report that was sent: when, by whom, and what it says. `withdrawn` are pictures taken back since."""

    report: CustomerReport
    by: str
    at: datetime | None
    withdrawn: list[str]


class ReportsOut(Schema):
    """The report as it would be sent now, and those that were sent."""

    draft: CustomerReport
    sent: list[ReportSent]


@router.get("/jobs/{int:job_id}/evidence", response=EvidenceBoard)
def get_evidence(request: HttpRequest, job_id: int) -> HttpResponse:
    """The evidence of one job: the map, the oil's way, looks, causes, what metal went through."""
    _, job = actions.looked_at(job_id, signed_in(request))
    board = evidence_board(evidence_standing(job, kept(job_id, job.shown_in).memo), (WASHING,))
    return HttpResponse(board.model_dump_json(), content_type="application/json")


@router.get("/jobs/{int:job_id}/report", response=ReportsOut)
def get_report(request: HttpRequest, job_id: int) -> ReportsOut:
    """The strip report as it stands, in the job's own unit, and those that were sent."""
    record, job = actions.looked_at(job_id, signed_in(request))
    own = job.model_copy(update={"shown_in": Unit(record.entry_unit)})
    draft = customer_report(evidence_standing(own), assess(own), Sent(shop=shop_in_force()))
    return ReportsOut(draft=draft, sent=[sent_of(job, one.number) for one in reversed(job.reports)])


def sent_of(job: Job, number: int) -> ReportSent:
    """A report that was sent. Refuses: NotThere."""
    found = next((one for one in job.reports if one.number == number), None)
    if found is None:
        raise NotThere("no-report", f"No report {number} was sent.")
    report = read_report(found.content)
    standing = {one.id for one in job.standing(job.pictures)}
    gone = [one for one in report.pictures if one not in standing]
    return ReportSent(report=report, by=found.by, at=found.at, withdrawn=gone)


_HOW = {Strength.PROVES: "nearly proves it", Strength.SPEAKS: "speaks for it", Strength.FITS: "fits"}
_AGAINST = {Against.RULES_OUT: "rules it out", Against.SPEAKS: "speaks against it", Against.HARDLY: "hardly fits"}


@router.get("/causes", response=list[CauseKnown])
def get_causes(request: HttpRequest) -> list[CauseKnown]:
    """What is known of causes."""
    signed_in(request)
    return [_known(cause) for cause in CAUSES.values()]


def _known(cause: Cause) -> CauseKnown:
    leaves = sorted(cause.leaves.items(), key=lambda pair: -pair[1])
    against = sorted(cause.against.items(), key=lambda pair: -pair[1])
    return CauseKnown(
        key=cause.key,
        name=cause.name,
        leaves=[f"{SIGNS[sign].words}: {_HOW[strength]}" for sign, strength in leaves],
        makes=[SIGNS[sign].words for sign in cause.makes] + [CAUSES[other].name for other in cause.brings],
        against=[f"{SIGNS[sign].words}: {_AGAINST[how]}" for sign, how in against],
        settled=cause.settled,
        remedy=cause.remedy,
    )
