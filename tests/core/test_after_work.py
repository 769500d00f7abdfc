"""What work asks for, fault or not, before a journal goes back.

Rule: looks.after-work. Source: common practice, no source: any crank can crack as it is ground, a hard one most.
"""

from __future__ import annotations

import re
from datetime import timedelta

import pytest

from halfthou.assess import assess
from halfthou.engines import PartKind
from halfthou.jobs import CrackTest, Hardening, HouseRules, Job, Look, Operation, OperationKind, Seen
from halfthou.parts import CATALOGUE
from halfthou.verdicts import Action, Open
from tests.looked_at import looked_at
from tests.making import GOOD_ENGINE, NOON, job, limits, look

AFTER_A_GRIND = {"surface", "fillet", "oil-hole edge"}


def worked(
    kind: OperationKind, on: str, *seen: Seen, school: CrackTest = CrackTest.EVERY, hard: Hardening = Hardening.NONE
) -> Job:
    """A sound engine on which a work was done before it was read as it is."""
    done = Operation(id="w", kind=kind, on=on, by="bench", at=NOON - timedelta(hours=1))
    made = job(
        GOOD_ENGINE,
        rods=limits(hardening=hard),
        seen=seen,
        looked=False,
        house_rules=HouseRules(spread_k=0, crack_test=school),
    )
    return made.model_copy(update={"operations": (done,)})


@pytest.mark.parametrize(
    ("school", "hard", "heat", "tests"),
    [
        (CrackTest.EVERY, Hardening.NONE, "none", {"crack test"}),
        (CrackTest.EVERY, Hardening.INDUCTION, "none", {"crack test", "hardness"}),
        (CrackTest.HARDENED, Hardening.NONE, "none", set()),
        (CrackTest.HARDENED, Hardening.INDUCTION, "none", {"crack test", "hardness"}),
        (CrackTest.HARDENED, Hardening.NONE, "blue", {"crack test", "hardness"}),
    ],
)
def test_after_a_grind(school: CrackTest, hard: Hardening, heat: str, tests: set[str]) -> None:
    one = worked(OperationKind.GRIND, "rods", look("R1", Look.HEAT, heat), school=school, hard=hard)
    found = assess(one).part("R1")
    assert set(found.unseen) == AFTER_A_GRIND | tests
    assert Open.UNSEEN in found.opens
    assert found.action is not Action.REUSE
    assert set(assess(one).part("M1").unseen) == {"surface", "heat colour"}, "the mains were not ground"


def test_after_straightening_it_is_indicated_and_crack_tested_whatever_the_house_keeps() -> None:
    one = worked(OperationKind.STRAIGHTEN, "crank", school=CrackTest.HARDENED)
    for part in ("R1", "M1"):
        assert {"crack test", "straightness"} <= set(assess(one).part(part).unseen)


def test_what_was_looked_at_before_the_grind_does_not_count_after_it() -> None:
    before = tuple(
        look("R1", what, answer).model_copy(update={"at": NOON - timedelta(hours=2)})
        for what, answer in ((Look.SURFACE, "nail runs clear"), (Look.FILLET, "sound"), (Look.EDGE, "rounded"))
    )
    tested = look("crank", Look.CRACK_TEST, "passed").model_copy(update={"at": NOON - timedelta(hours=2)})
    found = assess(worked(OperationKind.GRIND, "rods", *before, tested)).part("R1")
    assert {*AFTER_A_GRIND, "crack test"} <= set(found.unseen)


def test_looked_at_after_the_grind_it_goes_back() -> None:
    one = looked_at(worked(OperationKind.GRIND, "rods"), at=NOON)
    assert assess(one).part("R1").action is Action.REUSE
    assert assess(one).part("R1").unseen == ()


@pytest.mark.parametrize("kind", [trade.kind for trade in CATALOGUE.trades], ids=lambda kind: kind.key)
def test_work_that_makes_it_stale_can_be_written_down_where_it_alone_is_judged(kind: PartKind) -> None:
    """A job that judges the tunnel alone has its line hone, one of the end float its washers."""
    own = {*kind.sets, *kind.wholes}
    done = {work for work, on in kind.done_to.items() if own & set(on)}
    assert done & kind.stale_after.keys()
    named = own & {on for places in kind.done_to.values() for on in places}
    assert all(re.fullmatch(r"[A-Za-z][A-Za-z0-9.-]*", on) for on in named), "a fact cannot name it"
