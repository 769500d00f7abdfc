"""How each reading was taken, and what it says once zero error and warmth are allowed for."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, field
from datetime import timedelta
from functools import cached_property
from typing import NamedTuple

from halfthou.engines import Engine
from halfthou.gauges import (
    RISE_K,
    Budget,
    Cabinet,
    GaugeQuestion,
    Repeatability,
    Setting,
    Setup,
    SpotRead,
    Warmth,
    check_stands,
    combine,
    counts_from_setting,
    in_force,
    own_terms,
    question_of,
    repeatability,
    settings_of,
    shared_terms,
    shifted,
)
from halfthou.jobs import (
    Condition,
    Gauge,
    HouseRules,
    Job,
    LimitsSheet,
    Material,
    Reading,
    SettingCheck,
    Sitting,
    SlipAnswer,
)
from halfthou.lengths import Length
from halfthou.memo import Memo

_ALUMINIUM = (Material.CAST_ALUMINIUM, Material.HYPEREUTECTIC, Material.PISTON_ALLOY, Material.FORGED_2618)
#: How far aluminium whose temperature nobody took may be from the gauge, in kelvin.
#: Source: common practice, no source.
ALUMINIUM_RISE_K = 5


@dataclass(frozen=True, slots=True)
class Taken:
    """A reading that counts: what the gauge said (or the slip that was taken instead), and the size it comes to."""

    reading: Reading
    said: Length
    size: Length
    setup: Setup


@dataclass(eq=False)
class TakenWith:
    """What the readings of a job were taken with. Works out each way of reading once."""

    limits: LimitsSheet
    house: HouseRules
    engine: Engine
    cabinet: Cabinet
    repeats: dict[tuple[str, str], list[list[int]]]
    taken_slips: dict[str, Length]
    roots: dict[str, str]
    _stands: dict[str, timedelta] = field(default_factory=dict)
    _sittings: dict[str, Sitting] = field(default_factory=dict)
    _setups: dict[tuple[object, ...], Setup] = field(default_factory=dict)
    _hands: dict[tuple[str, str], Repeatability] = field(default_factory=dict)
    _shared: dict[tuple[int, str], Budget] = field(default_factory=dict)

    @cached_property
    def warm(self) -> bool:
        """Whether a part was read that had not rested, or whose temperature nobody took."""
        unrested = any(s.part_c is None and s.condition is not Condition.RESTED for s in self._sittings.values())
        return unrested or self.limits.crank_material in _ALUMINIUM

    def take(self, reading: Reading) -> Taken:
        """The reading as it counts."""
        setup = self.setup_of(reading)
        said = self.taken_slips.get(reading.id, reading.size)
        return Taken(reading, said, setup.corrected(said), setup)

    def setup_of(self, reading: Reading) -> Setup:
        """How one reading was taken."""
        checks = self.cabinet.settings.get(reading.gauge)
        setting = None
        if checks:
            setting = in_force(checks, reading.at, reading.size, self._stands[reading.gauge])
        part = self.engine.parts[reading.part]
        of = part.kind, part.set, reading.feature
        key = (reading.gauge, reading.by, reading.sitting, setting.check.id if setting else "", *of)
        known = self._setups.get(key)
        if known is None:
            known = self._setups[key] = self._new_setup(reading, setting)
        return known

    def question(self, taken: Taken) -> GaugeQuestion | None:
        """What has to be asked about the gauge of a reading before the reading counts."""
        gauge, reading = taken.setup.gauge, taken.reading
        needed = self.engine.feature(reading.part, reading.feature).purpose
        question = question_of(gauge, taken.setup.setting, reading, needed)
        if question is None and counts_from_setting(gauge, needed):
            checks = self.cabinet.settings.get(gauge.id, ())
            return GaugeQuestion.DRIFTED if shifted(gauge, checks, reading) else None
        return question

    def hand(self, gauge: str, by: str) -> Repeatability:
        """The repeatability of one person on one gauge."""
        known = self._hands.get((gauge, by))
        if known is None:
            known = self._hands[gauge, by] = repeatability(
                self.cabinet.gauges[gauge], self.repeats.get((gauge, by), ())
            )
        return known

    def _new_setup(self, reading: Reading, setting: Setting | None) -> Setup:
        house, gauge = self.house, self.cabinet.gauges[reading.gauge]
        sitting = self._sittings.get(reading.sitting) if reading.sitting else None
        part_c = sitting.part_c if sitting else None
        part = self.engine.parts[reading.part]
        material = self.engine.feature(part.id, reading.feature).material(self.limits, part.set)
        rise = 0
        if part_c is None:
            rise = RISE_K[sitting.condition] if sitting else 0
            if material in _ALUMINIUM:
                rise = max(rise, ALUMINIUM_RISE_K)
        gauge_c = sitting.gauge_c if sitting and sitting.gauge_c is not None else house.shop_c
        return Setup(
            gauge=gauge,
            setting=setting,
            repeat=self.hand(reading.gauge, reading.by),
            part=Warmth(material, house.shop_c if part_c is None else part_c),
            scale=Warmth(gauge.material, gauge_c),
            spread_k=house.spread_k,
            rise_k=rise,
            sitting=reading.sitting or "the shop",
        )

    def budget(self, counted: tuple[Taken, ...]) -> Budget:
        """The budget of the mean of readings of one spot."""
        if len(counted) == 1:
            return self._one(counted[0])
        share = 1 / len(counted)
        return combine([(share, self._one(taken)) for taken in counted])

    def _one(self, taken: Taken) -> Budget:
        """One reading's budget; what it shares with its part is worked out once, at the first size met."""
        reading, setup = taken.reading, taken.setup
        part = f"{reading.part} {reading.feature}"
        key = id(setup), part
        shared = self._shared.get(key)
        if shared is None:
            shared = self._shared[key] = shared_terms(setup, taken.size, part, self.cabinet)
        return (*shared, *own_terms(setup, SpotRead(reading.id, part, reading.spot)))


def _roots(standing: Iterable[Reading]) -> dict[str, str]:
    """For every repeat the first reading of its row, through repeats of repeats; itself for that first one."""
    links = {reading.id: reading.repeats for reading in standing if reading.repeats is not None}
    found: dict[str, str] = {}
    for reading in links:
        root, seen = reading, {reading}
        while (before := links.get(root)) is not None and before not in seen:
            root = before
            seen.add(root)
        found[reading] = root
        found[root] = root
    return found


def lay_out(job: Job, engine: Engine, memo: Memo) -> TakenWith:
    """What the readings that stand were taken with.

    Repeats are pooled for each person on each gauge, from setting checks and from spots read again, in this job.
    """
    standing = [one for readings in job.standing_by_part.values() for one in readings]
    roots = _roots(standing)
    repeated = {root for reading, root in roots.items() if root != reading}
    groups: dict[tuple[str, str, str], list[int]] = defaultdict(list)
    for reading in standing if repeated else ():
        root = roots.get(reading.id, reading.id)
        if root in repeated:
            groups[reading.gauge, reading.by, root].append(reading.size.nm)
    means = Means(
        job.limits,
        job.house_rules,
        job.gauges,
        job.checks,
        job.sittings,
        job.standing(job.slip_answers),
        roots,
        groups,
    )
    return memo.of("taken with", _taken_with, means, engine)


class Means(NamedTuple):
    """All that how a reading was taken rests on: limits and house rules, gauges with their checks, temperatures,
    slips answered, and the rows of repeats (for each reading its first, and the sizes of each row)."""

    limits: LimitsSheet
    house: HouseRules
    gauges: tuple[Gauge, ...]
    checks: tuple[SettingCheck, ...]
    sittings: tuple[Sitting, ...]
    slip_answers: tuple[SlipAnswer, ...]
    roots: dict[str, str]
    rows: dict[tuple[str, str, str], list[int]]


def _taken_with(means: Means, engine: Engine) -> TakenWith:
    repeats: dict[tuple[str, str], list[list[int]]] = defaultdict(list)
    for (gauge, by, _), sizes in means.rows.items():
        repeats[gauge, by].append(sizes)
    for check in means.checks:
        repeats[check.gauge, check.by].append([read.nm for read in check.read])
    return TakenWith(
        limits=means.limits,
        house=means.house,
        engine=engine,
        cabinet=Cabinet({gauge.id: gauge for gauge in means.gauges}, settings_of(means.checks)),
        repeats=repeats,
        roots=means.roots,
        taken_slips={a.reading: a.offered for a in means.slip_answers if a.taken and a.offered is not None},
        _stands={gauge.id: check_stands(gauge, means.house) for gauge in means.gauges},
        _sittings={sitting.id: sitting for sitting in means.sittings},
    )
