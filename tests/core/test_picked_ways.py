"""A way that a person picked: sizes by journal, and what such a decision does not deal with."""

from __future__ import annotations

from typing import cast

import pytest
from pydantic import ValidationError

from halfthou.assess import assess, judge
from halfthou.jobs import Job, Look, Operation, OperationKind, OtherSize
from halfthou.parts import CATALOGUE, SetVerdict, faults_of_job, ways_on
from halfthou.verdicts import Action
from tests.making import NOON, inches, look
from tests.picking import decided_so, mixed_house, way, ways, worn


def rods_of(one: Job) -> SetVerdict:
    """What was decided of the rods of a job."""
    return cast(SetVerdict, judge(one).decided["rods"])


def test_one_journal_alone_is_decided_ground_ordered_and_settled_by_itself() -> None:
    """Common practice, no source: one scored pin alone a size down, shells to suit each journal."""
    one = mixed_house(worn({"R2": ["2.0330"] * 8}, seen=(look("R2", Look.SURFACE, "nail catches", "0.0070"),)))
    alone = way(ways(one, "rods"), "No. 2 alone 0.030 under, the rest as they are")
    assert alone.possible
    # 2 * 2.0330 - 2.0378 - 0.0140 = 2.0142 by the score, the polish 0.0003 less, and 2.0070 is the least at 0.030.
    assert alone.to_spare.startswith("0.00")
    picked = decided_so(one, step=inches("0"), others=(OtherSize(part="R2", step=inches("0.030")),))
    found = assess(picked)
    rods = found.of("rods")
    assert rods.headline == "decided: regrind, No. 2 alone 0.030 under, the rest as they are"
    assert rods.finished_band == "2.0070 to 2.0078"
    assert [(one.count, one.words, one.parts) for one in rods.to_order] == [
        (3, "standard", ("No. 1", "No. 3", "No. 4")),
        (1, "0.030 under", ("No. 2",)),
    ]
    assert found.part("R2").headline == "Regrind, 0.030 under"
    assert found.part("R1").headline == "Reuse"
    assert way(ways(picked, "rods"), "No. 2 alone").recommended
    assert not way(ways(picked, "rods"), "Grind, 0.030").recommended


def test_a_size_for_a_journal_of_another_set_is_refused() -> None:
    picked = decided_so(worn({}), step=inches("0"), others=(OtherSize(part="M2", step=inches("0.030")),))
    assert faults_of_job(picked, CATALOGUE) == ("decision d1 gives a size to M2, which is none of the rods",)
    with pytest.raises(ValidationError, match="belong to a size decided otherwise"):
        decided_so(worn({}), others=(OtherSize(part="R2", step=inches("0.030")),))


def test_a_decision_does_not_deal_with_a_journal_that_needs_more_where_it_stands() -> None:
    """Common practice, no source: ground as decided and still beyond, or found worn after it: decided again."""
    ground = {f"R{n}": ["2.0276"] * 8 for n in (1, 2, 4)}
    small = decided_so(worn({**ground, "R3": ["2.0262"] * 8}), step=inches("0.010"))
    good = decided_so(worn({**ground, "R3": ["2.0276"] * 8}), step=inches("0.010"))
    for one, whole in ((small, False), (good, True)):
        found = assess(one)
        assert found.whole == whole
        assert any("Decide again" in reason.text for reason in found.of("rods").reasons) != whole
    assert assess(small).part("R3").action is Action.REFER
    # One alone was decided on, and then another is read beyond its limit.
    worse = mixed_house(worn({"R2": ["2.0330"] * 8, "R4": ["2.0335"] * 8}))
    alone = decided_so(worse, step=inches("0"), others=(OtherSize(part="R2", step=inches("0.010")),))
    assert assess(alone).part("R4").action is Action.REFER
    assert not assess(alone).whole


def test_what_is_used_again_takes_the_shells_of_the_size_it_has() -> None:
    """Arithmetic: a journal 0.010 under in standard half bearings would run 0.010 loose."""
    mixed = mixed_house(worn({"R2": ["2.0275"] * 8}))
    leave = next(one for one in ways_on(judge(mixed).given, rods_of(mixed)) if one.key == "leave")
    assert leave.size is None
    for step in (None, inches("0")):
        kept = decided_so(mixed, step=step)
        kept = kept.model_copy(update={"decisions": (kept.decisions[0].model_copy(update={"action": "reuse"}),)})
        assert [(one.words, one.parts) for one in assess(kept).of("rods").to_order] == [
            ("standard", ("No. 1", "No. 3", "No. 4")),
            ("0.010 under", ("No. 2",)),
        ]


def test_no_journal_is_ground_to_a_size_that_it_is_smaller_than() -> None:
    """Arithmetic: nothing grows by grinding."""
    ground = Operation(id="g", kind=OperationKind.GRIND, on="R2", by="bench", step=inches("0.020"), at=NOON)
    at_twenty = worn({"R2": ["2.0175"] * 8, "R3": ["2.0345"] * 8}).model_copy(update={"operations": (ground,)})
    found = decided_so(at_twenty, step=inches("0.010"))
    assert rods_of(found).not_dealt_with == ("R2",)
    assert rods_of(found).action_of("R2") is Action.REFER
    assert not assess(found).whole


def test_one_alone_is_no_way_on_for_a_crank_that_is_mixed_already() -> None:
    mixed = mixed_house(worn({"R2": ["2.0275"] * 8, "R3": ["2.0345"] * 8}))
    assert rods_of(mixed).case.mixed
    assert not [one for one in ways(mixed, "rods").ways if "alone" in one.words]
