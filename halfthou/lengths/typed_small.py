"""Reading a gap, a play or a height as it is typed: leaves of a feeler gauge added up, thou without their point."""

from __future__ import annotations

import re
from fractions import Fraction

from halfthou.lengths.length import NM_PER_UNIT, ZERO, Length, Unit
from halfthou.lengths.show import Notation
from halfthou.lengths.typed import THOU, Asked, Choice, Typed, Unreadable, plain, read_length, typed
from halfthou.lengths.typed_here import UNIT_WORDS, Window

#: So many whole steps; in inch, where half-thou are read, a half as well.
_WHOLE = {Unit.INCH: re.compile(r"^[+-]?\d{1,3}([.]5)?$"), Unit.MM: re.compile(r"^[+-]?\d{1,3}$")}
#: What a whole number without its point counts in: thou in inch, hundredths in metric.
_FINE = {Unit.INCH: (THOU, "thou"), Unit.MM: (Fraction(1, 100), "hundredths")}


def read_small(text: str, unit: Unit, window: Window) -> Typed | Asked:
    """Read a gap, a play, a wear or a height.

    Takes:   as `read_here`; a window that reaches below nothing takes a sign as it is, not as a step from nominal.
    Gives:   the length, or a question where the number fits two ways, or none.
    Refuses: Unreadable; below nothing where that cannot be.
    Rule:    lengths.typed-here.   Source: common practice, no source: leaves of a feeler gauge are added.
    >>> w = Window(ZERO, ZERO, Length(2_540_000))
    >>> read_small("0.010+0.002", Unit.INCH, w).length == Length(304_800), read_small("12", Unit.INCH, w).how
    (True, 'thou')
    """
    said = plain(text)
    leaves = [leaf.strip() for leaf in said.split("+")] if "+" in said.lstrip("+") else []
    if leaves:
        return _sum(leaves, text, unit, window)
    found = read_length(text, unit)
    if isinstance(found, Asked):
        fitting = tuple(choice for choice in found.choices if window.holds(choice.length))
        return Typed(fitting[0].length, fitting[0].unit, how=fitting[0].words) if len(fitting) == 1 else found
    if found.length < ZERO and window.least >= ZERO:
        raise Unreadable("below-nothing", text, "That cannot be less than nothing. Type it again.")
    return (
        _without_point(said, found, unit, window) if _WHOLE[unit].match(said) else _fits(found, said, unit, window)
    )


def _sum(leaves: list[str], text: str, unit: Unit, window: Window) -> Typed | Asked:
    total = ZERO
    for leaf in leaves:
        found = read_small(leaf, unit, window) if leaf else None
        if not isinstance(found, Typed):
            message = f"“{text.strip()}” is no sum of leaves. Type for example 0.010+0.002."
            raise Unreadable("no-number", text, message)
        total += found.length
    return _fits(Typed(total, unit, how="sum of leaves"), "", unit, window)


def _without_point(said: str, plainly: Typed, unit: Unit, window: Window) -> Typed | Asked:
    step, words = _FINE[unit]
    fine = typed(Fraction(said) * step, unit, said, words)
    if plainly.length == ZERO:
        return _fits(plainly, said, unit, window)
    both = [one for one in (fine, plainly) if window.holds(one.length)]
    if len(both) == 1:
        return both[0]
    if not both:
        return _fits(plainly, said, unit, window)
    say = Notation.usual(unit)
    choices = tuple(Choice(one.length, unit, say.with_unit(one.length)) for one in both)
    return Asked(f"{said} can be {words} or {UNIT_WORDS[unit]}. Which?", choices)


def _fits(found: Typed, said: str, unit: Unit, window: Window) -> Typed | Asked:
    if window.holds(found.length):
        return found
    if said and re.fullmatch(r"[+-]?\d*[.,]?\d+", said):
        other = Unit.MM if unit is Unit.INCH else Unit.INCH
        meant = Length(found.length.nm * NM_PER_UNIT[other] // NM_PER_UNIT[unit])
        if window.holds(meant):
            words = f"{said} {other.value}, that is {Notation.usual(unit).with_unit(meant)}"
            return Asked(f"{said} fits only as {UNIT_WORDS[other]}. Is it?", (Choice(meant, other, words),))
    say = Notation.usual(unit)
    shown, low, high = say.with_unit(found.length), say.text(window.least), say.text(window.most)
    question = f"{shown} is outside what this can be, {low} to {high}. Read it again, or take it as it is."
    return Asked(question, (Choice(found.length, found.unit, f"{shown}, as read"),), found.length)
