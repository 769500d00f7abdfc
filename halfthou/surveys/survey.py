"""All that was read of every part: sorted by part, feature and spot, what counts, what is asked, what is
missing."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from typing import NamedTuple

from halfthou.engines import Engine, FeatureKind, Part
from halfthou.gauges import Budget, weighs_only
from halfthou.jobs import Gauge, Job, Plan, Reading, along
from halfthou.lengths import ZERO, Length
from halfthou.operations import LastWork, last_work, stale_by
from halfthou.surveys.doubting import put_doubts
from halfthou.surveys.forms import Form, Where, form_of, places_of
from halfthou.surveys.spots import Aside, SpotState
from halfthou.surveys.taken import Taken, TakenWith, lay_out

CAPS_LOOSE = "read with the caps not torqued"
GRAMS = "read with a weighing scale, which knows no lengths"
NOT_CLEAN = "read before it was clean"
SpotKey = tuple[str, str, str]


@dataclass(frozen=True)
class FeatureSurvey:
    """All that was read of one feature of a part, in the order of its plan.

    `outside` are readings at places that are not in the plan: they are judged, and somebody is asked about them.
    """

    part: Part
    feature: FeatureKind
    plan: Plan | None
    spots: tuple[SpotState, ...]
    taken_with: TakenWith
    outside: tuple[SpotState, ...] = ()
    places: Mapping[str, Where] = field(default_factory=dict)
    _budgets: dict[str, Budget] = field(default_factory=dict)

    @cached_property
    def sizes(self) -> dict[str, Length]:
        """The size of every spot that has one, those outside the plan too."""
        return {state.spot: size for state in self.all_spots if (size := state.size) is not None}

    @property
    def all_spots(self) -> tuple[SpotState, ...]:
        """The spots of the plan, and those outside it."""
        return (*self.spots, *self.outside) if self.outside else self.spots

    @cached_property
    def form(self) -> Form | None:
        """The form the sizes show; None while nothing is read."""
        return form_of(self.sizes, self.places, hole=self.feature.hole) if self.sizes else None

    @cached_property
    def unread(self) -> tuple[str, ...]:
        """The spots still to read, in order."""
        return tuple(state.spot for state in self.spots if not state.counted)

    @cached_property
    def held(self) -> tuple[SpotState, ...]:
        """The spots whose reading waits for an answer."""
        return tuple(state for state in self.all_spots if state.held)

    @cached_property
    def taken(self) -> tuple[Taken, ...]:
        """The newest reading of every spot that is read and not held, in order."""
        return tuple(state.counted[0] for state in self.all_spots if state.counted and not state.held)

    @cached_property
    def whole(self) -> bool:
        """Whether every spot of the plan has a size."""
        return all(state.size is not None for state in self.spots)

    def state(self, spot: str) -> SpotState:
        """One spot by its name."""
        return self._by_spot[spot]

    @cached_property
    def _by_spot(self) -> dict[str, SpotState]:
        return {state.spot: state for state in self.all_spots}

    def rise(self, spot: str) -> Length:
        """How much smaller the part may be at a spot once it has cooled."""
        if not self.taken_with.warm:
            return ZERO
        return max(taken.setup.may_be_less(taken.size) for taken in self.state(spot).counted)

    def budget(self, spot: str) -> Budget:
        """The budget of the size at a spot."""
        known = self._budgets.get(spot)
        if known is None:
            known = self._budgets[spot] = self.taken_with.budget(self.state(spot).counted)
        return known


@dataclass(frozen=True)
class PartSurvey:
    """All that was read of one part, by feature; a feature nobody has read and nobody must is left out."""

    part: Part
    features: Mapping[str, FeatureSurvey]

    def spots(self, feature: str) -> tuple[SpotState, ...]:
        """The spots of one feature; none where nothing of it was read."""
        found = self.features.get(feature)
        return found.spots if found is not None else ()

    def __getitem__(self, feature: str) -> FeatureSurvey:
        return self.features[feature]


def standing_readings(job: Job) -> tuple[Reading, ...]:
    """The readings that are neither withdrawn nor corrected, as they came."""
    taken_back = {withdrawal.fact for withdrawal in job.withdrawals}
    standing = [reading for reading in job.readings if reading.id not in taken_back]
    corrected = {reading.corrects for reading in standing if reading.corrects is not None}
    return tuple(reading for reading in standing if reading.id not in corrected)


def survey_parts(job: Job, engine: Engine) -> dict[str, PartSurvey]:
    """Sort the readings by part, feature and spot.

    Gives:   a survey for every part of the sets in scope, read or not, in the order of the work.
    Rule:    two readings of one spot are both kept, the newest is current; a corrected or withdrawn reading stays
             in the record and counts no more; a stale one is never judged as current; one at a place that is not in
             the plan is judged all the same.
    """
    standing = standing_readings(job)
    taken_with, worked = lay_out(job, engine, standing), last_work(job, engine)
    by_spot, outside = _sorted(job, engine, standing)
    states = {key: _spot_state(key, readings, worked, taken_with) for key, readings in by_spot.items()}
    put_doubts(job, engine, states, taken_with)
    read = {(part, feature) for part, feature, _ in states}
    return {
        part.id: PartSurvey(
            part,
            {
                feature.key: _feature(
                    part,
                    feature,
                    plan_of(job, part.set, feature) if feature.plan is not None else None,
                    _Read(states, outside.get((part.id, feature.key), {}), taken_with),
                )
                for feature in engine.kinds.of(part).features
                if feature.planned or (part.id, feature.key) in read
            },
        )
        for part in engine.parts.values()
        if part.set in job.sets
    }


def _sorted(
    job: Job, engine: Engine, standing: tuple[Reading, ...]
) -> tuple[dict[SpotKey, list[Reading]], dict[tuple[str, str], dict[str, Where | None]]]:
    """The readings by their spots, and where those outside the plan were taken."""
    by_spot: dict[SpotKey, list[Reading]] = defaultdict(list)
    outside: dict[tuple[str, str], dict[str, Where | None]] = {}
    plans: dict[tuple[str, str], tuple[Plan, Mapping[Where, str]]] = {}
    for reading in standing:
        part, spot = engine.parts[reading.part], reading.spot
        if part.set not in job.sets:
            continue
        feature = engine.feature(part.id, reading.feature)
        if feature.plan is not None:
            known = plans.get((part.set, feature.key))
            if known is None:
                plan = plan_of(job, part.set, feature)
                known = plans[part.set, feature.key] = plan, spots_at(plan)
            spot, where, planned = spot_in(reading, *known)
            if not planned:
                outside.setdefault((part.id, feature.key), {})[spot] = where
        elif spot not in feature.spots:
            continue
        by_spot[part.id, feature.key, spot].append(reading)
    return by_spot, outside


def plan_of(job: Job, one: str, feature: FeatureKind) -> Plan:
    """The plan by which a feature of a set is read: as chosen, else the usual one of its kind."""
    return job.plans.get(one) or feature.plan or Plan()


@lru_cache(maxsize=64)
def spots_at(plan: Plan) -> dict[Where, str]:
    """The spots of a plan by where they lie."""
    return {where: spot for spot, where in places_of(plan).items()}


def spot_in(reading: Reading, plan: Plan, spots: Mapping[Where, str]) -> tuple[str, Where | None, bool]:
    """The spot of a plan that a reading was taken at, by where it was really taken.

    Gives:   the spot's name, where it lies (None where nobody knows), and whether the plan has it.
    Rule:    surveys.plan.outside: a plan that is changed later moves no reading.
    """
    plane = int(reading.spot[0])
    if reading.angle_deg is None or reading.planes is None or plane > reading.planes:
        where = places_of(plan).get(reading.spot)
        return reading.spot, where, where is not None
    where = Where(along(plane, reading.planes), reading.angle_deg)
    spot = spots.get(where)
    if spot is not None:
        return spot, where, True
    return f"{reading.spot} of {reading.planes}, {reading.angle_deg:g}°", where, False


def _spot_state(key: SpotKey, readings: list[Reading], worked: LastWork, taken_with: TakenWith) -> SpotState:
    spot = key[2]
    if len(readings) > 1:
        # Of two taken at the same moment the smaller counts: their names and their order in a file say nothing.
        readings.sort(key=lambda reading: (reading.at, -reading.count, reading.id), reverse=True)
    gauges, caps = taken_with.cabinet.gauges, taken_with.engine.feature(key[0], key[1]).caps
    aside = tuple(found for r in readings if (found := _aside(r, worked, gauges[r.gauge], caps=caps)) is not None)
    left = readings
    if aside:
        gone = {found.reading.id for found in aside}
        left = [reading for reading in readings if reading.id not in gone]
    if not left:
        return SpotState(spot, aside=aside)
    if len(left) == 1:
        return SpotState(spot, (taken_with.take(left[0]),), (), aside)
    roots = taken_with.roots
    root = roots.get(left[0].id, left[0].id)
    counted = tuple(taken_with.take(reading) for reading in left if roots.get(reading.id, reading.id) == root)
    others = tuple(reading for reading in left if roots.get(reading.id, reading.id) != root)
    return SpotState(spot, counted, others, aside)


def _aside(reading: Reading, worked: LastWork, gauge: Gauge, *, caps: bool) -> Aside | None:
    if weighs_only(gauge):
        return Aside(reading, None, GRAMS)
    if (operation := stale_by(reading, worked)) is not None:
        return Aside(reading, operation, "")
    if reading.caps_torqued is False and caps:
        return Aside(reading, None, CAPS_LOOSE)
    return Aside(reading, None, NOT_CLEAN) if reading.cleaned is False else None


class _Read(NamedTuple):
    """What was read: every spot of the job, those of a feature outside its plan, and with what."""

    states: Mapping[SpotKey, SpotState]
    outside: Mapping[str, Where | None]
    taken_with: TakenWith


def _feature(part: Part, feature: FeatureKind, plan: Plan | None, read: _Read) -> FeatureSurvey:
    states, outside, taken_with = read
    spots = tuple(
        states.get((part.id, feature.key, spot)) or SpotState(spot)
        for spot in (feature.spots if plan is None else plan.spots)
    )
    beyond_plan = tuple(state for spot in sorted(outside) if (state := states[part.id, feature.key, spot]).counted)
    places: Mapping[str, Where] = places_of(plan) if plan is not None else {}
    if outside:
        places = {**places, **{spot: where for spot, where in outside.items() if where is not None}}
    return FeatureSurvey(part, feature, plan, spots, taken_with, beyond_plan, places)


def standing_sizes(job: Job, engine: Engine, one: str, feature: str) -> tuple[Length, ...]:
    """The sizes read of a feature of a set that stand and are not stale, for telling what comes next."""
    worked = last_work(job, engine)
    return tuple(
        reading.size
        for reading in standing_readings(job)
        if engine.parts[reading.part].set == one
        and reading.feature == feature
        and stale_by(reading, worked) is None
    )


def every_spot(surveys: Iterable[PartSurvey]) -> Iterable[tuple[FeatureSurvey, SpotState]]:
    """Every spot of every part, with the survey of its feature."""
    return ((found, state) for one in surveys for found in one.features.values() for state in found.all_spots)
