"""Rows of the database to the core's documents, and back."""

from typing import Any

from halfthou.gauges import SAME_DAY
from halfthou.jobs import (
    Condition,
    Decision,
    DecisionKind,
    Feature,
    Gauge,
    HouseRules,
    Job,
    JobFile,
    JournalSet,
    LimitsSheet,
    Look,
    Observation,
    Operation,
    OperationKind,
    Plan,
    Reading,
    SettingCheck,
    Signature,
    Sitting,
    SlipAnswer,
    Waived,
    Withdrawal,
)
from halfthou.lengths import Length, Unit
from workshop.gauges.actions import cabinet, checks_since, gauges_by_key
from workshop.house.actions import rules_in_force
from workshop.jobs.models import (
    DecisionRecord,
    JobRecord,
    ObservationRecord,
    OperationRecord,
    ReadingRecord,
    SignatureRecord,
    SittingRecord,
    SlipAnswerRecord,
)


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


#: So many gauges of the cabinet, and setting checks of them, travel with a job at the most.
MOST_OF_CABINET, MOST_CHECKS = 1_000, 10_000

_READING_COLUMNS = (
    "key", "journal", "feature", "spot", "nm", "typed", "unit", "gauge", "angle_deg", "planes", "by", "at",
    "corrects", "repeats", "sitting", "caps_torqued", "plate_fitted", "cleaned", "meant", "by_button",
)  # fmt: skip


def reading_of(row: ReadingRecord | Any) -> Reading:
    """A reading from its row, or from the columns of one."""
    return Reading(
        id=row.key,
        journal=row.journal,
        feature=Feature(row.feature),
        spot=row.spot,
        size=Length(row.nm),
        typed=row.typed,
        unit=Unit(row.unit),
        gauge=row.gauge,
        angle_deg=row.angle_deg,
        planes=row.planes,
        by=row.by,
        at=row.at,
        corrects=row.corrects or None,
        repeats=row.repeats or None,
        sitting=row.sitting or None,
        caps_torqued=row.caps_torqued,
        plate_fitted=row.plate_fitted,
        cleaned=row.cleaned,
        meant=row.meant,
        by_button=row.by_button,
    )


def reading_row(record: JobRecord, reading: Reading) -> ReadingRecord:
    """The row of a reading."""
    return ReadingRecord(
        job=record,
        key=reading.id,
        journal=reading.journal,
        feature=reading.feature.value,
        spot=reading.spot,
        nm=reading.size.nm,
        typed=reading.typed,
        unit=reading.unit.value,
        gauge=reading.gauge,
        angle_deg=reading.angle_deg,
        planes=reading.planes,
        by=reading.by,
        at=reading.at,
        corrects=reading.corrects or "",
        repeats=reading.repeats or "",
        sitting=reading.sitting or "",
        caps_torqued=reading.caps_torqued,
        plate_fitted=reading.plate_fitted,
        cleaned=reading.cleaned,
        meant=reading.meant,
        by_button=reading.by_button,
    )


def sitting_of(row: SittingRecord) -> Sitting:
    """A sitting from its row."""
    return Sitting(
        id=row.key,
        part_c=row.part_c,
        gauge_c=row.gauge_c,
        condition=Condition(row.condition),
        by=row.by,
        at=row.at,
    )


def operation_of(row: OperationRecord) -> Operation:
    """An operation from its row."""
    return Operation(
        id=row.key,
        kind=OperationKind(row.kind),
        on=row.on,
        undersize=None if row.undersize_nm is None else Length(row.undersize_nm),
        note=row.note,
        by=row.by,
        at=row.at,
    )


def slip_answer_of(row: SlipAnswerRecord) -> SlipAnswer:
    """An answer to "did you mean" from its row."""
    return SlipAnswer(
        id=row.key,
        reading=row.reading,
        slip=row.slip,
        offered=None if row.offered_nm is None else Length(row.offered_nm),
        taken=row.taken,
        by=row.by,
        at=row.at,
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
    """The gauges a job can be read with: those in use, those its readings name, those it came with.

    A cabinet of any size: a job takes no more of it than a document holds.
    """
    found = {gauge.id: gauge for gauge in cabinet()[:MOST_OF_CABINET]}
    own = {gauge.id: gauge for gauge in (Gauge.model_validate(document) for document in record.own_gauges)}
    missing = used - found.keys() - own.keys()
    if missing:
        found.update({gauge.id: gauge for gauge in gauges_by_key(missing)})
    return tuple({**found, **own}.values())


def checks_of_job(
    record: JobRecord, gauges: tuple[Gauge, ...], readings: tuple[Reading, ...]
) -> tuple[SettingCheck, ...]:
    """The setting checks a job is judged with: of the gauges it was read with and of their standards, and those it
    came with."""
    shop: tuple[SettingCheck, ...] = ()
    if readings:
        used = {reading.gauge for reading in readings}
        first = min(reading.at for reading in readings)
        last = max(reading.at for reading in readings) + SAME_DAY
        shop = checks_since(used, first, last)
        masters = {check.against for check in shop if check.against} - used
        shop = (*shop, *(checks_since(masters, first, last) if masters else ()))[-MOST_CHECKS:]
    own = [SettingCheck.model_validate(document) for document in record.own_checks]
    known = {gauge.id for gauge in gauges}
    found = {check.id: check for check in (*own, *shop)}
    return tuple(c for c in found.values() if c.gauge in known and (c.against is None or c.against in known))


def job_of(record: JobRecord, shown_in: Unit) -> Job:
    """The whole job as the core's document, to be spoken of in one unit."""
    rows = record.readings.order_by("pk").values_list(*_READING_COLUMNS, named=True)
    readings = tuple(reading_of(row) for row in rows.iterator())
    rules = record.frozen_house_rules
    gauges = gauges_of(record, {reading.gauge for reading in readings})
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
        gauges=gauges,
        mains_plan=plan_of(record.mains_plan),
        rods_plan=plan_of(record.rods_plan),
        readings=readings,
        withdrawals=tuple(
            Withdrawal(id=row.key, fact=row.fact, by=row.by, at=row.at) for row in record.withdrawals.order_by("pk")
        ),
        observations=tuple(observation_of(row) for row in record.observations.order_by("pk")),
        sittings=tuple(sitting_of(row) for row in record.sittings.order_by("pk")),
        operations=tuple(operation_of(row) for row in record.operations.order_by("pk")),
        slip_answers=tuple(slip_answer_of(row) for row in record.slip_answers.order_by("pk")),
        checks=checks_of_job(record, gauges, readings),
        decisions=tuple(decision_of(row) for row in record.decisions.order_by("pk")),
    )


def decision_of(row: DecisionRecord) -> Decision:
    """A decision from its row."""
    return Decision(
        id=row.key,
        kind=DecisionKind(row.kind),
        set=JournalSet(row.set),
        journal=row.journal or None,
        about=Waived(row.about) if row.about else None,
        action=row.action,
        undersize=None if row.undersize_nm is None else Length(row.undersize_nm),
        words=row.words,
        reason=row.reason,
        made_elsewhere=row.made_elsewhere,
        by=row.by,
        at=row.at,
    )


def decision_row(record: JobRecord, decision: Decision, *, elsewhere: bool = False) -> DecisionRecord:
    """The row of a decision."""
    return DecisionRecord(
        job=record,
        key=decision.id,
        kind=decision.kind.value,
        set=decision.set.value,
        journal=decision.journal or "",
        about=decision.about.value if decision.about else "",
        action=decision.action,
        undersize_nm=None if decision.undersize is None else decision.undersize.nm,
        words=decision.words,
        reason=decision.reason,
        made_elsewhere=decision.made_elsewhere or elsewhere,
        by=decision.by,
        at=decision.at,
    )


def signature_of(row: SignatureRecord) -> Signature:
    """A signature from its row."""
    return Signature(
        revision=row.revision,
        by=row.by,
        at=row.at,
        withdrawn_by=row.withdrawn_by,
        withdrawn_at=row.withdrawn_at,
        withdrawn_because=row.withdrawn_because,
        made_elsewhere=row.made_elsewhere,
        sheet=row.sheet,
    )


def job_file_of(record: JobRecord) -> JobFile:
    """The whole job as a file, in its own entry unit, with every gauge at hand: what would settle a doubt, and what
    is too coarse before anything is read, is said of them too."""
    return JobFile(
        job=job_of(record, Unit(record.entry_unit)),
        signatures=tuple(signature_of(row) for row in record.signatures.order_by("revision")),
    )
