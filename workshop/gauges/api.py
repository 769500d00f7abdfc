"""The gauge cabinet over HTTP."""

from datetime import date, datetime

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router, Schema

from halfthou.amounts import QUANTITIES, Quantity
from halfthou.exchange import exact_amount
from halfthou.gauges import (
    ENOUGH_FREEDOM,
    Setting,
    Standing,
    TermKind,
    pooled,
    repeatability,
    settings_of,
    standing_of,
)
from halfthou.jobs import (
    COMPARATORS,
    READS,
    USUAL_PURPOSES,
    WITHOUT_ZERO,
    Gauge,
    GaugeKind,
    Material,
    Purpose,
    SettingCheck,
)
from halfthou.lengths import Length, Notation, Unit
from workshop.gauges import actions
from workshop.gauges.actions import CheckForm, GaugeForm
from workshop.gauges.models import GaugeRecord
from workshop.people.api import signed_in
from workshop.people.refusals import NotThere

router = Router(tags=["gauges"])


class GaugeKindOut(Schema):
    """A kind of gauge: what it reads in where it reads no lengths, and what it is usually fit for."""

    kind: GaugeKind
    reads_in: str
    fit_for: list[Purpose]
    comparator: bool


class CabinetAsks(Schema):
    """What the form of a gauge offers."""

    kinds: list[GaugeKindOut]
    purposes: list[Purpose]
    materials: list[Material]


class GaugeOut(Schema):
    """A gauge, its figures as text in its own unit (a scale's in grams); what it was last set or checked on, and
    when."""

    id: str
    name: str
    kind: GaugeKind
    unit: Unit
    reads_in: str
    resolution: str
    permissible_error: str
    repeatability: str
    least: str
    most: str
    revolution: str
    plus_is_larger: bool
    serial: str
    due: date | None
    purposes: list[Purpose]
    material: Material
    port: str
    version: int
    comparator: bool
    retired: bool
    has_zero: bool
    standing: Standing
    standing_words: str
    zero: str
    set_on: str


class BenchGauge(Schema):
    """A gauge as the bench offers it. How it stands is the cabinet's to say."""

    id: str
    name: str
    unit: Unit
    purposes: list[Purpose]
    port: str
    least_nm: int | None = None
    most_nm: int | None = None
    reads_in: str = ""


class GaugeIn(GaugeForm):
    """A gauge as typed."""

    retired: bool = False


class CheckOut(Schema):
    """A setting check worked out: the zero error, beside what was read."""

    id: str
    at: datetime
    by: str
    standard: str
    against: str
    read: list[str]
    zero: str
    zero_nm: int
    drift: str
    out: bool


class HandOut(Schema):
    """How well one person repeats with a gauge, and whether that is known well enough to count with."""

    by: str
    repeats_within: str
    freedom: int
    enough: bool


class GaugeDetail(Schema):
    """A gauge with its checks, oldest first, and the hands that use it."""

    gauge: GaugeOut
    permissible_error_nm: int
    checks: list[CheckOut]
    hands: list[HandOut]
    counts_with: str


def fine(gauge: Gauge) -> Notation:
    """A notation one decimal finer than usual."""
    return Notation(gauge.unit, 5 if gauge.unit is Unit.INCH else 4)


def _text(gauge: Gauge, length: Length | None) -> str:
    if length is None:
        return ""
    text = fine(gauge).text(length)
    return text.rstrip("0").rstrip(".") if "." in text else text


def reads_in(gauge: Gauge) -> str:
    """The unit a gauge reads in."""
    return gauge.unit.value if gauge.quantity is Quantity.LENGTH else QUANTITIES[gauge.quantity].unit.value


def _scale_words(gauge: Gauge) -> tuple[str, str, str]:
    """One step, the permissible error and the most a gauge takes, in the unit it reads in."""
    if gauge.quantity is Quantity.LENGTH:
        return _text(gauge, gauge.resolution), _text(gauge, gauge.permissible_error), _text(gauge, gauge.most)
    most = gauge.weighs.most_mg if gauge.weighs else gauge.scale.most if gauge.scale else 0
    step, error, greatest = (exact_amount(gauge.quantity, count) for count in (gauge.step, gauge.may_err, most))
    return step, error, greatest


def bench_gauge(gauge: Gauge) -> BenchGauge:
    """A gauge as the bench offers it."""
    return BenchGauge(
        id=gauge.id,
        name=gauge.name,
        unit=gauge.unit,
        purposes=list(gauge.purposes),
        port=gauge.port,
        least_nm=gauge.least.nm if gauge.least else None,
        most_nm=gauge.most.nm if gauge.most else None,
        reads_in=reads_in(gauge),
    )


def gauge_out(record: GaugeRecord, last: Setting | None = None) -> GaugeOut:
    """A gauge as the API shows it, with its last check."""
    gauge = Gauge.model_validate(record.document)
    standing = standing_of(gauge, last, timezone.localdate())
    reads, error, most = _scale_words(gauge)
    return GaugeOut(
        id=gauge.id,
        name=gauge.name,
        kind=gauge.kind,
        unit=gauge.unit,
        resolution=reads,
        permissible_error=error,
        repeatability=_text(gauge, gauge.repeatability),
        least=_text(gauge, gauge.least),
        most=most,
        reads_in=reads_in(gauge),
        revolution=_text(gauge, gauge.revolution),
        plus_is_larger=gauge.plus_is_larger,
        serial=gauge.serial,
        due=gauge.due,
        purposes=list(gauge.purposes),
        material=gauge.material,
        port=gauge.port,
        comparator=gauge.kind in COMPARATORS,
        has_zero=gauge.kind not in WITHOUT_ZERO,
        retired=record.retired,
        version=record.version,
        standing=standing,
        standing_words=_standing_words(gauge, standing, last),
        zero=fine(gauge).text(last.zero) if last else "",
        set_on=_text(gauge, last.standard) if last else "",
    )


def _standing_words(gauge: Gauge, standing: Standing, last: Setting | None) -> str:
    if standing is Standing.OUT and last is not None:
        zero, most = fine(gauge).text(last.zero), _text(gauge, gauge.permissible_error)
        return f"Out: zero error {zero}, permissible ±{most}. Set it anew and check it again."
    if standing is Standing.OVERDUE:
        return f"Overdue: its calibration was due on {gauge.due:%d %B %Y}."
    if standing is Standing.NOT_CHECKED:
        return "Not checked yet: its whole permissible error counts."
    return f"Fit. Checked on {last.check.at:%d %B %Y}." if last else "Fit."


def check_out(gauge: Gauge, setting: Setting, names: dict[str, str]) -> CheckOut:
    """A check as the API shows it."""
    say, check = fine(gauge), setting.check
    return CheckOut(
        id=check.id,
        at=check.at,
        by=check.by,
        standard=Notation.usual(check.unit).with_unit(check.standard),
        against=names.get(check.against or "", ""),
        read=[Notation.usual(check.unit).text(read) for read in check.read],
        zero=say.text(setting.zero),
        zero_nm=setting.zero.nm,
        drift="" if setting.drift is None else say.text(setting.drift),
        out=gauge.kind not in COMPARATORS and abs(setting.zero) > gauge.permissible_error,
    )


def _hands(gauge: Gauge, checks: tuple[SettingCheck, ...]) -> list[HandOut]:
    people = sorted({check.by for check in checks})
    found = []
    for by in people:
        deviation, freedom = pooled([[read.nm for read in check.read] for check in checks if check.by == by])
        if freedom:
            found.append(
                HandOut(
                    by=by,
                    repeats_within=fine(gauge).text(Length(round(deviation))),
                    freedom=freedom,
                    enough=freedom >= ENOUGH_FREEDOM,
                )
            )
    return found


def last_settings(gauges: tuple[Gauge, ...]) -> dict[str, Setting]:
    """The last check of each gauge, worked out."""
    checks = actions.last_checks({gauge.id for gauge in gauges})
    return {gauge: settings[-1] for gauge, settings in settings_of(checks).items()}


@router.get("", response=list[GaugeOut])
def list_gauges(request: HttpRequest) -> list[GaugeOut]:
    """All gauges, retired ones last."""
    records = list(GaugeRecord.objects.order_by("retired", "pk"))
    gauges = tuple(Gauge.model_validate(record.document) for record in records)
    last = last_settings(gauges)
    return [gauge_out(record, last.get(record.key)) for record in records]


#: What the scale of a gauge is of. Source: common practice, no source.
SCALES_OF = [Material.GAUGE_STEEL, Material.CARBIDE, Material.STEEL]


@router.get("/asked", response=CabinetAsks)
def get_asked(request: HttpRequest) -> CabinetAsks:
    """What the form of a gauge offers: kinds, what they read in, what they are fit for."""
    kinds = [
        GaugeKindOut(
            kind=kind,
            reads_in=QUANTITIES[READS[kind]].unit.value if kind in READS else "",
            fit_for=list(USUAL_PURPOSES[kind]),
            comparator=kind in COMPARATORS,
        )
        for kind in GaugeKind
    ]
    return CabinetAsks(kinds=kinds, purposes=list(Purpose), materials=SCALES_OF)


@router.get("/{key}", response=GaugeDetail)
def get_gauge(request: HttpRequest, key: str) -> GaugeDetail:
    """A gauge with its checks, its drift and its hands."""
    record = GaugeRecord.objects.filter(key=key).first()
    if record is None:
        raise NotThere("no-gauge", "There is no such gauge.")
    gauge = Gauge.model_validate(record.document)
    checks = actions.checks_of(key)
    masters = {check.against for check in checks if check.against}
    its_own = settings_of((*checks, *(c for master in masters for c in actions.checks_of(master)))).get(key, ())
    names = {master.id: master.name for master in actions.gauges_by_key(masters)}
    plain = repeatability(gauge)
    taken = "half a graduation" if plain.kind is TermKind.REPEAT_TAKEN else "the figure in the gauge list"
    return GaugeDetail(
        gauge=gauge_out(record, its_own[-1] if its_own else None),
        permissible_error_nm=gauge.permissible_error.nm,
        checks=[check_out(gauge, setting, names) for setting in its_own],
        hands=_hands(gauge, checks),
        counts_with=taken,
    )


@router.post("", response=GaugeOut)
def add_gauge(request: HttpRequest, given: GaugeIn) -> GaugeOut:
    """Enter a gauge."""
    gauge = actions.keep_gauge(signed_in(request), None, given)
    return gauge_out(GaugeRecord.objects.get(key=gauge.id))


@router.put("/{key}", response=GaugeOut)
def change_gauge(request: HttpRequest, key: str, given: GaugeIn) -> GaugeOut:
    """Change a gauge, or retire it."""
    gauge = actions.keep_gauge(signed_in(request), key, given, retired=given.retired)
    return gauge_out(GaugeRecord.objects.get(key=key), last_settings((gauge,)).get(key))


@router.post("/{key}/checks", response=GaugeDetail)
def check_gauge(request: HttpRequest, key: str, given: CheckForm) -> GaugeDetail:
    """Write a setting check down, and see what it says."""
    actions.check_setting(signed_in(request), key, given)
    return get_gauge(request, key)
