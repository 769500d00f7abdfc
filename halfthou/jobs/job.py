"""The job document: everything `assess` needs to know, and nothing it does not."""

from collections import Counter
from collections.abc import Iterator
from datetime import date
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.facts import FIXED_SPOTS, Feature, Observation, Reading, SlipAnswer, Withdrawal
from halfthou.jobs.gauge import Gauge
from halfthou.jobs.house_rules import HouseRules
from halfthou.jobs.limits_sheet import JournalSet, LimitsSheet, set_of
from halfthou.jobs.operation import Operation
from halfthou.jobs.plan import Plan
from halfthou.jobs.setting_check import SettingCheck
from halfthou.jobs.temperatures import Sitting
from halfthou.lengths import Unit


class Job(Document):
    """One engine in the shop: its limits sheet as frozen for it, the gauges, the house rules and the facts.

    `shown_in` is the unit the assessment speaks; it changes no judgement. `checks` are the setting checks of the
    gauges it was read with: with them the job is judged the same anywhere.
    """

    number: Words
    title: Words
    customer: Note = ""
    complaint: Note = ""
    booked_in: date
    due: date | None = None
    shown_in: Unit
    limits: LimitsSheet
    house_rules: HouseRules = HouseRules()
    gauges: Annotated[tuple[Gauge, ...], Field(min_length=1, max_length=200)]
    mains_plan: Plan = Plan()
    rods_plan: Plan = Plan()
    readings: Annotated[tuple[Reading, ...], Field(max_length=20_000)] = ()
    withdrawals: Annotated[tuple[Withdrawal, ...], Field(max_length=20_000)] = ()
    observations: Annotated[tuple[Observation, ...], Field(max_length=20_000)] = ()
    sittings: Annotated[tuple[Sitting, ...], Field(max_length=5_000)] = ()
    operations: Annotated[tuple[Operation, ...], Field(max_length=5_000)] = ()
    slip_answers: Annotated[tuple[SlipAnswer, ...], Field(max_length=20_000)] = ()
    checks: Annotated[tuple[SettingCheck, ...], Field(max_length=5_000)] = ()

    def plan_of(self, journal_set: JournalSet) -> Plan:
        """The measuring plan of one set."""
        return self.mains_plan if journal_set is JournalSet.MAINS else self.rods_plan

    def spots_of(self, journal: str, feature: Feature) -> tuple[str, ...]:
        """The spots at which a feature of a journal is read, in order."""
        return FIXED_SPOTS.get(feature) or self.plan_of(set_of(journal)).spots

    @model_validator(mode="after")
    def _hangs_together(self) -> "Job":
        faults = [*self._doubled(), *self._unknown_parts(), *self._loose_ends()]
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def _doubled(self) -> Iterator[str]:
        facts = (self.readings, self.withdrawals, self.observations, self.sittings, self.operations,
                 self.slip_answers, self.checks)  # fmt: skip
        for name, times in Counter(fact.id for kind in facts for fact in kind).items():
            if times > 1:
                yield f"the fact {name} stands {times} times"

    def _unknown_parts(self) -> Iterator[str]:
        journals = set(self.limits.layout.shaft)
        for reading in self.readings:
            if reading.journal not in journals:
                yield f"reading {reading.id} is of {reading.journal}, which this engine does not have"
        parts = journals | {"mains", "rods", "crank"}
        for seen in self.observations:
            if seen.on not in parts:
                yield f"observation {seen.id} is of {seen.on}, which this engine does not have"
        for done in self.operations:
            if done.on not in parts:
                yield f"operation {done.id} is on {done.on}, which this engine does not have"

    def _loose_ends(self) -> Iterator[str]:
        gauges = {gauge.id for gauge in self.gauges}
        known = {reading.id for reading in self.readings}
        sittings = {sitting.id for sitting in self.sittings}
        for reading in self.readings:
            if reading.gauge not in gauges:
                yield f"reading {reading.id} was taken with the gauge {reading.gauge}, which is not listed"
            if reading.corrects is not None and reading.corrects not in known:
                yield f"reading {reading.id} corrects {reading.corrects}, which is not there"
            if reading.repeats is not None and reading.repeats not in known:
                yield f"reading {reading.id} repeats {reading.repeats}, which is not there"
            if reading.sitting is not None and reading.sitting not in sittings:
                yield f"reading {reading.id} belongs to the sitting {reading.sitting}, which is not there"
        for withdrawal in self.withdrawals:
            if withdrawal.reading not in known:
                yield f"withdrawal {withdrawal.id} takes back {withdrawal.reading}, which is not there"
        for answer in self.slip_answers:
            if answer.reading not in known:
                yield f"the answer {answer.id} is about {answer.reading}, which is not there"
        for check in self.checks:
            if check.gauge not in gauges or (check.against is not None and check.against not in gauges):
                yield f"the setting check {check.id} names a gauge that is not listed"
