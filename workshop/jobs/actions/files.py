"""Take in a whole job, or readings, from a file."""

import hashlib

from django.db import transaction
from django.utils import timezone

from halfthou.exchange import read_job, read_readings
from halfthou.jobs import JobFile
from halfthou.lengths import Unit
from workshop.jobs.actions.opened import Opened, settle, to_change, write_history
from workshop.jobs.models import (
    DecisionRecord,
    JobRecord,
    ObservationRecord,
    OperationRecord,
    ReadingRecord,
    SignatureRecord,
    SittingRecord,
    SlipAnswerRecord,
    WithdrawalRecord,
)
from workshop.jobs.translate import job_of, reading_row
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal


@transaction.atomic
def take_in_job(person: Person, text: str) -> Opened:
    """Take in a job file. Its number must be free here; its limits, gauges and rules stay its own.

    Signatures on it are shown as made elsewhere and do not bind here (design 8.12).
    """
    must(person, Act.BOOK_IN)
    file = read_job(text)
    job = file.job
    if JobRecord.objects.filter(number=job.number).exists():
        raise Clash("number-taken", f"There is a job {job.number} here already. Nothing was taken in.")
    record = JobRecord.objects.create(
        number=job.number,
        title=job.title,
        customer=job.customer,
        complaint=job.complaint,
        booked_in=job.booked_in,
        due=job.due,
        entry_unit=job.shown_in.value,
        frozen_limits=job.limits.model_dump(mode="json"),
        frozen_house_rules=job.house_rules.model_dump(mode="json"),
        own_gauges=[gauge.model_dump(mode="json") for gauge in job.gauges],
        own_checks=[check.model_dump(mode="json") for check in job.checks],
        mains_plan=job.mains_plan.model_dump(mode="json"),
        rods_plan=job.rods_plan.model_dump(mode="json"),
    )
    _take_in_facts(record, file)
    _take_in_decisions(record, file)
    write_history(record, person.username, "took the job in from a file")
    fresh = job_of(record, Unit(person.shown_unit))
    return Opened(record, fresh, settle(record, fresh))


def _take_in_facts(record: JobRecord, file: JobFile) -> None:
    job = file.job
    ReadingRecord.objects.bulk_create(reading_row(record, reading) for reading in job.readings)
    SittingRecord.objects.bulk_create(
        SittingRecord(
            job=record, key=s.id, part_c=s.part_c, gauge_c=s.gauge_c, condition=s.condition.value, by=s.by, at=s.at
        )
        for s in job.sittings
    )
    OperationRecord.objects.bulk_create(
        OperationRecord(
            job=record, key=o.id, kind=o.kind.value, on=o.on, note=o.note, by=o.by, at=o.at,
            undersize_nm=None if o.undersize is None else o.undersize.nm,
        )
        for o in job.operations
    )  # fmt: skip
    SlipAnswerRecord.objects.bulk_create(
        SlipAnswerRecord(
            job=record, key=a.id, reading=a.reading, slip=a.slip, taken=a.taken, by=a.by, at=a.at,
            offered_nm=None if a.offered is None else a.offered.nm,
        )
        for a in job.slip_answers
    )  # fmt: skip
    WithdrawalRecord.objects.bulk_create(
        WithdrawalRecord(job=record, key=w.id, reading=w.reading, by=w.by, at=w.at) for w in job.withdrawals
    )
    ObservationRecord.objects.bulk_create(
        ObservationRecord(
            job=record, key=o.id, on=o.on, look=o.look.value, answer=o.answer, typed=o.typed, spot=o.spot or "",
            depth_nm=None if o.depth is None else o.depth.nm, by=o.by, at=o.at,
        )
        for o in job.observations
    )  # fmt: skip


def _take_in_decisions(record: JobRecord, file: JobFile) -> None:
    DecisionRecord.objects.bulk_create(
        DecisionRecord(
            job=record, key=d.id, kind=d.kind.value, set=d.set.value, journal=d.journal or "", action=d.action,
            undersize_nm=None if d.undersize is None else d.undersize.nm, words=d.words, reason=d.reason, by=d.by,
            at=d.at,
        )
        for d in file.decisions
    )  # fmt: skip
    SignatureRecord.objects.bulk_create(
        SignatureRecord(
            job=record, revision=s.revision, by=s.by, at=s.at, withdrawn_by=s.withdrawn_by,
            withdrawn_at=s.withdrawn_at, made_elsewhere=True, sheet=s.sheet,
        )
        for s in file.signatures
    )  # fmt: skip


@transaction.atomic
def take_in_readings(person: Person, job_id: int, text: str, gauge: str) -> Opened:
    """Take in a readings CSV, whole or not at all. The same file taken in twice adds nothing the second time."""
    must(person, Act.READ)
    record = to_change(job_id)
    job = job_of(record, Unit(person.shown_unit))
    rows = read_readings(text, job)
    if gauge not in {known.id for known in job.gauges} and any(row.gauge is None for row in rows):
        raise Refusal("no-gauge", "Choose the gauge these were read with: the file does not say.")
    stamp = hashlib.sha256(text.encode()).hexdigest()[:16]
    have = {reading.id for reading in job.readings}
    now = timezone.now()
    new = [
        ReadingRecord(
            job=record, key=f"csv.{stamp}.{row.line}", journal=row.journal, feature=row.feature.value,
            spot=row.spot, nm=row.size.nm, typed=row.typed, unit=row.unit.value, gauge=row.gauge or gauge,
            by=person.username, at=row.at or now,
        )
        for row in rows
        if f"csv.{stamp}.{row.line}" not in have
    ]  # fmt: skip
    ReadingRecord.objects.bulk_create(new)
    write_history(record, person.username, f"took in {len(new)} readings from a file")
    grown = job_of(record, Unit(person.shown_unit))
    return Opened(record, grown, settle(record, grown))
