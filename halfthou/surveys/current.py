"""Which reading of a spot is current, which are kept beside it, and what was last seen of a part."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from datetime import datetime

from halfthou.jobs import Gauge, Job, JournalSet, Look, Observation, Reading, set_of
from halfthou.lengths import Length
from halfthou.surveys.form import Form, form_of


@dataclass(frozen=True, slots=True)
class SpotState:
    """One spot of a plan: the reading that counts, and those kept beside it, newest first."""

    spot: str
    current: Reading | None
    others: tuple[Reading, ...]


@dataclass(frozen=True, slots=True)
class JournalSurvey:
    """All that was read of one journal, in the order of its plan."""

    journal: str
    journal_set: JournalSet
    spots: tuple[SpotState, ...]
    form: Form | None
    gauges: tuple[Gauge, ...]

    @property
    def unread(self) -> tuple[str, ...]:
        """The spots still to read, in order."""
        return tuple(state.spot for state in self.spots if state.current is None)

    @property
    def readings(self) -> tuple[Reading, ...]:
        """The current readings, in order."""
        return tuple(state.current for state in self.spots if state.current is not None)

    @property
    def whole(self) -> bool:
        """Whether every spot of the plan is read."""
        return not self.unread


def survey_journals(job: Job) -> dict[str, JournalSurvey]:
    """Sort the readings by journal and spot.

    Gives:   a survey for every journal of the engine, read or not.
    Rule:    two readings of one spot are both kept, the newest is current (design 8.13); a corrected or
             withdrawn reading stays in the record and counts no more.
    """
    taken_back = {withdrawal.reading for withdrawal in job.withdrawals}
    standing = [reading for reading in job.readings if reading.id not in taken_back]
    corrected = {reading.corrects for reading in standing if reading.corrects is not None}
    by_spot: dict[tuple[str, str], list[tuple[datetime, int, Reading]]] = defaultdict(list)
    for order, reading in enumerate(standing):
        if reading.id not in corrected:
            by_spot[reading.journal, reading.spot].append((reading.at, order, reading))
    for entries in by_spot.values():
        if len(entries) > 1:
            entries.sort(key=lambda entry: entry[:2], reverse=True)
    gauges = {gauge.id: gauge for gauge in job.gauges}
    return {journal: _survey(job, journal, by_spot, gauges) for journal in job.limits.layout.shaft}


def _survey(
    job: Job,
    journal: str,
    by_spot: dict[tuple[str, str], list[tuple[datetime, int, Reading]]],
    gauges: dict[str, Gauge],
) -> JournalSurvey:
    journal_set = set_of(journal)
    plan = job.plan_of(journal_set)
    states = []
    sizes = {}
    used = {}
    for spot in plan.spots:
        entries = by_spot.get((journal, spot), [])
        current = entries[0][2] if entries else None
        states.append(SpotState(spot, current, tuple(entry[2] for entry in entries[1:])))
        if current is not None:
            sizes[spot] = current.size
            used[current.gauge] = gauges[current.gauge]
    form = form_of(sizes, plan) if sizes else None
    return JournalSurvey(journal, journal_set, tuple(states), form, tuple(used.values()))


def standing_sizes(job: Job, journal_set: JournalSet) -> tuple[Length, ...]:
    """The sizes read of a set that are neither withdrawn nor corrected, for telling what comes next."""
    taken_back = {withdrawal.reading for withdrawal in job.withdrawals}
    corrected = {reading.corrects for reading in job.readings if reading.id not in taken_back}
    return tuple(
        reading.size
        for reading in job.readings
        if reading.id not in taken_back and reading.id not in corrected and set_of(reading.journal) is journal_set
    )


def seen_on(job: Job) -> dict[tuple[str, Look], Observation]:
    """The last observation of each kind on each part; "not looked at" takes an answer back."""
    last: dict[tuple[str, Look], Observation] = {}
    for seen in sorted(job.observations, key=lambda seen: seen.at):
        last[seen.on, seen.look] = seen
    return {key: seen for key, seen in last.items() if seen.answer != "not looked at"}
