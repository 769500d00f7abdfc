"""Facts of the evidence land: oil reports, the oil's way, what is mistrusted."""

from typing import Literal

from ninja import Schema
from pydantic import Field

from halfthou.evidence import FIGURES, fault_of_report, faults_of_way
from halfthou.exchange import Fault
from halfthou.jobs import Drawn, Fact, FactId, Job, Mistrust, Moment, OilFigure, OilReport, OilWaySaid
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one
from workshop.record.opened import Opened


class FigureReported(Schema):
    """One figure of an oil report as typed. `sample` is whose it is, where the report says so beside it."""

    key: str = Field(max_length=40)
    value: str = Field(max_length=40)
    unit: str = Field(max_length=20)
    usual: str = Field(default="", max_length=40)
    sample: str = Field(default="", max_length=60)


class Reporting(Schema):
    """A report on one sample of oil."""

    fact: Literal["oil report"] = "oil report"
    id: FactId
    sample: str = Field(max_length=60)
    drawn: Drawn
    figures: list[FigureReported] = Field(max_length=40)
    lab: str = Field(default="", max_length=200)
    at: Moment


class SayingWay(Schema):
    """How the oil runs in this engine."""

    fact: Literal["oil way"] = "oil way"
    id: FactId
    from_rear: bool = False
    feeds: dict[str, tuple[str, ...]] = {}
    extras: list[str] = Field(default=[], max_length=30)
    source: str = Field(default="", max_length=200)
    at: Moment


class Mistrusting(Schema):
    """A look or reading that is mistrusted, and why."""

    fact: Literal["mistrust"] = "mistrust"
    id: FactId
    of: str = Field(max_length=80)
    reason: str = Field(max_length=200)
    at: Moment


def report_oil(person: Person, job_id: int, given: Reporting) -> Opened:
    """Write an oil report down. Refuses: Refusal where a unit is not known, or figures are of two samples."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        report = fact_from(OilReport, person, given, sample=given.sample.strip() or "1", figures=_figures(given))
        faults = [Fault(where, what) for where, what in fault_of_report(report)]
        for other in job.standing(job.oil_reports):
            if other.sample == report.sample and other.drawn is not report.drawn:
                words = (
                    f"Sample {other.sample} was said to be drawn {other.drawn.value}. One sample is drawn one way."
                )
                faults.append(Fault("drawn", words))
        if faults:
            raise Refusal("bad-report", "The report was not written down. Mend what is marked.", faults)
        return [report]

    return land_one(person, job_id, given, ("drawn", "lab"), make)


def _figures(given: Reporting) -> tuple[OilFigure, ...]:
    faults, found, own = [], [], given.sample.strip() or "1"
    for one in given.figures:
        name = FIGURES[one.key].name if one.key in FIGURES else one.key
        if one.sample.strip() and one.sample.strip() != own:
            words = (
                f"{name} is of sample {one.sample.strip()}, the report of {own}. Write each sample down by itself."
            )
            faults.append(Fault(one.key, words))
        value, usual = _number(one.value), _number(one.usual) if one.usual.strip() else None
        if value is None or (one.usual.strip() and usual is None):
            faults.append(Fault(one.key, f"{name}: “{one.value}” is no figure."))
            continue
        found.append(OilFigure(key=one.key, value=value, unit=one.unit.strip() or "-", usual=usual))
    if not found and not faults:
        faults.append(Fault("figures", "Give at least one figure."))
    if faults:
        raise Refusal("bad-report", "The report was not written down. Mend what is marked.", faults)
    return tuple(found)


def _number(text: str) -> float | None:
    try:
        value = float(text.strip().replace(",", "."))
    except ValueError:
        return None
    return value if 0 <= value <= 1_000_000 else None


def say_way(person: Person, job_id: int, given: SayingWay) -> Opened:
    """Say how the oil runs. Refuses: Refusal where the engine has no such main or pin."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        said = fact_from(OilWaySaid, person, given, extras=tuple(dict.fromkeys(given.extras)))
        faults = [Fault("way", fault) for fault in faults_of_way(said, job.limits.layout)]
        if faults:
            raise Refusal("bad-way", "The oil's way was not changed. Mend what is marked.", faults)
        return [said]

    return land_one(person, job_id, given, ("from_rear",), make)


def mistrust(person: Person, job_id: int, given: Mistrusting) -> Opened:
    """Mistrust a look or a report, with a reason: it proves nothing until that is taken back."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        reason = given.reason.strip()
        if not reason:
            raise Refusal("no-reason", "Say why it is mistrusted.", [Fault("reason", "Say why it is mistrusted.")])
        if given.of not in {fact.id for held, fact in job.facts if held.kind.proves}:
            raise NotThere("no-fact", "That is not there to mistrust.")
        if any(one.of == given.of for one in job.standing(job.mistrusts)):
            raise Clash("mistrusted", "It is mistrusted already.")
        said = fact_from(Mistrust, person, given, reason=reason)
        return [said]

    return land_one(person, job_id, given, ("of",), make)


#: What is reported here, and how it lands.
WAYS: Ways = {Reporting: report_oil, SayingWay: say_way, Mistrusting: mistrust}
