"""Putting a question to every reading that deserves one: by its neighbours, its form, or its gauge."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace

from halfthou.engines import Engine, FeatureKind
from halfthou.gauges import GaugeQuestion
from halfthou.jobs import Job, LimitsSheet, Reading
from halfthou.lengths import Length
from halfthou.memo import Memo
from halfthou.surveys.odd import odd_one
from halfthou.surveys.read import FeatureSpot, PartRead
from halfthou.surveys.spots import SpotState
from halfthou.surveys.suspicion import Doubtful, Suspicion, find_suspects

#: Two readings of one spot this near each other confirm it: two tenths. Source: docs/trade: Slips of reading.
ALIKE = Length(5_080)
_ABOUT_GAUGES = frozenset(question.value for question in GaugeQuestion)
#: The doubts about one part, by feature and spot.
Doubts = dict[FeatureSpot, Suspicion]


def doubts_about(
    job: Job, engine: Engine, reads: Mapping[str, PartRead], memo: Memo
) -> dict[str, dict[FeatureSpot, Suspicion]]:
    """A suspicion for every spot that deserves one, by part. What a person has answered, or read twice alike, is
    left."""
    suspects = _suspects(job, engine, reads, memo)
    asked = _about_gauges(job, reads.values())
    if not suspects and not asked:
        return {}
    answered = {answer.reading for answer in job.standing(job.slip_answers) if answer.slip not in _ABOUT_GAUGES}
    found: dict[str, Doubts] = {}
    for name, read in reads.items():
        for key, state in read.states.items():
            about = next((asked[t.reading.id] for t in state.counted if t.reading.id in asked), None)
            doubt = about or next((suspects[t.reading.id] for t in state.counted if t.reading.id in suspects), None)
            if doubt is None:
                continue
            if doubt is about or (doubt.reading not in answered and not _read_twice_alike(state, doubt)):
                found.setdefault(name, {})[key] = doubt
    return found


def _suspects(job: Job, engine: Engine, reads: Mapping[str, PartRead], memo: Memo) -> dict[str, Suspicion]:
    """The suspects of each feature of each set, its parts held against each other."""
    groups: dict[tuple[str, str, str], list[PartRead]] = {}
    for read in reads.values():
        for feature in read.counted:
            groups.setdefault((read.part.set, read.part.kind, feature), []).append(read)
    suspects: dict[str, Suspicion] = {}
    for (one, kind, feature), group in groups.items():
        kept = "suspects", one, kind, feature
        suspects.update(memo.of(kept, _of_set, engine.kinds[kind].by_key[feature], job.limits, tuple(group)))
    return suspects


def _of_set(feature: FeatureKind, limits: LimitsSheet, group: tuple[PartRead, ...]) -> dict[str, Suspicion]:
    """The suspects of one feature of one set."""
    expected = feature.expected(limits, group[0].part.set)
    if expected is None:
        return {}
    found = find_suspects({read.part.id: read.counted[feature.key] for read in group}, expected)
    called = {read.part.id: read.part.short for read in group}
    suspects = {key: replace(one, neighbour=called.get(one.neighbour, "")) for key, one in found.items()}
    for read in group:
        plan = read.plans.get(feature.key)
        if plan is None:
            continue
        whole = [read.states.get((feature.key, spot)) for spot in plan.spots]
        taken = tuple(state.counted[0] for state in whole if state is not None and state.counted)
        if len(taken) == len(plan.spots) and not any(t.reading.id in suspects for t in taken):
            odd = odd_one(taken, plan, expected)
            if odd is not None:
                suspects[odd.reading] = odd
    return suspects


def _about_gauges(job: Job, reads: Iterable[PartRead]) -> dict[str, Suspicion]:
    """What has to be asked about the gauges: once answered, it is answered for that gauge and feature.

    Rule:    gauges.standing.
    """
    asked = [one for read in reads for one in read.asked]
    if not asked:
        return {}
    by_id = {reading.id: reading for reading in job.readings}
    answered = {
        (by_id[answer.reading].gauge, by_id[answer.reading].feature, answer.slip)
        for answer in job.standing(job.slip_answers)
        if answer.slip in _ABOUT_GAUGES
    }
    return {
        reading.id: Suspicion(reading.id, Doubtful.GAUGE, True, Length(0), gauge=question)
        for reading, question in asked
        if (reading.gauge, reading.feature, question.value) not in answered
    }


def _read_twice_alike(state: SpotState, doubt: Suspicion) -> bool:
    """Whether the doubted reading was taken again and came out the same: then it is believed."""
    doubted = next(taken.reading for taken in state.counted if taken.reading.id == doubt.reading)
    again: Iterable[Reading] = (*(taken.reading for taken in state.counted), *state.others)
    return any(one.id != doubted.id and abs(one.size - doubted.size) <= ALIKE for one in again)
