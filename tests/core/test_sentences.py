"""What is said of a figure and of a part: within and beyond never in the same words, too close says why, no reason
against its verdict, and whoever is sent to measure is told what and why."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.amounts import Quantity
from halfthou.gauges import BudgetTerm as Doubt
from halfthou.gauges import TermKind
from halfthou.jobs import SourceKind
from halfthou.lengths import Length, Notation, Unit
from halfthou.verdicts import Called, Limit, Measured, judge
from halfthou.words.figures import sentence

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
