"""Readings land: one, or all that a bench kept while the server was away. Each once, in the order typed."""

import logging
from collections.abc import Iterable, Iterator
from contextlib import contextmanager, nullcontext
from copy import copy
from dataclasses import dataclass, field
from datetime import timedelta
from functools import partial
from threading import Lock
from typing import Literal, NamedTuple

from django.db import transaction
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.gauges import read_celsius, reads_something_else
from halfthou.jobs import DIAMETER, Condition, Job, Moment, Reading, Sitting, held_as
from halfthou.lengths import AmountUnit, Asked, Typed, Unit, Unreadable
from halfthou.operations import makes_stale
from halfthou.surveys import ALIKE, high_side
from workshop.bench.desk import Desk, SpotRef, gauge_of, interpret
from workshop.live.hub import hub
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.facts import own_or_may
from workshop.record.kept import grown
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, time_of
from workshop.record.opened import (
    Judged,
    Opened,
    add_facts,
    judged_now,
    looked_at,
    must_be_open,
    write_history,
    write_summary,
)

log = logging.getLogger(__name__)
#: A job holds so many readings.
MOST_READINGS = held_as(Reading).kind.most
#: So often readings are worked out beside the lock before they are worked out under it.
TRIES_BESIDE = 2
#: One writer at a time stands at the database's door: SQLite has those who wait sleep, and look again ever later.
_one_writer = Lock()


@contextmanager
def _writing() -> Iterator[None]:
    """The transaction in which readings are kept."""
    with _one_writer, transaction.atomic():
        yield


class SittingForm(Schema):
    """How warm part and gauge are, as typed. What is left empty is the shop's."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    part: str = Field(default="", max_length=40)
    gauge: str = Field(default="", max_length=40)
    condition: Condition = Condition.RESTED
    at: Moment


class Landing(Schema):
    """A reading as sent from a bench. `chosen_nm` answers a question that the text left open; `seen` is the reading
    that stood at the spot when this one was typed."""

    fact: Literal["reading"] = "reading"
    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    part: str = Field(max_length=40)
    feature: str = Field(default=DIAMETER, max_length=40)
    spot: str = Field(max_length=8)
    typed: str = Field(max_length=200)
    unit: Unit | AmountUnit
    gauge: str = Field(max_length=64)
    at: Moment
    chosen_nm: int | None = None
    corrects: str | None = Field(default=None, max_length=64)
    repeats: str | None = Field(default=None, max_length=64)
    sitting: SittingForm | None = None
    caps_torqued: bool | None = None
    plate_fitted: bool | None = None
    cleaned: bool | None = None
    by_button: bool = False
    seen: str | None = Field(default=None, max_length=64)


class Differs(NamedTuple):
    """Two people read one spot: what each is told, and who read it first."""

    second: str
    first: str
    first_by: str


@dataclass(frozen=True)
class Landed:
    """What became of one reading: landed, asked about, or refused; `conflict` where another stood there first, and
    what he is told who read it."""

    id: str
    asked: Asked | None = None
    refused: Refusal | None = None
    conflict: str = ""
    tell: Differs | None = None


def land_reading(person: Person, job_id: int, given: Landing) -> Opened | Asked:
    """Land a reading, or ask what it means. Sent twice, it lands once. Refuses: Refusal."""
    opened, (landed,) = land_readings(person, job_id, [given])
    if landed.refused is not None:
        raise landed.refused
    return landed.asked or opened


@dataclass
class Worked:
    """Readings worked out against a job as it stood: what became of each, and what is to be kept."""

    record: JobRecord
    job: Job
    judged: Judged | None
    results: list[Landed]
    readings: list[Reading]
    sittings: list[Sitting]
    history: list[str] = field(default_factory=list)


def land_readings(
    person: Person, job_id: int, given: list[Landing], off: timedelta = timedelta(0)
) -> tuple[Opened, list[Landed]]:
    """Land readings in their order, all of them in one bulk. One that is asked about or refused holds up no other.

    They are worked out beside the lock and kept under it, where the job has not changed meanwhile; else once more.
    `off` is how far the bench's clock is behind.
    """
    must(person, Act.READ)
    for attempt in range(TRIES_BESIDE + 1):
        under_lock = attempt == TRIES_BESIDE
        with _writing() if under_lock else nullcontext():
            worked = _work_out(person, job_id, given, off)
            if under_lock:
                return _keep(person, worked)
        with _writing():
            same = JobRecord.objects.filter(pk=job_id, version=worked.record.version).exists()
            done = _keep(person, worked) if same else None
        if done is not None:
            grown(job_id, worked.job.shown_in, (worked.record, worked.job))
            return done
    raise AssertionError("the last attempt keeps or refuses")


def _keep(person: Person, worked: Worked) -> tuple[Opened, list[Landed]]:
    record = worked.record
    if worked.readings:
        add_facts(record, (*worked.sittings, *worked.readings))
        for words in worked.history:
            write_history(record, person.username, words)
    write_summary(record, worked.judged)
    for one in worked.results:
        if one.tell is not None:
            transaction.on_commit(partial(hub.differs, record.pk, one.tell.first_by, one.tell.first))
    return Opened(record, worked.job, worked.judged and worked.judged.shown), worked.results


def _work_out(person: Person, job_id: int, given: Iterable[Landing], off: timedelta) -> Worked:
    known, job = looked_at(job_id, person)
    record = copy(known)
    desk = Desk(record, job)
    results, history = [], []
    for one in given:
        try:
            found = _land(person, record, desk, _in_time(one, off))
        except Refusal as refusal:
            found = Landed(one.id, refused=refusal)
        except (ValidationError, ValueError, ArithmeticError) as error:
            # A fault of one reading is that reading's refusal; the queue behind it goes on.
            log.exception("a reading could not be worked out")
            found = Landed(one.id, refused=not_worked_out(error))
        results.append(found)
        if found.tell is not None:
            history.append(found.tell.second)
    job = desk.whole()
    return Worked(record, job, judged_now(record, job), results, desk.new, desk.new_sittings, history)


def not_worked_out(error: Exception) -> Refusal:
    """What is said of a fact that the program stumbled over."""
    faults = faults_of(error) if isinstance(error, ValidationError) else ()
    words = "; ".join(fault.what for fault in faults) or "the program could not work it out"
    return Refusal("bad-fact", f"Not kept: {words}.", faults)


def _in_time(one: Landing, off: timedelta) -> Landing:
    if not off:
        return one
    try:
        return one.model_copy(update={"at": one.at + off})
    except OverflowError:
        raise Refusal("bad-time", "The clock of this bench cannot be right: set it.") from None


def _land(person: Person, record: JobRecord, desk: Desk, given: Landing) -> Landed:
    known = desk.readings.get(given.id)
    if known is not None:
        same = (known.part, known.feature, known.spot, known.typed) == (
            given.part,
            given.feature,
            given.spot,
            given.typed.strip(),
        )
        if not same:
            raise Clash("name-taken", "Another reading has that name already. This one was not kept.")
        return Landed(given.id)
    must_be_open(record)
    if len(desk.readings) >= MOST_READINGS:
        raise Clash("job-full", f"A job holds {MOST_READINGS:,} readings at the most. Book it in anew.")
    if given.id in desk.sittings or given.id in desk.taken:
        raise Clash("name-taken", "Another fact of this job has that name already. This one was not kept.")
    _check_links(person, desk, given)
    gauge = gauge_of(desk.job, given.gauge)
    ref = SpotRef(given.part, given.feature, given.spot)
    desk.part(ref)
    if wrong := reads_something_else(gauge, desk.engine.feature(given.part, given.feature).quantity):
        raise Refusal("other-quantity", f"{wrong}. Choose another gauge.", [Fault("gauge", wrong)])
    unit = given.unit if isinstance(given.unit, Unit) else desk.job.shown_in
    meant = interpret(desk, ref, given.typed, unit, gauge)
    how = ""
    if isinstance(meant, Asked):
        chosen = next((choice for choice in meant.choices if choice.length.nm == given.chosen_nm), None)
        if chosen is None:
            return Landed(given.id, asked=meant)
        meant, how = Typed(chosen.length, chosen.unit), chosen.words
    sitting = _new_sitting(person, desk, given)
    reading = _reading(person, desk, given, meant, how)
    conflict = _conflict(desk, given, reading)
    if sitting is not None:
        desk.sittings[sitting.id] = sitting
        desk.new_sittings.append(sitting)
    desk.grow(reading)
    return Landed(given.id, conflict=conflict.second if conflict else "", tell=conflict)


def _reading(person: Person, desk: Desk, given: Landing, meant: Typed, how: str) -> Reading:
    plan = desk.plan(SpotRef(given.part, given.feature, given.spot))
    feature = desk.engine.feature(given.part, given.feature)
    side = high_side(given.typed)[1] if feature.high_side else None
    return Reading(
        id=given.id,
        part=given.part,
        feature=given.feature,
        spot=given.spot,
        count=meant.length.nm,
        typed=given.typed.strip(),
        unit=meant.unit,
        gauge=given.gauge,
        angle_deg=plan.angle_of(given.spot) if plan is not None else side,
        planes=plan.planes if plan is not None else None,
        by=person.username,
        at=time_of(given.at),
        corrects=given.corrects,
        repeats=given.repeats,
        sitting=given.sitting.id if given.sitting else None,
        caps_torqued=given.caps_torqued,
        plate_fitted=given.plate_fitted,
        cleaned=given.cleaned,
        setting=_counted_from(desk, given),
        meant=how,
        by_button=given.by_button,
    )


def _counted_from(desk: Desk, given: Landing) -> str | None:
    """The setting check that a comparator's signed number counted from."""
    setting = desk.setting(gauge_of(desk.job, given.gauge)) if given.typed.strip()[:1] in "+-−–" else None
    return setting.check.id if setting is not None else None


def _conflict(desk: Desk, given: Landing, reading: Reading) -> Differs | None:
    """What to say to both where somebody else read the spot since this was typed; nothing is settled silently."""
    stands = [one for one in desk.standing(reading) if not _worked_since(desk, one, reading)]
    if not stands or given.seen == stands[-1].id or stands[-1].by == reading.by:
        return None
    other = stands[-1]
    if abs(other.size - reading.size) <= ALIKE:
        return None
    spot, both = f"{desk.engine.parts[given.part].name}, {given.spot},", "both readings are kept, and they differ"
    return Differs(
        f"{spot} was read by {other.by} meanwhile: {both}.",
        f"{spot} was read by {reading.by} after you: {both}.",
        other.by,
    )


def _worked_since(desk: Desk, before: Reading, after: Reading) -> bool:
    """Whether work between two readings made the first stale: then they do not contradict each other."""
    return any(
        makes_stale(done, before, desk.engine) and done.at < after.at for done in desk.job.standing_operations
    )


def _check_links(person: Person, desk: Desk, given: Landing) -> None:
    for link in (given.corrects, given.repeats):
        if link is None:
            continue
        other = desk.readings.get(link)
        if other is None or (other.part, other.feature, other.spot) != (
            given.part,
            given.feature,
            given.spot,
        ):
            raise NotThere("no-reading", "The reading to correct or to repeat is not there.")
        if link == given.corrects:
            own_or_may(person, other.by)


def sitting_from(person: Person, given: SittingForm) -> Sitting:
    """A sitting as typed. Refuses: Refusal."""
    faults: list[Fault] = []
    degrees: dict[str, float | None] = {"part": None, "gauge": None}
    for name in degrees:
        text = getattr(given, name).strip()
        try:
            degrees[name] = read_celsius(text) if text else None
        except Unreadable as error:
            faults.append(Fault(name, error.message))
    if not faults:
        try:
            return Sitting(
                id=given.id,
                part_c=degrees["part"],
                gauge_c=degrees["gauge"],
                condition=given.condition,
                by=person.username,
                at=time_of(given.at),
            )
        except ValidationError as error:
            faults = [Fault(fault.where.removesuffix("_c"), fault.what) for fault in faults_of(error)]
    raise Refusal("bad-temperature", "The temperatures were not kept. Mend what is marked.", faults)


def _new_sitting(person: Person, desk: Desk, given: Landing) -> Sitting | None:
    """The sitting that a reading brings, where the job does not know it yet."""
    if given.sitting is None or given.sitting.id in desk.sittings:
        return None
    if given.sitting.id in desk.readings or given.sitting.id in desk.taken or given.sitting.id == given.id:
        raise Clash("name-taken", "Another fact of this job has the sitting's name already. Nothing was kept.")
    return sitting_from(person, given.sitting)


#: What is reported here, and how it lands.
WAYS: Ways = {Landing: land_reading}
