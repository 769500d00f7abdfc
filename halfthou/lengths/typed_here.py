"""Reading what is typed where a size is expected: last digits, so many thou below nominal, a slip of unit."""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction

from halfthou.lengths.length import NM_PER_UNIT, Length, Unit
from halfthou.lengths.show import USUAL_DECIMALS, Notation
from halfthou.lengths.typed import THOU, Asked, Choice, Typed, Unreadable, plain, read_length, typed


@dataclass(frozen=True, slots=True)
class Window:
    """What a size at this spot can be.

    `nominal` is what a signed number counts from; `least` and `most` are the ends of what is possible;
    `near` is where the readings of the set lie already, if there are any.
    """

    nominal: Length
    least: Length
    most: Length
    near: Length | None = None

    def holds(self, length: Length) -> bool:
        """Whether the length can be a size here."""
        return self.least <= length <= self.most


UNIT_WORDS = {Unit.INCH: "inches", Unit.MM: "millimetres"}
_SIGNED = re.compile(r"^(?P<sign>[+-]) ?(?P<number>\d*[.,]?\d+|\d+ \d/\d)( (?P<thou>thou))?$")
#: Last digits, or last digits and a half: 993.5 on a gauge that shows half-tenths.
_DIGITS = re.compile(r"^(\d{1,7}|\d{2,5}[.]5)$")


def read_here(text: str, unit: Unit, window: Window) -> Typed | Asked:
    """Read a size typed at a spot whose window is known.

    Takes:   the text; the unit a bare number takes; the window of the feature.
    Gives:   the size, or a question: two sizes fit the digits, the number fits the other unit only, or it
             fits nothing and must be confirmed.
    Refuses: Unreadable.
    Rule:    lengths.typed-here.   Source: common practice, no source.
    >>> w = Window(Length(53_322_200), Length(51_000_000), Length(53_400_000))
    >>> read_here("993", Unit.INCH, w).length == Length(2_0993 * 2_540)
    True
    """
    said = plain(text)
    if match := _SIGNED.match(said):
        return _from_nominal(match, unit, window, text)
    as_size = read_length(text, unit)
    if isinstance(as_size, Asked):
        fitting = tuple(choice for choice in as_size.choices if window.holds(choice.length))
        if len(fitting) == 1:
            return Typed(fitting[0].length, fitting[0].unit, how=fitting[0].words)
        return as_size
    if _DIGITS.match(said):
        return _last_digits(said, unit, window, as_size)
    if window.holds(as_size.length):
        return as_size
    return _does_not_fit(as_size, said, unit, window)


def _from_nominal(match: re.Match[str], unit: Unit, window: Window, text: str) -> Typed | Asked:
    step, way = (THOU, Unit.INCH) if unit is Unit.INCH or match["thou"] else (Fraction(1, 100), Unit.MM)
    number = read_length(match["number"], way)
    if isinstance(number, Asked):
        raise Unreadable("no-number", text, f"“{text.strip()}” is no step from nominal. Type for example -3.")
    away = typed(Fraction(number.length.nm, NM_PER_UNIT[way]) * step, way, text)
    from_it = window.nominal - away.length if match["sign"] == "-" else window.nominal + away.length
    found = Typed(from_it, unit, away.exact, "from nominal")
    return found if window.holds(from_it) else _confirm(found, unit, window)


def _last_digits(said: str, unit: Unit, window: Window, as_size: Typed) -> Typed | Asked:
    decimals = USUAL_DECIMALS[unit]
    digits = said.split(".")[0]
    one_step = NM_PER_UNIT[unit] * 10 ** len(digits) // 10**decimals
    offset = typed(Fraction(said) / 10**decimals, unit, said).length.nm
    first = -(-(window.least.nm - offset) // one_step)
    last = (window.most.nm - offset) // one_step
    fitting = [Length(offset + n * one_step) for n in range(first, last + 1)]
    if window.near is not None and len(fitting) > 1:
        near = window.near
        fitting = [f for f in fitting if 10 * abs(f - near).nm <= 7 * one_step]
    if window.holds(as_size.length) and as_size.length not in fitting:
        fitting.append(as_size.length)
    if len(fitting) == 1:
        return Typed(fitting[0], unit, how="last digits")
    if not fitting:
        return _does_not_fit(as_size, said, unit, window)
    notation = Notation.usual(unit)
    centre = window.near or window.nominal
    closest = sorted(fitting, key=lambda f: abs(f - centre))[:2]
    return Asked(
        f"{said} fits more than one size here. Which?",
        tuple(Choice(length, unit, notation.with_unit(length)) for length in closest),
    )


def _does_not_fit(as_size: Typed, said: str, unit: Unit, window: Window) -> Asked:
    if re.fullmatch(r"\d*[.,]?\d+", said):
        other = Unit.MM if unit is Unit.INCH else Unit.INCH
        meant = read_length(said, other)
        if isinstance(meant, Typed) and window.holds(meant.length):
            here = Notation.usual(unit).with_unit(meant.length)
            words = f"{said} {other.value}, that is {here}"
            return Asked(f"{said} fits only as {UNIT_WORDS[other]}. Is it?", (Choice(meant.length, other, words),))
    return _confirm(as_size, unit, window)


def _confirm(found: Typed, unit: Unit, window: Window) -> Asked:
    if found.length <= Length(0):
        raise Unreadable("not-a-size", "", "A size is more than nothing. Type it again.")
    notation = Notation.usual(unit)
    low, high = notation.text(window.least), notation.text(window.most)
    shown = notation.with_unit(found.length)
    return Asked(
        f"{shown} is outside what this can be, {low} to {high}. Read it again, or take it as it is.",
        (Choice(found.length, found.unit, f"{shown}, as read"),),
        found.length,
    )
