"""Which reading of a spot is current, which are kept beside it, and what was last seen of a part."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from functools import cached_property, lru_cache

from halfthou.gauges import Budget, GaugeQuestion, weighs_only
from halfthou.jobs import (
    ANSWERS,
    FIXED_SPOTS,
    Feature,
    Gauge,
    Job,
    JournalSet,
    Look,
    Observation,
    Operation,
    Plan,
    Reading,
    along,
    set_of,
)
from halfthou.lengths import ZERO, Length
from halfthou.operations import stale_looks, stale_readings
from halfthou.surveys.form import Form, Where, form_of, places_of
from halfthou.surveys.odd import odd_one
from halfthou.surveys.suspicion import Doubtful, Suspicion, expected_of, find_suspects
from halfthou.surveys.taken import Taken, TakenWith, lay_out

CAPS_LOOSE = "read with the caps not torqued"
GRAMS = "read with a weighing scale, which knows no lengths"
NOT_CLEAN = "read before it was clean"


@dataclass(frozen=True, slots=True)
class Aside:
    """A reading that is not judged: made stale by an operation, or taken in a state that does not count."""

    reading: Reading
    operation: Operation | None
    state: str


@dataclass(frozen=True, slots=True)
class SpotState:
    """One spot of a plan.

    `counted` are the readings, newest first, whose mean to the nearest nanometre is its `size`; `others` those kept
    beside it; `aside` those that no longer count; `doubt` a suspicion about one of them. While a doubt holds there
    is no size.
    """

    spot: str
    counted: tuple[Taken, ...] = ()
    others: tuple[Reading, ...] = ()
    aside: tuple[Aside, ...] = ()
    doubt: Suspicion | None = None
    size: Length | None = field(init=False, default=None)

    def __post_init__(self) -> None:
        if self.counted and not self.held:
            object.__setattr__(self, "size", _mean_of(self.counted))

    @property
    def current(self) -> Reading | None:
        """The newest reading that counts."""
        return self.counted[0].reading if self.counted else None

    @property
    def held(self) -> bool:
        """Whether the reading waits for an answer."""
        return self.doubt is not None and self.doubt.holds


def _mean_of(counted: tuple[Taken, ...]) -> Length:
    if len(counted) == 1:
        return counted[0].size
    count = len(counted)
    return Length((2 * sum(taken.size.nm for taken in counted) + count) // (2 * count))


@dataclass(frozen=True)
class JournalSurvey:
    """All that was read of one journal and its bearing, in the order of its plan.

    `outside` are readings at places that are not in the plan: they are judged, and somebody is asked about them.
    """

    journal: str
    journal_set: JournalSet
    plan: Plan
    spots: tuple[SpotState, ...]
    bearing: dict[Feature, tuple[SpotState, ...]]
    bench: TakenWith
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
        return form_of(self.sizes, self.places) if self.sizes else None

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
        if not self.bench.warm:
            return ZERO
        return max(taken.setup.may_be_less(taken.size) for taken in self.state(spot).counted)

    def budget(self, spot: str) -> Budget:
        """The budget of the size at a spot."""
        known = self._budgets.get(spot)
        if known is None:
            known = self._budgets[spot] = self.bench.budget(self.state(spot).counted)
        return known


def standing_readings(job: Job) -> tuple[Reading, ...]:
    """The readings that are neither withdrawn nor corrected, as they came."""
    taken_back = {withdrawal.fact for withdrawal in job.withdrawals}
    standing = [reading for reading in job.readings if reading.id not in taken_back]
    corrected = {reading.corrects for reading in standing if reading.corrects is not None}
    return tuple(reading for reading in standing if reading.id not in corrected)


def survey_journals(job: Job) -> dict[str, JournalSurvey]:
    """Sort the readings by journal, feature and spot.

    Gives:   a survey for every journal of the engine, read or not.
    Rule:    two readings of one spot are both kept, the newest is current; a corrected or withdrawn reading stays
             in the record and counts no more; a stale one is never judged as current; one at a place that is not in
             the plan is judged all the same.
    """
    standing = standing_readings(job)
    bench, stale = lay_out(job, standing), stale_readings(job)
    by_spot: dict[tuple[str, Feature, str], list[Reading]] = defaultdict(list)
    outside: dict[str, dict[str, Where | None]] = {}
    plans = {journal_set: (plan := job.plan_of(journal_set), spots_at(plan)) for journal_set in JournalSet}
    for reading in standing:
        spot = reading.spot
        if reading.feature is Feature.JOURNAL:
            spot, where, planned = spot_in(reading, *plans[set_of(reading.journal)])
            if not planned:
                outside.setdefault(reading.journal, {})[spot] = where
        elif spot not in FIXED_SPOTS[reading.feature]:
            continue
        by_spot[reading.journal, reading.feature, spot].append(reading)
    states = {key: _spot_state(key[2], readings, stale, bench) for key, readings in by_spot.items()}
    _doubt(job, states, bench)
    return {
        journal: _survey(job, journal, states, bench, outside.get(journal, {}))
        for journal in job.limits.layout.shaft
    }


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


def _spot_state(spot: str, readings: list[Reading], stale: Mapping[str, Operation], bench: TakenWith) -> SpotState:
    if len(readings) > 1:
        # Of two taken at the same moment the smaller counts: their names and their order in a file say nothing.
        readings.sort(key=lambda reading: (reading.at, -reading.size.nm, reading.id), reverse=True)
    gauges = bench.cabinet.gauges
    aside = tuple(found for r in readings if (found := _aside(r, stale, gauges[r.gauge])) is not None)
    left = readings
    if aside:
        gone = {found.reading.id for found in aside}
        left = [reading for reading in readings if reading.id not in gone]
    if not left:
        return SpotState(spot, aside=aside)
    if len(left) == 1:
        return SpotState(spot, (bench.take(left[0]),), (), aside)
    roots = bench.roots
    root = roots.get(left[0].id, left[0].id)
    counted = tuple(bench.take(reading) for reading in left if roots.get(reading.id, reading.id) == root)
    others = tuple(reading for reading in left if roots.get(reading.id, reading.id) != root)
    return SpotState(spot, counted, others, aside)


def _aside(reading: Reading, stale: Mapping[str, Operation], gauge: Gauge) -> Aside | None:
    if weighs_only(gauge):
        return Aside(reading, None, GRAMS)
    if (operation := stale.get(reading.id)) is not None:
        return Aside(reading, operation, "")
    if reading.caps_torqued is False and reading.feature in (Feature.BEARING_BORE, Feature.HOUSING_BORE):
        return Aside(reading, None, CAPS_LOOSE)
    return Aside(reading, None, NOT_CLEAN) if reading.cleaned is False else None


def _doubt(job: Job, states: dict[tuple[str, Feature, str], SpotState], bench: TakenWith) -> None:
    """Put a suspicion to every spot that deserves one. What a person has answered, or read twice alike, is left."""
    answered = {answer.reading for answer in job.slip_answers if answer.slip not in _ABOUT_GAUGES}
    groups: dict[tuple[JournalSet, Feature], dict[str, list[Taken]]] = {}
    for (journal, feature, _), state in states.items():
        group = groups.setdefault((set_of(journal), feature), {})
        group.setdefault(journal, []).extend(state.counted)
    suspects: dict[str, Suspicion] = {}
    for (journal_set, feature), read in groups.items():
        expected = expected_of(job.limits.of(journal_set), feature)
        if expected is None:
            continue
        suspects.update(find_suspects({journal: tuple(taken) for journal, taken in read.items()}, expected))
        if feature is not Feature.JOURNAL:
            continue
        plan = job.plan_of(journal_set)
        for journal in read:
            whole = [states.get((journal, feature, spot)) for spot in plan.spots]
            taken = tuple(state.counted[0] for state in whole if state is not None and state.counted)
            if len(taken) == len(plan.spots) and not any(one.reading.id in suspects for one in taken):
                odd = odd_one(taken, plan, expected)
                if odd is not None:
                    suspects[odd.reading] = odd
    asked = _about_gauges(job, states, bench)
    if not suspects and not asked:
        return
    for key, state in states.items():
        about = next((asked[t.reading.id] for t in state.counted if t.reading.id in asked), None)
        doubt = about or next((suspects[t.reading.id] for t in state.counted if t.reading.id in suspects), None)
        if doubt is None:
            continue
        if doubt is about or (doubt.reading not in answered and not _read_twice_alike(state, doubt)):
            states[key] = SpotState(state.spot, state.counted, state.others, state.aside, doubt)


_ABOUT_GAUGES = frozenset(question.value for question in GaugeQuestion)


def _about_gauges(
    job: Job, states: Mapping[tuple[str, Feature, str], SpotState], bench: TakenWith
) -> dict[str, Suspicion]:
    """What has to be asked about the gauges: once answered, it is answered for that gauge and feature.

    Rule:    gauges.standing.
    """
    asked = [
        (taken.reading, question)
        for state in states.values()
        for taken in state.counted
        if (question := bench.question(taken)) is not None
    ]
    if not asked:
        return {}
    by_id = {reading.id: reading for reading in job.readings}
    answered = {
        (by_id[answer.reading].gauge, by_id[answer.reading].feature, answer.slip)
        for answer in job.slip_answers
        if answer.slip in _ABOUT_GAUGES
    }
    return {
        reading.id: Suspicion(reading.id, Doubtful.GAUGE, True, Length(0), gauge=question)
        for reading, question in asked
        if (reading.gauge, reading.feature, question.value) not in answered
    }


#: Two readings of one spot this near each other confirm it: two tenths. Source: docs/trade: Slips of reading.
ALIKE = Length(5_080)


def _read_twice_alike(state: SpotState, doubt: Suspicion) -> bool:
    """Whether the doubted reading was taken again and came out the same: then it is believed."""
    doubted = next(taken.reading for taken in state.counted if taken.reading.id == doubt.reading)
    again: Iterable[Reading] = (*(taken.reading for taken in state.counted), *state.others)
    return any(one.id != doubted.id and abs(one.size - doubted.size) <= ALIKE for one in again)


def _survey(
    job: Job,
    journal: str,
    states: Mapping[tuple[str, Feature, str], SpotState],
    bench: TakenWith,
    outside: Mapping[str, Where | None],
) -> JournalSurvey:
    journal_set = set_of(journal)
    plan = job.plan_of(journal_set)
    spots = tuple(states.get((journal, Feature.JOURNAL, spot)) or SpotState(spot) for spot in plan.spots)
    bearing = {}
    for feature in (Feature.BEARING_BORE, Feature.HOUSING_BORE, Feature.WALL):
        names = job.spots_of(journal, feature)
        if any((journal, feature, spot) in states for spot in names):
            bearing[feature] = tuple(states.get((journal, feature, spot)) or SpotState(spot) for spot in names)
    beyond_plan = tuple(
        state for spot in sorted(outside) if (state := states[journal, Feature.JOURNAL, spot]).counted
    )
    places = places_of(plan)
    if outside:
        places = {**places, **{spot: where for spot, where in outside.items() if where is not None}}
    return JournalSurvey(journal, journal_set, plan, spots, bearing, bench, beyond_plan, places)


def standing_sizes(job: Job, journal_set: JournalSet, feature: Feature = Feature.JOURNAL) -> tuple[Length, ...]:
    """The sizes read of a set that stand and are not stale, for telling what comes next."""
    stale = stale_readings(job)
    return tuple(
        reading.size
        for reading in standing_readings(job)
        if set_of(reading.journal) is journal_set and reading.feature is feature and reading.id not in stale
    )


NOT_LOOKED = "not looked at"


def seen_on(job: Job) -> dict[tuple[str, Look], Observation]:
    """The last observation of each kind on each part; "not looked at" takes an answer back, work makes it stale.

    A crack found stays found until a crack test passes: work done after it does not heal it, nor is it taken back.
    Rule:    verdicts.journal.crack.
    """
    stale = stale_looks(job)
    last: dict[tuple[str, Look], Observation] = {}
    for seen in sorted(job.observations, key=_when_seen):
        key = seen.on, seen.look
        before = last.get(key)
        if before is not None and before.answer == CRACK_FOUND and seen.answer == NOT_LOOKED:
            continue
        if seen.look is Look.CRACK_TEST and seen.on == "crank" and seen.answer == PASSED:
            # A test of the whole crank that passes speaks for every journal.
            for other in [known for known in last if known[1] is Look.CRACK_TEST]:
                del last[other]
        last[key] = seen
    return {key: seen for key, seen in last.items() if seen.answer != NOT_LOOKED and seen.id not in stale}


CRACK_FOUND, PASSED = "crack found", "passed"


def _when_seen(seen: Observation) -> tuple[datetime, int, str]:
    """By time; of two at the same moment the worse answer counts."""
    answers = ANSWERS[seen.look]
    return seen.at, answers.index(seen.answer) if seen.answer in answers else -1, seen.id
