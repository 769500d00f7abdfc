"""A person decides: accept a set's verdict, override it with a reason, waive a journal, sign, withdraw."""

from datetime import datetime

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.answer import Assessment, SetAnswer
from halfthou.exchange import Fault
from halfthou.jobs import DecisionKind, JournalSet
from halfthou.lengths import Asked, Length, Unit, Unreadable, read_undersize
from halfthou.verdicts import Action
from workshop.jobs.actions.opened import (
    Opened,
    job_record,
    open_job,
    settled,
    standing_decisions,
    standing_signature,
    to_change,
    write_history,
)
from workshop.jobs.models import DecisionRecord, JobRecord, SignatureRecord
from workshop.jobs.translate import decision_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal


class Deciding(Schema):
    """A decision as sent: a set accepted or overridden, or a journal waived."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    kind: DecisionKind
    set: JournalSet
    journal: str = ""
    action: Action | None = None
    undersize: str = ""
    reason: str = Field(default="", max_length=2000)
    at: datetime


def matches(row: DecisionRecord, answer: SetAnswer) -> bool:
    """Whether an accepted verdict is still what the assessment says."""
    if row.kind != DecisionKind.ACCEPTED.value:
        return True
    undersize = answer.undersize.nm if answer.undersize else None
    return row.action == answer.action.value and row.undersize_nm == undersize


@transaction.atomic
def decide(person: Person, job_id: int, given: Deciding) -> Opened:
    """Write down a decision. The verdict's words are kept as they stand."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    if record.decisions.filter(key=given.id).exists():
        return open_job(job_id, person)
    opened = open_job(job_id, person)
    row = DecisionRecord(
        job=record,
        key=given.id,
        kind=given.kind.value,
        set=given.set.value,
        reason=given.reason.strip(),
        by=person.username,
        at=timezone.now(),
    )
    if given.kind is DecisionKind.ACCEPTED:
        _accept(row, record, opened.assessment)
    elif given.kind is DecisionKind.OVERRIDDEN:
        _override(row, given, opened)
    else:
        _waive(row, given, opened)
    row.save()
    write_history(record, person.username, f"{row.kind} {row.set} {row.journal}".strip() + f": {row.words}")
    return settled(record, person)


def _accept(row: DecisionRecord, record: JobRecord, found: Assessment) -> None:
    answer = found.of(JournalSet(row.set))
    waived = {journal for name, journal in standing_decisions(record) if name == row.set and journal}
    missing = [found.journal(name).short_name for name in answer.awaiting if name not in waived]
    if missing:
        names = ", ".join(missing)
        raise Refusal("not-all-read", f"{names} must be read first, or waived with a reason.")
    if not answer.can_be_accepted:
        raise Refusal("too-close", "There is no verdict to accept yet. Settle the doubt, or decide otherwise.")
    row.action = answer.action.value
    row.undersize_nm = answer.undersize.nm if answer.undersize else None
    row.words = f"{answer.name}: {answer.headline}. " + " ".join(reason.text for reason in answer.reasons)


def _override(row: DecisionRecord, given: Deciding, opened: Opened) -> None:
    faults = []
    if not given.reason.strip():
        faults.append(Fault("reason", "Say why. It stands on the sheet beside the verdict it overrides."))
    if given.action is None:
        faults.append(Fault("action", "Say what is done instead."))
    undersize = _undersize(given, opened, faults)
    if given.action is Action.REGRIND and undersize is None and not faults:
        faults.append(Fault("undersize", "Say to which undersize it is ground."))
    if faults or given.action is None:
        raise Refusal("bad-override", "The decision is not written down yet. Mend what is marked.", faults)
    answer = opened.assessment.of(given.set)
    row.action = given.action.value
    row.undersize_nm = None if undersize is None else undersize.nm
    size = f", {given.undersize.strip()} under" if undersize is not None else ""
    row.words = f"{answer.name}: {given.action.value}{size}, instead of {answer.headline}."


def _undersize(given: Deciding, opened: Opened, faults: list[Fault]) -> Length | None:
    if not given.undersize.strip():
        return None
    ladder = tuple(shell.undersize for shell in opened.job.limits.of(given.set).shells)
    try:
        found = read_undersize(given.undersize, Unit(opened.record.entry_unit), ladder)
    except Unreadable as error:
        faults.append(Fault("undersize", error.message))
        return None
    if isinstance(found, Asked):
        faults.append(Fault("undersize", f"{found.question} Write it with in or mm."))
        return None
    return found.length


def _waive(row: DecisionRecord, given: Deciding, opened: Opened) -> None:
    answer = opened.assessment.of(given.set)
    if given.journal not in answer.awaiting:
        raise Refusal("nothing-to-waive", "Only a journal that is not read whole can be waived.")
    if not given.reason.strip():
        raise Refusal("no-reason", "Say why it is not read.", [Fault("reason", "is empty")])
    row.journal = given.journal
    row.words = f"{opened.assessment.journal(given.journal).name}: not read"


@transaction.atomic
def take_back_decision(person: Person, job_id: int, journal_set: JournalSet, journal: str) -> Opened:
    """Take a decision back before the sheet is signed."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    standing = standing_decisions(record).get((journal_set.value, journal))
    if standing is not None:
        DecisionRecord.objects.create(
            job=record,
            key=f"{standing.key[:48]}.back.{standing.pk}",
            kind="taken back",
            set=journal_set.value,
            journal=journal,
            by=person.username,
            at=timezone.now(),
        )
        write_history(record, person.username, f"took back: {standing.words}")
    return settled(record, person)


@transaction.atomic
def sign(person: Person, job_id: int) -> Opened:
    """Sign the decision sheet. It is frozen as it stands, with the limits and house rules it was judged by."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    opened = open_job(job_id, person)
    standing = standing_decisions(record)
    for journal_set in JournalSet:
        answer = opened.assessment.of(journal_set)
        row = standing.get((journal_set.value, ""))
        if row is None:
            raise Clash("undecided", f"{answer.name} are not decided yet. Accept the verdict or decide otherwise.")
        if not matches(row, answer):
            message = f"{answer.name}: it now says {answer.headline}. Decide again before signing."
            raise Clash("changed", message)
    revision = record.signatures.filter(made_elsewhere=False).count() + 1
    while record.signatures.filter(revision=revision).exists():
        revision += 1
    _freeze(record, opened)
    kept = [decision_of(row).model_dump(mode="json") for row in standing.values()]
    sheet = {"assessment": opened.assessment.model_dump(mode="json"), "decisions": kept}
    SignatureRecord.objects.create(
        job=record, revision=revision, by=person.username, at=timezone.now(), sheet=sheet
    )
    write_history(record, person.username, f"signed the decision sheet, revision {revision}")
    return settled(record, person)


def _freeze(record: JobRecord, opened: Opened) -> None:
    record.frozen_limits = opened.job.limits.model_dump(mode="json")
    record.frozen_house_rules = opened.job.house_rules.model_dump(mode="json")
    record.save()
    if record.limits is not None and not record.limits.frozen:
        record.limits.frozen = True
        record.limits.save(update_fields=["frozen"])


@transaction.atomic
def withdraw_signature(owner: Person, job_id: int) -> Opened:
    """Withdraw a signature. The signed sheet stays in the record; the job opens as a new revision."""
    must(owner, Act.WITHDRAW_SIGNATURE)
    record = job_record(job_id)
    signature = standing_signature(record)
    if signature is None:
        raise Clash("not-signed", "This job is not signed.")
    signature.withdrawn_by, signature.withdrawn_at = owner.username, timezone.now()
    signature.save()
    if record.limits is not None:
        record.frozen_limits, record.frozen_house_rules = None, None
    write_history(record, owner.username, f"withdrew the signature of revision {signature.revision}")
    return settled(record, owner)
