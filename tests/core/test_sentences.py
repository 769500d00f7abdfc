"""What is said of a figure and of a part: within and beyond never in the same words, too close says why, no reason
against its verdict, and whoever is sent to measure is told what and why."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.amounts import Quantity
from halfthou.assess import assess
from halfthou.gauges import BudgetTerm as Doubt
from halfthou.gauges import TermKind
from halfthou.jobs import SourceKind
from halfthou.lengths import Length, Notation, Unit
from halfthou.report import Assessment, PartReport
from halfthou.verdicts import Action, Called, Limit, Measured, judge
from halfthou.words.figures import sentence
from tests.core.test_every_answer import EFFECTS, Tried
from tests.core.test_what_is_asked_waits import JOBS, asks, kept, told
from tests.looked_at import looked_at
from tests.making import NOON

#: By how a figure is called: the words that say so, without its numbers.
WAYS = {Called.WITHIN: ("inside", "just at it"), Called.BEYOND: ("over", "under"), Called.TOO_CLOSE: ("too close",)}
#: What may be why a figure is too close.
WHY = ("the gauge tells it to ±", "the readings tell it to ±", "rule of thumb", "Two angles", "not rested")


def said_of(
    value: int, limit: int, *, is_least: bool, quantity: Quantity, thumb: bool = False
) -> tuple[Called, str]:
    """How a figure is called, and what is said of it; its guard is 1,000 smallest units."""
    guard = Length(1_000)
    figure = Measured(
        "taper", "r", "taper", Length(value), ("1a",), 600.0, guard, (Doubt(TermKind.RESOLUTION, "g", 600.0),),
        quantity=quantity,
    )  # fmt: skip
    found = judge(figure, Limit(Length(limit), is_least, SourceKind.RULE_OF_THUMB if thumb else SourceKind.MAKER))
    return found.called, sentence(found, Notation.usual(Unit.MM))


@given(st.integers(-10_000, 10_000), st.booleans(), st.sampled_from(list(Quantity)))
def test_within_beyond_and_too_close_are_never_said_in_the_same_words(
    off: int, is_least: bool, quantity: Quantity
) -> None:
    called, text = said_of(500_000 + off, 500_000, is_least=is_least, quantity=quantity)
    for one, words in WAYS.items():
        assert any(re.search(rf"\b{word}\b", text) for word in words) is (one is called), text


def test_over_under_and_inside_say_by_how_much() -> None:
    """By hand: 0.540 against at most 0.500 is 0.040 over, 0.460 against at least 0.500 is 0.040 under."""
    for value, is_least, words in (
        (540_000, False, "Taper 0.540, limit 0.500: 0.040 over."),
        (460_000, False, "Taper 0.460, limit 0.500: 0.040 inside."),
        (460_000, True, "Taper 0.460: 0.040 under the limit 0.500."),
        (540_000, True, "Taper 0.540: 0.040 inside the limit 0.500."),
    ):
        assert said_of(value, 500_000, is_least=is_least, quantity=Quantity.LENGTH)[1] == words
    for value, is_least, way in ((540_000, False, "over"), (460_000, True, "under"), (540_000, True, "inside")):
        assert way in said_of(value, 500_000, is_least=is_least, quantity=Quantity.MASS)[1]


@pytest.mark.parametrize("thumb", [True, False])
def test_too_close_says_why(thumb: bool) -> None:
    text = said_of(500_500, 500_000, is_least=False, quantity=Quantity.LENGTH, thumb=thumb)[1]
    assert any(why in text for why in WHY)
    assert ("rule of thumb" in text) is thumb


def held_to(found: Assessment) -> None:
    """What holds of every sentence of an answer."""
    for part in found.parts:
        if part.action is Action.REUSE:
            assert not [one for one in part.figures if one.called is Called.BEYOND], part.id
        if part.action is Action.MEASURE:
            assert _what(part), f"{part.id}: {part.headline}"
    every = [text for part in found.parts for text in told(part)]
    every += [reason.text for one in found.sets for reason in one.reasons] + [one.text for one in found.doubts]
    every += [f"{one.count} {one.what} {one.words}" for each in found.sets for one in each.to_order]
    for text in every:
        assert not re.search(r"as told|, :|None|\{|  | \.|\(\)", text), text


def _what(part: PartReport) -> bool:
    """Whether somebody who is sent to measure is told what to do, or why he has to."""
    return bool(part.to_read or part.still_to_do or any(asks(reason.text) for reason in part.reasons) or part.opens)


@pytest.mark.parametrize("path", JOBS, ids=lambda path: path.stem)
def test_no_reason_of_a_kept_job_stands_against_its_verdict(path: Path) -> None:
    held_to(assess(kept(path)))
    held_to(assess(looked_at(kept(path), at=NOON)))


@pytest.mark.parametrize("tried", EFFECTS, ids=repr)
def test_no_reason_of_an_answer_stands_against_its_verdict(tried: Tried) -> None:
    held_to(assess(tried.job()))
