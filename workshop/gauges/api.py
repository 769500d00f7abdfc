"""The gauge list over HTTP."""

from django.http import HttpRequest
from ninja import Router, Schema

from halfthou.jobs import Gauge, GaugeKind
from halfthou.lengths import Length, Notation, Unit
from workshop.gauges import actions
from workshop.gauges.models import GaugeRecord
from workshop.people.api import signed_in

router = Router(tags=["gauges"])


class GaugeOut(Schema):
    """A gauge, its figures as text in its own unit."""

    id: str
    name: str
    kind: GaugeKind
    unit: Unit
    resolution: str
    permissible_error: str
    repeatability: str
    retired: bool


class GaugeIn(Schema):
    """A gauge as typed."""

    name: str
    kind: GaugeKind
    unit: Unit
    resolution: str
    permissible_error: str
    repeatability: str = ""
    retired: bool = False


def gauge_out(gauge: Gauge, *, retired: bool = False) -> GaugeOut:
    """A gauge as the API shows it."""
    fine = Notation(gauge.unit, 5 if gauge.unit is Unit.INCH else 4)

    def text(length: Length | None) -> str:
        return fine.text(length).rstrip("0").rstrip(".") if length is not None else ""

    return GaugeOut(
        id=gauge.id,
        name=gauge.name,
        kind=gauge.kind,
        unit=gauge.unit,
        resolution=text(gauge.resolution),
        permissible_error=text(gauge.permissible_error),
        repeatability=text(gauge.repeatability),
        retired=retired,
    )


@router.get("", response=list[GaugeOut])
def list_gauges(request: HttpRequest) -> list[GaugeOut]:
    """All gauges, retired ones last."""
    records = GaugeRecord.objects.order_by("retired", "pk")
    return [gauge_out(Gauge.model_validate(r.document), retired=r.retired) for r in records]


@router.post("", response=GaugeOut)
def add_gauge(request: HttpRequest, given: GaugeIn) -> GaugeOut:
    """Enter a gauge."""
    return gauge_out(actions.keep_gauge(signed_in(request), None, given.dict(exclude={"retired"})))


@router.put("/{key}", response=GaugeOut)
def change_gauge(request: HttpRequest, key: str, given: GaugeIn) -> GaugeOut:
    """Change a gauge, or retire it."""
    typed = given.dict(exclude={"retired"})
    return gauge_out(
        actions.keep_gauge(signed_in(request), key, typed, retired=given.retired), retired=given.retired
    )
