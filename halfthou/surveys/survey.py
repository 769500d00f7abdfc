"""All that was read of every part: sorted by part, feature and spot, what counts, what is asked, what is
missing."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property

from halfthou.amounts import Amount, Quantity, amount_of
from halfthou.engines import Engine, FeatureKind, Place
from halfthou.gauges import Budget
from halfthou.jobs import Job, Plan
from halfthou.lengths import ZERO, Length
from halfthou.memo import Memo
from halfthou.operations import last_work, stale_by
from halfthou.surveys.doubting import Doubts, doubts_about
from halfthou.surveys.forms import Form, MeasuredWhere, form_of, places_of
from halfthou.surveys.read import NOTHING, PartRead, facts_by_part, read_part
from halfthou.surveys.spots import SpotState
from halfthou.surveys.taken import Taken, TakenWith, lay_out


@dataclass(frozen=True, eq=False)
class FeatureSurvey:
    """All that was read of one feature of a part, in the order of its plan.

    `outside` are readings at places that are not in the plan: they are judged, and somebody is asked about them.
    """

    part: Place
    feature: FeatureKind
    plan: Plan | None
    spots: tuple[SpotState, ...]
    taken_with: TakenWith
    outside: tuple[SpotState, ...] = ()
    places: Mapping[str, MeasuredWhere] = field(default_factory=dict)
    _budgets: dict[str, Budget] = field(default_factory=dict)

    @cached_property
    def sizes(self) -> dict[str, Length]:
        """The size of every spot that has one, those outside the plan too. What is no length has none."""
        if self.feature.quantity is not Quantity.LENGTH:
            return {}
        return {state.spot: size for state in self.all_spots if (size := state.size) is not None}

    @cached_property
    def counts(self) -> dict[str, int]:
        """What was read at every spot that has a value, in whole smallest units of the feature's quantity."""
        return {state.spot: size.nm for state in self.all_spots if (size := state.size) is not None}

    @cached_property
    def amounts(self) -> dict[str, Amount]:
        """The amount at every spot that has one, as what it is: a weight is never given as a length."""
        quantity = self.feature.quantity
        return {s.spot: amount_of(quantity, s.size.nm) for s in self.all_spots if s.size is not None}

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
        if not self.taken_with.warm or self.feature.quantity is not Quantity.LENGTH:
            return ZERO
        return max(taken.setup.may_be_less(taken.size) for taken in self.state(spot).counted)

    def budget(self, spot: str) -> Budget:
        """The budget of the size at a spot."""
        known = self._budgets.get(spot)
        if known is None:
            known = self._budgets[spot] = self.taken_with.budget(self.state(spot).counted)
        return known


@dataclass(frozen=True, eq=False)
class PartSurvey:
    """All that was read of one part, by feature; a feature nobody has read and nobody must is left out."""

    part: Place
    features: Mapping[str, FeatureSurvey]

    def spots(self, feature: str) -> tuple[SpotState, ...]:
        """The spots of one feature; none where nothing of it was read."""
        found = self.features.get(feature)
        return found.spots if found is not None else ()

    def __getitem__(self, feature: str) -> FeatureSurvey:
        return self.features[feature]


def survey_parts(job: Job, engine: Engine, memo: Memo) -> dict[str, PartSurvey]:
    """Sort the readings by part, feature and spot.

    Takes:   what was worked out of the job before; a part of which nothing changed is not surveyed again.
    Gives:   a survey for every part of the sets in scope, read or not, in the order of the work.
    """
    taken_with = lay_out(job, engine, memo)
    on_record = facts_by_part(job, engine, last_work(job, engine))
    reads: dict[str, PartRead] = {}
    for part in engine.parts.values():
        if part.set not in job.sets:
            continue
        facts, plan = on_record.get(part.id, NOTHING), job.plans.get(part.set)
        reads[part.id] = memo.of(("read", part.id), read_part, part, engine, taken_with, plan, facts)
    doubts = doubts_about(job, engine, reads, memo)
    return {
        name: memo.of(("survey", name), _survey, read, doubts.get(name, {}), engine) for name, read in reads.items()
    }


def _survey(read: PartRead, doubts: Doubts, engine: Engine) -> PartSurvey:
    """A part as read, with the doubts about it."""
    states = dict(read.states)
    for key, doubt in doubts.items():
        state = states[key]
        states[key] = SpotState(state.spot, state.counted, state.others, state.aside, doubt)
    known = {feature for feature, _ in states}
    return PartSurvey(
        read.part,
        {
            feature.key: _feature(read, feature, states)
            for feature in engine.kinds.of(read.part).features
            if feature.planned or feature.key in known
        },
    )


def _feature(read: PartRead, feature: FeatureKind, states: Mapping[tuple[str, str], SpotState]) -> FeatureSurvey:
    plan, outside = read.plans.get(feature.key), read.outside.get(feature.key, {})
    spots = tuple(
        states.get((feature.key, spot)) or SpotState(spot)
        for spot in (feature.spots if plan is None else plan.spots)
    )
    beyond_plan = tuple(state for spot in sorted(outside) if (state := states[feature.key, spot]).counted)
    places: Mapping[str, MeasuredWhere] = places_of(plan) if plan is not None else {}
    if outside:
        places = {**places, **{spot: where for spot, where in outside.items() if where is not None}}
    return FeatureSurvey(read.part, feature, plan, spots, read.taken_with, beyond_plan, places)


def standing_sizes(job: Job, engine: Engine, one: str, feature: str) -> tuple[Length, ...]:
    """The sizes read of a feature of a set that stand and are not stale, for telling what comes next."""
    worked = last_work(job, engine)
    of_set = [part.id for part in engine.parts.values() if part.set == one]
    read = (one for part in of_set for one in job.standing_by_part.get(part, ()) if one.feature == feature)
    return tuple([one.size for one in read if not worked or stale_by(one, worked) is None])


def every_spot(surveys: Iterable[PartSurvey]) -> Iterable[tuple[FeatureSurvey, SpotState]]:
    """Every spot of every part, with the survey of its feature."""
    return ((found, state) for one in surveys for found in one.features.values() for state in found.all_spots)
