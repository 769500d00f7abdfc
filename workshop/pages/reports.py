"""The strip report on paper: one page with its pictures inside, to print, as PDF, and as one HTML file."""

from __future__ import annotations

import base64
from typing import Any

from halfthou.assess import assess, evidence_standing
from halfthou.evidence import CustomerReport, ReportFinding, customer_report
from halfthou.jobs import Job
from halfthou.lengths import UNIT_WORDS, Unit
from workshop.house.shop import shop_in_force
from workshop.jobs.evidence_api import sent_of
from workshop.pages.on_paper import on_paper
from workshop.record.models import JobRecord
from workshop.record.pictures import content_of

#: So many pictures of one finding stand side by side on paper.
MOST_SIDE_BY_SIDE = 3


def report_html(record: JobRecord, job: Job, number: int | None) -> str:
    """A strip report with its pictures inside: one that was sent, or (number None) as it would be sent now.

    Refuses: NotThere where no such report was sent.
    """
    if number is None:
        own = job.model_copy(update={"shown_in": Unit(record.entry_unit)})
        report, by, at, gone = customer_report(evidence_standing(own), assess(own)), "", None, set()
    else:
        sent = sent_of(job, number)
        report, by, at, gone = sent.report, sent.by, sent.at, set(sent.withdrawn)
    kinds = {one.id: one.kind for one in job.pictures}
    files = {
        fact: _inside(sha, str(kinds[fact]))
        for fact, sha in report.pictures.items()
        if fact in kinds and fact not in gone
    }
    context = {
        "report": report,
        "by": by,
        "at": at,
        "unit": UNIT_WORDS[Unit(report.unit)],
        "findings": [_shown(one, files, gone) for one in report.findings],
        "cause": _cause(report),
    }
    return on_paper("pages/report.html", context, report.shop if at is not None else shop_in_force())


def _shown(finding: ReportFinding, files: dict[str, str], gone: set[str]) -> dict[str, Any]:
    own = [files[one] for one in finding.pictures if files.get(one)]
    sound = [files[one] for one in finding.sound_pictures if files.get(one)]
    return {
        "said": finding,
        "pictures": own[:MOST_SIDE_BY_SIDE],
        "sound": sound[:1] if own else [],
        "withdrawn": sum(one in gone for one in finding.pictures),
    }


def _cause(report: CustomerReport) -> list[tuple[str, tuple[str, ...]]]:
    return [("Known", report.known), ("Likely or possible", report.likely), ("Open", report.open)]


def _inside(sha: str, kind: str) -> str:
    """A picture's small copy as data, so that the page holds it; "" where its file is not here."""
    content = content_of(sha, kind, small=True)  # type: ignore[arg-type]
    return f"data:image/jpeg;base64,{base64.b64encode(content).decode()}" if content is not None else ""
