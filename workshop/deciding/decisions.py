"""A person decides: accept a set's verdict, override it with a reason, waive something, sign, withdraw."""

from collections.abc import Callable, Mapping

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import DecisionKind, Moment, Waived
from halfthou.lengths import MOST_UNDERSIZE, Asked, Length, Notation, Unit, Unreadable, read_undersize
from halfthou.parts import CATALOGUE
from halfthou.report import SHAPE, Assessment, CauseBrief, SetReport
from halfthou.verdicts import Action
from workshop.deciding.ways import pick_way
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import DecisionRecord, JobRecord, SignatureRecord
from workshop.record.opened import (
    Opened,
    job_record,
    must_be_free,
    open_job,
    settled,
    standing_decisions,
    standing_signature,
    to_change,
    write_history,
)
from workshop.record.translate import decision_of, description_of

#: What takes a set to another size, and what that size is called.
_SIZED = {Action.REGRIND: "undersize it is ground", Action.REBORE: "oversize it is bored"}
_NOT_YET = "The decision is not written down yet. Mend what is marked."
_WAITS = {Waived.HOUSING: "housing", Waived.CLEARANCE: "piston clearance"}


class Deciding(Schema):
    """A decision as sent: a set accepted or overridden, or something of a part waived. `way` names a way on that
    was picked, instead of an action and a size. `sure` says that the person knows that nothing is sold for it."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    kind: DecisionKind
    set: str = Field(max_length=40)
    part: str = Field(default="", max_length=40)
    about: Waived = Waived.READINGS
    action: Action | None = None
    step: str = Field(default="", max_length=60)
    way: str = Field(default="", max_length=60)
    reason: str = Field(default="", max_length=2000)
    sure: bool = False
    at: Moment


def matches(row: DecisionRecord, answer: SetReport) -> bool:
    """Whether a decision stands as the assessment has it: nothing was found since that it did not know, and an
    accepted verdict is still what it was."""
    if not answer.decided:
        return False
    if row.kind != DecisionKind.ACCEPTED.value:
        return True
    step = answer.step.nm if answer.step else None
    return row.action == answer.action.value and row.step_nm == step


@transaction.atomic
def decide(person: Person, job_id: int, given: Deciding) -> Opened:
    """Write down a decision. The verdict's words are kept as they stand."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    known = record.decisions.filter(key=given.id).first()
    if known is not None:
        if (known.kind, known.set, known.part) != (given.kind.value, given.set, given.part):
            raise Clash("name-taken", "Another decision has that name already. This one was not written down.")
        return open_job(job_id, person)
    opened = open_job(job_id, person)
    if given.set not in opened.job.sets:
        raise NotThere("not-in-scope", f"This job does not judge the {given.set or 'set'}.")
    row = DecisionRecord(
        job=record,
        key=given.id,
        kind=given.kind.value,
        set=given.set,
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
    must_be_free(record, [given.id])
    row.save()
    write_history(record, person.username, f"{row.kind} {row.set} {row.part}".strip() + f": {row.words}")
    return settled(record, person)


def _accept(row: DecisionRecord, record: JobRecord, found: Assessment) -> None:
    answer = found.of(row.set)
    standing = standing_decisions(record).get((row.set, "", ""))
    if standing is not None and standing.kind == DecisionKind.OVERRIDDEN.value:
        raise Clash("overridden", "It is decided otherwise. Take that back before accepting the verdict.")
    missing = [found.part(name).short_name for name in answer.awaiting]
    if missing and answer.action is not Action.REPLACE:
        names = ", ".join(missing)
        raise Refusal("not-all-read", f"{names} must be read first, or waived with a reason.")
    if not answer.can_be_accepted:
        raise Refusal("too-close", "There is no verdict to accept yet. Settle the doubt, or decide otherwise.")
    row.action = answer.action.value
    row.step_nm = answer.step.nm if answer.step else None
    row.words = f"{answer.name}: {answer.headline}. " + " ".join(reason.text for reason in answer.reasons)


def _override(row: DecisionRecord, given: Deciding, opened: Opened) -> None:
    faults = []
    if not given.reason.strip():
        faults.append(Fault("reason", "Say why. It stands on the sheet beside the verdict it overrides."))
    if given.way:
        if faults:
            raise Refusal("bad-override", _NOT_YET, faults)
        pick_way(row, given.way, opened)
        return
    if given.action is None:
        faults.append(Fault("action", "Say what is done instead."))
    allowed = CATALOGUE.kind_of_set(given.set, opened.job.limits.layout).actions
    if given.action is not None and given.action.value not in allowed:
        faults.append(Fault("action", f"That is done to none of the {given.set}: {', '.join(allowed)}."))
    step = _step(given, opened, faults)
    if given.action in _SIZED and step is None and not faults:
        faults.append(Fault("step", f"Say to which {_SIZED[given.action]}."))
    if faults or given.action is None:
        raise Refusal("bad-override", _NOT_YET, faults)
    if step is not None and not given.sure:
        _warn_of_nothing_sold(step, given, opened)
    answer = opened.assessment.of(given.set)
    row.action = given.action.value
    row.step_nm = None if step is None else step.nm
    say = Notation.usual(opened.job.limits.unit)
    way = CATALOGUE.engine_of(opened.job).way_of(given.set)
    size = f", {say.undersize(step)} {way}" if step is not None else ""
    row.words = f"{answer.name}: {given.action.value}{size}, instead of {answer.headline}."


def _warn_of_nothing_sold(size: Length, given: Deciding, opened: Opened) -> None:
    """A size for which nothing can be bought is warned of before it is written down. Refuses: Clash."""
    step = next((step for step in opened.job.limits.sets[given.set].steps if step.size == size), None)
    if step is None or not step.sold:
        why = "are not on the limits sheet" if step is None else "cannot be bought by the sheet"
        way = CATALOGUE.engine_of(opened.job).way_of(given.set)
        what = "Shells" if way == "under" else "Pistons and rings"
        raise Clash("no-shells", f"{what} {given.step.strip()} {way} {why}. Write it down all the same?")


def _step(given: Deciding, opened: Opened, faults: list[Fault]) -> Length | None:
    if not given.step.strip():
        return None
    ladder = tuple(step.size for step in opened.job.limits.sets[given.set].steps)
    try:
        found = read_undersize(given.step, Unit(opened.record.entry_unit), ladder)
    except Unreadable as error:
        faults.append(Fault("step", error.message))
        return None
    if isinstance(found, Asked):
        faults.append(Fault("step", found.in_words))
        return None
    if found.length > MOST_UNDERSIZE:
        faults.append(Fault("step", f"“{given.step.strip()}” is no step: check the decimal point."))
        return None
    return found.length


def _waive(row: DecisionRecord, given: Deciding, opened: Opened) -> None:
    engine = CATALOGUE.engine_of(opened.job)
    if given.part not in engine.of_set(given.set):
        raise NotThere("no-journal", f"{given.part or 'That'} is none of the {given.set}.")
    report = opened.assessment.part(given.part)
    if given.about is Waived.READINGS:
        if given.part not in opened.assessment.of(given.set).awaiting:
            raise Refusal("nothing-to-waive", "Only a part that is not read whole can be waived.")
    elif given.about not in report.waits:
        raise Refusal("nothing-to-waive", f"No {_WAITS[given.about]} waits to be measured here.")
    if not given.reason.strip():
        raise Refusal("no-reason", "Say why it is not measured.", [Fault("reason", "Say why it is not measured.")])
    row.part, row.about = given.part, given.about.value
    what = "not read" if given.about is Waived.READINGS else f"{_WAITS[given.about]} not measured"
    row.words = f"{report.name}: {what}"


@transaction.atomic
def take_back_decision(person: Person, job_id: int, one: str, part: str, about: Waived = Waived.READINGS) -> Opened:
    """Take a decision or a waiver back before the sheet is signed."""
    must(person, Act.DECIDE)
    standing = standing_decisions(to_change(job_id)).get((one, part, about.value if part else ""))
    if standing is None:
        return open_job(job_id, person)
    return take_back_standing(person, job_id, standing, f"{standing.key[:40]}.back.{standing.pk}")


@transaction.atomic
def take_back_standing(person: Person, job_id: int, standing: DecisionRecord, key: str) -> Opened:
    """Take back a decision that stands; `key` is the name that this has."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    must_be_free(record, [key])
    DecisionRecord.objects.create(
        job=record,
        key=key,
        kind=DecisionKind.TAKEN_BACK.value,
        set=standing.set,
        part=standing.part,
        about=standing.about,
        by=person.username,
        at=timezone.now(),
    )
    write_history(record, person.username, f"took back: {standing.words}")
    return settled(record, person)


@transaction.atomic
def decide_again(person: Person, job_id: int, back: DecisionRecord, key: str) -> DecisionRecord:
    """Decide again what was taken back, under a new name. Refuses: Clash where it was decided anew meanwhile."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    place = (back.set, back.part, back.about)
    now = standing_decisions(record).get(place)
    if now is not None:
        raise Clash("done-anew", f"{now.by} decided it anew meanwhile. Nothing was brought again.")
    made = _before(record, back)
    must_be_free(record, [key])
    again = DecisionRecord.objects.create(
        job=record, key=key, kind=made.kind, set=made.set, part=made.part, about=made.about, action=made.action,
        step_nm=made.step_nm, others=made.others, follows=made.follows, words=made.words, reason=made.reason,
        by=person.username, at=timezone.now(),
    )  # fmt: skip
    write_history(record, person.username, f"decided again: {made.words}")
    return again


def _before(record: JobRecord, back: DecisionRecord) -> DecisionRecord:
    """What a taking back took back."""
    of_place = record.decisions.filter(set=back.set, part=back.part, about=back.about, made_elsewhere=False)
    return of_place.filter(pk__lt=back.pk).exclude(kind=DecisionKind.TAKEN_BACK.value).latest("pk")


@transaction.atomic
def take_up_decision(person: Person, job_id: int, key: str) -> Opened:
    """Take a decision that was made elsewhere as one's own. Until then it decides nothing here."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    made = record.decisions.filter(key=key, made_elsewhere=True).first()
    if made is None or made.kind == DecisionKind.TAKEN_BACK.value:
        raise NotThere("no-decision", "There is no such decision from elsewhere.")
    name = f"{made.key[:40]}.up.{made.pk}"
    must_be_free(record, [name])
    DecisionRecord.objects.create(
        job=record,
        key=name,
        kind=made.kind,
        set=made.set,
        part=made.part,
        about=made.about,
        action=made.action,
        step_nm=made.step_nm,
        others=made.others,
        follows=made.follows,
        words=made.words,
        reason=made.reason,
        by=person.username,
        at=timezone.now(),
    )
    write_history(record, person.username, f"took up what {made.by} decided elsewhere: {made.words}")
    return settled(record, person)


@transaction.atomic
def sign(
    person: Person,
    job_id: int,
    printed: Callable[[Opened], str] | None = None,
    answers: Mapping[str, str] | None = None,
) -> Opened:
    """Sign the decision sheet. It is frozen as it stands, with the limits and house rules it was judged by.

    `printed` gives the page for paper: it is kept as signed, and never made anew. Where something of the
    cause is open, `answers` answer for it, thing by thing; they stand on the sheet.
    Refuses: Refusal, Clash where a set is not decided, or the cause is open and nobody answers for it.
    """
    must(person, Act.DECIDE)
    record = to_change(job_id)
    opened = open_job(job_id, person)
    standing = standing_decisions(record)
    for answer in opened.assessment.sets:
        row = standing.get((answer.set, "", ""))
        if row is None:
            raise Clash("undecided", f"{answer.name} are not decided yet. Accept the verdict or decide otherwise.")
        if not matches(row, answer):
            known = any(reason.rule == "sets.word-covers" for reason in opened.assessment.notices)
            since = "something was found since it was decided" if known else f"it now says {answer.headline}"
            message = f"{answer.name}: {since}. Decide again before signing."
            raise Clash("changed", message)
    cause = _answered_for(opened, answers or {})
    revision = record.signatures.filter(made_elsewhere=False).count() + 1
    while record.signatures.filter(revision=revision).exists():
        revision += 1
    _freeze(record, opened)
    kept = [decision_of(row).model_dump(mode="json") for row in standing.values()]
    frozen = opened.assessment.model_copy(update={"cause": cause})
    sheet = {"shape": SHAPE, "assessment": frozen.model_dump(mode="json"), "decisions": kept}
    signature = SignatureRecord.objects.create(
        job=record, revision=revision, by=person.username, at=timezone.now(), sheet=sheet
    )
    write_history(record, person.username, f"signed revision {revision}")
    done = settled(record, person)
    if printed is not None:
        signature.sheet = {**sheet, "page": printed(done)}
        signature.save(update_fields=["sheet"])
    return done


def _answered_for(opened: Opened, answers: Mapping[str, str]) -> CauseBrief:
    """The cause as it is signed. Refuses: Refusal where something of it is open and no words answer for that.

    Rule:    causes.gate.
    """
    cause = opened.assessment.cause
    left = [item for item in cause.items if not answers.get(item.key, "").strip()]
    if left:
        message = "The engine is closed up with this open only if somebody answers for each, in words."
        faults = [Fault(item.key, f"{item.words} Say why it is closed up all the same.") for item in left]
        raise Refusal("cause-open", message, faults)
    said = [f"{item.words} {answers[item.key].strip()}" for item in cause.items]
    return cause.model_copy(update={"signed_for": "\n".join(said)})


def _freeze(record: JobRecord, opened: Opened) -> None:
    record.frozen_limits = opened.job.limits.model_dump(mode="json")
    record.frozen_house_rules = opened.job.house_rules.model_dump(mode="json")
    record.save()
    description = description_of(record)
    if description is not None and not description.frozen:
        description.frozen = True
        description.save(update_fields=["frozen"])
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
