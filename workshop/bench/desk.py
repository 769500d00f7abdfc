"""A job on the desk while readings land on it: where they belong, what can be a reading there, what stands."""

from bisect import insort
from dataclasses import dataclass

from django.utils import timezone

from halfthou.engines import Place
from halfthou.exchange import Fault
from halfthou.gauges import Setting, check_stands, in_force, settings_of
from halfthou.jobs import COMPARATORS, FACT_KINDS, Gauge, Job, Plan, Reading, SettingCheck, Sitting
from halfthou.lengths import ZERO, Asked, Length, Typed, Unit, Unreadable, Window
from halfthou.parts import CATALOGUE
from halfthou.surveys import ReadBy, plan_of, read_spot, standing_sizes, window_for
from workshop.gauges.actions import checks_since
from workshop.people.refusals import NotThere, Refusal
from workshop.record.kept import kept
from workshop.record.models import JobRecord
from workshop.record.opened import sound_with
from workshop.record.translate import ReadWith, checks_of_job

#: From so many readings of a set on, its window is worked out anew only every so many readings.
MANY = 200


@dataclass(frozen=True)
class SpotRef:
    """Where a reading belongs."""

    part: str
    feature: str
    spot: str


class Desk:
    """A job while readings land on it: what is read of each set and spot is kept at hand as it grows."""

    def __init__(self, record: JobRecord, job: Job) -> None:
        self.record, self.job = record, job
        self.engine = CATALOGUE.engine_of(job)
        self.readings = {reading.id: reading for reading in job.readings}
        self.sittings = {sitting.id: sitting for sitting in job.sittings}
        beside = (held.of(job) for held in FACT_KINDS.values() if held.document not in (Reading, Sitting))
        self.taken = {fact.id for facts in beside for fact in facts} | {one.id for one in job.decisions}
        self.new: list[Reading] = []
        self.new_sittings: list[Sitting] = []
        self._read: dict[tuple[str, str], list[Length]] = {}
        self._settings: dict[str, Setting | None] = {}
        self._windows: dict[tuple[str, str], tuple[int, Window]] = {}
        self._standing: dict[SpotRef, list[Reading]] = {}

    def read(self, one: str, feature: str) -> list[Length]:
        """The sizes read of a feature of a set that stand, smallest first."""
        key = one, feature
        if key not in self._read:
            self._read[key] = sorted(standing_sizes(self.job, self.engine, one, feature), key=lambda size: size.nm)
        return self._read[key]

    def standing(self, reading: Reading) -> list[Reading]:
        """The readings that stand at the spot of one."""
        ref = _ref_of(reading)
        if ref not in self._standing:
            of_part = self.job.standing_by_part.get(reading.part, ())
            self._standing[ref] = [one for one in of_part if _ref_of(one) == ref]
        return self._standing[ref]

    def part(self, ref: SpotRef) -> Place:
        """The part a reading belongs to. Refuses: NotThere where the engine or its plan has no such spot."""
        part = self.engine.parts.get(ref.part)
        feature = self.engine.kinds.feature(part, ref.feature) if part is not None else None
        if part is None or feature is None or ref.spot not in feature.spots_of(self.plan(ref)):
            raise NotThere("no-spot", f"{ref.part} {ref.spot} is no spot of this engine's plan.")
        if part.set not in self.job.sets:
            raise NotThere("not-in-scope", f"The {part.set} are not in this job's scope: extend it first.")
        return part

    def plan(self, ref: SpotRef) -> Plan | None:
        """The plan by which a feature is read; None where its spots are fixed."""
        part = self.engine.parts[ref.part]
        feature = self.engine.feature(ref.part, ref.feature)
        return plan_of(self.job, part.set, feature) if feature.plan is not None else None

    def window(self, ref: SpotRef) -> Window:
        """What a reading can be, by the limits and what its set has read so far."""
        one, feature = self.engine.parts[ref.part].set, self.engine.feature(ref.part, ref.feature)
        key, read = (one, feature.key), self.read(one, feature.key)
        count, known = self._windows.get(key, (-1, None))
        if known is not None and len(read) >= MANY and len(read) - count < len(read) // MANY * 10:
            return known
        present = ZERO
        if feature.plan is not None:
            present = CATALOGUE.trade_of_set(one, self.engine).stands_at(self.job, self.engine, one, tuple(read))
        found = window_for(self.job.limits, one, feature, present, read)
        self._windows[key] = len(read), found
        return found

    def setting(self, gauge: Gauge) -> Setting | None:
        """What a comparator is set to now, by the cabinet; None for any other gauge, or where it is not set."""
        if gauge.kind not in COMPARATORS:
            return None
        if gauge.id not in self._settings:
            now = timezone.now()
            own = tuple(check for check in self.job.checks if check.gauge == gauge.id)
            shop = checks_since({gauge.id}, now, now)
            masters = {check.against for check in shop if check.against}
            checks = {check.id: check for check in (*own, *shop, *checks_since(masters, now, now))}
            known = settings_of(checks.values()).get(gauge.id, ())
            self._settings[gauge.id] = in_force(known, now, stands=check_stands(gauge, self.job.house_rules))
        return self._settings[gauge.id]

    def grow(self, reading: Reading) -> None:
        """One more reading stands. One that corrects takes another away."""
        self.readings[reading.id] = reading
        self.new.append(reading)
        before = self.readings.get(reading.corrects) if reading.corrects else None
        if before is not None:
            self._standing[_ref_of(before)] = [one for one in self.standing(before) if one.id != before.id]
        self.standing(reading).append(reading)
        sizes = self.read(self.engine.parts[reading.part].set, reading.feature)
        if before is not None and before.size in sizes:
            sizes.remove(before.size)
        insort(sizes, reading.size, key=lambda size: size.nm)

    def whole(self) -> Job:
        """The job with everything that landed, checked as a whole. Refuses: Refusal."""
        if not self.new:
            return self.job
        return sound_with(self.job, tuple(self.new), tuple(self.new_sittings), self._checks())

    def _checks(self) -> tuple[SettingCheck, ...]:
        """The setting checks of the gauges it is read with now, and those that what is new counted from."""
        times = [*(self.job.read_between or ()), *(one.at for one in self.new)]
        used = self.job.gauges_used | {one.gauge for one in self.new}
        memo = kept(self.record.pk, self.job.shown_in).memo
        found = checks_of_job(self.record, self.job.gauges, ReadWith(used, (min(times), max(times))), memo)
        if not any(self._settings.values()):
            return found
        known = {check.id: check for check in found}
        for setting in self._settings.values():
            if setting is not None:
                known.setdefault(setting.check.id, setting.check)
        listed = {gauge.id for gauge in self.job.gauges}
        return tuple(c for c in known.values() if c.gauge in listed and (c.against is None or c.against in listed))


def _ref_of(reading: Reading) -> SpotRef:
    return SpotRef(reading.part, reading.feature, reading.spot)


def interpret(desk: Desk, ref: SpotRef, typed: str, unit: Unit, gauge: Gauge) -> Typed | Asked:
    """What typed text would mean at a spot, without landing it. Refuses: Refusal."""
    desk.part(ref)
    setting = desk.setting(gauge)
    try:
        standard = None if setting is None else setting.standard
        feature = desk.engine.feature(ref.part, ref.feature)
        return read_spot(typed, unit, feature, desk.window(ref), ReadBy(gauge, standard))
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault("typed", error.message)]) from None


def gauge_of(job: Job, key: str) -> Gauge:
    """A gauge of the job. Refuses: Refusal."""
    found = next((gauge for gauge in job.gauges if gauge.id == key), None)
    if found is None:
        raise Refusal("no-gauge", "That gauge is not in the list. Choose another.", [Fault("gauge", "not listed")])
    return found
