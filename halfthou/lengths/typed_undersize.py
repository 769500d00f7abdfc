"""Reading an undersize as stamped, painted or said: STD, 10, .010, 0.25, ten under."""

from __future__ import annotations

import re
from fractions import Fraction

from halfthou.lengths.length import ZERO, Length, Unit
from halfthou.lengths.show import Notation
from halfthou.lengths.typed import Asked, Choice, Typed, Unreadable, plain, read_length, read_number, typed
from halfthou.lengths.words import spoken_number

_STANDARD = {"std", "standard", "0", "00", "000", "0.000", "0.00"}
#: No shell is made for a journal further under than 0.2 in. Source: common practice, no source.
MOST_UNDERSIZE = Length(5_080_000)
_WAYS = ((Unit.INCH, Fraction(1, 1000)), (Unit.MM, Fraction(1, 100)))


def read_undersize(text: str, unit: Unit, ladder: tuple[Length, ...] = ()) -> Typed | Asked:
    """Read an undersize and match it to the sizes that can be bought.

    Takes:   the text; the unit of the shop; the undersizes on the limits sheet, if known.
    Gives:   the undersize (0 for standard), or a question: 25 may be 0.25 mm or 0.025 in.
    Refuses: Unreadable.
    Rule:    lengths.typed-undersize.   Source: docs/trade: Reading typed text, common practice.
    >>> read_undersize("ten under", Unit.INCH).length == Length(254_000)
    True
    """
    said = re.sub(r"\s*(under ?size|under|u/s)$", "", plain(text))
    if said in _STANDARD:
        return Typed(ZERO, unit, how="standard")
    counted = _whole_steps(said)
    if counted is None:
        found = read_length(said, unit)
        if isinstance(found, Typed) and found.length < ZERO:
            raise Unreadable("negative", text, "An undersize is a step down, typed without a minus: 0.010.")
        return _other_unit_if_only_that_fits(found, said, unit, ladder)
    meanings = [typed(counted * step, way, text) for way, step in _WAYS]
    on_ladder = [meaning for meaning in meanings if meaning.length in ladder]
    if len(on_ladder) == 1:
        return on_ladder[0]
    if said in ("25", "50", "75", "twenty five", "fifty") or len(on_ladder) > 1:
        return Asked(
            f"{said} can be inch or metric. Which?",
            tuple(
                Choice(m.length, way, Notation.usual(way).undersize(m.length) + f" {way.value}")
                for m, (way, _) in zip(meanings, _WAYS, strict=True)
            ),
        )
    return next(meaning for meaning in meanings if meaning.unit is unit)


def _whole_steps(said: str) -> Fraction | None:
    if re.fullmatch(r"\d{1,3}", said):
        return read_number(said, said)[0]
    return spoken_number(said) if re.fullmatch(r"[a-z -]+", said) else None


def _other_unit_if_only_that_fits(
    found: Typed | Asked, said: str, unit: Unit, ladder: tuple[Length, ...]
) -> Typed | Asked:
    if isinstance(found, Asked) or found.length in ladder or not re.fullmatch(r"\d*[.,]\d+", said):
        return found
    other = read_length(said, Unit.MM if unit is Unit.INCH else Unit.INCH)
    if isinstance(other, Typed) and (other.length in ladder or found.length > MOST_UNDERSIZE):
        return other
    return found
