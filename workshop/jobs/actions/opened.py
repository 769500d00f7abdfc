"""Opening a job to change it, and keeping its summary in step in the same transaction."""

from dataclasses import dataclass

from django.db import connection, transaction

from halfthou.answer import Assessment
from halfthou.assess import assess, judge, put_in_words
from halfthou.jobs import Job, JournalSet
from halfthou.lengths import Unit
from workshop.jobs.models import DecisionRecord, HistoryEntry, JobRecord, SignatureRecord, Stage
from workshop.jobs.translate import job_of
from workshop.live.hub import hub
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere

#: The columns of the rack's summary.
SUMMARY = (
    "engine",
    "taken",
    "planned",
    "doubts",
    "mains_mark",
    "mains_headline",
    "rods_mark",
    "rods_headline",
    "stage",
    "waits_for",
    "changed_at",
)


@dataclass(frozen=True)
class Opened:
    """A job as loaded for one person: its row, its document in the person's unit, and the assessment."""

    record: JobRecord
    job: Job
    assessment: Assessment


def job_record(job_id: int) -> JobRecord:
    """The row of a job. Refuses: NotThere."""
    jobs = JobRecord.objects.select_related("limits", "limits__sheet").prefetch_related("signatures", "decisions")
    record = jobs.filter(pk=job_id).first()
    if record is None:
        raise NotThere("no-job", "There is no such job.")
    return record


def open_job(job_id: int, person: Person) -> Opened:
    """A job to look at."""
    record = job_record(job_id)
    job = job_of(record, Unit(person.shown_unit))
    return Opened(record, job, assess(job))


def standing_signature(record: JobRecord) -> SignatureRecord | None:
    """The signature that stands, if one does."""
    standing = [row for row in record.signatures.all() if row.withdrawn_at is None and not row.made_elsewhere]
    return standing[-1] if standing else None


def to_change(job_id: int) -> JobRecord:
    """A job to change. Refuses: Clash where it is signed or archived."""
    record = job_record(job_id)
    must_be_open(record)
    return record


def must_be_open(record: JobRecord) -> None:
    """Refuse a change to a job that is signed or archived. Refuses: Clash."""
    if record.archived:
        raise Clash("archived", "This job is archived. Bring it back to the rack first.")
    signature = standing_signature(record)
    if signature is not None:
        message = f"Signed by {signature.by}. The owner can withdraw the signature, then it opens again."
        raise Clash("signed", message)


def standing_decisions(record: JobRecord) -> dict[tuple[str, str], DecisionRecord]:
    """The last decision on each set and each waived journal; one taken back leaves none."""
    last: dict[tuple[str, str], DecisionRecord] = {}
    for row in sorted(record.decisions.all(), key=lambda row: row.pk):
        last[row.set, row.journal] = row
    return {key: row for key, row in last.items() if row.kind != "taken back"}


def write_history(record: JobRecord, by: str, words: str) -> None:
    """Add a line to the job's history."""
    HistoryEntry.objects.create(job=record, by=by, words=words)


def settle(record: JobRecord, job: Job) -> Assessment:
    """Bring the rack's summary in step and give the assessment in the unit asked for.

    The summary speaks the job's own unit. It is written in the caller's transaction.
    """
    if not connection.in_atomic_block:
        raise RuntimeError("the summary is written in the transaction of its fact")
    judged = judge(job)
    shown = put_in_words(judged)
    own_unit = Unit(record.entry_unit)
    record.engine = job.limits.engine
    record.taken, record.planned = shown.readings_taken, shown.readings_planned
    record.doubts = len(shown.doubts)
    record.mains_mark, record.mains_headline = (
        shown.mains.mark.code.value,
        judged.headline(JournalSet.MAINS, own_unit),
    )
    record.rods_mark, record.rods_headline = shown.rods.mark.code.value, judged.headline(JournalSet.RODS, own_unit)
    record.stage, record.waits_for = _stage(record, shown)
    record.save(update_fields=SUMMARY)
    transaction.on_commit(lambda: hub.job_changed(record.pk))
    return shown


def settled(record: JobRecord, person: Person) -> Opened:
    """A changed job read afresh, its summary in step: nothing loaded before the change is believed."""
    fresh = job_record(record.pk)
    job = job_of(fresh, Unit(person.shown_unit))
    return Opened(fresh, job, settle(fresh, job))


def _stage(record: JobRecord, own: Assessment) -> tuple[Stage, str]:
    if standing_signature(record) is not None:
        return Stage.SIGNED, ""
    decided = {name for name, journal in standing_decisions(record) if not journal}
    if len(decided) == 2:
        return Stage.DECIDING, "a signature"
    if own.readings_taken == 0:
        return Stage.BOOKED_IN, own.waits_for
    if own.readings_taken < own.readings_planned:
        return Stage.MEASURING, own.waits_for
    return Stage.DECIDING, own.waits_for
