"""A gauge of the shop, as far as a verdict depends on it."""

from enum import StrEnum

from pydantic import model_validator

from halfthou.jobs.document import Document, FactId, Words
from halfthou.lengths import ZERO, Length, Unit


class GaugeKind(StrEnum):
    """What a journal can be measured with."""

    MICROMETER = "micrometer"
    DIGITAL_MICROMETER = "digital micrometer"
    SNAP_GAUGE = "comparator snap gauge"
    CALIPER = "caliper"


class Gauge(Document):
    """`permissible_error` is the maker's or the calibration sheet's ± limit; `repeatability` is one standard
    deviation of a single reading, where the shop knows it."""

    id: FactId
    name: Words
    kind: GaugeKind
    unit: Unit
    resolution: Length
    permissible_error: Length
    repeatability: Length | None = None

    @model_validator(mode="after")
    def _plausible(self) -> "Gauge":
        if not ZERO < self.resolution <= Length(1_000_000):
            raise ValueError("the resolution must lie between nothing and 1 mm: check the decimal point")
        if not ZERO <= self.permissible_error <= Length(1_000_000):
            raise ValueError("the permissible error must lie between nothing and 1 mm: check the decimal point")
        return self
