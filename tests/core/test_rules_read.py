"""House rules note what is read of them: no rule that changes a verdict is left out."""

from __future__ import annotations

import pytest

from halfthou.assess import judge
from halfthou.jobs import Hardening, HouseRules, Job, Look, noted
from tests.making import GOOD_ENGINE, job, limits, look, relimited
from tests.other_rules import another_way
from tests.straight import crank, turned

WORN = job({**GOOD_ENGINE, "R2": ["2.0345"] * 8}, seen=(look("R3", Look.SURFACE, "light marks"),))
JOBS = (
    WORN,
    relimited(WORN, rods=limits(hardening=Hardening.INDUCTION)),
    crank(turned("M2", "0.009", 10), turned("M3", "0.010", 15), turned("M4", "0.004", 20)),
    job(GOOD_ENGINE, seen=(look("R3", Look.ROD, "blue"),)),
)


def told(one: Job) -> dict[str, str]:
    judged = judge(one)
    return {name: judged.headline(name, one.shown_in) for name in judged.decided}


@pytest.mark.parametrize("which", range(len(JOBS)))
@pytest.mark.parametrize("rule", sorted(HouseRules.model_fields))
def test_a_rule_that_changes_a_verdict_was_read(rule: str, which: int) -> None:
    one = JOBS[which]
    asked = noted(one.house_rules)
    assert told(one.model_copy(update={"house_rules": asked})) == told(one)
    changed = one.house_rules.model_copy(update={rule: another_way(getattr(one.house_rules, rule))})
    if told(one.model_copy(update={"house_rules": changed})) != told(one):
        assert rule in asked.asked


def test_what_a_crank_has_nothing_to_do_with_is_not_read() -> None:
    asked = noted(WORN.house_rules)
    judge(WORN.model_copy(update={"house_rules": asked}))
    assert "light_hone" not in asked.asked
    assert "polish_allowance" in asked.asked
