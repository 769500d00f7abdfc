"""The job document: everything `assess` needs to know, and nothing it does not."""

from collections import Counter
from collections.abc import Iterator
from datetime import date, datetime
from functools import cached_property
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.decision import Decision
from halfthou.jobs.document import Note, Words
from halfthou.jobs.fact import FACT_KINDS
from halfthou.jobs.fact_kinds import JobFacts
from halfthou.jobs.facts import Extension, Narrowing, Piece, Reading, Use
from halfthou.jobs.gauge import Gauge
from halfthou.jobs.house_rules import HouseRules
from halfthou.jobs.limits_sheet import LimitsSheet
from halfthou.jobs.look_table import LookTable
from halfthou.jobs.operation import Operation
from halfthou.jobs.plan import Plan
from halfthou.jobs.set_limits import Key
from halfthou.jobs.setting_check import SettingCheck
from halfthou.jobs.strip_edits import StripEdits
from halfthou.jobs.temperatures import Sitting
from halfthou.lengths import Unit

#: What a job judges where nothing else was chosen at booking: the crank, its journals with their bearings.
CRANK_ONLY = ("mains", "rods")
_USUAL = Plan()
#: What a reading is checked against, besides itself: which sets are judged, and which pieces there are.
_KEPT_ALONE = frozenset({"extensions", "narrowings", "pieces", "fittings"})


class Job(JobFacts):
    """One engine in the shop: its limits sheet as frozen for it, the gauges, the house rules, the facts and what
    people decided on them.

    `shown_in` is the unit the assessment speaks; it changes no judgement. `checks` are the setting checks of the
    gauges it was read with: with them the job is judged the same anywhere. `scope` lists the sets it judges, fixed
    at booking and extended later; what is not in it is not missing. Which parts, features, spots and looks there
    are stands in the catalogue of parts, which checks them."""

    number: Words
    title: Words
    customer: Note = ""
    complaint: Note = ""
    booked_in: date
    due: date | None = None
    shown_in: Unit
    limits: LimitsSheet
    house_rules: HouseRules = HouseRules()
    gauges: Annotated[tuple[Gauge, ...], Field(max_length=2_000)] = ()
    scope: Annotated[tuple[Key, ...], Field(min_length=1, max_length=40)] = CRANK_ONLY
    plans: dict[Key, Plan] = {}
    checks: Annotated[tuple[SettingCheck, ...], Field(max_length=20_000)] = ()
    decisions: Annotated[tuple[Decision, ...], Field(max_length=5_000)] = ()
    look_table: LookTable | None = None
    strip_edits: StripEdits | None = None

    @cached_property
    def sets(self) -> tuple[str, ...]:
        """The sets the job judges: those it was booked in for, and those its scope was extended by since, without
        those it was narrowed by after that."""
        here = dict.fromkeys(self.scope)
        changes: tuple[Extension | Narrowing, ...] = (*self.extensions, *self.narrowings)
        for change in self.standing(changes):
            for one in change.sets:
                if isinstance(change, Narrowing):
                    here.pop(one, None)
                else:
                    here[one] = None
        return tuple(here)

    @cached_property
    def narrowed_by(self) -> dict[str, Narrowing]:
        """The sets that the scope was narrowed by, each with the word that took it out last."""
        narrowed = ((one, word) for word in self.standing(self.narrowings) for one in word.sets)
        return {one: word for one, word in narrowed if one not in self.sets}

    @cached_property
    def use(self) -> Use | None:
        """What the engine is used for, as last said; None where nobody has said it."""
        said = self.standing(self.uses)
        return said[-1].use if said else None

    @cached_property
    def pieces_here(self) -> tuple[Piece, ...]:
        """The pieces that were brought in and not taken back."""
        return self.standing(self.pieces)

    @cached_property
    def lies_in(self) -> dict[str, str]:
        """In which place every piece lies that was ever moved; "" for one that lies in none.

        Rule:    places hold pieces: what is fitted puts out what lay there before.
        """
        where: dict[str, str] = {piece.part: "" for piece in self.pieces_here}
        for fitting in self.standing(self.fittings):
            place = fitting.place or ""
            if place:
                for piece in [known for known, at in where.items() if at == place]:
                    where[piece] = ""
                if where.get(place, place) == place:
                    where[place] = ""
            where[fitting.piece] = place
        return where

    def plan_of(self, one: str) -> Plan:
        """The measuring plan of one set: as chosen, else the usual one of journals."""
        return self.plans.get(one, _USUAL)

    @model_validator(mode="after")
    def _hangs_together(self) -> "Job":
        faults = [*self._doubled(), *self._scope_faults(), *self._loose_ends()]
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def with_more(
        self, readings: tuple[Reading, ...], sittings: tuple[Sitting, ...], checks: tuple[SettingCheck, ...]
    ) -> "Job":
        """The job with more readings and sittings, and with these setting checks. Only what is new is checked, and
        what it names: so a reading costs as much on a job of a thousand.

        Refuses: ValidationError where something new does not hang together.
        """
        known = {one.id: one for one in self.readings} if any(r.corrects or r.repeats for r in readings) else {}
        new = {one.id: one for one in readings}
        named = [one for one in readings if one.corrects or one.repeats]
        while named:
            one = named.pop()
            for link in (one.corrects, one.repeats):
                if link is not None and link not in new and link in known:
                    new[link] = known[link]
                    named.append(known[link])
        all_sittings = (*self.sittings, *sittings)
        alone = {
            **{held.field: () for held in FACT_KINDS.values() if held.field not in _KEPT_ALONE},
            "decisions": (),
            "readings": tuple(new.values()),
            "sittings": all_sittings,
            "checks": checks,
        }
        Job(**{name: alone.get(name, getattr(self, name)) for name in Job.model_fields})
        fields = {"readings": (*self.readings, *readings), "sittings": all_sittings, "checks": checks}
        grown = self.model_copy(update=fields)
        grown.__dict__.update(self._worked_out_with(readings))
        return grown

    def _worked_out_with(self, readings: tuple[Reading, ...]) -> dict[str, object]:
        """What can be told of the readings of this job and these, from what is known of its own."""
        corrected = {one.corrects for one in readings}
        fresh = [one for one in readings if one.id not in corrected]
        by_part = dict(self.standing_by_part)
        for part in {one.part for one in readings}:
            before = by_part.get(part, ())
            stands = [one for one in before if one.id not in corrected]
            by_part[part] = (*stands, *(one for one in fresh if one.part == part))
        times = [*(self.read_between or ()), *(one.at for one in readings)]
        return {
            "standing_by_part": by_part,
            "gauges_used": self.gauges_used | {one.gauge for one in readings},
            "read_between": (min(times), max(times)) if times else None,
        }

    @cached_property
    def standing_operations(self) -> tuple[Operation, ...]:
        """The operations that were not taken back, in the order they were done."""
        return tuple(sorted(self.standing(self.operations), key=lambda done: done.at))

    @cached_property
    def standing_readings(self) -> tuple[Reading, ...]:
        """The readings that are neither withdrawn nor corrected, as they came."""
        back = self.taken_back
        standing = tuple([one for one in self.readings if one.id not in back]) if back else self.readings
        corrected = {one.corrects for one in standing} - {None}
        return tuple([one for one in standing if one.id not in corrected]) if corrected else standing

    @cached_property
    def standing_by_part(self) -> dict[str, tuple[Reading, ...]]:
        """The readings that stand, by their part."""
        found: dict[str, list[Reading]] = {}
        for one in self.standing_readings:
            found.setdefault(one.part, []).append(one)
        return {part: tuple(readings) for part, readings in found.items()}

    @cached_property
    def anything_read(self) -> bool:
        """Whether any reading stands."""
        return bool(self.standing_readings)

    @cached_property
    def read_between(self) -> tuple[datetime, datetime] | None:
        """When the first and the last of its readings were taken; None where there is none."""
        at = [one.at for one in self.readings]
        return (min(at), max(at)) if at else None

    @cached_property
    def gauges_used(self) -> frozenset[str]:
        """The gauges that any of its readings was taken with."""
        return frozenset({one.gauge for one in self.readings})

    def _doubled(self) -> Iterator[str]:
        names = Counter(fact.id for _, fact in self.facts)
        names.update(decision.id for decision in self.decisions)
        for name, times in names.items():
            if times > 1:
                yield f"the fact {name} stands {times} times"
        # Checks are the cabinet's and are named there: a name of theirs may be that of a fact of the job.
        for name, times in Counter(check.id for check in self.checks).items():
            if times > 1:
                yield f"the setting check {name} stands {times} times"
        for name, times in Counter(gauge.id for gauge in self.gauges).items():
            if times > 1:
                yield f"the gauge {name} is listed {times} times"

    def _scope_faults(self) -> Iterator[str]:
        if not self.sets:
            yield "its scope was narrowed until nothing is judged"
        for one in self.sets:
            if one not in self.limits.sets:
                yield f"the job is to judge the {one}, of which its limits sheet says nothing"

    def _loose_ends(self) -> Iterator[str]:
        gauges = {gauge.id for gauge in self.gauges}
        known = {reading.id: reading for reading in self.readings}
        sittings = {sitting.id for sitting in self.sittings}
        settings = {check.id for check in self.checks}
        for reading in self.readings:
            if reading.gauge not in gauges:
                yield f"reading {reading.id} was taken with the gauge {reading.gauge}, which is not listed"
            for link, does in ((reading.corrects, "corrects"), (reading.repeats, "repeats")):
                if link is None:
                    continue
                other = known.get(link)
                if other is None or link == reading.id:
                    yield f"reading {reading.id} {does} {link}, which is not there"
                elif (other.part, other.feature) != (reading.part, reading.feature):
                    yield f"reading {reading.id} {does} {link}, which was taken elsewhere"
            if reading.setting is not None and reading.setting not in settings:
                yield f"reading {reading.id} counts from the setting {reading.setting}, which is not there"
            if reading.sitting is not None and reading.sitting not in sittings:
                yield f"reading {reading.id} belongs to the sitting {reading.sitting}, which is not there"
        yield from _in_a_ring({r.id: r.corrects for r in self.readings if r.corrects is not None})
        there = {fact.id for held, fact in self.facts if held.kind.back is not None}
        for withdrawal in self.withdrawals:
            if withdrawal.fact not in there:
                yield f"withdrawal {withdrawal.id} takes back {withdrawal.fact}, which is not there"
        for answer in self.slip_answers:
            if answer.reading not in known:
                yield f"the answer {answer.id} is about {answer.reading}, which is not there"
        for check in self.checks:
            if check.gauge not in gauges or (check.against is not None and check.against not in gauges):
                yield f"the setting check {check.id} names a gauge that is not listed"


def _in_a_ring(corrects: dict[str, str]) -> Iterator[str]:
    """Corrections that correct each other: then none of them would count."""
    for start in corrects:
        at, seen = corrects[start], {start}
        while at in corrects and at not in seen:
            seen.add(at)
            at = corrects[at]
        if at == start:
            yield f"reading {start} is corrected by what it corrects"
            return
