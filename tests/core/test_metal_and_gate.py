"""What metal went through, and the gate: found by a proof, removed by an operation or a part."""

from __future__ import annotations

import pytest
from pydantic import ValidationError

from halfthou.causes import Word
from halfthou.evidence import flag_of
from halfthou.jobs import (
    CauseSaid,
    Dealt,
    DealtHow,
    Fact,
    HouseRules,
    Look,
    Mistrust,
    OilWaySaid,
    Operation,
    OperationKind,
    PumpAfterMetal,
    Remedy,
    RemedyHow,
    Seen,
    Stand,
)
from tests.reading import complains, graded, read, seen
from tests.stripping import fact


def test_everything_the_oil_reaches_is_contaminated_and_the_pump_follows_its_rule() -> None:
    gone = graded("Inline four", rods="COOO", mains="O")
    story = read(*gone, fact(OilWaySaid, extras=("cooler", "turbo", "squirters")))
    assert {"pan", "pump", "cooler", "filter", "bypass", "gallery", "turbo", "squirters", "drillings"} <= {
        one.key for one in story.contaminated
    }
    assert not read(*graded("Inline four", rods="O", mains="O")).contaminated
    new = read(*gone, house_rules=HouseRules(pump_after_metal=PumpAfterMetal.NEW))
    pump = next(one for one in new.contaminated if one.key == "pump")
    assert pump.settled_by == (DealtHow.RENEWED,)


def test_a_part_that_was_washed_takes_no_flag_along() -> None:
    gone = (*graded("Inline four", rods="COOO", mains="O"), fact(OilWaySaid, extras=("cooler",)))
    story = read(*gone)
    assert flag_of(story.job, story.sightings, story.signs, "Oil cooler").startswith("metal of Rod 1")
    washed = read(*gone, fact(Dealt, item="cooler", how=DealtHow.WASHED))
    assert flag_of(washed.job, washed.sightings, washed.signs, "Oil cooler") == ""


def test_the_gate_wants_a_proof_and_a_remedy() -> None:
    blocked = (*complains("low pressure"), seen("screen", "blocked", "pump"), seen("in the screen", "sealant"))
    assert read(*blocked).gate.open
    assert not read(*blocked, fact(Remedy, cause="supply.screen", words="new pickup")).gate.open
    doubted = fact(CauseSaid, 5, stand=Stand.OPEN, reason="the screen came loose in the post")
    assert read(*blocked, fact(Remedy, cause="supply.screen", words="new pickup"), doubted).gate.open
    own = fact(CauseSaid, 5, stand=Stand.OWN, words="a rag in the pan", reason="it lay there")
    rag = read(*complains("low pressure"), own, fact(Remedy, cause="a rag in the pan", words="out")).gate
    assert rag.open
    assert "without a proof" in rag.words
    assert not read(seen("shell kind", "coated")).gate.asked


def test_readings_after_the_work_are_no_evidence_of_what_failed() -> None:
    """Source: common practice, no source: a ground journal would clear what ruined it."""
    bent = fact(Seen, 0, on="crank", look=Look.STRAIGHTNESS, answer="bent")
    work = fact(Operation, 60, kind=OperationKind.STRAIGHTEN, on="crank")
    good = fact(Seen, 120, on="crank", look=Look.STRAIGHTNESS, answer="within the maker's run-out")
    story = read(*complains("knock"), bent, work, good)
    assert "runout.beyond" in story.signs
    assert story.weighed.words["crank.bent"] is not Word.RULED_OUT


def test_a_mistrusted_look_is_left_out() -> None:
    clear = seen("screen", "clear", "pump")
    doubt = fact(Mistrust, of=clear.id, reason="it had been changed")
    assert "supply.screen" not in {k for k, w in read(*complains("knock"), clear, doubt).weighed.words.items()
                                   if w is Word.RULED_OUT}  # fmt: skip


def test_metal_that_went_round_and_a_second_likely_cause_keep_the_gate_shut() -> None:
    """Common practice, no source: found and removed is not the end while metal lies in the oil's way, or while
    another cause stands likely beside it."""
    removed = fact(Remedy, cause="supply.screen", words="new pickup")
    blocked = (*complains("low pressure"), seen("screen", "blocked", "pump"), seen("in the screen", "sealant"),
               removed, fact(OilWaySaid, extras=("cooler",)))  # fmt: skip
    metal = read(*blocked, *graded("Inline four", rods="CCCC", mains="L"))
    assert metal.gate.found and metal.gate.removed and metal.gate.open
    assert "parts that metal went through are still to be washed" in metal.gate.words
    washed = tuple(
        fact(Dealt, nth, item=one.key, how=one.settled_by[0], words="done")
        for nth, one in enumerate(metal.contaminated)
    )
    assert not read(*blocked, *graded("Inline four", rods="CCCC", mains="L"), *washed).gate.open
    second = read(*blocked, seen("push rod tips", "some dull"), seen("dry starts", "lamp long after starting"))
    assert second.weighed.words["supply.air"] is not Word.LIKELY or second.gate.open


def items_of(*facts: Fact) -> set[str]:
    """What keeps the gate shut, by its keys."""
    return {item.key for item in read(*facts).gate.items}


def test_a_remedy_counts_when_it_is_done_and_elsewhere_has_its_paper() -> None:
    """Common practice, no source: what was done elsewhere stands on somebody's paper."""
    bad = (*complains("noise above"), seen("cam and followers", "pitted"))
    assert items_of(*bad) == {"left.cam.followers"}
    planned = fact(Remedy, cause="cam.followers", words="cam and followers", how=RemedyHow.PART, done=False)
    assert items_of(*bad, planned) == {"left.cam.followers"}
    assert "not done yet" in read(*bad, planned).gate.words
    with pytest.raises(ValidationError, match="paper"):
        fact(Remedy, cause="cam.followers", words="cam ground", how=RemedyHow.ELSEWHERE, shop="Millrace Cams")
    ground = fact(Remedy, cause="cam.followers", words="cam ground", how=RemedyHow.ELSEWHERE,
                  shop="Millrace Cams", paper="their sheet 118")  # fmt: skip
    gate = read(*bad, ground).gate
    assert not gate.open
    assert gate.removed == ("Cam and followers: cam ground, by Millrace Cams, their sheet 118 (bench)",)


def test_a_check_removes_only_what_it_clears() -> None:
    """A rod tested hard and whole clears the failure left in; no check clears a blocked screen. Common practice, no
    source."""
    blue = (*complains("knock"), *graded("Inline four", rods="O", mains="O"),
            seen(Look.ROD, "blue", "rod-2"))  # fmt: skip
    assert "left.housing.earlier" in items_of(*blue)
    checked = fact(Remedy, cause="housing.earlier", words="hard, whole", how=RemedyHow.CHECK)
    assert "left.housing.earlier" in items_of(*blue, checked)
    assert "left.housing.earlier" not in items_of(*blue, checked, seen("heat tests", "hard, no crack, to size"))
    blocked = (*complains("low pressure"), seen("screen", "blocked", "pump"))
    looked_at = fact(Remedy, cause="supply.screen", words="looked at", how=RemedyHow.CHECK)
    assert "left.supply.screen" in items_of(*blocked, looked_at)


def test_what_made_the_cause_keeps_the_gate_shut_until_somebody_looked() -> None:
    """The carbon in the screen came from somewhere. Common practice, no source."""
    done = fact(Remedy, cause="supply.screen", words="new pickup", how=RemedyHow.PART)
    blocked = (*complains("low pressure"), seen("screen", "blocked", "pump"), seen("in the screen", "carbon"), done)
    assert "why.supply.screen" in items_of(*blocked)
    seats = seen("breather", "a seat or the breather leaks")
    assert "why.supply.screen" not in items_of(*blocked, seats)
    assert "left.carbon.source" in items_of(*blocked, seats)


def test_metal_is_answered_for_while_the_cause_is_open_too() -> None:
    """Common practice, no source: what is not known was not washed by that."""
    items = items_of(*complains("knock"), *graded("Inline four", rods="COOO", mains="O"))
    assert "cause" in items
    assert "metal.pan" in items
