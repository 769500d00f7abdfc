"""The words a rebuilder reads: short, exact, in the unit asked, and pointing to what to do next."""

import re
from itertools import pairwise

import pytest

from halfthou.assess import assess
from halfthou.engines import journal_name, short_name, usual_layouts
from halfthou.exchange import assessment_text
from halfthou.jobs import Arrangement, Decision, DecisionKind, JobFile, JournalSet, Layout, Look, Pin, Signature
from halfthou.lengths import Unit
from halfthou.report import Assessment
from halfthou.rules import RULES
from halfthou.verdicts import MARKS, Action, MarkCode
from halfthou.words import cautions_for
from tests.making import GOOD_ENGINE, NOON, PERFECT, job, layout, look, mm

WORN = ["2.0330", "2.0353", "2.0376", "2.0353"] * 2
JOBS = {
    "good": job(GOOD_ENGINE, gauge=PERFECT),
    "worn": job({**GOOD_ENGINE, "R3": WORN}, gauge=PERFECT),
    "half read": job({"R1": ["2.0371", "2.0372"], "M2": ["2.4120"]}),
    "too close": job({**GOOD_ENGINE, "R2": ["2.0371"] * 8}),
    "blue": job(GOOD_ENGINE, seen=(look("R1", Look.HEAT, "blue"), look("M1", Look.SURFACE, "light marks"))),
    "empty": job(),
}


def said(found: Assessment) -> list[str]:
    """Every sentence of an assessment."""
    texts = [reason.text for part in (found.of("mains"), found.of("rods")) for reason in part.reasons]
    texts += [text for part in (found.of("mains"), found.of("rods")) for text in part.would_change]
    for answer in found.parts:
        texts += [reason.text for reason in answer.reasons]
        texts += [*answer.would_change, *answer.still_to_do]
    return [*texts, *(doubt.text for doubt in found.doubts)]


@pytest.mark.parametrize("name", JOBS)
@pytest.mark.parametrize("unit", list(Unit))
def test_every_sentence_is_one(name: str, unit: Unit) -> None:
    for text in said(assess(JOBS[name].model_copy(update={"shown_in": unit}))):
        assert text[0].isupper() or text[0].isdigit(), text
        assert text.endswith("."), text
        assert "!" not in text
        assert "None" not in text
        assert "  " not in text
        assert len(text) <= 140, text


@pytest.mark.parametrize("name", JOBS)
def test_every_reason_rests_on_a_listed_rule_and_points_at_real_spots(name: str) -> None:
    found = assess(JOBS[name])
    for answer in found.parts:
        spots = {spot.name for spot in answer.spots}
        for reason in answer.reasons:
            assert reason.rule in RULES
            assert set(reason.spots) <= spots
    for part in (found.of("mains"), found.of("rods")):
        assert all(reason.rule in RULES for reason in part.reasons)


@pytest.mark.parametrize("name", JOBS)
def test_sizes_have_as_many_decimals_as_the_unit_carries(name: str) -> None:
    """Source: docs/trade: Showing sizes: four in inch, three in millimetre; a doubt one more."""
    for unit, most in ((Unit.INCH, 5), (Unit.MM, 4)):
        for text in said(assess(JOBS[name].model_copy(update={"shown_in": unit}))):
            assert all(len(match) <= most for match in re.findall(r"\d\.(\d+)", text)), text


def test_marks_have_a_letter_and_a_word_of_their_own() -> None:
    assert set(MARKS) == set(MarkCode)
    assert len({mark.letter for mark in MARKS.values()}) == len(MARKS)
    assert len({mark.word for mark in MARKS.values()}) == len(MARKS)


@pytest.mark.parametrize("action", [a for a in Action if a is not Action.MEASURE])
def test_work_that_can_hurt_is_shown_with_its_cautions(action: Action) -> None:
    """Source: docs/trade: Cautions: say what to do, and whose word goes first."""
    cautions = cautions_for(action)
    assert cautions
    assert all(caution.say and caution.defer_to for caution in cautions)
    assert any("rind" in caution.work for caution in cautions) == (action is Action.REGRIND)


def test_a_set_that_waits_says_for_what() -> None:
    waits = {name: assess(one).waits_for for name, one in JOBS.items()}
    assert waits == {
        "good": "a decision",
        "worn": "a decision",
        "half read": "69 readings",
        "too close": "a closer look",
        "blue": "somebody else's word",
        "empty": "the first reading",
    }


def test_the_worn_engine_in_plain_text() -> None:
    """What a person at a terminal reads: the decision, the worst journal, the grinder's sizes, the cautions."""
    text = assessment_text(JobFile(job=JOBS["worn"]), assess(JOBS["worn"]))
    for line in (
        "Rod journals: regrind, 0.010 under",
        "  No. 3 sets the size. At 0.010 under it has 0.0009 to spare.",
        "  Finish, after polish, to 2.0270 to 2.0278; grind to 2.0273 to 2.0281.",
        "  To order, 0.010 under: 4 pairs of shells, for No. 1, No. 2, No. 3, No. 4",
        "Main journals: reuse",
    ):
        assert line in text.splitlines()
    assert "Caution, grinding:" in text


def test_decisions_and_signatures_travel_into_the_text() -> None:
    decision = Decision(
        id="d", kind=DecisionKind.OVERRIDDEN, set=JournalSet.RODS, action="polish", words="Rod journals: polish.",
        reason="it is a spare",
        by="machinist", at=NOON,
    )  # fmt: skip
    signature = Signature(revision=1, by="machinist", at=NOON)
    decided = JOBS["good"].model_copy(update={"decisions": (decision,)})
    file = JobFile(job=decided, signatures=(signature,))
    text = assessment_text(file, assess(file.job))
    assert "Overridden: Rod journals: polish. (machinist), because it is a spare" in text
    assert "Revision 1 signed by machinist, 2031-05-04" in text


def test_shared_pins_name_their_cylinders() -> None:
    """Source: docs/trade: Shared pins: a pin that carries two rods is one journal."""
    eight = layout("V eight, cross plane")
    assert journal_name("R2", eight) == "Pin 2, cylinders 2 and 6"
    assert journal_name("M2", eight) == "Main journal M2"
    assert (short_name("R2", eight), short_name("M2", eight)) == ("Pin 2", "M2")
    assert short_name("R2", layout("Inline four")) == "No. 2"


@pytest.mark.parametrize("known", usual_layouts(), ids=lambda known: known.name)
def test_usual_layouts_hang_together(known: Layout) -> None:
    """A main at each end; even firing needs throws spread round the circle. Common practice, no source."""
    assert known.shaft[0] == "M1"
    assert known.shaft[-1] == known.mains[-1]
    assert sorted(c for pin in known.pins for c in pin.cylinders) == list(range(1, known.cylinders + 1))
    inline_even = known.arrangement is Arrangement.INLINE and known.cylinders in (3, 5, 6)
    if inline_even:
        spread = sorted({pin.throw_deg for pin in known.pins})
        assert {b - a for a, b in pairwise(spread)} == {360 / len(spread)}


@pytest.mark.parametrize(
    ("shaft", "cylinders"),
    [
        (("M1", "R1"), (1, 2)),
        (("M1", "R2", "M2"), (1,)),
        (("M1", "R1", "M3"), (1,)),
        (("M1", "R1", "Q2"), (1,)),
        (("R1", "R1"), (1,)),
    ],
)
def test_a_layout_that_cannot_be_is_refused(shaft: tuple[str, ...], cylinders: tuple[int, ...]) -> None:
    with pytest.raises(ValueError, match=r"pins|shaft"):
        Layout(
            name="x",
            arrangement=Arrangement.INLINE,
            cylinders=1,
            pins=(Pin(cylinders=cylinders, throw_deg=0),),
            shaft=shaft,
        )


def test_metric_words_for_a_metric_bench() -> None:
    """2.0330 in is 51.638 mm; the set still goes to the step it is sold under."""
    found = assess(JOBS["worn"].model_copy(update={"shown_in": Unit.MM}))
    least = found.part("R3").size
    assert least is not None
    assert least.text == "51.638"
    assert abs(least.nm - mm("51.638").nm) < 500
    assert found.of("rods").headline == "regrind, 0.010 in under"
