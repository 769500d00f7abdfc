"""Book an engine in, change what stands on its card, its plan or its limits; archive it and bring it back."""

from datetime import date
from uuid import uuid4

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import CRANK_ONLY, LimitsSheet, Plan, Use, UseSaid, unidentified_sheet
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from workshop.limits.actions import revision_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal
from workshop.record.facts import must_have_limits
from workshop.record.models import Customer, JobRecord
from workshop.record.one_fact import must_say
from workshop.record.opened import (
    Opened,
    add_facts,
    job_record,
    must_be_free,
    settled,
    sound_job,
    to_change,
    write_history,
)
from workshop.record.translate import is_identified, sheet_of_job
from workshop.strip.at_the_door import SettingStop, Telling, statement_of, stop_of
from workshop.strip.engine import must_lose_nothing

MOST = {"title": 200, "customer": 200, "complaint": 2000, "number": 40}
EARLIEST, LATEST = date(1950, 1, 1), date(2200, 12, 31)


class Header(Schema):
    """What stands on a job's card. `card_version` is that of the card it was changed from."""

    title: str
    customer: str = ""
    complaint: str = ""
    due: date | None = None
    entry_unit: Unit | None = None
    card_version: int = 0


class BookIn(Header):
    """An engine to book in. An empty number takes the next free one."""

    number: str = ""
    limits_id: int | None = None
    entry_unit: Unit
    booked_in: date
    scope: list[str] = Field(default=list(CRANK_ONLY), min_length=1, max_length=40)
    plans: dict[str, Plan] = {}
    use: Use | None = None
    told: list[Telling] = Field(default=[], max_length=200)
    stops: list[SettingStop] = Field(default=[], max_length=20)


def next_number() -> str:
    """The next free job number."""
    used = [int(n) for n in JobRecord.objects.values_list("number", flat=True) if n.isascii() and n.isdecimal()]
    return str(max((n for n in used if n < 10**12), default=0) + 1)


@transaction.atomic
def book_in(person: Person, given: BookIn) -> Opened:
    """Book an engine in, with the limits it is to be judged by."""
    must(person, Act.BOOK_IN)
    number = given.number.strip() or next_number()
    faults = _header_faults(given)
    if len(number) > MOST["number"]:
        faults.append(Fault("number", f"At most {MOST['number']} characters."))
    elif JobRecord.objects.filter(number=number).exists():
        faults.append(Fault("number", f"There is a job {number} already."))
    if not EARLIEST <= given.booked_in <= LATEST:
        faults.append(Fault("booked_in", f"The year {given.booked_in.year} cannot be right."))
    if faults:
        raise Refusal("bad-job", "The engine is not booked in yet. Mend what is marked.", faults)
    revision = None if given.limits_id is None else revision_of(given.limits_id)
    sheet = unidentified_sheet() if revision is None else LimitsSheet.model_validate(revision.document)
    if revision is not None:
        must_have_limits(sheet, given.scope)
    scope = [one for one in CATALOGUE.sets(sheet.layout) if revision is None or one in given.scope]
    scope = [one for one in scope if one in sheet.sets]
    keep_customer(given.customer)
    record = JobRecord.objects.create(
        number=number,
        title=given.title.strip(),
        customer=given.customer.strip(),
        complaint=given.complaint.strip(),
        booked_in=given.booked_in,
        due=given.due,
        entry_unit=given.entry_unit.value,
        limits=revision,
        frozen_limits=sheet.model_dump(mode="json") if revision is None else None,
        scope=scope,
        plans={one: plan.model_dump(mode="json") for one, plan in given.plans.items() if one in scope},
    )
    if given.use is not None:
        add_facts(record, [UseSaid(id=f"use.{uuid4().hex}", use=given.use, by=person.username, at=timezone.now())])
    said = [statement_of(person, one) for one in given.told]
    job = sound_job(record, Unit(person.shown_unit))
    stops = [stop_of(person, one, job) for one in given.stops]
    must_be_free(record, [*(one.id for one in said), *(one.id for one in stops)])
    add_facts(record, [*said, *stops])
    write_history(record, person.username, "booked the engine in")
    return _settled(record, person)


@transaction.atomic
def change_header(person: Person, job_id: int, given: Header) -> Opened:
    """Change title, customer, complaint, due date or unit. A second writer is told what the first changed."""
    must(person, Act.BOOK_IN)
    record = to_change(job_id)
    if given.card_version != record.card_version:
        last = record.history.filter(words__startswith="changed the card").order_by("-pk").first()
        who = f"{last.by} changed" if last else "Somebody changed"
        message = f"{who} this card meanwhile: it now says {_card_words(record)}. Yours is not kept yet."
        raise Clash("changed-meanwhile", message)
    faults = _header_faults(given)
    if faults:
        raise Refusal("bad-job", "The card was not changed. Mend what is marked.", faults)
    keep_customer(given.customer)
    record.title, record.customer = given.title.strip(), given.customer.strip()
    record.complaint, record.due = given.complaint.strip(), given.due
    if given.entry_unit is not None:
        record.entry_unit = given.entry_unit.value
    record.card_version += 1
    write_history(record, person.username, f"changed the card: {_card_words(record)}")
    return _settled(record, person)


def _card_words(record: JobRecord) -> str:
    parts = (record.title, record.customer, record.complaint, f"due {record.due}" if record.due else "")
    return ", ".join(part for part in (*parts, record.entry_unit) if part)


@transaction.atomic
def change_plan(person: Person, job_id: int, one: str, plan: Plan) -> Opened:
    """Change the measuring plan of a set. No reading moves: what has no spot in the new plan stands outside it."""
    must(person, Act.READ)
    record = to_change(job_id)
    sheet = sheet_of_job(record)
    must_have_limits(sheet, [one])
    record.plans = {**record.plans, one: plan.model_dump(mode="json")}
    spots = f"{plan.planes} planes, {len(plan.angles_deg)} angles"
    write_history(record, person.username, f"changed the plan for the {one}: {spots}")
    return _settled(record, person)


@transaction.atomic
def take_up_limits(person: Person, job_id: int, limits_id: int) -> Opened:
    """Judge a job by another revision of its engine's limits."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    revision = revision_of(limits_id)
    sheet, before = LimitsSheet.model_validate(revision.document), sheet_of_job(record)
    known, own = is_identified(record), record.description is not None
    if (known or own) and CATALOGUE.parts(sheet.layout).keys() != CATALOGUE.parts(before.layout).keys():
        message = "That sheet has other journals or bores than this engine. "
        message += "Book it in anew." if known else "Take up the description it belongs to first."
        raise Clash("other-engine", message)
    if not own:
        must_lose_nothing(sound_job(record, Unit(person.shown_unit)), sheet.layout)
    if known:
        must_have_limits(sheet, [one for one in record.scope if one in before.sets])
    else:
        record.scope = [one for one in CATALOGUE.sets(sheet.layout) if one in sheet.sets]
    record.limits, record.frozen_limits = revision, None
    write_history(record, person.username, f"took up limits sheet {revision}")
    return _settled(record, person)


@transaction.atomic
def archive_job(person: Person, job_id: int, *, archived: bool) -> None:
    """Take a job off the rack, or bring it back. Nothing of it is lost."""
    must(person, Act.DECIDE)
    record = job_record(job_id)
    if record.put_away and not archived:
        raise Clash("put-away", f"This job is put away for good: {record.put_away}")
    record.archived = archived
    record.save(update_fields=["archived"])
    write_history(record, person.username, "archived the job" if archived else "brought the job back")


@transaction.atomic
def put_away(person: Person, job_id: int, reason: str) -> None:
    """Put a job away for good that was booked by mistake, with the reason. It stays in the record.

    Refuses: Refusal where no reason is given, or the job is signed.
    """
    must(person, Act.DECIDE)
    record = to_change(job_id)
    record.put_away = must_say(reason, "reason", "Say why: whoever finds it later wants to know.")[:2_000]
    record.archived = True
    record.version += 1
    record.save(update_fields=["archived", "put_away", "version"])
    write_history(record, person.username, f"put the job away for good: {record.put_away}")


def keep_customer(name: str) -> None:
    """Know a customer from now on, as a card names him."""
    if name.strip():
        Customer.objects.get_or_create(name=name.strip()[: MOST["customer"]])


def _header_faults(given: Header) -> list[Fault]:
    faults = [
        Fault(field, f"At most {MOST[field]:,} characters.")
        for field in ("title", "customer", "complaint")
        if len(getattr(given, field).strip()) > MOST[field]
    ]
    if not given.title.strip():
        faults.append(Fault("title", "Say which engine this is, for example the machine it came out of."))
    if given.due is not None and not EARLIEST <= given.due <= LATEST:
        faults.append(Fault("due", f"The year {given.due.year} cannot be right."))
    return faults


def _settled(record: JobRecord, person: Person) -> Opened:
    record.save()
    return settled(record, person)
