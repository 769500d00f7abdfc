"""The house's changes laid into a list. The rules are not hers to change: an order they forbid is refused in
words."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from halfthou.jobs import OwnStep, StripEdits
from halfthou.strip.step import StripStep
from halfthou.strip.tie import Binds, Tie

NO_EDITS = StripEdits()
_OWN = Tie("strip.house", Binds.FIRST, "", "", "the house does it before")
_MOVED = Tie("strip.house", Binds.ORDER, "", "", "the house does it in this order")


def with_own(works: Sequence[StripStep], edits: StripEdits) -> tuple[StripStep, ...]:
    """The works, with the house's words and minutes, and its own steps right after what they follow."""
    if edits.empty:
        return tuple(works)
    found = list(in_own_words(works, edits))
    for own in edits.own:
        at = next((n for n, one in enumerate(found) if one.id == own.after), None)
        if at is not None:
            found.insert(at + 1, _own_step(own, found[at], edits))
    return tuple(found)


def _own_step(own: OwnStep, after: StripStep, edits: StripEdits) -> StripStep:
    """A step of the house's own, in the section it follows, in the words it was last given."""
    return StripStep(
        family=own.id,
        id=own.id,
        section=after.section,
        text=edits.texts.get(own.id, own.text),
        minutes=edits.minutes.get(own.id, own.minutes),
        hint=own.hint,
        tools=own.tools,
        own=True,
    )


def in_own_words(works: Sequence[StripStep], edits: StripEdits) -> tuple[StripStep, ...]:
    """Steps with the words and minutes that the house gives them."""
    if not (edits.texts or edits.minutes):
        return tuple(works)
    return tuple(
        replace(one, text=edits.texts.get(one.id, one.text), minutes=edits.minutes.get(one.id, one.minutes))
        for one in works
    )


def bind(before: dict[str, dict[str, Tie]], edits: StripEdits) -> None:
    """Add the ties that the house's own steps and order bring."""
    for own in edits.own:
        if own.id in before:
            before[own.id].setdefault(own.after, _MOVED)
            if own.before is not None and own.before in before:
                before[own.before].setdefault(own.id, _OWN)
    for moved in edits.moved:
        if moved.step in before and moved.after in before:
            before[moved.step].setdefault(moved.after, _MOVED)


def in_own_order(steps: Sequence[StripStep], edits: StripEdits) -> list[StripStep]:
    """The steps as they are looked for, those that the house moved right after what they follow; own steps that
    follow a turn of the crank, too."""
    found = list(steps)
    here = {one.id for one in found}
    for moved in edits.moved:
        if moved.step in here and moved.after in here:
            step = next(one for one in found if one.id == moved.step)
            found.remove(step)
            at = next(n for n, one in enumerate(found) if one.id == moved.after)
            found.insert(at + 1, step)
    for own in edits.own:
        if own.id not in here and own.after in here:
            at = next(n for n, one in enumerate(found) if one.id == own.after)
            found.insert(at + 1, _own_step(own, found[at], edits))
    return found
