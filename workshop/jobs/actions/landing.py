"""Readings land: one, or all that a bench kept while the server was away. Each once, in the order typed."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from django.db import transaction
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.assess import present_size
from halfthou.exchange import Fault, faults_of
from halfthou.gauges import read_celsius
from halfthou.jobs import Condition, Feature, Gauge, Job, JournalSet, Reading, Sitting, set_of
from halfthou.lengths import Asked, Length, Typed, Unit, Unreadable, Window
from halfthou.surveys import ALIKE, read_at, standing_readings, standing_sizes, window_for, window_of_feature
from workshop.jobs.actions.facts import own_or_may, time_of
from workshop.jobs.actions.opened import Opened, job_record, must_be_open, settle, write_history
from workshop.jobs.models import JobRecord, ReadingRecord, SittingRecord
from workshop.jobs.translate import job_of, reading_row, sitting_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal


class SittingForm(Schema):
    """How warm part and gauge are, as typed. What is left empty is the shop's."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    part: str = Field(default="", max_length=40)
    gauge: str = Field(default="", max_length=40)
    condition: Condition = Condition.RESTED
    at: datetime


class Landing(Schema):
    """A reading as sent from a bench. `chosen_nm` answers a question that the text left open; `seen` is the reading
    that stood at the spot when this one was typed."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    journal: str
    feature: Feature = Feature.JOURNAL
    spot: str
    typed: str = Field(max_length=200)
    unit: Unit
    gauge: str
    at: datetime
    chosen_nm: int | None = None
    corrects: str | None = None
    repeats: str | None = None
    sitting: SittingForm | None = None
    caps_torqued: bool | None = None
    plate_fitted: bool | None = None
    cleaned: bool | None = None
    by_button: bool = False
    seen: str | None = None


@dataclass(frozen=True)
class Landed:
    """What became of one reading: landed, asked about, or refused; `conflict` where another stood there first."""

    id: str
    asked: Asked | None = None
    refused: Refusal | None = None
    conflict: str = ""


@dataclass(frozen=True)
class Place:
    """Where a reading belongs."""

    journal: str
    feature: Feature
    spot: str


class Desk:
    """A job while readings land on it, and what was read of each set so far: kept, as it grows by one at a time."""

    def __init__(self, job: Job) -> None:
        self.job = job
        self._read: dict[tuple[JournalSet, Feature], list[Length]] = {}

    def read(self, journal: str, feature: Feature) -> list[Length]:
        """The sizes read of a set and feature that stand."""
        key = set_of(journal), feature
        if key not in self._read:
            self._read[key] = list(standing_sizes(self.job, *key))
        return self._read[key]

    def window(self, journal: str, feature: Feature) -> Window:
        """What a reading can be, by the limits and what its set has read so far."""
        journal_set, read = set_of(journal), self.read(journal, feature)
        limits = self.job.limits.of(journal_set)
        if feature is not Feature.JOURNAL:
            return window_of_feature(limits, feature, read)
        return window_for(limits, present_size(self.job, journal_set, read), read)

    def grow(self, reading: Reading) -> None:
        """One more reading stands. One that corrects takes another away: then what was read is gathered anew."""
        sizes = self.read(reading.journal, reading.feature)
        self.job = self.job.model_copy(update={"readings": (*self.job.readings, reading)})
        if reading.corrects is None:
            sizes.append(reading.size)
        else:
            self._read.clear()


def interpret(desk: Desk, place: Place, typed: str, unit: Unit, gauge: Gauge) -> Typed | Asked:
    """What typed text would mean at a spot, without landing it. Refuses: Refusal."""
    job = desk.job
    if place.journal not in job.limits.layout.shaft or place.spot not in job.spots_of(place.journal, place.feature):
        raise NotThere("no-spot", f"{place.journal} {place.spot} is no spot of this engine's plan.")
    try:
        return read_at(typed, unit, desk.window(place.journal, place.feature), gauge)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("typed", error.message)]) from None


def gauge_of(job: Job, key: str) -> Gauge:
    """A gauge of the job. Refuses: Refusal."""
    found = next((gauge for gauge in job.gauges if gauge.id == key), None)
    if found is None:
        raise Refusal("no-gauge", "That gauge is not in the list. Choose another.", [Fault("gauge", "not listed")])
    return found


def land_reading(person: Person, job_id: int, given: Landing) -> Opened | Asked:
    """Land a reading, or ask what it means. Sent twice, it lands once. Refuses: Refusal."""
    opened, (landed,) = land_readings(person, job_id, [given])
    if landed.refused is not None:
        raise landed.refused
    return landed.asked or opened


@transaction.atomic
def land_readings(
    person: Person, job_id: int, given: list[Landing], off: timedelta = timedelta(0)
) -> tuple[Opened, list[Landed]]:
    """Land readings in their order, in one transaction. One that is asked about or refused holds up no other.

    `off` is how far the bench's clock is behind.
    """
    must(person, Act.READ)
    record = job_record(job_id)
    desk = Desk(job_of(record, Unit(person.shown_unit)))
    known = {reading.id for reading in desk.job.readings}
    rows: list[ReadingRecord] = []
    results = []
    for one in given:
        if one.id in known:
            results.append(Landed(one.id))
            continue
        try:
            found = _land(person, record, desk, one.model_copy(update={"at": one.at + off}) if off else one)
        except Refusal as refusal:
            results.append(Landed(one.id, refused=refusal))
            continue
        results.append(found)
        if found.asked is None:
            known.add(one.id)
            rows.append(reading_row(record, desk.job.readings[-1]))
    ReadingRecord.objects.bulk_create(rows)
    return Opened(record, desk.job, settle(record, desk.job)), results


def _land(person: Person, record: JobRecord, desk: Desk, given: Landing) -> Landed:
    must_be_open(record)
    _check_links(person, desk.job, given)
    gauge = gauge_of(desk.job, given.gauge)
    place = Place(given.journal, given.feature, given.spot)
    meant = interpret(desk, place, given.typed, given.unit, gauge)
    how = ""
    if isinstance(meant, Asked):
        chosen = next((choice for choice in meant.choices if choice.length.nm == given.chosen_nm), None)
        if chosen is None:
            return Landed(given.id, asked=meant)
        meant, how = Typed(chosen.length, chosen.unit), chosen.words
    desk.job = _with_sitting(person, record, desk.job, given.sitting)
    reading = _reading(person, given, meant, how)
    conflict = _conflict(desk.job, given, reading)
    if conflict:
        write_history(record, person.username, conflict)
    desk.grow(reading)
    return Landed(given.id, conflict=conflict)


def _reading(person: Person, given: Landing, meant: Typed, how: str) -> Reading:
    return Reading(
        id=given.id,
        journal=given.journal,
        feature=given.feature,
        spot=given.spot,
        size=meant.length,
        typed=given.typed.strip(),
        unit=meant.unit,
        gauge=given.gauge,
        by=person.username,
        at=time_of(given.at),
        corrects=given.corrects,
        repeats=given.repeats,
        sitting=given.sitting.id if given.sitting else None,
        caps_torqued=given.caps_torqued,
        plate_fitted=given.plate_fitted,
        cleaned=given.cleaned,
        meant=how,
        by_button=given.by_button,
    )


def _conflict(job: Job, given: Landing, reading: Reading) -> str:
    """What to say where somebody else read the spot since this one was typed; nothing is settled silently."""
    here = (given.journal, given.feature, given.spot)
    if not any(r.by != reading.by and (r.journal, r.feature, r.spot) == here for r in job.readings):
        return ""
    stands = [r for r in standing_readings(job) if (r.journal, r.feature, r.spot) == here]
    if not stands or given.seen == stands[-1].id or stands[-1].by == reading.by:
        return ""
    other = stands[-1]
    if abs(other.size - reading.size) <= ALIKE:
        return ""
    return (
        f"{given.journal} {given.spot} was read by {other.by} meanwhile: both readings are kept, and they differ."
    )


def _check_links(person: Person, job: Job, given: Landing) -> None:
    for link in (given.corrects, given.repeats):
        if link is None:
            continue
        other = next((reading for reading in job.readings if reading.id == link), None)
        here = (given.journal, given.feature, given.spot)
        if other is None or (other.journal, other.feature, other.spot) != here:
            raise NotThere("no-reading", "The reading to correct or to repeat is not there.")
        if link == given.corrects:
            own_or_may(person, other.by)


def sitting_from(person: Person, given: SittingForm) -> Sitting:
    """A sitting as typed. Refuses: Refusal."""
    faults: list[Fault] = []
    degrees: dict[str, float | None] = {"part": None, "gauge": None}
    for field in degrees:
        text = getattr(given, field).strip()
        try:
            degrees[field] = read_celsius(text) if text else None
        except Unreadable as error:
            faults.append(Fault(field, error.message))
    if not faults:
        try:
            return Sitting(
                id=given.id, part_c=degrees["part"], gauge_c=degrees["gauge"], condition=given.condition,
                by=person.username, at=time_of(given.at),
            )  # fmt: skip
        except ValidationError as error:
            faults = [Fault(fault.where.removesuffix("_c"), fault.what) for fault in faults_of(error)]
    raise Refusal("bad-temperature", "The temperatures were not kept. Mend what is marked.", faults)


def _with_sitting(person: Person, record: JobRecord, job: Job, given: SittingForm | None) -> Job:
    if given is None or any(sitting.id == given.id for sitting in job.sittings):
        return job
    row = _sitting_row(record, sitting_from(person, given))
    row.save()
    return job.model_copy(update={"sittings": (*job.sittings, sitting_of(row))})


def _sitting_row(record: JobRecord, sitting: Sitting) -> SittingRecord:
    return SittingRecord(
        job=record, key=sitting.id, part_c=sitting.part_c, gauge_c=sitting.gauge_c,
        condition=sitting.condition.value, by=sitting.by, at=sitting.at,
    )  # fmt: skip
