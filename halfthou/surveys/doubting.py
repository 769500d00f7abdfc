"""Putting a question to every reading that deserves one: by its neighbours, its form, or its gauge."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from halfthou.engines import Engine
from halfthou.gauges import GaugeQuestion
from halfthou.jobs import Job, Reading
from halfthou.lengths import Length
from halfthou.surveys.odd import odd_one
from halfthou.surveys.spots import SpotState
from halfthou.surveys.suspicion import Doubtful, Suspicion, find_suspects
from halfthou.surveys.taken import Taken, TakenWith

#: Two readings of one spot this near each other confirm it: two tenths. Source: docs/trade: Slips of reading.
ALIKE = Length(5_080)
_ABOUT_GAUGES = frozenset(question.value for question in GaugeQuestion)
States = dict[tuple[str, str, str], SpotState]


def put_doubts(job: Job, engine: Engine, states: States, taken_with: TakenWith) -> None:
    """Put a suspicion to every spot that deserves one. What a person has answered, or read twice alike, is left."""
    answered = {answer.reading for answer in job.slip_answers if answer.slip not in _ABOUT_GAUGES}
    suspects = _suspects(job, engine, states)
    asked = _about_gauges(job, states, taken_with)
    if not suspects and not asked:
        return
    for key, state in states.items():
        about = next((asked[t.reading.id] for t in state.counted if t.reading.id in asked), None)
        doubt = about or next((suspects[t.reading.id] for t in state.counted if t.reading.id in suspects), None)
        if doubt is None:
            continue
        if doubt is about or (doubt.reading not in answered and not _read_twice_alike(state, doubt)):
            states[key] = SpotState(state.spot, state.counted, state.others, state.aside, doubt)


def _suspects(job: Job, engine: Engine, states: States) -> dict[str, Suspicion]:
    """The suspects of each feature of each set, its parts held against each other."""
    groups: dict[tuple[str, str], dict[str, list[Taken]]] = {}
    for (part, feature, _), state in states.items():
        group = groups.setdefault((engine.parts[part].set, feature), {})
        group.setdefault(part, []).extend(state.counted)
    suspects: dict[str, Suspicion] = {}
    for (one, feature), read in groups.items():
        kind = engine.feature(next(iter(read)), feature)
        expected = kind.expected(job.limits, one)
        if expected is None:
            continue
        suspects.update(find_suspects({part: tuple(taken) for part, taken in read.items()}, expected))
        if kind.plan is None:
            continue
        plan = job.plans.get(one) or kind.plan
        for part in read:
            whole = [states.get((part, feature, spot)) for spot in plan.spots]
            taken = tuple(state.counted[0] for state in whole if state is not None and state.counted)
            if len(taken) == len(plan.spots) and not any(t.reading.id in suspects for t in taken):
                odd = odd_one(taken, plan, expected)
                if odd is not None:
                    suspects[odd.reading] = odd
    return suspects


def _about_gauges(
    job: Job, states: Mapping[tuple[str, str, str], SpotState], taken_with: TakenWith
) -> dict[str, Suspicion]:
    """What has to be asked about the gauges: once answered, it is answered for that gauge and feature.

    Rule:    gauges.standing.
    """
    asked = [
        (taken.reading, question)
        for state in states.values()
        for taken in state.counted
        if (question := taken_with.question(taken)) is not None
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


def _read_twice_alike(state: SpotState, doubt: Suspicion) -> bool:
    """Whether the doubted reading was taken again and came out the same: then it is believed."""
    doubted = next(taken.reading for taken in state.counted if taken.reading.id == doubt.reading)
    again: Iterable[Reading] = (*(taken.reading for taken in state.counted), *state.others)
    return any(one.id != doubted.id and abs(one.size - doubted.size) <= ALIKE for one in again)
