"""What setting checks tell: the zero error to take off, how it drifts, whether a gauge may be used."""

from __future__ import annotations

from bisect import bisect_right
from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from enum import StrEnum

from halfthou.jobs import COMPARATORS, WITHOUT_ZERO, Gauge, HouseRules, SettingCheck
from halfthou.lengths import Length

#: A check counts for sizes this near its standard. Source: common practice, no source: a micrometer screw errs
#: differently along its length.
NEAR = Length(5_000_000)


@dataclass(frozen=True, slots=True)
class Setting:
    """A setting check worked out: the true size of its standard, the zero error, and the change since the last."""

    check: SettingCheck
    standard: Length
    zero: Length
    drift: Length | None

    def near(self, size: Length) -> bool:
        """Whether the check tells of this size."""
        return abs(size - self.standard) <= NEAR


Settings = Mapping[str, tuple[Setting, ...]]


def settings_of(checks: Iterable[SettingCheck]) -> Settings:
    """The checks of every gauge worked out, oldest first.

    A standard that is a gauge itself is taken at its own zero error: a bore gauge set in a micrometer inherits it.
    Rule:    gauges.setting-check.
    """
    found: dict[str, list[Setting]] = defaultdict(list)
    for check in sorted(checks, key=lambda check: check.at):
        standard = check.standard
        if check.against is not None:
            master = in_force(found.get(check.against, ()), check.at)
            standard = standard if master is None else standard - master.zero
        total = sum(read.nm for read in check.read)
        count = len(check.read)
        mean = (2 * total + count) // (2 * count)
        zero = Length(mean) - standard
        before = next((s for s in reversed(found[check.gauge]) if s.near(standard)), None)
        found[check.gauge].append(Setting(check, standard, zero, zero - before.zero if before else None))
    return {gauge: tuple(settings) for gauge, settings in found.items()}


#: One day's work: so long a comparator's setting stands, and a check made after a reading still tells of it.
#: Source: common practice, no source.
SAME_DAY = timedelta(hours=12)
#: How long the check of a gauge with a zero stands where the house says nothing else.
A_DAY = timedelta(hours=24)


def check_stands(gauge: Gauge, house: HouseRules) -> timedelta:
    """How long a setting check stands: a comparator's for its sitting, any other gauge's as the house says."""
    return SAME_DAY if gauge.kind in COMPARATORS else timedelta(hours=house.check_stands_h)


def in_force(
    settings: Sequence[Setting], at: datetime, size: Length | None = None, stands: timedelta = A_DAY
) -> Setting | None:
    """The check that counts for a reading; None where there is none, or none that still stands.

    Takes:   the checks of one gauge, oldest first; when the reading was taken, and its size; how long a check
             stands.
    Gives:   the last check before it that stands, one near its size first; where none stands, one made in the hours
             after it. An older one says nothing any more: the permissible error counts in full.
    Rule:    gauges.setting-check.   Source: common practice, no source.
    """
    after = bisect_right(settings, at, key=lambda setting: setting.check.at)
    today = [s for s in settings[max(0, after - 8) : after] if at - s.check.at <= stands]
    later = [s for s in settings[after : after + 8] if s.check.at - at <= SAME_DAY]
    if size is not None:
        near = next((s for s in (*reversed(today), *later) if s.near(size)), None)
        if near is not None:
            return near
    return today[-1] if today else later[0] if later else None


class Standing(StrEnum):
    """Whether a gauge may be measured with."""

    FIT = "fit"
    NOT_CHECKED = "not checked"
    OUT = "out"
    OVERDUE = "overdue"


def standing_of(gauge: Gauge, setting: Setting | None, on: date) -> Standing:
    """How a gauge stands on a day.

    Gives:   out where its zero error is more than its permissible error (a comparator is set to its standard, so
             only its own stroke counts), overdue past its due date, else fit or not yet checked.
    Rule:    gauges.standing.   Source: common practice, no source.
    """
    comparator = gauge.kind in COMPARATORS
    if setting is not None and not comparator and abs(setting.zero) > gauge.permissible_error:
        return Standing.OUT
    if gauge.due is not None and on > gauge.due:
        return Standing.OVERDUE
    return Standing.FIT if setting is not None or gauge.kind in WITHOUT_ZERO else Standing.NOT_CHECKED
