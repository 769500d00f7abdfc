"""What would settle a figure that is too close to call, and how many readings that takes."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from typing import Protocol

from halfthou.gauges import (
    GUARD_FACTOR,
    REPEATS,
    SCALES,
    Setup,
    TermKind,
    after_check,
    beyond_guard,
    beyond_guard_of_difference,
    difference_doubt,
    guard_band,
    scale_terms,
    size_doubt,
    standard_doubt,
)
from halfthou.jobs import Gauge, HouseRules
from halfthou.lengths import ZERO, Length
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts.finding import QUESTIONS, Called, FigureKey, Finding

#: More repeats than this at one spot are not asked for. Source: common practice, no source.
MOST_REPEATS = 9


class Measurable(Protocol):
    """A part with its readings and the house rules it is judged by."""

    @property
    def survey(self) -> FeatureSurvey:
        """What was read of it."""

    @property
    def house(self) -> HouseRules:
        """The house rules."""


class SettlingWay(StrEnum):
    """The ways to settle a doubt."""

    COOL = "let it cool"
    READ_AGAIN = "take more readings"
    CHECK_GAUGE = "check the gauge"
    FINER_GAUGE = "use a finer gauge"
    MAKERS_LIMIT = "find the maker's limit"
    THIRD_ANGLE = "read a third angle"
    MORE_ANGLES = "read at the angle between"
    NONE = "nothing in the cabinet"


@dataclass(frozen=True, slots=True)
class Settling:
    """One way to settle one figure: how, at which spots, how many readings more at each, with which gauge, and
    near which size a gauge is to be checked."""

    way: SettlingWay
    figure: str
    spots: tuple[str, ...] = ()
    more: int = 0
    gauge: str = ""
    near: Length = ZERO


def settlings(case: Measurable, finding: Finding) -> tuple[Settling, ...]:
    """What would settle a figure that is too close to call, the least work first.

    Gives:   nothing for a figure that is called; more readings only where that many would call it as it stands.
    Rule:    verdicts.settling.   Source: the budget solved for the doubt that the margin allows.
    """
    return tuple(_settlings(case, finding))


def _settlings(case: Measurable, finding: Finding) -> Iterator[Settling]:
    # What cannot come of wear is read again whatever the gauge: no finer one settles it.
    if finding.called is not Called.TOO_CLOSE or finding.key in QUESTIONS:
        return
    if finding.by_rule_of_thumb:
        yield Settling(SettlingWay.MAKERS_LIMIT, finding.name)
        return
    if finding.cannot_accept and finding.to_spare >= finding.guard:
        yield Settling(SettlingWay.THIRD_ANGLE, finding.name)
        return
    if finding.waits_warm:
        yield Settling(SettlingWay.COOL, finding.name, finding.spots)
        return
    if finding.by_fit_alone:
        yield Settling(SettlingWay.MORE_ANGLES, finding.name)
        return
    allowed = abs(finding.to_spare).nm / (GUARD_FACTOR[case.house.guard] * _wider(finding))
    setups = _setups(case, finding)
    found = False
    for settling in (_again(case, finding), _checked(finding, setups, allowed)):
        if settling is not None:
            found = True
            yield settling
    if not found:
        yield _finer(case, finding, allowed) or Settling(SettlingWay.NONE, finding.name)


def _wider(finding: Finding) -> float:
    """How much wider the guard of rejecting is than that of accepting, where the figure lies past its limit."""
    if finding.to_spare >= ZERO or finding.guard == ZERO:
        return 1.0
    return max(1.0, finding.beyond_guard.nm / finding.guard.nm)


def _setups(case: Measurable, finding: Finding) -> list[Setup]:
    counted = {state.spot: state.counted for state in case.survey.all_spots}
    return [taken.setup for spot in finding.spots for taken in counted.get(spot, ())]


def parts_of(finding: Finding) -> tuple[float, float, float]:
    """The doubt of a figure in three parts, each a standard uncertainty in nm: scale, repeats, all the rest."""
    scale = math.sqrt(sum(t.nm**2 for t in finding.budget if t.kind in SCALES))
    repeat = math.sqrt(sum(t.nm**2 for t in finding.budget if t.kind in REPEATS))
    rest = math.sqrt(sum(t.nm**2 for t in finding.budget if t.kind not in SCALES and t.kind not in REPEATS))
    return scale, repeat, rest


def _again(case: Measurable, finding: Finding) -> Settling | None:
    """So many readings more at each spot as would call the figure where it stands."""
    scale, repeat, rest = parts_of(finding)
    counts = {state.spot: len(state.counted) for state in case.survey.all_spots}
    have = min((counts.get(spot, 1) for spot in finding.spots), default=1)
    if repeat <= 0:
        return None
    for more in range(1, MOST_REPEATS + 1):
        fewer = repeat * math.sqrt(have / (have + more))
        if _called(case, finding, math.hypot(scale, rest), fewer):
            return Settling(SettlingWay.READ_AGAIN, finding.name, finding.spots, more)
    return None


def _called(case: Measurable, finding: Finding, shared: float, repeat: float) -> bool:
    """Whether the figure would be called with this doubt: the step of the scale is each reading's own, too."""
    guard = case.house.guard
    if finding.to_spare >= ZERO:
        return finding.to_spare >= guard_band(math.hypot(shared, repeat), guard)
    step = math.sqrt(sum(term.nm**2 for term in finding.budget if term.kind is TermKind.RESOLUTION))
    common = math.sqrt(max(shared**2 - step**2, 0.0))
    if finding.key in (FigureKey.OUT_OF_ROUND, FigureKey.TAPER, FigureKey.BARREL):
        return -finding.to_spare >= beyond_guard_of_difference(finding.out_of, math.hypot(shared, repeat), guard)
    return -finding.to_spare >= beyond_guard(finding.out_of, math.hypot(step, repeat), common, guard)


def _checked(finding: Finding, setups: list[Setup], allowed: float) -> Settling | None:
    scale, repeat, rest = parts_of(finding)
    if scale <= 0 or not setups:
        return None
    setup = setups[0]
    fresh = after_check(setup)
    again = repeat / math.sqrt(1 + MOST_REPEATS)
    if fresh >= scale or math.sqrt(fresh**2 + again**2 + rest**2) > allowed:
        return None
    return Settling(SettlingWay.CHECK_GAUGE, finding.name, gauge=setup.gauge.name, near=finding.value)


def _finer(case: Measurable, finding: Finding, allowed: float) -> Settling | None:
    """A gauge of the cabinet that would settle it: its own doubt, with what no gauge changes (warmth, and what was
    read with another), takes the place of the doubt of the one that was used."""
    size = case.survey.form.size_found if case.survey.form else ZERO
    used = {taken.setup.gauge.id for state in case.survey.all_spots for taken in state.counted}
    mine = sources_of(case.survey)
    rest = math.sqrt(sum(term.nm**2 for term in finding.budget if term.kind in _WARMTH or term.source not in mine))
    is_size = finding.key in (FigureKey.SIZE, FigureKey.LARGER)
    fine: list[tuple[float, Gauge]] = []
    for gauge in gauges_for(case):
        if gauge.id in used or not gauge.reaches(size):
            continue
        doubt = math.hypot(size_doubt(gauge) if is_size else difference_doubt(gauge), rest)
        if doubt <= allowed:
            fine.append((doubt, gauge))
    if not fine:
        return None
    best = min(fine, key=lambda pair: pair[0])[1]
    return Settling(SettlingWay.FINER_GAUGE, finding.name, gauge=best.name)


#: What no gauge brings or takes away.
_WARMTH = (TermKind.WARMTH, TermKind.COEFFICIENT)


def sources_of(survey: FeatureSurvey) -> frozenset[str]:
    """Every source of doubt in what was read of a feature."""
    return frozenset(term.source for spot in survey.sizes for term in survey.budget(spot))


def gauges_for(case: Measurable) -> list[Gauge]:
    """The gauges of the cabinet that the part may be read with."""
    needed = case.survey.feature.purpose
    return [gauge for gauge in case.survey.taken_with.cabinet.gauges.values() if needed in gauge.purposes]


def scale_now(case: Measurable, gauge: Gauge, size: Length) -> float:
    """The scale's standard uncertainty in nm of a gauge as last checked."""
    cabinet = case.survey.taken_with.cabinet
    settings = cabinet.settings.get(gauge.id, ())
    return standard_doubt(tuple(scale_terms(gauge, settings[-1] if settings else None, size, cabinet)))
