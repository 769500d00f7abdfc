"""Facts from the door land: what was said, stop points, and which way on was chosen."""

from typing import Literal

from ninja import Schema
from pydantic import Field

from halfthou.door import faults_of_statement
from halfthou.exchange import Fault
from halfthou.first_look import USUAL_LOOKS
from halfthou.jobs import Fact, FactId, Job, Moment, Statement, StopPoint, WayOn
from workshop.bench.seeing import must_be_known
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one
from workshop.record.opened import Opened


class Telling(Schema):
    """Something said or found out at the door."""

    fact: Literal["statement"] = "statement"
    id: FactId
    topic: str = Field(max_length=40)
    answer: str = Field(max_length=200)
    source: str = Field(default="", max_length=200)
    verified: bool = False
    note: str = Field(default="", max_length=2000)
    at: Moment


class SettingStop(Schema):
    """A stop point agreed: at a sum in whole coins as typed, or before a look."""

    fact: Literal["stop point"] = "stop point"
    id: FactId
    name: str = Field(max_length=200)
    spend: str = Field(default="", max_length=40)
    before: str = Field(default="", max_length=40)
    at: Moment


class ChoosingWay(Schema):
    """What was decided at a stop point: to go on, or to stop."""

    fact: Literal["way on"] = "way on"
    id: FactId
    point: str = Field(max_length=64)
    on: bool
    reason: str = Field(max_length=200)
    at: Moment


def tell(person: Person, job_id: int, given: Telling) -> Opened:
    """Write down what was said at the door. Two sources may disagree: both stay."""

    def make(_record: JobRecord, _job: Job) -> list[Fact]:
        said = statement_of(person, given)
        return [said]

    return land_one(person, job_id, given, ("answer",), make)


def statement_of(person: Person, given: Telling) -> Statement:
    """What was said, as a fact. Refuses: Refusal where it is no answer."""
    if not given.answer.strip():
        raise Refusal("bad-answer", "Say something, or leave it.", [Fault("answer", "Nothing was said.")])
    said = fact_from(Statement, person, given)
    faults = [Fault("answer", fault) for fault in faults_of_statement(said)]
    if faults:
        raise Refusal("bad-answer", f"{faults[0].what}.", faults)
    return said


def set_stop(person: Person, job_id: int, given: SettingStop) -> Opened:
    """Agree a stop point."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        return [stop_of(person, given, job)]

    return land_one(person, job_id, given, ("name",), make)


def stop_of(person: Person, given: SettingStop, job: Job) -> StopPoint:
    """A stop point as a fact. Refuses: Refusal where it is at neither a sum nor a look, or at both."""
    if not given.name.strip():
        raise Refusal("bad-stop", "Give the stop point a name.", [Fault("name", "For example: before the heads.")])
    spend = _coins(given.spend, job) if given.spend.strip() else None
    before = given.before or None
    if before is not None:
        must_be_known(job, before)
    if (spend is None) == (before is None):
        fault = Fault("spend", "Give a sum, or choose a look: one of both.")
        raise Refusal("bad-stop", "A stop point is at a sum, or before a look.", [fault])
    return fact_from(StopPoint, person, given, spend=spend, before=before)


def _coins(text: str, job: Job) -> int:
    """A sum as typed, in the smallest coin. Refuses: Refusal."""
    table = job.look_table or USUAL_LOOKS
    plain = text.strip().removesuffix(table.currency).strip().replace(" ", "")
    if plain.count(",") == 1 and "." not in plain and len(plain.split(",")[1]) != 3:
        plain = plain.replace(",", ".")
    whole, _, part = plain.replace(",", "").partition(".")
    if not whole.isdecimal() or (part and not part.isdecimal()) or len(whole) > 7 or len(part) > 2:
        fault = Fault("spend", "Write a sum, as 450 or 450.00.")
        raise Refusal("bad-stop", f"“{text.strip()}” is no sum of money.", [fault])
    return int(whole) * table.coins + (int(part.ljust(2, "0")) * table.coins // 100 if part else 0)


def choose_way(person: Person, job_id: int, given: ChoosingWay) -> Opened:
    """Decide at a stop point, or where a look can end the job: go on, or stop. It stays on record."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        points = {point.id: point.name for point in job.standing(job.stop_points)}
        points |= {one.id: one.note for one in job.standing(job.seen) if one.ends}
        if given.point not in points:
            raise NotThere("no-point", "There is no such stop point.")
        if not given.reason.strip():
            raise Refusal("no-reason", "Say why: it stays on record.", [Fault("reason", "Say why.")])
        way = fact_from(WayOn, person, given)
        return [way]

    return land_one(person, job_id, given, ("point", "on"), make)


#: What is reported here, and how it lands.
WAYS: Ways = {Telling: tell, SettingStop: set_stop, ChoosingWay: choose_way}
