"""A job that grows, judged with what was worked out before: the same to the letter as judged afresh.

Nothing outside can be asked: the plain assessment is what the other is held against.
"""

from __future__ import annotations

from collections.abc import Callable
from datetime import timedelta
from random import Random
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.assess import assess, faults_in
from halfthou.jobs import (
    FACT_KINDS,
    IN_GENERAL,
    Decision,
    DecisionKind,
    Feature,
    HouseRules,
    Job,
    Look,
    Operation,
    OperationKind,
    Plan,
    Reading,
    Seen,
    Sitting,
    SlipAnswer,
    Use,
    UseSaid,
    Waived,
    Withdrawal,
)
from halfthou.lengths import Length, Unit
from halfthou.memo import Memo
from halfthou.parts import CATALOGUE
from tests.any_fact import made_by_its_fields
from tests.boring import DIAL, PERFECT_BORE, bore_limits, set_on_a_ring
from tests.conftest import examples
from tests.making import GOOD_ENGINE, MICROMETER, NOON, PERFECT, inches, job, readings, sheet

TENTH = 2_540
PARTS = ("R1", "R2", "R3", "M1", "M5", "bore-1", "bore-2", "bore-4", "bearing-rod-1", "bearing-M1")
SPOTS = ("1a", "1b", "1c", "2a", "2b", "2d")
#: Sizes as new in tenths, by the first letter and feature.
AS_NEW = {"R": 20_375, "M": 24_140, "bore": 40_003, "bearing": 21_395}
PLANS = (None, Plan(), Plan(planes=3), Plan(planes=3, angles_deg=(0, 90)))
#: What the fields of facts may name on this engine, beside what their types say.
NAMES: dict[str, tuple[Any, ...]] = {
    "part": (*PARTS, "piston-1", "rod-2", "cap-rod-2", "cap-main-1"),
    "place": ("piston-1", "bore-1", "block", None),
    "piece": ("piston-1", "piston-2", "spare-1"),
    "on": ("engine", "rods", "half-rod-1-upper", "rod-3", "R1", "crank"),
    "sets": (("pistons",), ("bores",)), "kind": ("piston", "ring", "pump"), "gauge": (MICROMETER.id, DIAL.id),
    "spot": SPOTS, "feature": ("diameter", Feature.BEARING_BORE.value), "sitting": (None,), "setting": (None,),
    "corrects": (None,), "repeats": (None,), "count": (20_375 * TENTH, 24_140 * TENTH, 40_003 * TENTH),
    "unit": (Unit.INCH,),
    "topic": ("turns by hand", "hours", "inside is", "oil sample", "complaint kind"),
    "step": ("cap-rod-1.off", "wash.pan", "rod-1.out", None, inches("0.010")), "source": ("meter", ""),
    "cause": ("supply.screen", "dirt.build"), "angle_deg": (None,), "planes": (None,),
    "part+kind": (("piston-new-1", "piston"), ("pump-new-1", "pump")), "look": ("filter", "heads", "screen"),
    "look+answer": (
        *((key, answer) for key, look in CATALOGUE.looks.items() for answer in (*look.texts, *IN_GENERAL)),
    ),
}  # fmt: skip
GAUGES = {"bore": (PERFECT_BORE, DIAL), "bearing": (DIAL,)}


def start() -> Job:
    """A four with its crank as new and nothing of its bores read."""
    limits = sheet()
    limits = limits.model_copy(update={"sets": {**limits.sets, "bores": bore_limits()}})
    return job(
        limits=limits,
        scope=("mains", "rods", "bores"),
        gauges=(MICROMETER, PERFECT, PERFECT_BORE, DIAL),
        readings=readings(GOOD_ENGINE),
        checks=(set_on_a_ring("4.0003"),),
    )


class Growing:
    """A job to which facts are added, each by what a few numbers say."""

    def __init__(self) -> None:
        self.job = start()
        self.count = 0

    def add(self, **changes: Any) -> None:
        self.job = self.job.model_copy(update=changes)

    def stamp(self) -> dict[str, Any]:
        """A new fact's name, who reported it and when."""
        self.count += 1
        return {"id": f"f{self.count}", "by": "bench", "at": NOON + timedelta(minutes=self.count)}

    def read(self, a: int, b: int, c: int) -> None:
        part = PARTS[a % len(PARTS)]
        kind = part.split("-")[0] if "-" in part else part[0]
        gauge = GAUGES.get(kind, (MICROMETER, PERFECT))[c % 2 if kind != "bearing" else 0]
        feature = Feature.BEARING_BORE.value if kind == "bearing" else "diameter"
        slip = 250 if c % 17 == 0 else 0
        spot = SPOTS[b % len(SPOTS)]
        at = [one for one in self.job.readings if (one.part, one.spot, one.feature) == (part, spot, feature)]
        before = at[-1].id if at else None
        reading = Reading(
            **self.stamp(),
            part=part,
            feature=feature,
            spot=spot,
            count=(AS_NEW[kind] - c % 40 - slip) * TENTH,
            typed="as read",
            unit=Unit.INCH,
            gauge=gauge.id,
            repeats=before if c % 5 == 0 else None,
            corrects=before if c % 7 == 0 and c % 5 else None,
            cleaned=False if c % 23 == 0 else None,
            plate_fitted=bool(c % 2) if kind == "bore" else None,
            sitting=self.job.sittings[-1].id if self.job.sittings and c % 4 == 0 else None,
        )
        by = reading.model_copy(update={"by": "bench" if c % 3 else "machinist"})
        self.job = self.job.with_more((by,), (), self.job.checks)

    def take_back(self, a: int, b: int, c: int) -> None:
        facts = [one.id for kind in (self.job.readings, self.job.operations) for one in kind]
        back = Withdrawal(
            **self.stamp(),
            fact=facts[(a * 31 + c) % len(facts)],
        )
        self.add(withdrawals=(*self.job.withdrawals, back))

    def see(self, a: int, b: int, c: int) -> None:
        on, look, answer = (
            ("R1", Look.SURFACE, "nail catches"),
            ("R1", Look.SURFACE, "clean"),
            ("R1", Look.HEAT, "blue"),
            ("crank", Look.CRACK_TEST, "passed"),
            ("R2", Look.CRACK_TEST, "crack found"),
            ("rods", Look.CLAIMED_UNDERSIZE, "claimed"),
            ("bores", Look.CLAIMED_OVERSIZE, "claimed"),
            ("bore-1", Look.SURFACE, "scored"),
            ("bore-2", Look.SURFACE, "glazed"),
            ("block", Look.PRESSURE, "holds"),
            ("bore-1", Look.RIDGE, "ridge felt"),
        )[a % 11]
        seen = Seen(**self.stamp(), on=on, look=look, answer=answer, amount=inches("0.010") if b % 2 else None)
        self.add(seen=(*self.job.seen, seen))

    def work(self, a: int, b: int, c: int) -> None:
        kind, on = (
            (OperationKind.POLISH, "R1"),
            (OperationKind.GRIND, "rods"),
            (OperationKind.NEW_SHELLS, "mains"),
            (OperationKind.BORE, "bores"),
            (OperationKind.LIGHT_HONE, "bore-1"),
            (OperationKind.DECK, "block"),
            (OperationKind.SLEEVE, "bore-2"),
        )[a % 7]
        step = inches("0.010") if kind in (OperationKind.GRIND, OperationKind.BORE) and b % 2 else None
        done = Operation(
            **self.stamp(),
            kind=kind,
            on=on,
            step=step,
        )
        self.add(operations=(*self.job.operations, done))

    def answer(self, a: int, b: int, c: int) -> None:
        about = self.job.readings[-1 - a % 3]
        answer = SlipAnswer(
            **self.stamp(),
            reading=about.id,
            slip="turn",
            offered=Length(about.count + 250 * TENTH),
            taken=bool(b % 2),
        )
        self.add(slip_answers=(*self.job.slip_answers, answer))

    def sit(self, a: int, b: int, c: int) -> None:
        warm = Sitting(
            **self.stamp(),
            part_c=20.0 + a % 9 if b % 2 else None,
        )
        self.add(sittings=(*self.job.sittings, warm))

    def decide(self, a: int, b: int, c: int) -> None:
        part, about = (("R3", Waived.READINGS), ("bore-1", Waived.CLEARANCE))[a % 2]
        waived = Decision(
            **self.stamp(),
            kind=DecisionKind.WAIVED,
            set="rods" if part == "R3" else "bores",
            part=part,
            about=about,
            reason="so it is",
        )
        ground = Decision(
            **self.stamp(),
            kind=DecisionKind.OVERRIDDEN,
            set="rods",
            action="regrind",
            step=inches("0.020"),
            reason="so it is",
        )
        self.add(decisions=(*self.job.decisions, ground if b % 3 == 0 else waived))

    def plan(self, a: int, b: int, c: int) -> None:
        chosen = PLANS[b % len(PLANS)]
        plans = {one: plan for one, plan in self.job.plans.items() if one != "rods"}
        self.add(plans=plans if chosen is None else {**plans, "rods": chosen})

    def house(self, a: int, b: int, c: int) -> None:
        self.add(house_rules=HouseRules(spread_k=a % 3, keep_axis=bool(b % 2), keep_bore_axis=bool(c % 2)))

    def show(self, a: int, b: int, c: int) -> None:
        self.add(shown_in=Unit.MM if a % 2 else Unit.INCH)

    def gauge(self, a: int, b: int, c: int) -> None:
        check = set_on_a_ring("4.0003", hours=self.count / 60, read="4.0003" if a % 2 else "4.0005")
        self.add(checks=(*self.job.checks, check.model_copy(update={"id": self.stamp()["id"]})))


def any_fact(self: Growing, a: int, b: int, c: int) -> None:
    """A fact of any kind that there is, made by what its document says of its fields."""
    kinds = sorted(FACT_KINDS)
    held = FACT_KINDS[kinds[a % len(kinds)]]
    of_others = tuple(one.id for other in FACT_KINDS.values() for one in other.of(self.job)[-3:])
    names = {**NAMES, "of": of_others, "fact": of_others, "point": of_others, "reading": of_others}
    engine = CATALOGUE.engine_of(self.job)
    next_ones = [(name, one.key) for one in CATALOGUE.all if one.loose for name in engine.next_pieces(one)]
    names["part+kind"] = tuple(next_ones)
    try:
        fact = made_by_its_fields(held.document, self.stamp(), names, Random(b * 10_007 + c))
        grown = Job.model_validate(
            {
                **{name: getattr(self.job, name) for name in Job.model_fields},
                held.field: (*held.of(self.job), fact),
            }
        )
    except ValueError:
        return
    if not faults_in(grown):
        self.job = grown


STEPS: tuple[Callable[[Growing, int, int, int], None], ...] = (
    *(Growing.read,) * 8,
    *(any_fact,) * 12,
    Growing.take_back,
    Growing.see,
    Growing.see,
    Growing.work,
    Growing.answer,
    Growing.sit,
    Growing.decide,
    Growing.plan,
    Growing.house,
    Growing.show,
    Growing.gauge,
)
number = st.integers(0, 10_000)


def test_a_fact_of_every_kind_is_made_and_taken() -> None:
    """The property below is worth nothing for a kind that no step can add."""
    growing, kinds = Growing(), sorted(FACT_KINDS)
    start_has = {kind: len(FACT_KINDS[kind].of(growing.job)) for kind in kinds}
    left = kinds
    for chance in range(400):
        for kind in left:
            any_fact(growing, kinds.index(kind), chance, 1)
        left = [kind for kind in left if len(FACT_KINDS[kind].of(growing.job)) == start_has[kind]]
    assert left == []


def test_what_was_said_of_the_use_after_work_leaves_the_same_signs() -> None:
    """Of the use nobody thought when the fields that matter were listed by hand."""
    growing, memo = Growing(), Memo()
    seen = {"look": "overlay", "answer": "copper through", "on": "half-rod-1-upper"}
    growing.add(seen=(Seen(**growing.stamp(), **seen),))
    growing.work(1, 0, 0)
    assess(growing.job, memo)
    for use in Use:
        growing.add(uses=(*growing.job.uses, UseSaid(**growing.stamp(), use=use)))
        assert assess(growing.job, memo) == assess(growing.job)


def test_what_a_function_reads_is_noted_through_properties_and_methods() -> None:
    memo, job_now = Memo(), start()
    reads: list[Callable[[Job], object]] = [
        lambda job: (len(job.standing(job.operations)), job.anything_read),
        lambda job: job.sets,
        lambda job: job.plan_of("rods").planes,
    ]
    changes: list[dict[str, Any]] = [
        {"scope": ("rods",)}, {"plans": {"rods": Plan(planes=4)}}, {"title": "another"}, {"readings": ()},
    ]  # fmt: skip
    for change in ({}, *changes):
        job_now = job_now.model_copy(update=change)
        for nth, read in enumerate(reads):
            assert memo.of_what_is_read(nth, read, job_now) == read(job_now)


def test_what_reads_a_document_as_a_whole_or_too_late_is_told() -> None:
    with pytest.raises(TypeError, match="as a whole"):
        Memo().of_what_is_read("copy", lambda job: job.model_copy(), start())
    kept = Memo().of_what_is_read("held", lambda job: [job], start())
    with pytest.raises(AssertionError, match="after the answer"):
        kept[0].title  # noqa: B018 - reading it is what is tried


@settings(max_examples=examples(60), deadline=None)
@given(st.lists(st.tuples(st.sampled_from(STEPS), number, number, number), min_size=1, max_size=14))
def test_with_a_memo_the_same_comes_out_as_without(
    steps: list[tuple[Callable[[Growing, int, int, int], None], int, int, int]],
) -> None:
    growing, memo = Growing(), Memo()
    for step, a, b, c in steps:
        step(growing, a, b, c)
        plain = assess(growing.job.model_copy())
        assert assess(growing.job, memo).model_dump_json() == plain.model_dump_json()


def test_a_part_of_which_nothing_changed_is_not_put_in_words_again() -> None:
    growing, memo = Growing(), Memo()
    before = assess(growing.job, memo)
    growing.read(0, 0, 1)
    after = assess(growing.job, memo)
    assert after.part("R1").features[0] is not before.part("R1").features[0]
    for name in ("R2", "M1", "bore-1"):
        assert after.part(name).features[0] is before.part(name).features[0]


def test_a_changed_copy_forgets_what_was_worked_out_of_the_first() -> None:
    """What is kept with a document is worked out of its fields: a copy with other fields must not inherit it."""
    one = start()
    assert len(one.standing_readings) == len(one.readings)
    fewer = one.model_copy(update={"readings": one.readings[:3]})
    assert len(fewer.standing_readings) == 3
    assert fewer.model_copy(update={"scope": ("rods",)}).sets == ("rods",)
