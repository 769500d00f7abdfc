"""A gauge of the shop, as far as a verdict depends on it."""

from datetime import date
from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.amounts import Quantity
from halfthou.jobs.document import Document, FactId, Note, Words
from halfthou.jobs.material import Material
from halfthou.lengths import ZERO, Length, Unit


class GaugeKind(StrEnum):
    """What stands in a gauge cabinet."""

    MICROMETER = "micrometer"
    DIGITAL_MICROMETER = "digital micrometer"
    SNAP_GAUGE = "comparator snap gauge"
    DIAL_BORE_GAUGE = "dial bore gauge"
    DIGITAL_BORE_GAUGE = "digital bore gauge"
    SETTING_RING = "setting ring"
    INDICATOR = "indicator"
    DEPTH_GAUGE = "depth gauge"
    TELESCOPING_GAUGE = "telescoping gauge"
    FEELER_GAUGE = "feeler gauge"
    PLASTIC_THREAD = "plastic thread"
    CALIPER = "caliper"
    WEIGHING_SCALE = "weighing scale"
    ULTRASONIC = "ultrasonic wall gauge"
    SPRING_TESTER = "spring tester"
    PRESSURE_GAUGE = "pressure gauge"
    PROTRACTOR = "protractor"
    RADIUS_GAUGE = "radius gauge"
    ROUGHNESS_TESTER = "roughness tester"
    ROCKWELL_TESTER = "hardness tester, Rockwell C"
    BRINELL_TESTER = "hardness tester, Brinell"
    VICKERS_TESTER = "hardness tester, Vickers"


class Purpose(StrEnum):
    """What a gauge is fit for."""

    JOURNAL = "journals"
    BORE = "bores"
    WALL = "walls"
    DEPTH = "depths"
    GAP = "gaps"
    CLEARANCE = "clearances"
    RUN_OUT = "run-out"
    WEIGHT = "weights"
    FORCE = "spring loads"
    ANGLE = "angles"
    PRESSURE = "pressures"
    FILLET = "fillets"
    FINISH = "finish"
    HARDNESS = "hardness"
    SETTING = "setting other gauges"


#: What each kind is fit for where the cabinet says nothing else. Source: docs/trade: Limits of gauges, common
#: practice: a caliper is
#: too coarse for journals, bores and walls.
USUAL_PURPOSES: dict[GaugeKind, tuple[Purpose, ...]] = {
    GaugeKind.MICROMETER: (Purpose.JOURNAL, Purpose.WALL, Purpose.SETTING),
    GaugeKind.DIGITAL_MICROMETER: (Purpose.JOURNAL, Purpose.WALL, Purpose.SETTING),
    GaugeKind.SNAP_GAUGE: (Purpose.JOURNAL,),
    GaugeKind.DIAL_BORE_GAUGE: (Purpose.BORE,),
    GaugeKind.DIGITAL_BORE_GAUGE: (Purpose.BORE,),
    GaugeKind.SETTING_RING: (Purpose.SETTING,),
    GaugeKind.INDICATOR: (Purpose.RUN_OUT,),
    GaugeKind.DEPTH_GAUGE: (Purpose.DEPTH,),
    GaugeKind.TELESCOPING_GAUGE: (Purpose.BORE,),
    GaugeKind.FEELER_GAUGE: (Purpose.GAP,),
    GaugeKind.PLASTIC_THREAD: (Purpose.CLEARANCE,),
    GaugeKind.CALIPER: (Purpose.DEPTH,),
    GaugeKind.WEIGHING_SCALE: (Purpose.WEIGHT,),
    GaugeKind.ULTRASONIC: (Purpose.WALL,),
    GaugeKind.SPRING_TESTER: (Purpose.FORCE,),
    GaugeKind.PRESSURE_GAUGE: (Purpose.PRESSURE,),
    GaugeKind.PROTRACTOR: (Purpose.ANGLE,),
    GaugeKind.RADIUS_GAUGE: (Purpose.FILLET,),
    GaugeKind.ROUGHNESS_TESTER: (Purpose.FINISH,),
    GaugeKind.ROCKWELL_TESTER: (Purpose.HARDNESS,),
    GaugeKind.BRINELL_TESTER: (Purpose.HARDNESS,),
    GaugeKind.VICKERS_TESTER: (Purpose.HARDNESS,),
}
#: What a gauge reads that reads no lengths.
READS: dict[GaugeKind, Quantity] = {
    GaugeKind.WEIGHING_SCALE: Quantity.MASS,
    GaugeKind.SPRING_TESTER: Quantity.FORCE,
    GaugeKind.PRESSURE_GAUGE: Quantity.PRESSURE,
    GaugeKind.PROTRACTOR: Quantity.ANGLE,
    GaugeKind.ROUGHNESS_TESTER: Quantity.FINISH,
    GaugeKind.ROCKWELL_TESTER: Quantity.ROCKWELL_C,
    GaugeKind.BRINELL_TESTER: Quantity.BRINELL,
    GaugeKind.VICKERS_TESTER: Quantity.VICKERS,
}

#: Kinds that have no zero to check: their permissible error counts as it stands.
WITHOUT_ZERO = (
    GaugeKind.SETTING_RING,
    GaugeKind.TELESCOPING_GAUGE,
    GaugeKind.FEELER_GAUGE,
    GaugeKind.PLASTIC_THREAD,
    GaugeKind.WEIGHING_SCALE,
    GaugeKind.SPRING_TESTER,
    GaugeKind.PRESSURE_GAUGE,
    GaugeKind.PROTRACTOR,
    GaugeKind.RADIUS_GAUGE,
    GaugeKind.ROUGHNESS_TESTER,
    GaugeKind.ROCKWELL_TESTER,
    GaugeKind.BRINELL_TESTER,
    GaugeKind.VICKERS_TESTER,
)
THIMBLES = (GaugeKind.MICROMETER,)
COMPARATORS = (GaugeKind.DIAL_BORE_GAUGE, GaugeKind.DIGITAL_BORE_GAUGE, GaugeKind.SNAP_GAUGE, GaugeKind.INDICATOR)


class Weighing(Document):
    """How finely a scale weighs, how far it may be out, and the most it takes, in milligrams."""

    resolution_mg: Annotated[int, Field(gt=0, le=100_000)]
    permissible_error_mg: Annotated[int, Field(ge=0, le=1_000_000)]
    most_mg: Annotated[int, Field(gt=0)]


class CountScale(Document):
    """How finely a gauge that reads no lengths reads, how far it may be out, and the most it takes, in the smallest
    units of what it reads (millinewtons, pascals, millionths of a degree)."""

    resolution: Annotated[int, Field(gt=0, le=10**12)]
    permissible_error: Annotated[int, Field(ge=0, le=10**12)]
    most: Annotated[int, Field(gt=0, le=10**15)]


class Gauge(Document):
    """`permissible_error` is the maker's or the calibration sheet's ± limit; `repeatability` is one standard
    deviation of a single reading, where the shop knows it. `revolution` is one turn of a dial. `port` is where its
    data button speaks: a pyserial address. A setting ring has its size as both `least` and `most`.
    `plus_is_larger` says which sign on a comparator's dial is a larger size."""

    id: FactId
    name: Words
    kind: GaugeKind
    unit: Unit
    resolution: Length
    permissible_error: Length
    repeatability: Length | None = None
    least: Length | None = None
    most: Length | None = None
    serial: Note = ""
    due: date | None = None
    fit_for: tuple[Purpose, ...] = ()
    material: Material = Material.GAUGE_STEEL
    revolution: Length | None = None
    port: Note = ""
    weighs: Weighing | None = None
    scale: CountScale | None = None
    plus_is_larger: bool = True

    @property
    def purposes(self) -> tuple[Purpose, ...]:
        """What it is fit for: as the cabinet says, else what its kind is."""
        return self.fit_for or USUAL_PURPOSES[self.kind]

    @property
    def quantity(self) -> Quantity:
        """What it reads."""
        return READS.get(self.kind, Quantity.LENGTH)

    @property
    def step(self) -> int:
        """One step of its scale, in the smallest units of what it reads."""
        if self.weighs is not None and self.kind is GaugeKind.WEIGHING_SCALE:
            return self.weighs.resolution_mg
        return self.resolution.nm if self.scale is None else self.scale.resolution

    @property
    def may_err(self) -> int:
        """Its permissible error, in the smallest units of what it reads."""
        if self.weighs is not None and self.kind is GaugeKind.WEIGHING_SCALE:
            return self.weighs.permissible_error_mg
        return self.permissible_error.nm if self.scale is None else self.scale.permissible_error

    def reaches(self, size: Length) -> bool:
        """Whether the size lies in its range; a range left open reaches everything."""
        if self.quantity is not Quantity.LENGTH:
            most = self.weighs.most_mg if self.weighs else self.scale.most if self.scale else size.nm
            return size.nm <= most
        return (self.least is None or self.least <= size) and (self.most is None or size <= self.most)

    @model_validator(mode="after")
    def _plausible(self) -> "Gauge":
        if self.kind is GaugeKind.WEIGHING_SCALE:
            if self.weighs is None:
                raise ValueError("say how finely the scale weighs, how far it may be out and the most it takes")
            if self.weighs.resolution_mg > self.weighs.most_mg:
                raise ValueError("it cannot weigh in steps larger than the most it takes: check the decimal point")
            return self
        if self.quantity is not Quantity.LENGTH:
            if self.scale is None:
                raise ValueError(f"say how finely the {self.kind.value} reads, how far it may be out and the most")
            if self.scale.resolution > self.scale.most:
                raise ValueError("it cannot read in steps larger than the most it takes: check the decimal point")
            return self
        if self.scale is not None:
            raise ValueError(f"a {self.kind.value} reads lengths: it has no other scale")
        for name, value in (("resolution", self.resolution), ("permissible error", self.permissible_error)):
            if not ZERO <= value <= Length(1_000_000) or (name == "resolution" and value == ZERO):
                raise ValueError(f"the {name} must lie between nothing and 1 mm: check the decimal point")
        self._check_range()
        return self

    def _check_range(self) -> None:
        if self.least is None or self.most is None:
            return
        if self.least > self.most:
            raise ValueError("the range ends before it begins: swap least and most")
        if self.kind is not GaugeKind.SETTING_RING and self.resolution > self.most - self.least:
            raise ValueError("the resolution is larger than the whole range: check both")
