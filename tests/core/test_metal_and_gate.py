"""What metal went through, and the gate: found by a proof, removed by an operation or a part."""

from __future__ import annotations

from halfthou.causes import Word
from halfthou.evidence import flag_of
from halfthou.jobs import (
    CauseSaid,
    Dealt,
    DealtHow,
    HouseRules,
    Look,
    Mistrust,
    OilWaySaid,
    Operation,
    OperationKind,
    PumpAfterMetal,
    Remedy,
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
    gone = graded("Inline four", rods="COOO", mains="O")
    story = read(*gone)
    assert flag_of(story.job, story.sightings, story.signs, "Oil cooler").startswith("metal of Rod 1")
    washed = read(*gone, fact(Dealt, item="cooler", how=DealtHow.WASHED))
    assert flag_of(washed.job, washed.sightings, washed.signs, "Oil cooler") == ""


def test_the_gate_wants_a_proof_and_a_remedy() -> None:
    blocked = (*complains("low pressure"), seen("screen", "blocked", "pump"))
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
    blocked = (*complains("low pressure"), seen("screen", "blocked", "pump"), removed)
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
