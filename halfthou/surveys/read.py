"""What was read of one part, spot by spot: which readings count, which are kept beside, which count no more."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.engines import Engine, FeatureKind, Place
from halfthou.gauges import GaugeQuestion, reads_something_else
from halfthou.jobs import Gauge, Job, Operation, Plan, Reading, along, plane_and_angle
from halfthou.operations import LastWork
from halfthou.surveys.forms import MeasuredWhere, places_of
from halfthou.surveys.spots import Aside, SpotState
from halfthou.surveys.taken import Taken, TakenWith

CAPS_LOOSE = "read with the caps not torqued"
PLATE_OFF = "read as finished with the plate off"
NOT_CLEAN = "read before it was clean"
#: A spot of a part: its feature, and its name.
FeatureSpot = tuple[str, str]


@dataclass(frozen=True, eq=False)
class PartRead:
    """What was read of one part, before anything of it is doubted.

    `outside` are the spots of a feature that its plan does not have, with where they lie as far as anybody knows.
    """

    part: Place
    taken_with: TakenWith
    plans: Mapping[str, Plan]
    states: Mapping[FeatureSpot, SpotState]
    outside: Mapping[str, Mapping[str, MeasuredWhere | None]]

    @cached_property
    def counted(self) -> Mapping[str, tuple[Taken, ...]]:
        """The readings that count, by feature."""
        found: dict[str, list[Taken]] = defaultdict(list)
        for (feature, _), state in self.states.items():
            found[feature].extend(state.counted)
        return {feature: tuple(taken) for feature, taken in found.items()}

    @cached_property
    def asked(self) -> tuple[tuple[Reading, GaugeQuestion], ...]:
        """The readings about whose gauge something has to be asked, and what."""
        every = (taken for state in self.states.values() for taken in state.counted)
        return tuple((t.reading, asked) for t in every if (asked := self.taken_with.question(t)) is not None)


def read_part(
    part: Place, engine: Engine, taken_with: TakenWith, chosen: Plan | None, on_it: PartFacts
) -> PartRead:
    """Sort the readings of one part by feature and spot.

    Takes:   the plan chosen for its set, if one was; what is on record of it.
    Rule:    two readings of one spot are both kept, the newest is current; a corrected or withdrawn reading stays
             in the record and counts no more; a stale one is never judged as current; one at a place that is not in
             the plan is judged all the same (surveys.plan.outside); one of a finished bore counts in the state it
             was finished in (bores.state).
    """
    kind = engine.kinds.of(part)
    plans = {f.key: chosen or f.plan for f in kind.features if f.plan is not None}
    places = {key: places_of(plan) for key, plan in plans.items()}
    spots = {key: {where: spot for spot, where in known.items()} for key, known in places.items()}
    by_spot: dict[FeatureSpot, list[Reading]] = defaultdict(list)
    outside: dict[str, dict[str, MeasuredWhere | None]] = {}
    for reading in on_it.readings:
        feature, spot = kind.by_key[reading.feature], reading.spot
        if feature.plan is not None:
            spot, where, planned = _spot_in(reading, places[feature.key], spots[feature.key])
            if not planned:
                outside.setdefault(feature.key, {})[spot] = where
        elif spot not in feature.spots:
            continue
        by_spot[feature.key, spot].append(reading)
    states = {
        (key, spot): _spot_state(spot, kind.by_key[key], readings, on_it, taken_with)
        for (key, spot), readings in by_spot.items()
    }
    return PartRead(part, taken_with, plans, states, outside)


@dataclass(frozen=True, slots=True)
class PartFacts:
    """What is on record of one part: the readings that stand, the last work that made each feature stale, the work
    by which it was finished, oldest first; and whether the house finishes under a plate."""

    readings: tuple[Reading, ...]
    worked: LastWork
    finished: tuple[Operation, ...] = ()
    plate: bool = False


def facts_by_part(job: Job, engine: Engine, worked: LastWork) -> dict[str, PartFacts]:
    """What is on record of each part of which anything is."""
    read = job.standing_by_part
    work: dict[str, LastWork] = defaultdict(dict)
    for (part, feature), done in worked.items():
        work[part][part, feature] = done
    finished: dict[str, tuple[Operation, ...]] = defaultdict(tuple)
    for one in job.standing_operations if job.operations else ():
        for part in engine.touched(one.on):
            if any(one.kind in feature.as_finished for feature in engine.kinds.of(engine.parts[part]).features):
                finished[part] = (*finished[part], one)
    plate = job.house_rules.torque_plate
    return {
        part: PartFacts(read.get(part, ()), work[part], finished[part], plate) for part in {*read, *work, *finished}
    }


NOTHING = PartFacts((), {})


def plan_of(job: Job, one: str, feature: FeatureKind) -> Plan:
    """The plan by which a feature of a set is read: as chosen, else the usual one of its kind."""
    return job.plans.get(one) or feature.plan or Plan()


def _spot_in(
    reading: Reading, places: Mapping[str, MeasuredWhere], spots: Mapping[MeasuredWhere, str]
) -> tuple[str, MeasuredWhere | None, bool]:
    """The spot of a plan that a reading was taken at, by where it was really taken.

    Takes:   where the spots of the plan lie, and which spot lies where.
    Gives:   the spot's name, where it lies (None where nobody knows), and whether the plan has it.
    Rule:    surveys.plan.outside: a plan that is changed later moves no reading.
    """
    said = plane_and_angle(reading.spot)
    if said is None or reading.angle_deg is None or reading.planes is None or said[0] > reading.planes:
        where = places.get(reading.spot)
        return reading.spot, where, where is not None
    where = MeasuredWhere(along(said[0], reading.planes), reading.angle_deg)
    spot = spots.get(where)
    if spot is not None:
        return spot, where, True
    return f"{reading.spot} of {reading.planes}, {reading.angle_deg:g}°", where, False


def _spot_state(
    spot: str, feature: FeatureKind, readings: list[Reading], on_it: PartFacts, taken_with: TakenWith
) -> SpotState:
    if len(readings) > 1:
        # Of two taken at the same moment the smaller counts: their names and their order in a file say nothing.
        readings.sort(key=lambda reading: (reading.at, -reading.count, reading.id), reverse=True)
    gauges = taken_with.cabinet.gauges
    aside = tuple(found for r in readings if (found := _aside(r, on_it, gauges[r.gauge], feature)) is not None)
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


def _aside(reading: Reading, on_it: PartFacts, gauge: Gauge, feature: FeatureKind) -> Aside | None:
    worked = on_it.worked.get((reading.part, feature.key))
    if wrong := reads_something_else(gauge, feature.quantity):
        return Aside(reading, None, wrong)
    if worked is not None and reading.at <= worked.at:
        return Aside(reading, worked, "")
    as_finished = any(one.kind in feature.as_finished and reading.at > one.at for one in on_it.finished)
    if reading.caps_torqued is False and (feature.caps or as_finished):
        return Aside(reading, None, CAPS_LOOSE)
    if reading.plate_fitted is False and as_finished and on_it.plate and "plate" in feature.asks:
        return Aside(reading, None, PLATE_OFF)
    return Aside(reading, None, NOT_CLEAN) if reading.cleaned is False else None
