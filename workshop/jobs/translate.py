"""Rows of the database to the core's documents, and back."""

from typing import Any

from halfthou.jobs import (
    Decision,
    DecisionKind,
    Gauge,
    HouseRules,
    Job,
    JobFile,
    JournalSet,
    LimitsSheet,
    Look,
    Observation,
    Plan,
    Reading,
    Signature,
    Withdrawal,
)
from halfthou.lengths import Length, Unit
from workshop.gauges.actions import cabinet, gauges_by_key
from workshop.house.actions import rules_in_force
from workshop.jobs.models import DecisionRecord, JobRecord, ObservationRecord, ReadingRecord, SignatureRecord


def sheet_of_job(record: JobRecord) -> LimitsSheet:
    """The limits a job is judged by: frozen at its signing or import, else its revision as it stands."""
    if record.frozen_limits is not None:
        return LimitsSheet.model_validate(record.frozen_limits)
    if record.limits is None:
        raise ValueError(f"job {record.number} has no limits")
    return LimitsSheet.model_validate(record.limits.document)


def plan_of(document: dict[str, Any]) -> Plan:
    """A measuring plan from its row."""
    return Plan.model_validate(document)


_READING_COLUMNS = ("key", "journal", "spot", "nm", "typed", "unit", "gauge", "by", "at", "corrects")


def reading_of(row: ReadingRecord | Any) -> Reading:
    """A reading from its row, or from the columns of one."""
    return Reading(
        id=row.key,
        journal=row.journal,
        spot=row.spot,
        size=Length(row.nm),
        typed=row.typed,
        unit=Unit(row.unit),
        gauge=row.gauge,
        by=row.by,
        at=row.at,
        corrects=row.corrects or None,
    )


def observation_of(row: ObservationRecord) -> Observation:
    """An observation from its row."""
    return Observation(
        id=row.key,
        on=row.on,
        look=Look(row.look),
        answer=row.answer,
        depth=None if row.depth_nm is None else Length(row.depth_nm),
        typed=row.typed,
        spot=row.spot or None,
        by=row.by,
        at=row.at,
    )


def gauges_of(record: JobRecord, used: set[str]) -> tuple[Gauge, ...]:
    """The gauges a job can be read with: those in use, those its readings name, those it came with."""
    found = {gauge.id: gauge for gauge in cabinet()}
    own = {gauge.id: gauge for gauge in (Gauge.model_validate(document) for document in record.own_gauges)}
    missing = used - found.keys() - own.keys()
    if missing:
        found.update({gauge.id: gauge for gauge in gauges_by_key(missing)})
    return tuple({**found, **own}.values())


def job_of(record: JobRecord, shown_in: Unit) -> Job:
    """The whole job as the core's document, to be spoken of in one unit."""
    rows = record.readings.order_by("pk").values_list(*_READING_COLUMNS, named=True)
    readings = tuple(reading_of(row) for row in rows.iterator())
    rules = record.frozen_house_rules
    return Job(
        number=record.number,
        title=record.title,
        customer=record.customer,
        complaint=record.complaint,
        booked_in=record.booked_in,
        due=record.due,
        shown_in=shown_in,
        limits=sheet_of_job(record),
        house_rules=HouseRules.model_validate(rules) if rules else rules_in_force(),
        gauges=gauges_of(record, {reading.gauge for reading in readings}),
        mains_plan=plan_of(record.mains_plan),
        rods_plan=plan_of(record.rods_plan),
        readings=readings,
        withdrawals=tuple(
            Withdrawal(id=row.key, reading=row.reading, by=row.by, at=row.at)
            for row in record.withdrawals.order_by("pk")
        ),
        observations=tuple(observation_of(row) for row in record.observations.order_by("pk")),
    )


def decision_of(row: DecisionRecord) -> Decision:
    """A decision from its row."""
    return Decision(
        id=row.key,
        kind=DecisionKind(row.kind),
        set=JournalSet(row.set),
        journal=row.journal or None,
        action=row.action,
        undersize=None if row.undersize_nm is None else Length(row.undersize_nm),
        words=row.words,
        reason=row.reason,
        by=row.by,
        at=row.at,
    )


def signature_of(row: SignatureRecord) -> Signature:
    """A signature from its row."""
    return Signature(
        revision=row.revision,
        by=row.by,
        at=row.at,
        withdrawn_by=row.withdrawn_by,
        withdrawn_at=None if row.withdrawn_at is None else row.withdrawn_at,
        made_elsewhere=row.made_elsewhere,
        sheet=row.sheet,
    )


def job_file_of(record: JobRecord) -> JobFile:
    """The whole job as a file, in its own entry unit, with the gauges its readings were taken with."""
    job = job_of(record, Unit(record.entry_unit))
    used = {reading.gauge for reading in job.readings}
    kept = tuple(gauge for gauge in job.gauges if gauge.id in used) or job.gauges[:1]
    return JobFile(
        job=job.model_copy(update={"gauges": kept}),
        decisions=tuple(decision_of(row) for row in record.decisions.order_by("pk")),
        signatures=tuple(signature_of(row) for row in record.signatures.order_by("revision")),
    )
