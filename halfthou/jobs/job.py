"""The job document: everything `assess` needs to know, and nothing it does not."""

from collections import Counter
from collections.abc import Iterator
from datetime import date
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.facts import Observation, Reading, Withdrawal
from halfthou.jobs.gauge import Gauge
from halfthou.jobs.house_rules import HouseRules
from halfthou.jobs.limits_sheet import JournalSet, LimitsSheet
from halfthou.jobs.plan import Plan
from halfthou.lengths import Unit


class Job(Document):
    """One engine in the shop: its limits sheet as frozen for it, the gauges, the house rules and the facts.

    `shown_in` is the unit the assessment speaks; it changes no judgement.
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

    def plan_of(self, journal_set: JournalSet) -> Plan:
        """The measuring plan of one set."""
        return self.mains_plan if journal_set is JournalSet.MAINS else self.rods_plan

    @model_validator(mode="after")
    def _hangs_together(self) -> "Job":
        faults = list(self._faults())
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def _faults(self) -> Iterator[str]:
        gauges = {gauge.id for gauge in self.gauges}
        journals = set(self.limits.layout.shaft)
        ids = Counter(reading.id for reading in self.readings)
        ids.update(withdrawal.id for withdrawal in self.withdrawals)
        ids.update(seen.id for seen in self.observations)
        known = {reading.id for reading in self.readings}
        for name, times in ids.items():
            if times > 1:
                yield f"the fact {name} stands {times} times"
        for reading in self.readings:
            if reading.gauge not in gauges:
                yield f"reading {reading.id} was taken with the gauge {reading.gauge}, which is not listed"
            if reading.journal not in journals:
                yield f"reading {reading.id} is of {reading.journal}, which this engine does not have"
            if reading.corrects is not None and reading.corrects not in known:
                yield f"reading {reading.id} corrects {reading.corrects}, which is not there"
        for withdrawal in self.withdrawals:
            if withdrawal.reading not in known:
                yield f"withdrawal {withdrawal.id} takes back {withdrawal.reading}, which is not there"
        for seen in self.observations:
            if seen.on not in journals | {"mains", "rods", "crank"}:
                yield f"observation {seen.id} is of {seen.on}, which this engine does not have"
