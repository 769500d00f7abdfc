"""What the API says of a job: the bench, the decisions on it, the lines of the rack."""

from datetime import date, datetime

from pydantic import BaseModel

from halfthou.answer import Assessment, Spot, blank_spots
from halfthou.gauges import RISE_K
from halfthou.jobs import (
    ANSWERS,
    FIXED_SPOTS,
    Condition,
    DecisionKind,
    Feature,
    JournalSet,
    Layout,
    Look,
    OperationKind,
    Plan,
    SheetState,
)
from halfthou.lengths import Asked, Length, Notation, Unit
from halfthou.operations import RUNS_ON
from halfthou.verdicts import Action, Caution, MarkCode, cautions_of_work
from workshop.gauges.api import BenchGauge, bench_gauge
from workshop.jobs.actions import Landed, Opened
from workshop.jobs.actions.deciding import matches
from workshop.jobs.actions.opened import standing_decisions, standing_signature
from workshop.jobs.models import DecisionRecord, JobRecord, Stage


class RackLine(BaseModel):
    """One job on the rack."""

    id: int
    number: str
    title: str
    customer: str
    engine: str
    due: date | None
    stage: Stage
    waits_for: str
    doubts: int
    taken: int
    planned: int
    mains_mark: MarkCode | None
    mains_headline: str
    rods_mark: MarkCode | None
    rods_headline: str
    archived: bool


class RackOut(BaseModel):
    """A page of the rack."""

    jobs: list[RackLine]
    total: int
    page: int
    pages: int


class DecisionOut(BaseModel):
    """A decision that stands. `outdated` says that the verdict has changed since."""

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
    engine: str
    limits_id: int | None
    limits_revision: int
    limits_state: SheetState
    archived: bool
    stage: Stage
    signed: bool


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
    signatures: list[SignatureOut]
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
    """What became of one reading of a batch: landed, asked about, or refused."""

    id: str
    asked: AskedOut | None
    refused: str
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
        conflict=landed.conflict,
    )


def rack_line(record: JobRecord) -> RackLine:
    """A job's line on the rack, from its summary alone."""
    return RackLine(
        id=record.pk,
        number=record.number,
        title=record.title,
        customer=record.customer,
        engine=record.engine,
        due=record.due,
        stage=Stage(record.stage),
        waits_for=record.waits_for,
        doubts=record.doubts,
        taken=record.taken,
        planned=record.planned,
        mains_mark=MarkCode(record.mains_mark) if record.mains_mark else None,
        mains_headline=record.mains_headline,
        rods_mark=MarkCode(record.rods_mark) if record.rods_mark else None,
        rods_headline=record.rods_headline,
        archived=record.archived,
    )


def decision_out(row: DecisionRecord, found: Assessment) -> DecisionOut:
    """A decision as the API shows it."""
    outdated = not row.journal and not matches(row, found.of(JournalSet(row.set)))
    return DecisionOut(
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
    signed = Assessment.model_validate(signature.sheet["assessment"]) if signature else None
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
        decisions=[decision_out(row, found) for row in standing_decisions(record).values()],
        signatures=[
            SignatureOut(
                revision=row.revision,
                by=row.by,
                at=row.at,
                withdrawn_by=row.withdrawn_by,
                withdrawn_at=row.withdrawn_at,
                made_elsewhere=row.made_elsewhere,
            )
            for row in record.signatures.all()
        ],
        other_limits=_other_limits(record),
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
        engine=limits.engine,
        limits_id=record.limits.pk if record.limits else None,
        limits_revision=limits.revision,
        limits_state=limits.state,
        archived=record.archived,
        stage=Stage(record.stage),
        signed=signed,
    )


BenchOut.model_rebuild()
