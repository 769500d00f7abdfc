"""Book an engine in, change what stands on its card, its plan or its limits; archive it and bring it back."""

from datetime import date

from django.db import transaction
from ninja import Schema

from halfthou.exchange import Fault
from halfthou.jobs import JournalSet, Plan
from halfthou.lengths import Unit
from workshop.jobs.actions.opened import Opened, job_record, settled, to_change, write_history
from workshop.jobs.models import JobRecord
from workshop.jobs.translate import job_of, plan_of
from workshop.limits.actions import revision_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal


class Header(Schema):
    """What stands on a job's card."""

    title: str
    customer: str = ""
    complaint: str = ""
    due: date | None = None


class BookIn(Header):
    """An engine to book in. An empty number takes the next free one."""

    number: str = ""
    limits_id: int
    entry_unit: Unit
    booked_in: date
    mains_plan: Plan = Plan()
    rods_plan: Plan = Plan()


def next_number() -> str:
    """The next free job number."""
    used = [int(n) for n in JobRecord.objects.values_list("number", flat=True) if n.isdigit()]
    return str(max(used, default=0) + 1)


@transaction.atomic
def book_in(person: Person, given: BookIn) -> Opened:
    """Book an engine in, with the limits it is to be judged by."""
    must(person, Act.BOOK_IN)
    number = given.number.strip() or next_number()
    faults = _header_faults(given)
    if JobRecord.objects.filter(number=number).exists():
        faults.append(Fault("number", f"There is a job {number} already."))
    if faults:
        raise Refusal("bad-job", "The engine is not booked in yet. Mend what is marked.", faults)
    record = JobRecord.objects.create(
        number=number,
        title=given.title.strip(),
        customer=given.customer.strip(),
        complaint=given.complaint.strip(),
        booked_in=given.booked_in,
        due=given.due,
        entry_unit=given.entry_unit.value,
        limits=revision_of(given.limits_id),
        mains_plan=given.mains_plan.model_dump(mode="json"),
        rods_plan=given.rods_plan.model_dump(mode="json"),
    )
    write_history(record, person.username, "booked the engine in")
    return _settled(record, person)


@transaction.atomic
def change_header(person: Person, job_id: int, given: Header) -> Opened:
    """Change title, customer, complaint or due date."""
    must(person, Act.BOOK_IN)
    record = to_change(job_id)
    faults = _header_faults(given)
    if faults:
        raise Refusal("bad-job", "The card was not changed. Mend what is marked.", faults)
    record.title, record.customer = given.title.strip(), given.customer.strip()
    record.complaint, record.due = given.complaint.strip(), given.due
    write_history(record, person.username, "changed the card")
    return _settled(record, person)


@transaction.atomic
def change_plan(person: Person, job_id: int, journal_set: JournalSet, plan: Plan) -> Opened:
    """Change the measuring plan of a set. Readings at spots that are no longer planned stay in the record."""
    must(person, Act.READ)
    record = to_change(job_id)
    before = plan_of(record.mains_plan if journal_set is JournalSet.MAINS else record.rods_plan)
    names = [name for name in sheet_journals(record) if (name[0] == "M") == (journal_set is JournalSet.MAINS)]
    if before.angles_deg != plan.angles_deg and record.readings.filter(journal__in=names).exists():
        message = "Readings were taken at the present angles. Planes may be added; the angles stay."
        raise Clash("plan-in-use", message)
    if before.planes != plan.planes and record.readings.filter(
        journal__in=names, spot__startswith=str(before.planes)
    ):
        message = "The last plane is read already, and it counts as the rear. Keep the number of planes."
        raise Clash("plan-in-use", message)
    if journal_set is JournalSet.MAINS:
        record.mains_plan = plan.model_dump(mode="json")
    else:
        record.rods_plan = plan.model_dump(mode="json")
    spots = f"{plan.planes} planes, {len(plan.angles_deg)} angles"
    write_history(record, person.username, f"changed the plan for the {journal_set.value}: {spots}")
    return _settled(record, person)


def sheet_journals(record: JobRecord) -> tuple[str, ...]:
    """The journals of a job's engine."""
    return job_of(record, Unit(record.entry_unit)).limits.layout.shaft


@transaction.atomic
def take_up_limits(person: Person, job_id: int, limits_id: int) -> Opened:
    """Judge a job by another revision of its engine's limits."""
    must(person, Act.DECIDE)
    record = to_change(job_id)
    revision = revision_of(limits_id)
    new_shaft = tuple(revision.document["layout"]["shaft"])
    if new_shaft != sheet_journals(record):
        raise Clash("other-engine", "That sheet has other journals than this engine. Book it in anew.")
    record.limits, record.frozen_limits = revision, None
    write_history(record, person.username, f"took up limits sheet {revision}")
    return _settled(record, person)


@transaction.atomic
def archive_job(person: Person, job_id: int, *, archived: bool) -> None:
    """Take a job off the rack, or bring it back. Nothing of it is lost."""
    must(person, Act.DECIDE)
    record = job_record(job_id)
    record.archived = archived
    record.save(update_fields=["archived"])
    write_history(record, person.username, "archived the job" if archived else "brought the job back")


def _header_faults(given: Header) -> list[Fault]:
    if not given.title.strip():
        return [Fault("title", "Say which engine this is, for example the machine it came out of.")]
    return [Fault("title", "At most 200 characters.")] if len(given.title) > 200 else []


def _settled(record: JobRecord, person: Person) -> Opened:
    record.save()
    return settled(record, person)
