"""Whether a gauge is one to believe at this size and feature. Where not, somebody is asked before it counts."""

from __future__ import annotations

from collections.abc import Sequence
from enum import StrEnum

from halfthou.amounts import Quantity
from halfthou.gauges.setting import SAME_DAY, Setting
from halfthou.jobs import COMPARATORS, Gauge, Purpose, Reading
from halfthou.lengths import Length


class GaugeQuestion(StrEnum):
    """Why a gauge is asked about."""

    KIND = "the gauge is not made for this"
    RANGE = "the gauge does not reach this size"
    OUT = "the gauge is out"
    OVERDUE = "the gauge is overdue"
    NOT_SET = "the gauge was not set"
    DRIFTED = "the gauge shifted in use"


def question_of(gauge: Gauge, setting: Setting | None, reading: Reading, needed: Purpose) -> GaugeQuestion | None:
    """What has to be asked about the gauge of a reading before the reading counts; None where nothing.

    Takes:   the gauge, the setting check in force for the reading, the reading; what the gauge must be fit for.
    Rule:    gauges.standing.   Source: common practice, no source: a caliper is too coarse for journals, bores and
             walls; a gauge whose zero error is more than its permissible error is out.
    """
    if needed not in gauge.purposes:
        return GaugeQuestion.KIND
    # Nothing is what no leaf goes into, or what is level: no gauge has a range for it.
    if reading.count and not gauge.reaches(Length(abs(reading.count))):
        return GaugeQuestion.RANGE
    comparator = counts_from_setting(gauge, needed)
    if setting is not None and not comparator and abs(setting.zero) > gauge.permissible_error:
        return GaugeQuestion.OUT
    if gauge.due is not None and reading.at.date() > gauge.due:
        return GaugeQuestion.OVERDUE
    return GaugeQuestion.NOT_SET if comparator and setting is None else None


def counts_from_setting(gauge: Gauge, needed: Purpose) -> bool:
    """Whether what a gauge says counts from what it was set to. An indicator that reads a run-out counts from where
    it stands: it is set to nothing."""
    return gauge.kind in COMPARATORS and needed is not Purpose.RUN_OUT


def shifted(gauge: Gauge, settings: Sequence[Setting], reading: Reading) -> bool:
    """Whether a comparator read its master differently after the reading than before, by more than it may.

    Rule:    gauges.setting-check.   Source: common practice, no source: set before a sitting, read after it.
    """
    if gauge.kind not in COMPARATORS:
        return False
    before = next((s for s in reversed(settings) if s.check.at <= reading.at), None)
    after = next((s for s in settings if s.check.at > reading.at), None)
    if before is None or after is None or after.check.at - before.check.at > SAME_DAY:
        return False
    return before.near(after.standard) and abs(after.zero - before.zero) > gauge.permissible_error


def reads_something_else(gauge: Gauge, quantity: Quantity) -> str:
    """What is said of a gauge that cannot read a quantity at all; nothing where it can.

    Rule:    a weight is never a length.
    """
    if gauge.quantity is quantity:
        return ""
    return f"{gauge.name} reads {_READ_AS[gauge.quantity]}, not {_READ_AS[quantity]}"


_READ_AS = {
    Quantity.LENGTH: "lengths",
    Quantity.MASS: "weights",
    Quantity.FORCE: "forces",
    Quantity.ANGLE: "angles",
    Quantity.PRESSURE: "pressures",
    Quantity.FINISH: "roughness",
    Quantity.ROCKWELL_C: "hardness by Rockwell C",
    Quantity.BRINELL: "hardness by Brinell",
    Quantity.VICKERS: "hardness by Vickers",
}
