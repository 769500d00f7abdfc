"""Opening a job to change it, and keeping its summary in step in the same transaction."""

from collections.abc import Iterable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from django.db import IntegrityError, connection, transaction
from pydantic import ValidationError

from halfthou.assess import JudgedJob, faults_in, judge, put_in_words
from halfthou.exchange import Fault, faults_of
from halfthou.jobs import ENGINE, Fact, FactKind, Job, Reading, SettingCheck, Sitting, Until
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE, faults_of_readings
from halfthou.report import Assessment
from workshop.live.hub import hub
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.kept import kept, loaded
from workshop.record.models import DecisionRecord, FactRecord, HistoryEntry, JobRecord, SignatureRecord, Stage
from workshop.record.together import together
from workshop.record.translate import UnknownKind, fact_row, job_of

#: The columns of the rack's summary.
SUMMARY = (
    "engine",
    "taken",
    "planned",
    "doubts",
    "sets",
    "stage",
    "waits_for",
    "changed_at",
    "version",
)


@dataclass(frozen=True)
class Opened:
    """A job as loaded for one person: its row, its document in the person's unit, and the assessment, where it was
    judged already."""

    record: JobRecord
    job: Job
    judged: Assessment | None = None

    @cached_property
    def assessment(self) -> Assessment:
        """The assessment, in the person's unit."""
        return self.judged or put_in_words(judge(self.job, kept(self.record.pk, self.job.shown_in).memo))


def job_record(job_id: int) -> JobRecord:
    """The row of a job. Refuses: NotThere."""
    jobs = JobRecord.objects.select_related("limits", "limits__sheet").prefetch_related("signatures", "decisions")
    record = jobs.filter(pk=job_id).first() if 0 < job_id < 2**63 else None
    if record is None:
        raise NotThere("no-job", "There is no such job.")
    return record


def open_job(job_id: int, person: Person) -> Opened:
    """A job to look at."""
    return Opened(*looked_at(job_id, person))


def looked_at(job_id: int, person: Person) -> tuple[JobRecord, Job]:
    """The row of a job and its document, to look at and not to change. Refuses: NotThere."""
    shown_in = Unit(person.shown_unit)

    def load() -> tuple[JobRecord, Job]:
        record = job_record(job_id)
        return record, sound_job(record, shown_in)

    return loaded(job_id, shown_in, load)


def sound_job(record: JobRecord, shown_in: Unit) -> Job:
    """The whole job as a document. Refuses: Refusal where what is stored does not hang together."""
    try:
        return job_of(record, shown_in)
    except ValidationError as error:
        message = f"Job {record.number} does not hang together. Nothing was changed: run check_data on the server."
        raise Refusal("unsound", message, faults_of(error)) from None
    except UnknownKind as error:
        raise Refusal("unsound", f"Not opened: {error}. Run the version that wrote them.", []) from None


def sound(job: Job) -> Job:
    """A job that grew, checked as a whole. Refuses: Refusal, with everything that does not hang together."""
    message = "That does not fit this job. Nothing of it was kept."
    try:
        found = Job(**{name: getattr(job, name) for name in Job.model_fields})
    except ValidationError as error:
        raise Refusal("unsound", message, faults_of(error)) from None
    faults = [Fault("job", fault) for fault in faults_in(found)]
    if faults:
        raise Refusal("unsound", message, faults)
    return found


def sound_with(
    job: Job, readings: tuple[Reading, ...], sittings: tuple[Sitting, ...], checks: tuple[SettingCheck, ...]
) -> Job:
    """A job with more readings, of which only the new are checked. Refuses: Refusal, with what does not hang
    together."""
    message = "That does not fit this job. Nothing of it was kept."
    try:
        found = job.with_more(readings, sittings, checks)
    except ValidationError as error:
        raise Refusal("unsound", message, faults_of(error)) from None
    faults = [Fault("job", fault) for fault in faults_of_readings(readings, CATALOGUE.engine_of(job))]
    if faults:
        raise Refusal("unsound", message, faults)
    return found


def add_facts(record: JobRecord, facts: Iterable[Fact]) -> None:
    """Add facts to a job: one name is one fact's, over all kinds. Refuses: Clash.

    Call it in the transaction of the change.
    """
    rows = [fact_row(record, fact) for fact in facts]
    if record.decisions.filter(key__in=[row.key for row in rows]).exists():
        raise Clash("name-taken", "Another fact of this job has that name already. Nothing was kept.")
    try:
        FactRecord.objects.bulk_create(rows, batch_size=500)
    except IntegrityError:
        raise Clash("name-taken", "Another fact of this job has that name already. Nothing was kept.") from None


def names_taken(record: JobRecord, names: Iterable[str]) -> set[str]:
    """Which of these names facts or decisions of the job have already."""
    wanted = list(names)
    return {
        *record.facts.filter(key__in=wanted).values_list("key", flat=True),
        *record.decisions.filter(key__in=wanted).values_list("key", flat=True),
    }


def must_be_free(record: JobRecord, names: Iterable[str]) -> None:
    """Refuse a name that a decision has already, or a fact. Refuses: Clash."""
    if names_taken(record, names):
        raise Clash("name-taken", "Another fact of this job has that name already. Nothing was kept.")


def standing_signature(record: JobRecord) -> SignatureRecord | None:
    """The signature that stands, if one does."""
    standing = [row for row in record.signatures.all() if row.withdrawn_at is None and not row.made_elsewhere]
    return standing[-1] if standing else None


def to_change(job_id: int) -> JobRecord:
    """A job to change. Refuses: Clash where it is signed or archived."""
    record = job_record(job_id)
    must_be_open(record)
    return record


def must_be_open(record: JobRecord, kind: FactKind | None = None) -> None:
    """Refuse a change to a job that is archived, handed over or signed. Refuses: Clash.

    How long facts of a `kind` land, its entry says: what changes no verdict lands on a signed job too.
    """
    until = kind.until if kind is not None else Until.SIGNED
    if record.put_away:
        raise Clash("put-away", f"This job is put away for good: {record.put_away}")
    if record.archived:
        raise Clash("archived", "This job is archived. Bring it back to the rack first.")
    if record.stage == Stage.HANDED_OVER and until < Until.EVER:
        raise Clash(
            "handed-over", "This engine was handed over. Take the hand-over back first, if it is here again."
        )
    if until > Until.SIGNED:
        return
    signature = standing_signature(record)
    if signature is not None:
        message = f"Signed by {signature.by}. The owner can withdraw the signature, then it opens again."
        raise Clash("signed", message)


def standing_decisions(record: JobRecord) -> dict[tuple[str, str, str], DecisionRecord]:
    """The last decision of each set, part and matter that was made here; one taken back leaves none."""
    last: dict[tuple[str, str, str], DecisionRecord] = {}
    for row in sorted(record.decisions.all(), key=lambda row: row.pk):
        if not row.made_elsewhere:
            last[row.set, row.part, row.about] = row
    return {key: row for key, row in last.items() if row.kind != "taken back"}


def write_history(record: JobRecord, by: str, words: str) -> None:
    """Add a line to the job's history."""
    HistoryEntry.objects.create(job=record, by=by, words=words)


class Judged(NamedTuple):
    """A job judged, and put into words in the unit asked for."""

    found: JudgedJob
    shown: Assessment


def judged_now(record: JobRecord, job: Job) -> Judged | None:
    """A job judged; None where it is judged later, with all else that lands."""
    if together.open:
        return None
    found = judge(job, kept(record.pk, job.shown_in).memo)
    return Judged(found, put_in_words(found))


def settle(record: JobRecord, job: Job) -> Assessment | None:
    """Bring the rack's summary in step and give the assessment in the unit asked for.

    The summary speaks the job's own unit. It is written in the caller's transaction. None where it is judged later.
    """
    judged = judged_now(record, job)
    write_summary(record, judged)
    return judged and judged.shown


def write_summary(record: JobRecord, judged: Judged | None) -> None:
    """Write the rack's summary of a job that is judged, and tell its open pages."""
    if judged is None:
        together.changed(record.pk)
        return
    if not connection.in_atomic_block:
        raise RuntimeError("the summary is written in the transaction of its fact")
    own_unit, shown = Unit(record.entry_unit), judged.shown
    record.engine = judged.found.job.limits.engine
    record.taken, record.planned = shown.readings_taken, shown.readings_planned
    record.doubts = len(shown.doubts)
    record.sets = [
        {"set": one.set, "mark": one.mark.code.value, "headline": judged.found.headline(one.set, own_unit)[:200]}
        for one in shown.sets
    ]
    record.stage, record.waits_for = _stage(record, judged.found.job, shown)
    # The row was read in this transaction, or is known to be as it was: nobody else writes meanwhile.
    record.version += 1
    record.save(update_fields=SUMMARY)
    transaction.on_commit(lambda: hub.job_changed(record.pk))


def settled(record: JobRecord, person: Person, landed: tuple[Job, Sequence[Fact]] | None = None) -> Opened:
    """A changed job read afresh and checked as a whole, its summary in step.

    Nothing loaded before the change is believed; where the change broke the job, all of it is taken back. `landed`
    is the job before facts landed on it and those facts: enough where it is judged later.
    """
    if landed is not None and (grown := together.with_facts(record, *landed)) is not None:
        return Opened(record, grown)
    fresh = job_record(record.pk)
    job = sound_job(fresh, Unit(person.shown_unit))
    return Opened(fresh, job, settle(fresh, job))


@contextmanager
def judged_together(person: Person) -> Iterator[None]:
    """While this is open, jobs that change are not judged; when it closes, each is, once. Only for furnishing: what
    follows from a summary, as that an engine was handed over, is not known before the end."""
    with together.judged_at_the_end() as touched:
        yield
    for job_id in touched:
        settled(job_record(job_id), person)


def _stage(record: JobRecord, job: Job, own: Assessment) -> tuple[Stage, str]:
    if job.standing(job.handovers):
        return Stage.HANDED_OVER, ""
    if standing_signature(record) is not None:
        return Stage.SIGNED, ""
    decided = {name for name, part, _ in standing_decisions(record) if not part}
    if decided >= {one.set for one in own.sets}:
        return Stage.DECIDING, "a signature"
    if own.readings_taken == 0:
        begun = any(job.standing(job.steps_done)) or any(one.on == ENGINE for one in job.standing(job.seen))
        return Stage.STRIPPING if begun else Stage.BOOKED_IN, own.waits_for
    if own.readings_taken < own.readings_planned and own.waits_for != "a decision":
        return Stage.MEASURING, own.waits_for
    return Stage.DECIDING, own.waits_for
