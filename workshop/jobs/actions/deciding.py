"""A person decides: accept a set's verdict, override it with a reason, waive something, sign, withdraw."""

from collections.abc import Callable

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import DecisionKind, JournalSet, Moment, Waived
from halfthou.lengths import MOST_UNDERSIZE, Asked, Length, Notation, Unit, Unreadable, read_undersize
from halfthou.report import SHAPE, Assessment, SetReport
from halfthou.verdicts import Action
from workshop.jobs.actions.opened import (
    Opened,
    job_record,
    must_be_new,
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
from workshop.people.refusals import Clash, NotThere, Refusal


class Deciding(Schema):
    """A decision as sent: a set accepted or overridden, or something of a journal waived. `sure` says that the
    person knows that no shells exist for the size."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    kind: DecisionKind
    set: JournalSet
    journal: str = Field(default="", max_length=4)
    about: Waived = Waived.READINGS
    action: Action | None = None
    undersize: str = Field(default="", max_length=60)
    reason: str = Field(default="", max_length=2000)
    sure: bool = False
    at: Moment


def matches(row: DecisionRecord, answer: SetReport) -> bool:
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
    known = record.decisions.filter(key=given.id).first()
    if known is not None:
        if (known.kind, known.set, known.journal) != (given.kind.value, given.set.value, given.journal):
            raise Clash("name-taken", "Another decision has that name already. This one was not written down.")
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
    elif given.kind is DecisionKind.WAIVED:
        _waive(row, given, opened)
    else:
        raise Refusal("no-decision", "A decision is taken back by its own button.")
    must_be_new(record, given.id)
    row.save()
    write_history(record, person.username, f"{row.kind} {row.set} {row.journal}".strip() + f": {row.words}")
    return settled(record, person)


def _accept(row: DecisionRecord, record: JobRecord, found: Assessment) -> None:
    answer = found.of(JournalSet(row.set))
    standing = standing_decisions(record).get((row.set, "", ""))
    if standing is not None and standing.kind == DecisionKind.OVERRIDDEN.value:
        raise Clash("overridden", "It is decided otherwise. Take that back before accepting the verdict.")
    missing = [found.journal(name).short_name for name in answer.awaiting]
    if missing and answer.action is not Action.REPLACE:
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
    if undersize is not None and not given.sure:
        _warn_of_no_shells(undersize, given, opened)
    answer = opened.assessment.of(given.set)
    row.action = given.action.value
    row.undersize_nm = None if undersize is None else undersize.nm
    say = Notation.usual(opened.job.limits.unit)
    size = f", {say.undersize(undersize)} under" if undersize is not None else ""
    row.words = f"{answer.name}: {given.action.value}{size}, instead of {answer.headline}."


def _warn_of_no_shells(undersize: Length, given: Deciding, opened: Opened) -> None:
    """A size that no shells can be bought for is warned of before it is written down. Refuses: Clash."""
    shells = {shell.undersize: shell for shell in opened.job.limits.of(given.set).shells}
    shell = shells.get(undersize)
    if shell is None or not shell.can_be_bought:
        why = "are not on the limits sheet" if shell is None else "cannot be bought by the sheet"
        raise Clash("no-shells", f"Shells {given.undersize.strip()} under {why}. Write it down all the same?")


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
    if found.length > MOST_UNDERSIZE:
        faults.append(Fault("undersize", f"“{given.undersize.strip()}” is no undersize: check the decimal point."))
        return None
    return found.length


def _waive(row: DecisionRecord, given: Deciding, opened: Opened) -> None:
    if given.journal not in opened.job.limits.journals(given.set):
        raise NotThere("no-journal", f"{given.journal or 'That'} is none of the {given.set.value}.")
    answer = opened.assessment.journal(given.journal)
    if given.about is Waived.HOUSING and not answer.housing_waits:
        raise Refusal("nothing-to-waive", "No housing waits to be measured here.")
    if given.about is Waived.READINGS and given.journal not in opened.assessment.of(given.set).awaiting:
        raise Refusal("nothing-to-waive", "Only a journal that is not read whole can be waived.")
    if not given.reason.strip():
        raise Refusal("no-reason", "Say why it is not measured.", [Fault("reason", "Say why it is not measured.")])
    row.journal, row.about = given.journal, given.about.value
    what = "not read" if given.about is Waived.READINGS else "housing not measured"
    row.words = f"{answer.name}: {what}"


@transaction.atomic
def take_back_decision(
    person: Person, job_id: int, journal_set: JournalSet, journal: str, about: Waived = Waived.READINGS
) -> Opened:
    """Take a decision or a waiver back before the sheet is signed."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    standing = standing_decisions(record).get((journal_set.value, journal, about.value if journal else ""))
    if standing is not None:
        key = f"{standing.key[:40]}.back.{standing.pk}"
        must_be_new(record, key)
        DecisionRecord.objects.create(
            job=record,
            key=key,
            kind=DecisionKind.TAKEN_BACK.value,
            set=journal_set.value,
            journal=journal,
            about=standing.about,
            by=person.username,
            at=timezone.now(),
        )
        write_history(record, person.username, f"took back: {standing.words}")
    return settled(record, person)


@transaction.atomic
def take_up_decision(person: Person, job_id: int, key: str) -> Opened:
    """Take a decision that was made elsewhere as one's own. Until then it decides nothing here."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    made = record.decisions.filter(key=key, made_elsewhere=True).first()
    if made is None or made.kind == DecisionKind.TAKEN_BACK.value:
        raise NotThere("no-decision", "There is no such decision from elsewhere.")
    name = f"{made.key[:40]}.up.{made.pk}"
    must_be_new(record, name)
    DecisionRecord.objects.create(
        job=record, key=name, kind=made.kind, set=made.set, journal=made.journal, about=made.about,
        action=made.action, undersize_nm=made.undersize_nm, words=made.words, reason=made.reason,
        by=person.username, at=timezone.now(),
    )  # fmt: skip
    write_history(record, person.username, f"took up what {made.by} decided elsewhere: {made.words}")
    return settled(record, person)


@transaction.atomic
def sign(person: Person, job_id: int, printed: Callable[[Opened], str] | None = None) -> Opened:
    """Sign the decision sheet. It is frozen as it stands, with the limits and house rules it was judged by.

    `printed` gives the page for paper: it is kept as signed, and never made anew.
    """
    must(person, Act.DECIDE)
    record = to_change(job_id)
    opened = open_job(job_id, person)
    standing = standing_decisions(record)
    for journal_set in JournalSet:
        answer = opened.assessment.of(journal_set)
        row = standing.get((journal_set.value, "", ""))
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
    sheet = {"shape": SHAPE, "assessment": opened.assessment.model_dump(mode="json"), "decisions": kept}
    signature = SignatureRecord.objects.create(
        job=record, revision=revision, by=person.username, at=timezone.now(), sheet=sheet
    )
    write_history(record, person.username, f"signed revision {revision}")
    done = settled(record, person)
    if printed is not None:
        signature.sheet = {**sheet, "page": printed(done)}
        signature.save(update_fields=["sheet"])
    return done


def _freeze(record: JobRecord, opened: Opened) -> None:
    record.frozen_limits = opened.job.limits.model_dump(mode="json")
    record.frozen_house_rules = opened.job.house_rules.model_dump(mode="json")
    record.save()
    if record.limits is not None and not record.limits.frozen:
        record.limits.frozen = True
        record.limits.save(update_fields=["frozen"])


@transaction.atomic
def withdraw_signature(owner: Person, job_id: int, reason: str) -> Opened:
    """Withdraw a signature, with a reason. The sheet stays in the record; the job opens as a new revision."""
    must(owner, Act.WITHDRAW_SIGNATURE)
    record = job_record(job_id)
    signature = standing_signature(record)
    if signature is None:
        raise Clash("not-signed", "This job is not signed.")
    if not reason.strip():
        raise Refusal("no-reason", "Say why it is withdrawn.", [Fault("reason", "Say why it is withdrawn.")])
    signature.withdrawn_by, signature.withdrawn_at = owner.username, timezone.now()
    signature.withdrawn_because = reason.strip()[:2000]
    signature.save()
    if record.limits is not None:
        record.frozen_limits, record.frozen_house_rules = None, None
        record.save(update_fields=["frozen_limits", "frozen_house_rules"])
    words = f"withdrew the signature of revision {signature.revision}, because {reason.strip()}"
    write_history(record, owner.username, words)
    return settled(record, owner)
