"""A job on the desk while readings land on it: where they belong, what can be a reading there, what stands."""

from bisect import insort
from collections import defaultdict
from dataclasses import dataclass

from halfthou.assess import present_size
from halfthou.exchange import Fault
from halfthou.jobs import Feature, Gauge, Job, JournalSet, Reading, Sitting, set_of
from halfthou.lengths import Asked, Length, Typed, Unit, Unreadable, Window
from halfthou.surveys import read_at, standing_readings, standing_sizes, window_for, window_of_feature
from workshop.jobs.actions.opened import sound
from workshop.people.refusals import NotThere, Refusal

#: From so many readings of a set on, its window is worked out anew only every so many readings.
MANY = 200


@dataclass(frozen=True)
class SpotRef:
    """Where a reading belongs."""

    journal: str
    feature: Feature
    spot: str


class Desk:
    """A job while readings land on it: what is read of each set and spot is kept at hand as it grows."""

    def __init__(self, job: Job) -> None:
        self.job = job
        self.readings = {reading.id: reading for reading in job.readings}
        self.sittings = {sitting.id: sitting for sitting in job.sittings}
        self.taken: set[str] = set()
        self.new: list[Reading] = []
        self.new_sittings: list[Sitting] = []
        self._read: dict[tuple[JournalSet, Feature], list[Length]] = {}
        self._windows: dict[tuple[JournalSet, Feature], tuple[int, Window]] = {}
        self._standing: dict[tuple[str, Feature, str], list[Reading]] = defaultdict(list)
        for reading in standing_readings(job):
            self._standing[_place_of(reading)].append(reading)

    def read(self, journal: str, feature: Feature) -> list[Length]:
        """The sizes read of a set and feature that stand, smallest first."""
        key = set_of(journal), feature
        if key not in self._read:
            self._read[key] = sorted(standing_sizes(self.job, *key))
        return self._read[key]

    def standing(self, reading: Reading) -> list[Reading]:
        """The readings that stand at the spot of one."""
        return self._standing[_place_of(reading)]

    def window(self, journal: str, feature: Feature) -> Window:
        """What a reading can be, by the limits and what its set has read so far."""
        key, read = (set_of(journal), feature), self.read(journal, feature)
        count, known = self._windows.get(key, (-1, None))
        if known is not None and len(read) >= MANY and len(read) - count < len(read) // MANY * 10:
            return known
        limits = self.job.limits.of(key[0])
        if feature is Feature.JOURNAL:
            found = window_for(limits, present_size(self.job, key[0], read), read)
        else:
            found = window_of_feature(limits, feature, read)
        self._windows[key] = len(read), found
        return found

    def grow(self, reading: Reading) -> None:
        """One more reading stands. One that corrects takes another away."""
        self.readings[reading.id] = reading
        self.new.append(reading)
        before = self.readings.get(reading.corrects) if reading.corrects else None
        if before is not None:
            stands = self._standing[_place_of(before)]
            self._standing[_place_of(before)] = [one for one in stands if one.id != before.id]
        self._standing[_place_of(reading)].append(reading)
        sizes = self.read(reading.journal, reading.feature)
        if before is not None and before.size in sizes:
            sizes.remove(before.size)
        insort(sizes, reading.size, key=lambda size: size.nm)

    def whole(self) -> Job:
        """The job with everything that landed, checked as a whole. Refuses: Refusal."""
        grown = {
            "readings": (*self.job.readings, *self.new),
            "sittings": (*self.job.sittings, *self.new_sittings),
        }
        return sound(self.job.model_copy(update=grown)) if self.new else self.job


def _place_of(reading: Reading) -> tuple[str, Feature, str]:
    return reading.journal, reading.feature, reading.spot


def interpret(desk: Desk, place: SpotRef, typed: str, unit: Unit, gauge: Gauge) -> Typed | Asked:
    """What typed text would mean at a spot, without landing it. Refuses: Refusal."""
    job = desk.job
    if place.journal not in job.limits.layout.shaft or place.spot not in job.spots_of(place.journal, place.feature):
        raise NotThere("no-spot", f"{place.journal} {place.spot} is no spot of this engine's plan.")
    try:
        return read_at(typed, unit, desk.window(place.journal, place.feature), gauge)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("typed", error.message)]) from None


def gauge_of(job: Job, key: str) -> Gauge:
    """A gauge of the job. Refuses: Refusal."""
    found = next((gauge for gauge in job.gauges if gauge.id == key), None)
    if found is None:
        raise Refusal("no-gauge", "That gauge is not in the list. Choose another.", [Fault("gauge", "not listed")])
    return found
