"""Changes to the gauge list, and its translation to the core's document."""

import uuid
from typing import Any

from django.db import transaction
from pydantic import ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.jobs import Gauge, GaugeKind
from halfthou.lengths import Length, Typed, Unit, Unreadable, read_length
from workshop.gauges.models import GaugeRecord
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal


def cabinet() -> tuple[Gauge, ...]:
    """The gauges in use."""
    return tuple(Gauge.model_validate(r.document) for r in GaugeRecord.objects.filter(retired=False).order_by("pk"))


def gauges_by_key(keys: set[str]) -> tuple[Gauge, ...]:
    """Gauges by their ids, retired ones too: a reading keeps the gauge it was taken with."""
    return tuple(Gauge.model_validate(r.document) for r in GaugeRecord.objects.filter(key__in=keys))


@transaction.atomic
def keep_gauge(person: Person, key: str | None, typed: dict[str, str], *, retired: bool = False) -> Gauge:
    """Enter a gauge, or change one.

    Takes:   `typed` holds name, kind, unit, resolution, permissible_error and repeatability as typed.
    Refuses: Refusal, naming each field that cannot be used.
    """
    must(person, Act.KEEP_GAUGES)
    if key is not None and not GaugeRecord.objects.filter(key=key).exists():
        raise NotThere("no-gauge", "There is no such gauge.")
    gauge = _gauge(key or uuid.uuid4().hex[:12], typed)
    GaugeRecord.objects.update_or_create(
        key=gauge.id,
        defaults={
            "document": gauge.model_dump(mode="json"),
            "changed_by": person.username,
            "retired": retired,
        },
    )
    return gauge


def _gauge(key: str, typed: dict[str, str]) -> Gauge:
    faults: list[Fault] = []
    unit = Unit(typed["unit"])
    values: dict[str, Any] = {
        "id": key,
        "name": typed["name"].strip(),
        "kind": GaugeKind(typed["kind"]),
        "unit": unit,
    }
    for field in ("resolution", "permissible_error", "repeatability"):
        text = typed.get(field, "").strip()
        if field == "repeatability" and not text:
            continue
        values[field] = _length(text, unit, field, faults)
    if not faults:
        try:
            return Gauge(**values)
        except ValidationError as error:
            faults = list(faults_of(error))
    raise Refusal("bad-gauge", "The gauge was not kept. Mend what is marked.", faults)


def _length(text: str, unit: Unit, field: str, faults: list[Fault]) -> Length | None:
    try:
        found = read_length(text, unit)
    except Unreadable as error:
        faults.append(Fault(field, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(field, f"“{text}” can be read two ways. Write it with in or mm."))
        return None
    return found.length
