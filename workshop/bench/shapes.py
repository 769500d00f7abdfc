"""What the API says of a job: the bench, the decisions on it, the lines of the rack."""

from datetime import date, datetime

from pydantic import BaseModel

from halfthou.engines import Engine
from halfthou.exchange import Fault
from halfthou.jobs import (
    FACT_KINDS,
    Condition,
    DecisionKind,
    Job,
    Layout,
    Plan,
    Reading,
    SheetState,
    Side,
    Use,
    Waived,
)
from halfthou.lengths import Asked, Length, Notation, Unit
from halfthou.parts import CATALOGUE
from halfthou.report import Assessment, read_signed
from halfthou.strip import places_off
from halfthou.surveys import plan_of, window_for
from halfthou.verdicts import Action
from workshop.bench.landing import Landed
from workshop.bench.work_shapes import WorkDone, work_done
from workshop.deciding.decisions import matches
from workshop.gauges.api import BenchGauge, bench_gauge
from workshop.record.kept import kept
from workshop.record.models import DecisionRecord, JobRecord, SignatureRecord, Stage
from workshop.record.opened import Opened, standing_decisions, standing_signature
from workshop.record.translate import is_identified


class DecisionOut(BaseModel):
    """A decision that stands, or one made elsewhere that decides nothing here. `outdated` says that the verdict has
    changed since."""

    id: str
    about: Waived | None
    made_elsewhere: bool
    kind: DecisionKind
    set: str
    part: str
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
    identified: bool = True


class EntryHint(BaseModel):
    """What a signed number counts from in one set, and where its oil hole is."""

    nominal: str
    oil_hole_deg: float | None
    sizes_nm: dict[str, int] = {}
    made: dict[str, str] = {}


class PlaceOut(BaseModel):
    """A part of the engine by its place: its kind, its set, how it is called, and what it lies beside; of a loose
    piece, which places it goes into; and the positions whose parts belong to it."""

    id: str
    kind: str
    set: str
    name: str
    short: str
    beside: str
    spare: bool = False
    goes_in: list[str] = []
    positions: list[str] = []


class BankOut(BaseModel):
    """A bank: what it is called, "" where there is one, and its cylinders from the front."""

    name: str
    cylinders: list[int]


class BenchOut(BaseModel):
    """Everything the bench shows of a job. `beside_readings` counts the facts that are no readings, so
    that pages of those hear that there is more."""

    card: CardOut
    layout: Layout
    banks: list[BankOut]
    thrust_side: Side
    places: list[PlaceOut]
    scope: list[str]
    plans: dict[str, Plan]
    hints: dict[str, EntryHint]
    gauges: list[BenchGauge]
    shop_c: float
    use: Use | None = None
    next_pieces: dict[str, list[str]] = {}
    beside_readings: int = 0
    pictures: int = 0
    assessment: Assessment
    signed_assessment: Assessment | None
    decisions: list[DecisionOut]
    operations: list[WorkDone]
    signatures: list[SignatureOut]
    state: str = ""
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


class LandedOut(BaseModel):
    """What became of one fact: landed, asked about, or refused (with its code, and what is wrong where)."""

    id: str
    asked: AskedOut | None
    refused: str
    code: str
    faults: list[Fault]
    conflict: str


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


def asked_out(asked: Asked) -> AskedOut:
    """A question as the API puts it."""
    choices = [ChoiceOut(nm=choice.length.nm, words=choice.words) for choice in asked.choices]
    return AskedOut(question=asked.question, choices=choices)


def landed_out(landed: Landed) -> LandedOut:
    """What became of one fact, as the API says it."""
    return LandedOut(
        id=landed.id,
        asked=None if landed.asked is None else asked_out(landed.asked),
        refused="" if landed.refused is None else str(landed.refused),
        code="" if landed.refused is None else landed.refused.code,
        faults=[] if landed.refused is None else list(landed.refused.faults),
        conflict=landed.conflict,
    )


def decision_out(row: DecisionRecord, found: Assessment) -> DecisionOut:
    """A decision as the API shows it."""
    outdated = not row.part and not matches(row, found.of(row.set))
    return DecisionOut(
        id=row.key,
        about=Waived(row.about) if row.about else None,
        made_elsewhere=row.made_elsewhere,
        kind=DecisionKind(row.kind),
        set=row.set,
        part=row.part,
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
    engine = CATALOGUE.engine_of(job)
    signature = standing_signature(record)
    signed = read_signed(signature.sheet) if signature else None
    return BenchOut(
        card=_card(opened, signed=signature is not None),
        layout=job.limits.layout,
        banks=[BankOut(name=name, cylinders=list(stood)) for name, stood in job.limits.layout.named_banks],
        thrust_side=job.limits.layout.thrust_side,
        places=kept(record.pk, job.shown_in).memo.of("places of the bench", _places, engine, job.sets),
        scope=list(job.sets),
        plans={one: _plan(job, engine, one) for one in job.sets},
        hints={one: _hint(opened, engine, one) for one in job.sets},
        gauges=[bench_gauge(gauge) for gauge in job.gauges],
        shop_c=job.house_rules.shop_c,
        use=job.use,
        next_pieces={kind.key: list(engine.next_pieces(kind)) for kind in CATALOGUE.all if kind.loose},
        pictures=2 * len(job.pictures) - len(job.standing(job.pictures)),
        beside_readings=sum(len(held.of(job)) for held in FACT_KINDS.values() if held.document is not Reading),
        assessment=found,
        signed_assessment=signed,
        decisions=[decision_out(row, found) for row in (*standing_decisions(record).values(), *_elsewhere(record))],
        operations=work_done(job, engine),
        signatures=[_signature(row) for row in record.signatures.all()],
        other_limits=_other_limits(record),
    )


def _places(engine: Engine, sets: tuple[str, ...]) -> list[PlaceOut]:
    places = places_off(engine.layout)
    return [
        PlaceOut(
            id=p.id,
            kind=p.kind,
            set=p.set,
            name=p.name,
            short=p.short,
            beside=p.beside,
            spare=p.spare,
            goes_in=list(engine.goes_into(p.id)) if engine.kind(p.id).loose else [],
            positions=[key for key, place in places.items() if place.beside == p.id],
        )
        for p in engine.parts.values()
        if p.set in sets
    ]


def _signature(row: SignatureRecord) -> SignatureOut:
    return SignatureOut(
        revision=row.revision,
        by=row.by,
        at=row.at,
        withdrawn_by=row.withdrawn_by,
        withdrawn_at=row.withdrawn_at,
        withdrawn_because=row.withdrawn_because,
        made_elsewhere=row.made_elsewhere,
    )


def _elsewhere(record: JobRecord) -> list[DecisionRecord]:
    """What came decided in a file, as far as nobody here has decided the same."""
    here = {(row.set, row.part, row.about) for row in standing_decisions(record).values()}
    return [
        row
        for row in sorted(record.decisions.all(), key=lambda row: row.pk)
        if row.made_elsewhere and row.kind != "taken back" and (row.set, row.part, row.about) not in here
    ]


def _plan(job: Job, engine: Engine, one: str) -> Plan:
    first = engine.kind_of_set[one].features[0]
    return plan_of(job, one, first)


def _hint(opened: Opened, engine: Engine, one: str) -> EntryHint:
    limits, first = opened.job.limits, engine.kind_of_set[one].features[0]
    present = Length(opened.assessment.of(one).present.nm)
    unit = Unit(opened.record.entry_unit)
    nominal = Notation.usual(unit).with_unit(window_for(limits, one, first, present, ()).nominal)
    hole = limits.sets[one].made.get("oil hole")
    sizes = {}
    for feature in engine.kind_of_set[one].features:
        expected = feature.expected(limits, one)
        about = expected.nominal if expected is not None else feature.about
        if about is not None:
            sizes[feature.key] = about.nm
    made = dict(limits.sets[one].made)
    height = limits.sets[one].figure("gauge_height")
    if height is not None:
        made["gauge height"] = Notation.usual(unit).with_unit(height.value)
    return EntryHint(nominal=nominal, oil_hole_deg=None if hole is None else float(hole), sizes_nm=sizes, made=made)


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
        identified=is_identified(record),
    )


BenchOut.model_rebuild()
