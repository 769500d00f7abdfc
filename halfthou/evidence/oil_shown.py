"""Oil reports as the screen is told of them."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime

from halfthou.evidence.oil_report import FIGURES, counts
from halfthou.evidence.oil_says import says_of
from halfthou.jobs import Document, Drawn, Job, OilReport


class OilFigureShown(Document):
    """A figure of an oil report, and what it says or why it says nothing; `counts` says whether it may prove
    anything, as the sample was drawn."""

    name: str
    words: str
    counts: bool
    says: str


class OilReportShown(Document):
    """An oil report."""

    fact: str
    sample: str
    drawn: Drawn
    figures: tuple[OilFigureShown, ...]
    lab: str
    by: str
    at: datetime
    mistrusted: bool


class OilKnown(Document):
    """A figure that an oil report may hold, and its units."""

    key: str
    name: str
    units: tuple[str, ...]


OIL_KNOWN = tuple(OilKnown(key=key, name=known.name, units=tuple(known.units)) for key, known in FIGURES.items())


def oil_shown(job: Job, mistrusted: frozenset[str]) -> Iterator[OilReportShown]:
    """The oil reports of a job, each figure with what it says."""
    for report in job.standing(job.oil_reports):
        yield OilReportShown(
            fact=report.id,
            sample=report.sample,
            drawn=report.drawn,
            figures=tuple(_figures(report)),
            lab=report.lab,
            by=report.by,
            at=report.at,
            mistrusted=report.id in mistrusted,
        )


def _figures(report: OilReport) -> Iterator[OilFigureShown]:
    says = says_of(report)
    for figure in report.figures:
        name = FIGURES[figure.key].name if figure.key in FIGURES else figure.key
        usual = f", usual {figure.usual:g}" if figure.usual is not None else ""
        words = f"{figure.value:g} {figure.unit}{usual}"
        yield OilFigureShown(name=name, words=words, counts=counts(report, figure.key), says=says[figure.key])
