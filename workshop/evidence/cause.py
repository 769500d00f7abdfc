"""What people make of the cause lands: settled, left open, removed; what metal went through; parts that go to
another engine; reports sent."""

from datetime import date
from typing import Literal

from ninja import Schema
from pydantic import Field

from halfthou.assess import assess, evidence_standing
from halfthou.causes import CAUSES
from halfthou.evidence import Sent, contaminated, customer_report, flag_of
from halfthou.exchange import Fault
from halfthou.jobs import (
    CarriedPart,
    CauseSaid,
    Dealt,
    DealtHow,
    Fact,
    FactId,
    Job,
    Moment,
    Remedy,
    RemedyHow,
    ReportIssued,
    Stand,
    held_as,
)
from halfthou.lengths import Unit
from workshop.house.shop import shop_in_force
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one, must_say
from workshop.record.opened import Opened, add_facts, job_record, must_be_open, settled


class SayingCause(Schema):
    """What a person makes of the cause, and why."""

    fact: Literal["cause"] = "cause"
    id: FactId
    stand: Stand
    cause: str = Field(default="", max_length=60)
    words: str = Field(default="", max_length=200)
    reason: str = Field(max_length=200)
    at: Moment


class Removing(Schema):
    """What removes a cause: an operation, a part, work done elsewhere with whose it is and on what paper it stands,
    or a check; `done` once it is."""

    fact: Literal["remedy"] = "remedy"
    id: FactId
    cause: str = Field(max_length=200)
    words: str = Field(max_length=200)
    how: RemedyHow = RemedyHow.OPERATION
    shop: str = Field(default="", max_length=200)
    paper: str = Field(default="", max_length=200)
    done: bool = True
    at: Moment


class DealingWith(Schema):
    """Something metal went through is dealt with."""

    fact: Literal["dealt"] = "dealt"
    id: FactId
    item: str = Field(max_length=200)
    how: DealtHow
    words: str = Field(default="", max_length=2000)
    at: Moment


class CarryingPart(Schema):
    """A used part that leaves for another job (`out`), or came from elsewhere with what went through it."""

    fact: Literal["carried part"] = "carried part"
    id: FactId
    what: str = Field(max_length=200)
    out: bool
    other: str = Field(max_length=60)
    with_metal: str = Field(default="", max_length=200)
    at: Moment


class SendingReport(Schema):
    """A strip report sent to the customer, with words of one's own and the day an answer is wanted by."""

    fact: Literal["report"] = "report"
    id: FactId
    words: str = Field(default="", max_length=2000)
    answer_by: date | None = None
    at: Moment


def say_cause(person: Person, job_id: int, given: SayingCause) -> Opened:
    """Settle on a cause, name one's own, or leave it open: with a reason, and on record."""

    def make(_record: JobRecord, _job: Job) -> list[Fact]:
        reason = must_say(given.reason, "reason", "Say why.")
        if given.stand is Stand.SETTLED and given.cause not in CAUSES:
            raise Refusal(
                "no-cause", "Choose one of the causes, or name your own.", [Fault("cause", "Choose one.")]
            )
        if given.stand is Stand.OWN:
            must_say(given.words, "words", "Name the cause.")
        said = fact_from(
            CauseSaid, person, given, cause=given.cause if given.stand is Stand.SETTLED else "", reason=reason
        )
        return [said]

    return land_one(person, job_id, given, ("stand", "cause"), make)


def remove_cause(person: Person, job_id: int, given: Removing) -> Opened:
    """Write down what removes a cause. Refuses: Refusal where it does not say what, or a check clears nothing."""

    def make(_record: JobRecord, _job: Job) -> list[Fact]:
        words = must_say(given.words, "words", "By which operation or new part?")
        cause = must_say(given.cause, "cause", "Which cause?")
        if given.how is RemedyHow.ELSEWHERE:
            must_say(given.shop, "shop", "Who did it?")
            must_say(given.paper, "paper", "On what paper does it stand? An invoice, a test sheet, its number.")
        if given.how is RemedyHow.CHECK and not (cause in CAUSES and CAUSES[cause].checked_by):
            message = "No check removes this cause. Say by which operation or part, or by whose work."
            raise Refusal("no-check", message, [Fault("how", message)])
        return [fact_from(Remedy, person, given, cause=cause, words=words)]

    return land_one(person, job_id, given, ("cause", "how", "done"), make)


def deal_with(person: Person, job_id: int, given: DealingWith) -> Opened:
    """Write down what was done about a part that metal went through."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        standing = evidence_standing(job)
        listed = {one.key: one for one in contaminated(job, standing.sightings, standing.signs)}
        one = listed.get(given.item)
        if one is None:
            raise NotThere("no-item", "That is not on the list of what metal went through.")
        if given.how not in one.settled_by:
            ways = ", ".join(how.value for how in one.settled_by)
            words = f"{one.name} is not dealt with when it is {given.how.value}. It is when it is {ways}."
            raise Refusal("not-enough", words, [Fault("how", words)])
        return [fact_from(Dealt, person, given)]

    return land_one(person, job_id, given, ("item", "how"), make)


def carry_part(person: Person, job_id: int, given: CarryingPart) -> Opened:
    """A used part leaves for another job, and takes along what went through it; or it came from elsewhere."""

    def make(record: JobRecord, job: Job) -> list[Fact]:
        what, other = must_say(given.what, "what", "For example: oil cooler."), given.other.strip()
        if not given.out:
            other = must_say(other, "other", "Which engine did it come out of?")
            came = fact_from(CarriedPart, person, given, what=what, out=False, other=other)
            return [came]
        standing = evidence_standing(job)
        flag = flag_of(job, standing.sightings, standing.signs, what)
        there = _job_called(other, record)
        left = fact_from(CarriedPart, person, given, what=what, out=True, other=there.number, with_metal=flag)
        came = left.model_copy(update={"id": f"{given.id[:60]}.in", "out": False, "other": record.number})
        add_facts(there, [came])
        settled(there, person)
        return [left]

    return land_one(person, job_id, given, ("what",), make)


def _job_called(number: str, own: JobRecord) -> JobRecord:
    """The job of that number, to change. Refuses: Refusal where there is none, or it is the same."""
    found = JobRecord.objects.filter(number=number).exclude(pk=own.pk).order_by("-pk").first()
    if found is None:
        words = f"There is no other job {number}." if number else "Which job does it leave for?"
        raise Refusal("no-job-there", words, [Fault("other", words)])
    there = job_record(found.pk)
    must_be_open(there, held_as(CarriedPart).kind)
    return there


def send_report(person: Person, job_id: int, given: SendingReport) -> Opened:
    """Keep a strip report as it is sent: it is never worked out again. The next says what is new."""

    def make(record: JobRecord, job: Job) -> list[Fact]:
        own = job.model_copy(update={"shown_in": Unit(record.entry_unit)})
        sent = Sent(given.words, given.answer_by, shop_in_force())
        found = customer_report(evidence_standing(own), assess(own), sent)
        if not (found.findings or found.known or found.likely or found.sound or own.standing_readings):
            raise Clash("nothing-to-report", "There is nothing to report yet: nothing was seen or measured.")
        content = found.model_dump(mode="json")
        report = fact_from(ReportIssued, person, given, number=found.number, content=content)
        return [report]

    return land_one(person, job_id, given, ("words",), make)


#: What is reported here, and how it lands.
WAYS: Ways = {
    SayingCause: say_cause,
    Removing: remove_cause,
    DealingWith: deal_with,
    CarryingPart: carry_part,
    SendingReport: send_report,
}
