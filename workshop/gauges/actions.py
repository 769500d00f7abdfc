"""Changes to the gauge cabinet: gauges entered and changed, setting checks made. And what a job needs of it."""

import uuid
from collections import Counter
from datetime import datetime, timedelta
from typing import Any

from django.conf import settings
from django.db import transaction
from django.db.models import Window
from django.db.models.functions import RowNumber
from django.utils import timezone
from ninja import Schema
from pydantic import Field, ValidationError

from gauge_bridge.address import AddressRefused, check_address
from halfthou.amounts import Quantity, read_amount
from halfthou.exchange import Fault, faults_of
from halfthou.gauges import read_celsius
from halfthou.jobs import READS, CountScale, Gauge, GaugeKind, Material, Moment, Purpose, SettingCheck
from halfthou.lengths import Length, Typed, Unit, Unreadable, read_length
from workshop.gauges.models import GaugeRecord, SettingCheckRecord
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal

#: So many checks of a gauge before a job's first reading travel with the job: enough for drift and repeatability.
CHECKS_BEFORE = 12
#: Where they are looked for first.
LATELY = timedelta(days=60)
LENGTHS = ("resolution", "permissible_error", "repeatability", "least", "most", "revolution")
_NEEDED = ("resolution", "permissible_error")


class GaugeForm(Schema):
    """A gauge as typed. Lengths are text; of a weighing scale they are grams. `version` is that of the gauge it was
    changed from."""

    version: int = 0
    name: str = Field(max_length=2000)
    kind: GaugeKind
    unit: Unit
    resolution: str = Field(max_length=200)
    permissible_error: str = Field(max_length=200)
    repeatability: str = Field(default="", max_length=200)
    least: str = Field(default="", max_length=200)
    most: str = Field(default="", max_length=200)
    revolution: str = Field(default="", max_length=200)
    plus_is_larger: bool = True
    serial: str = Field(default="", max_length=2000)
    due: str = Field(default="", max_length=40)
    fit_for: list[Purpose] = Field(default=[], max_length=20)
    material: Material = Material.GAUGE_STEEL
    port: str = Field(default="", max_length=300)


class CheckForm(Schema):
    """A setting check as typed: what the standard is, and what the gauge read on it, once or more often."""

    id: str = Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")
    standard: str = Field(max_length=200)
    standard_error: str = Field(default="", max_length=200)
    against: str = Field(default="", max_length=64)
    read: str = Field(max_length=1000)
    unit: Unit
    gauge_c: str = Field(default="", max_length=40)
    at: Moment


def cabinet() -> tuple[Gauge, ...]:
    """The gauges in use."""
    return tuple(Gauge.model_validate(document) for document in cabinet_documents())


def cabinet_documents() -> list[Any]:
    """The gauges in use, as they are stored."""
    return list(GaugeRecord.objects.filter(retired=False).order_by("pk").values_list("document", flat=True))


def documents_by_key(keys: set[str]) -> list[Any]:
    """Gauges by their ids as they are stored, retired ones too: a reading keeps the gauge it was taken with."""
    return list(GaugeRecord.objects.filter(key__in=keys).order_by("pk").values_list("document", flat=True))


def gauges_by_key(keys: set[str]) -> tuple[Gauge, ...]:
    """Gauges by their ids, retired ones too."""
    return tuple(Gauge.model_validate(document) for document in documents_by_key(keys))


def checks_of(gauge: str) -> tuple[SettingCheck, ...]:
    """Every check of a gauge, oldest first."""
    rows = SettingCheckRecord.objects.filter(gauge=gauge).order_by("at", "pk")
    return tuple(SettingCheck.model_validate(row.document) for row in rows)


def checks_since(
    gauges: set[str], first_reading: datetime, last_reading: datetime | None = None
) -> tuple[SettingCheck, ...]:
    """The checks that a job read in a span of time needs of its gauges: those in it, a few before."""
    rows = SettingCheckRecord.objects.filter(gauge__in=gauges).order_by("at", "pk")
    if last_reading is not None:
        rows = rows.filter(at__lte=last_reading)
    recent = list(rows.filter(at__gte=first_reading - LATELY).values_list("gauge", "at", "document"))
    seldom = gauges - {gauge for gauge, at, _ in recent if at <= first_reading}
    if seldom:
        old = rows.filter(gauge__in=seldom, at__lt=first_reading - LATELY)
        recent = [*old.values_list("gauge", "at", "document"), *recent]
    kept: list[SettingCheck] = []
    before: Counter[str] = Counter()
    for gauge, at, document in reversed(recent):
        before[gauge] += at <= first_reading
        if before[gauge] <= CHECKS_BEFORE:
            kept.append(SettingCheck.model_validate(document))
    return tuple(reversed(kept))


def last_check_made() -> int:
    """Which check was made last: they are only ever added, so while it is the same, all are."""
    return SettingCheckRecord.objects.order_by("-pk").values_list("pk", flat=True).first() or 0


def last_checks(gauges: set[str]) -> tuple[SettingCheck, ...]:
    """The last check of each gauge."""
    rank = Window(RowNumber(), partition_by="gauge", order_by=("-at", "-pk"))
    rows = SettingCheckRecord.objects.filter(gauge__in=gauges).annotate(rank=rank).filter(rank=1).order_by("at")
    return tuple(SettingCheck.model_validate(row.document) for row in rows)


@transaction.atomic
def keep_gauge(person: Person, key: str | None, typed: GaugeForm, *, retired: bool = False) -> Gauge:
    """Enter a gauge, or change one. Refuses: Refusal, naming each field that cannot be used."""
    must(person, Act.KEEP_GAUGES)
    known = GaugeRecord.objects.filter(key=key).first() if key is not None else None
    if key is not None and known is None:
        raise NotThere("no-gauge", "There is no such gauge.")
    gauge = _gauge(key or uuid.uuid4().hex[:12], typed)
    before = Gauge.model_validate(known.document) if known is not None else None
    if known is not None and before is not None and typed.version != known.version:
        raise Clash("changed-meanwhile", _meanwhile(known, before, gauge))
    _check_port(person, gauge, before)
    GaugeRecord.objects.update_or_create(
        key=gauge.id,
        defaults={
            "document": gauge.model_dump(mode="json"),
            "changed_by": person.username,
            "retired": retired,
            "version": known.version + 1 if known is not None else 0,
        },
    )
    return gauge


def _meanwhile(known: GaugeRecord, theirs: Gauge, mine: Gauge) -> str:
    differs = [n.replace("_", " ") for n in Gauge.model_fields if getattr(theirs, n) != getattr(mine, n)]
    words = f" It differs from yours in: {', '.join(differs)}." if differs else ""
    return f"{known.changed_by} changed this gauge meanwhile.{words} Yours is not kept yet, and not lost."


def _check_port(person: Person, gauge: Gauge, before: Gauge | None) -> None:
    """Only the owner sets a data port, and only one that may be opened. Refuses: NotAllowed, Refusal."""
    if gauge.port == (before.port if before is not None else ""):
        return
    must(person, Act.SET_PORTS)
    try:
        if gauge.port:
            check_address(gauge.port, settings.GAUGE_HOSTS)
    except AddressRefused as error:
        raise Refusal("bad-port", "The gauge was not kept.", [Fault("port", str(error))]) from None


def _gauge(key: str, typed: GaugeForm) -> Gauge:
    faults: list[Fault] = []
    values: dict[str, Any] = typed.dict(include={"kind", "unit", "serial", "material", "port"})
    values.update(
        plus_is_larger=typed.plus_is_larger, id=key, name=typed.name.strip(), fit_for=tuple(typed.fit_for)
    )
    quantity = READS.get(typed.kind)
    if quantity is not None and quantity is not Quantity.MASS:
        scale = {field: _count(field, getattr(typed, field), quantity, faults) for field in CountScale.model_fields}
        values.update(resolution=Length(1), permissible_error=Length(0), scale=scale)
    elif typed.kind is GaugeKind.WEIGHING_SCALE:
        values.update(resolution=Length(1), permissible_error=Length(0), weighs=_weighing(typed, faults))
    else:
        for field in LENGTHS:
            text = getattr(typed, field).strip()
            if text or field in _NEEDED:
                values[field] = _length(text, typed.unit, field, faults)
    if typed.due.strip():
        values["due"] = typed.due.strip()
    if not faults:
        try:
            return Gauge(**values)
        except ValidationError as error:
            faults = list(faults_of(error))
    raise Refusal("bad-gauge", "The gauge was not kept. Mend what is marked.", faults)


def _weighing(typed: GaugeForm, faults: list[Fault]) -> dict[str, int]:
    """Grams as typed, in milligrams."""
    found = {}
    for field, name in (
        ("resolution", "resolution_mg"),
        ("permissible_error", "permissible_error_mg"),
        ("most", "most_mg"),
    ):
        text = getattr(typed, field).strip().removesuffix("g").strip()
        try:
            found[name] = round(float(text) * 1000)
        except (ValueError, OverflowError):
            faults.append(Fault(field, f"“{text}” is no weight in grams. Type for example 0.1."))
    return found


def _count(field: str, text: str, quantity: Quantity, faults: list[Fault]) -> int:
    """A step, an error or the most of a scale that reads no lengths, in the smallest units of what it reads."""
    try:
        found = read_amount(text, quantity)
    except Unreadable as error:
        faults.append(Fault(field, error.message))
        return 0
    if not isinstance(found, Typed):
        faults.append(Fault(field, found.in_words))
        return 0
    count: int = found.length.nm
    return count


@transaction.atomic
def check_setting(person: Person, gauge: str, typed: CheckForm) -> SettingCheck:
    """Write a setting check down. Sent twice, it lands once. Refuses: Refusal, NotThere."""
    must(person, Act.READ)
    known = SettingCheckRecord.objects.filter(key=typed.id).first()
    if known is not None:
        if known.gauge != gauge or known.document.get("typed") != typed.read.strip()[:2000]:
            raise Clash("name-taken", "Another check has that name already. This one was not written down.")
        return SettingCheck.model_validate(known.document)
    if not GaugeRecord.objects.filter(key=gauge).exists():
        raise NotThere("no-gauge", "There is no such gauge.")
    if typed.against and not GaugeRecord.objects.filter(key=typed.against).exists():
        raise Refusal("no-standard", "That standard is not in the cabinet.", [Fault("against", "not listed")])
    check = _check(person, gauge, typed)
    SettingCheckRecord.objects.create(
        key=check.id, gauge=gauge, at=check.at, document=check.model_dump(mode="json")
    )
    return check


def _check(person: Person, gauge: str, typed: CheckForm) -> SettingCheck:
    faults: list[Fault] = []
    values: dict[str, Any] = {"id": typed.id, "gauge": gauge, "against": typed.against or None, "unit": typed.unit}
    values["standard"] = _length(typed.standard, typed.unit, "standard", faults)
    if typed.standard_error.strip():
        values["standard_error"] = _length(typed.standard_error, typed.unit, "standard_error", faults)
    texts = typed.read.replace(";", " ").split()
    if not texts:
        faults.append(Fault("read", "Type what the gauge reads on the standard, once or several times."))
    values["read"] = tuple(_length(text, typed.unit, "read", faults) for text in texts)
    values.update(typed=typed.read.strip()[:2000], by=person.username, at=min(typed.at, timezone.now()))
    if typed.gauge_c.strip():
        try:
            values["gauge_c"] = read_celsius(typed.gauge_c)
        except Unreadable as error:
            faults.append(Fault("gauge_c", error.message))
    if not faults:
        try:
            return SettingCheck(**values)
        except ValidationError as error:
            faults = list(faults_of(error))
    raise Refusal("bad-check", "The check was not written down. Mend what is marked.", faults)


def _length(text: str, unit: Unit, field: str, faults: list[Fault]) -> Length | None:
    try:
        found = read_length(text, unit)
    except Unreadable as error:
        faults.append(Fault(field, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(field, found.in_words))
        return None
    return found.length
