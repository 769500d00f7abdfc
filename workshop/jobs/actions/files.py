"""Take in a whole job, or readings, from a file.

A file is read and checked before anything is locked. What it says of people was made elsewhere: names are marked
so, and nobody's decision, signature or confirmation in it counts here until somebody who may takes it up.
"""

import hashlib
from dataclasses import dataclass
from datetime import datetime
from typing import Any, NamedTuple

from django.db import transaction
from django.utils import timezone
from pydantic import ValidationError

from halfthou.assess import judge, put_in_words
from halfthou.exchange import BadFile, Fault, ReadingRow, faults_of, read_job, read_readings, read_zip
from halfthou.jobs import FACT_KINDS, Job, JobFile, Reading, SheetState, SlipAnswer, Withdrawal
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from halfthou.surveys import plan_of
from workshop.jobs.actions.booking import next_number
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal
from workshop.record.models import DecisionRecord, JobRecord, SignatureRecord
from workshop.record.opened import (
    Judged,
    Opened,
    add_facts,
    job_record,
    judged_now,
    must_be_open,
    settled,
    sound,
    sound_job,
    write_history,
    write_summary,
)
from workshop.record.pictures import keep_file, take_in_file
from workshop.record.translate import decision_row

ELSEWHERE = " (elsewhere)"
#: Longer names are cut, so that the mark fits: what lands must open.
LONGEST_NAME = 150 - len(ELSEWHERE)
BATCH = 500
#: So many new readings land from one file: nobody waits a second for the lock meanwhile.
MOST_NEW = 4_000


def take_in_job(person: Person, text: str, number: str = "") -> Opened:
    """Take in a job file. Its number must be free here, or another is given; its limits, gauges and rules stay its
    own."""
    must(person, Act.BOOK_IN)
    return _take_in(person, _numbered(read_job(text), number))


def _numbered(file: JobFile, number: str) -> JobFile:
    if not number.strip():
        return file
    return file.model_copy(update={"job": file.job.model_copy(update={"number": number.strip()})})


def take_in_zip(person: Person, data: bytes, number: str = "") -> Opened:
    """Take in a job with its pictures. Nothing of it is kept where one picture is not what its hash says."""
    must(person, Act.BOOK_IN)
    file, contents = read_zip(data)
    file = _numbered(file, number)
    kinds = {one.sha256: one for one in file.job.pictures}
    pictures, bare = [], {}
    for name, content in contents.items():
        picture, told = take_in_file(content), kinds[name]
        if (picture.kind, picture.width, picture.height) != (told.kind, told.width, told.height):
            raise BadFile([Fault(f"picture {name[:12]}", "is not of the kind and size that the job says")])
        pictures.append(picture)
        bare[name] = {"sha256": picture.sha256, "size": len(picture.content)}
    for picture in pictures:
        keep_file(picture)
    taken = tuple(one.model_copy(update=bare.get(one.sha256, {})) for one in file.job.pictures)
    return _take_in(person, file.model_copy(update={"job": file.job.model_copy(update={"pictures": taken})}))


def _take_in(person: Person, read: JobFile) -> Opened:
    file = _of_elsewhere(read)
    # Judged once before anything is locked: a file that cannot be judged is refused here.
    put_in_words(judge(sound(file.job)))
    with transaction.atomic():
        return _keep_job(person, file)


def _keep_job(person: Person, file: JobFile) -> Opened:
    job = file.job
    here = JobRecord.objects.filter(number=job.number).first()
    if here is not None:
        words = f"There is a job {job.number} here already: {_beside(here, job)} Nothing was taken in."
        raise Clash("number-taken", words, [Fault("number", next_number())])
    used = {reading.gauge for reading in job.readings} | {seen.gauge for seen in job.fasteners if seen.gauge}
    used |= {check.against for check in job.checks if check.gauge in used and check.against}
    record = JobRecord.objects.create(
        number=job.number,
        title=job.title,
        customer=job.customer,
        complaint=job.complaint,
        booked_in=job.booked_in,
        due=job.due,
        entry_unit=job.shown_in.value,
        frozen_limits=job.limits.model_dump(mode="json"),
        frozen_house_rules=job.house_rules.model_dump(mode="json"),
        frozen_look_table=None if job.look_table is None else job.look_table.model_dump(mode="json"),
        strip_edits=None if job.strip_edits is None else job.strip_edits.model_dump(mode="json"),
        own_gauges=[gauge.model_dump(mode="json") for gauge in job.gauges if gauge.id in used],
        own_checks=[check.model_dump(mode="json") for check in job.checks if check.gauge in used],
        scope=list(job.scope),
        plans={one: plan.model_dump(mode="json") for one, plan in job.plans.items()},
    )
    add_facts(record, (fact for _, fact in job.facts))
    DecisionRecord.objects.bulk_create(
        (decision_row(record, decision, elsewhere=True) for decision in job.decisions), batch_size=BATCH
    )
    signed = [{**signature.model_dump(), "made_elsewhere": True} for signature in file.signatures]
    SignatureRecord.objects.bulk_create(SignatureRecord(job=record, **one) for one in signed)
    write_history(record, person.username, "took the job in from a file")
    return settled(record, person)


def _beside(here: JobRecord, job: Job) -> str:
    """How a file differs from the job of its number here, in words."""
    known = set(here.facts.values_list("key", flat=True))
    came = {fact.id for _, fact in job.facts}
    both, only_here, only_there = len(known & came), len(known - came), len(came - known)
    if here.title != job.title and not both:
        return f"“{here.title}”, and the file is of “{job.title}”."
    if not only_here and not only_there:
        return f"the same one, with the same {both} entries."
    return f"{both} entries are the same, {only_there} of the file are not here, {only_here} here are not in it."


def _of_elsewhere(file: JobFile) -> JobFile:
    """The file with every name marked as of elsewhere, and its limits as confirmed by nobody here.

    Refuses: Refusal where a revision is signed twice.
    """
    if len({signature.revision for signature in file.signatures}) < len(file.signatures):
        raise Refusal("bad-file", "Two signatures of the file are of one revision. Nothing was taken in.")
    job = file.job
    marked = {
        name: tuple(_marked(fact) for fact in getattr(job, name))
        for name in (*(held.field for held in FACT_KINDS.values()), "checks", "decisions")
    }
    limits = job.limits
    if limits.state is SheetState.CONFIRMED:
        limits = limits.model_copy(update={"state": SheetState.ELSEWHERE})
    return file.model_copy(
        update={
            "job": job.model_copy(update={**marked, "limits": limits}),
            "signatures": tuple(_marked(signature) for signature in file.signatures),
        }
    )


def _marked(fact: Any) -> Any:
    by: str = fact.by
    return fact if by.endswith(ELSEWHERE) else fact.model_copy(update={"by": by[:LONGEST_NAME] + ELSEWHERE})


@dataclass(frozen=True)
class Compared:
    """A readings file held against its job: how many are here already, what is new, what differs and how."""

    known: int
    readings: tuple[Reading, ...]
    withdrawals: tuple[Withdrawal, ...]
    answers: tuple[SlipAnswer, ...]
    differs: tuple[str, ...]

    @property
    def words(self) -> str:
        """What taking it in would do, in words."""
        parts = [f"{self.known} are already here", f"{len(self.readings)} new"]
        if self.differs:
            parts.append(f"{len(self.differs)} {'differs' if len(self.differs) == 1 else 'differ'}")
        return ", ".join(parts) + "."


@dataclass(frozen=True)
class _Worked:
    record: JobRecord
    compared: Compared
    job: Job
    judged: Judged | None


def compare_readings(person: Person, job_id: int, text: str, gauge: str) -> Compared:
    """What taking a readings file in would do. Nothing is kept. Refuses: Refusal, BadFile."""
    must(person, Act.READ)
    return _compare(person, sound_job(job_record(job_id), Unit(person.shown_unit)), text, gauge)


def take_in_readings(person: Person, job_id: int, text: str, gauge: str) -> Opened:
    """Take in a readings CSV, whole or not at all: what is new in it. What is here already is recognised.

    It is read and held against the job beside the lock and kept under it; where the job has changed meanwhile, it
    is worked out once more, under the lock.
    Refuses: Refusal where a reading of the file has the name of another here.
    """
    must(person, Act.READ)
    worked = _work_out(person, job_id, text, gauge)
    with transaction.atomic():
        if JobRecord.objects.filter(pk=job_id, version=worked.record.version).exists():
            return _keep(person, worked)
    with transaction.atomic():
        return _keep(person, _work_out(person, job_id, text, gauge))


def _work_out(person: Person, job_id: int, text: str, gauge: str) -> _Worked:
    record = job_record(job_id)
    must_be_open(record)
    job = sound_job(record, Unit(person.shown_unit))
    compared = _compare(person, job, text, gauge)
    if compared.differs:
        names = "; ".join(compared.differs[:5])
        raise Clash("differs", f"{compared.words} Nothing was taken in: {names}.")
    if len(compared.readings) > MOST_NEW:
        words = f"{len(compared.readings):,} new readings are more than {MOST_NEW:,}: split the file."
        raise Refusal("too-many", words)
    grown = {
        "readings": (*job.readings, *compared.readings),
        "withdrawals": (*job.withdrawals, *compared.withdrawals),
        "slip_answers": (*job.slip_answers, *compared.answers),
    }
    job = sound(job.model_copy(update=grown))
    return _Worked(record, compared, job, judged_now(record, job))


def _keep(person: Person, worked: _Worked) -> Opened:
    record, compared = worked.record, worked.compared
    add_facts(record, (*compared.readings, *compared.withdrawals, *compared.answers))
    write_history(record, person.username, f"took in {len(compared.readings)} readings from a file")
    write_summary(record, worked.judged)
    return Opened(record, worked.job, worked.judged and worked.judged.shown)


def _compare(person: Person, job: Job, text: str, gauge: str) -> Compared:
    rows = read_readings(text, job)
    if gauge not in {known.id for known in job.gauges} and any(row.gauge is None for row in rows):
        raise Refusal("no-gauge", "Choose the gauge these were read with: the file does not say.")
    stamp = hashlib.sha256(text.encode()).hexdigest()[:16]
    here = {reading.id: reading for reading in job.readings}
    now = timezone.now()
    new: list[tuple[ReadingRow, Reading]] = []
    differs, known = [], 0
    for row in rows:
        name = row.id or f"csv.{stamp}.{row.line:06d}"
        before = here.get(name)
        if before is None:
            new.append((row, _reading(person, job, row, name, FileTaken(row.gauge or gauge, row.at or now))))
        elif _same(before, row):
            known += 1
        else:
            differs.append(f"line {row.line} is not {before.part} {before.spot}, {before.typed}, as kept here")
    by, withdrawn, answered = person.username, [], []
    for row, reading in new:
        if row.withdrawn:
            withdrawn.append(Withdrawal(id=f"{reading.id[:58]}.back", fact=reading.id, by=by, at=reading.at))
        if row.answer is not None:
            slip, offered = row.answer
            answered.append(
                SlipAnswer(
                    id=f"{reading.id[:58]}.says",
                    reading=reading.id,
                    slip=slip,
                    offered=offered,
                    taken=offered is not None,
                    by=by,
                    at=reading.at,
                )
            )
    return Compared(known, tuple(r for _, r in new), tuple(withdrawn), tuple(answered), tuple(differs))


def _same(before: Reading, row: ReadingRow) -> bool:
    return (before.part, before.feature, before.spot, before.size) == (
        row.part,
        row.feature,
        row.spot,
        row.size,
    )


class FileTaken(NamedTuple):
    """What a row leaves to the bench: the gauge it was read with, and when."""

    gauge: str
    at: datetime


def _reading(person: Person, job: Job, row: ReadingRow, name: str, taken: FileTaken) -> Reading:
    angle, planes = row.angle_deg, row.planes
    engine = CATALOGUE.engine_of(job)
    feature = engine.feature(row.part, row.feature)
    plan = plan_of(job, engine.parts[row.part].set, feature)
    if feature.plan is not None and angle is None and row.spot in plan.spots:
        angle, planes = float(plan.angle_of(row.spot)), plan.planes
    try:
        return Reading(
            id=name,
            part=row.part,
            feature=row.feature,
            spot=row.spot,
            count=row.size.nm,
            typed=row.typed,
            unit=row.unit,
            gauge=taken.gauge,
            angle_deg=angle,
            planes=planes,
            by=person.username,
            at=taken.at,
            corrects=row.corrects,
            repeats=row.repeats,
            caps_torqued=row.caps_torqued,
            plate_fitted=row.plate_fitted,
            cleaned=row.cleaned,
        )
    except ValidationError as error:
        faults = [Fault(f"line {row.line}", fault.what) for fault in faults_of(error)]
        raise BadFile(faults) from None
