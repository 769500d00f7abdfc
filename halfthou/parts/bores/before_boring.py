"""What is looked at and measured of a block before money goes into boring it, and what comes first where it is not
right."""

from __future__ import annotations

from enum import StrEnum

from halfthou.jobs import Look, Seen, SourceKind
from halfthou.lengths import ZERO, Length
from halfthou.parts.bores.case import BoreCase
from halfthou.parts.bores.limits import BoreLimits
from halfthou.parts.bores.looks import FEELERS, INDICATOR, OUT_OF_FLAT, OUT_OF_SQUARE, SLEEVED

#: What a deck may be out beyond what was read: the next leaf of a feeler gauge did not go, so it is less than half
#: a thou more; an indicator tells a tenth. Source: common practice, no source.
_MORE = {FEELERS: Length(12_700), INDICATOR: Length(2_540)}


class DeckSays(StrEnum):
    """How a deck stands to its limit, in the words of what is to be done first."""

    UNSEEN = "deck"
    FLAT = "flat"
    OUT = "machine the deck flat"
    CLOSE = "read the deck again, with an indicator"
    NO_LIMIT = "find the maker's limit for the deck"


def deck_says(seen: Seen | None, limits: BoreLimits) -> DeckSays:
    """How the deck stands to its limit, by what was measured or by what somebody said of it.

    Rule:    bores.deck.   Source: docs/trade: Before a block is bored. A limit by a rule of thumb passes no deck.
    """
    if seen is None:
        return DeckSays.UNSEEN
    more = _MORE.get(seen.answer)
    if more is None:
        return DeckSays.OUT if seen.answer == OUT_OF_FLAT else DeckSays.FLAT
    limit, found = limits.figure("deck_flatness"), seen.amount or ZERO
    if limit is None or limit.source.kind is SourceKind.RULE_OF_THUMB:
        return DeckSays.NO_LIMIT
    if found > limit.value:
        return DeckSays.OUT
    return DeckSays.FLAT if found + more <= limit.value else DeckSays.CLOSE


def wanted_before_boring(case: BoreCase) -> tuple[str, ...]:
    """What is still to be looked at before money goes into boring, and what has to be put right first.

    Rule:    bores.before-boring.   Source: docs/trade: Before a block is bored, common practice.
    """
    deck = deck_says(case.seen.get(Look.DECK), case.limits)
    square = case.answer(Look.SQUARE)
    wanted = [look.value for look in (Look.PRESSURE, Look.CRACK_TEST) if case.answer(look) is None]
    if deck is not DeckSays.FLAT:
        wanted.append(deck.value)
    if square is None:
        wanted.append(Look.SQUARE.value)
    elif square == OUT_OF_SQUARE:
        wanted.append("set the boring up square to the main tunnel")
    return tuple(wanted)


def sleeve_wanted(case: BoreCase) -> bool:
    """Whether a sleeve is fitted and nobody has measured its wall: not every sleeve may be bored.

    Rule:    bores.before-boring.
    """
    return case.answer(Look.SLEEVE) == SLEEVED and case.wall is None
