"""What the API says of a job: the bench, the decisions on it, the lines of the rack."""

from datetime import date, datetime

from pydantic import BaseModel

from halfthou.engines import short_name
from halfthou.gauges import RISE_K
from halfthou.jobs import (
    ANSWERS,
    FIXED_SPOTS,
    Condition,
    DecisionKind,
    Feature,
    Job,
    JournalSet,
    Layout,
    Look,
    Operation,
    OperationKind,
    Plan,
    SheetState,
    Waived,
)
from halfthou.lengths import Asked, Length, Notation, Unit
from halfthou.operations import RUNS_ON, makes_stale
from halfthou.report import Assessment, Spot, blank_spots, read_signed
from halfthou.surveys import standing_readings
from halfthou.verdicts import Action, Caution, cautions_of_work
from workshop.gauges.api import BenchGauge, bench_gauge
from workshop.jobs.actions import Landed, Opened
from workshop.jobs.actions.deciding import matches
from workshop.jobs.actions.opened import standing_decisions, standing_signature
from workshop.jobs.models import DecisionRecord, JobRecord, Stage


class DecisionOut(BaseModel):
    """A decision that stands, or one made elsewhere that decides nothing here. `outdated` says that the verdict has
    changed since."""

    id: str
    about: Waived | None
    made_elsewhere: bool
    kind: DecisionKind
    set: JournalSet
    journal: str
    action: str
    words: str
    reason: str
    by: str
    at: datetime
    outdated: bool


class SignatureOut(BaseModel):
    """A signature."""

    revision: int
    by: str
    at: datetime
    withdrawn_by: str
    withdrawn_at: datetime | None
    withdrawn_because: str
    made_elsewhere: bool


class HistoryLine(BaseModel):
    """One line of a job's history."""

    by: str
    at: datetime
    words: str


class CardOut(BaseModel):
    """What stands on a job's card."""

    id: int
    number: str
    title: str
    customer: str
    complaint: str
    booked_in: date
    due: date | None
    entry_unit: Unit
    card_version: int
    engine: str
    limits_id: int | None
    limits_revision: int
    limits_state: SheetState
    archived: bool
    stage: Stage
    signed: bool


class WorkDone(BaseModel):
    """Work that stands on record, and how many readings it made stale."""

    id: str
    kind: OperationKind
    on: str
    on_words: str
    undersize: str
    note: str
    by: str
    at: datetime
    stale: int


class EntryHint(BaseModel):
    """What a signed number counts from in one set, and where its oil hole is."""

    nominal: str
    oil_hole_deg: float | None


class BenchOut(BaseModel):
    """Everything the bench shows of a job."""

    card: CardOut
    layout: Layout
    mains_plan: Plan
    rods_plan: Plan
    mains_hint: EntryHint
    rods_hint: EntryHint
    gauges: list[BenchGauge]
    shop_c: float
    blank_spots: dict[Feature, tuple[Spot, ...]]
    assessment: Assessment
    signed_assessment: Assessment | None
    decisions: list[DecisionOut]
    operations: list[WorkDone]
    signatures: list[SignatureOut]
    version: int
    other_limits: list["LimitsChoice"]


class LimitsChoice(BaseModel):
    """Another revision of the same engine's limits."""

    id: int
    revision: int
    state: SheetState


class ChoiceOut(BaseModel):
    """One answer to a question about typed text."""

    nm: int
    words: str


class AskedOut(BaseModel):
    """A question about typed text."""

    question: str
    choices: list[ChoiceOut]


class LandOut(BaseModel):
    """A reading landed, and the bench after it; or a question first."""

    asked: AskedOut | None = None
    bench: BenchOut | None = None


class LandedOut(BaseModel):
    """What became of one reading of a batch: landed, asked about, or refused (with the refusal's code)."""

    id: str
    asked: AskedOut | None
    refused: str
    code: str
    conflict: str


class BatchOut(BaseModel):
    """What became of a batch, and the bench after it."""

    results: list[LandedOut]
    bench: BenchOut


class SittingOut(BaseModel):
    """Temperatures as they were understood."""

    part_c: float | None
    gauge_c: float | None
    condition: Condition


class DraftOut(BaseModel):
    """What typed text would mean."""

    text: str
    nm: int | None
    asked: AskedOut | None


class LookOut(BaseModel):
    """A look and its answers."""

    look: Look
    answers: list[str]


class WorkOut(BaseModel):
    """An operation that can be written down, what it is done to, and what can hurt."""

    kind: OperationKind
    on: list[str]
    cautions: list[Caution]


WORK = [WorkOut(kind=kind, on=list(on), cautions=list(cautions_of_work(kind))) for kind, on in RUNS_ON.items()]
CONDITIONS = list(RISE_K)
#: The spots of bores and walls before anything is read: names and angles, no sizes.
BLANK_SPOTS = {feature: blank_spots(feature, Notation.usual(Unit.MM)) for feature in FIXED_SPOTS}
LOOKS = [LookOut(look=look, answers=list(answers)) for look, answers in ANSWERS.items()]


def asked_out(asked: Asked) -> AskedOut:
    """A question as the API puts it."""
    choices = [ChoiceOut(nm=choice.length.nm, words=choice.words) for choice in asked.choices]
    return AskedOut(question=asked.question, choices=choices)


def landed_out(landed: Landed) -> LandedOut:
    """What became of one reading, as the API says it."""
    return LandedOut(
        id=landed.id,
        asked=None if landed.asked is None else asked_out(landed.asked),
        refused="" if landed.refused is None else str(landed.refused),
        code="" if landed.refused is None else landed.refused.code,
        conflict=landed.conflict,
    )


def decision_out(row: DecisionRecord, found: Assessment) -> DecisionOut:
    """A decision as the API shows it."""
    outdated = not row.journal and not matches(row, found.of(JournalSet(row.set)))
    return DecisionOut(
        id=row.key,
        about=Waived(row.about) if row.about else None,
        made_elsewhere=row.made_elsewhere,
        kind=DecisionKind(row.kind),
        set=JournalSet(row.set),
        journal=row.journal,
        action=Action(row.action).value if row.action else "",
        words=row.words,
        reason=row.reason,
        by=row.by,
        at=row.at,
        outdated=outdated,
    )


def bench_out(opened: Opened) -> BenchOut:
    """The bench of an opened job."""
    record, job, found = opened.record, opened.job, opened.assessment
    signature = standing_signature(record)
    signed = read_signed(signature.sheet) if signature else None
    return BenchOut(
        card=_card(opened, signed=signature is not None),
        layout=job.limits.layout,
        mains_plan=job.mains_plan,
        rods_plan=job.rods_plan,
        mains_hint=_hint(opened, JournalSet.MAINS),
        rods_hint=_hint(opened, JournalSet.RODS),
        gauges=[bench_gauge(gauge) for gauge in job.gauges],
        shop_c=job.house_rules.shop_c,
        blank_spots=BLANK_SPOTS,
        assessment=found,
        signed_assessment=signed,
        decisions=[decision_out(row, found) for row in (*standing_decisions(record).values(), *_elsewhere(record))],
        operations=[_work_done(done, job) for done in job.standing_operations],
        version=record.version,
        signatures=[
            SignatureOut(
                revision=row.revision,
                by=row.by,
                at=row.at,
                withdrawn_by=row.withdrawn_by,
                withdrawn_at=row.withdrawn_at,
                withdrawn_because=row.withdrawn_because,
                made_elsewhere=row.made_elsewhere,
            )
            for row in record.signatures.all()
        ],
        other_limits=_other_limits(record),
    )


def _elsewhere(record: JobRecord) -> list[DecisionRecord]:
    """What came decided in a file, as far as nobody here has decided the same."""
    here = {(row.set, row.journal, row.about) for row in standing_decisions(record).values()}
    return [
        row
        for row in sorted(record.decisions.all(), key=lambda row: row.pk)
        if row.made_elsewhere and row.kind != "taken back" and (row.set, row.journal, row.about) not in here
    ]


def _work_done(done: Operation, job: Job) -> WorkDone:
    size = "" if done.undersize is None else Notation.usual(job.shown_in).undersize(done.undersize)
    return WorkDone(
        id=done.id,
        kind=done.kind,
        on=done.on,
        on_words=done.on if done.on in ("mains", "rods", "crank") else short_name(done.on),
        undersize=size,
        note=done.note,
        by=done.by,
        at=done.at,
        stale=sum(makes_stale(done, reading) for reading in standing_readings(job)),
    )


def _hint(opened: Opened, journal_set: JournalSet) -> EntryHint:
    limits = opened.job.limits.of(journal_set)
    present = Length(opened.assessment.of(journal_set).present.nm)
    unit = Unit(opened.record.entry_unit)
    nominal = Notation.usual(unit).with_unit(limits.size.most - present)
    return EntryHint(nominal=nominal, oil_hole_deg=limits.oil_hole_deg)


def _other_limits(record: JobRecord) -> list[LimitsChoice]:
    if record.limits is None:
        return []
    others = record.limits.sheet.revisions.exclude(pk=record.limits.pk)
    return [
        LimitsChoice(id=other.pk, revision=other.number, state=SheetState(other.document["state"]))
        for other in others
    ]


def _card(opened: Opened, *, signed: bool) -> CardOut:
    record, limits = opened.record, opened.job.limits
    return CardOut(
        id=record.pk,
        number=record.number,
        title=record.title,
        customer=record.customer,
        complaint=record.complaint,
        booked_in=record.booked_in,
        due=record.due,
        entry_unit=Unit(record.entry_unit),
        card_version=record.card_version,
        engine=limits.engine,
        limits_id=record.limits.pk if record.limits else None,
        limits_revision=limits.revision,
        limits_state=limits.state,
        archived=record.archived,
        stage=Stage(record.stage),
        signed=signed,
    )


BenchOut.model_rebuild()
