"""Reading weights, forces, angles, pressures, finish and hardness as they are typed. Another unit than the shop's
is asked about."""

from __future__ import annotations

import re
from fractions import Fraction

from halfthou.amounts.quantity import COUNT_PER_UNIT, QUANTITIES, Quantity, amount_text
from halfthou.lengths import LONGEST, AmountUnit, Asked, Choice, Length, Typed, Unreadable, plain, read_number

_WORDS: dict[Quantity, dict[str, AmountUnit]] = {
    Quantity.MASS: {
        **dict.fromkeys(("g", "gram", "grams"), AmountUnit.GRAM),
        **dict.fromkeys(("kg", "kilogram", "kilograms"), AmountUnit.KILOGRAM),
        **dict.fromkeys(("oz", "ounce", "ounces"), AmountUnit.OUNCE),
    },
    Quantity.FORCE: {
        **dict.fromkeys(("n", "newton", "newtons"), AmountUnit.NEWTON),
        **dict.fromkeys(("lb", "lbs", "lbf", "pound", "pounds"), AmountUnit.POUND_FORCE),
        **dict.fromkeys(("kg", "kgf", "kp", "kilogram", "kilograms"), AmountUnit.KILOGRAM_FORCE),
    },
    Quantity.ANGLE: dict.fromkeys(("°", "deg", "degree", "degrees"), AmountUnit.DEGREE),
    Quantity.PRESSURE: {
        "bar": AmountUnit.BAR,
        "psi": AmountUnit.PSI,
    },
    Quantity.FINISH: {
        **dict.fromkeys(("µm", "um", "μm", "ra"), AmountUnit.MICROMETRE),
        **dict.fromkeys(("µin", "uin", "μin"), AmountUnit.MICROINCH),
    },
    Quantity.ROCKWELL_C: {"hrc": AmountUnit.ROCKWELL_C},
    Quantity.BRINELL: dict.fromkeys(("hb", "hbw"), AmountUnit.BRINELL),
    Quantity.VICKERS: {"hv": AmountUnit.VICKERS},
}
_SPLIT = re.compile(r"^(?P<number>[-+]?[\d.,/ ]+?)\s*(?P<unit>[a-zµμ°]*)$")


def read_amount(text: str, quantity: Quantity) -> Typed | Asked:
    """Read an amount of one quantity.

    Gives:   the count, carried as a length carries its own, with the unit it was given in; or a question where it
             was given in another unit than the shop keeps: pounds, kilograms and ounces are converted only when a
             person says so.
    Refuses: Unreadable, where it is no number or has the unit of another quantity.
    >>> read_amount("45", Quantity.FORCE).length.nm
    45000
    >>> read_amount("10 lb", Quantity.FORCE).question
    'Springs are kept in newtons here: 10 lb is 44.5 N. Is it?'
    """
    kept = QUANTITIES[quantity]
    said = plain(text)
    match = _SPLIT.match(said)
    if not said or match is None:
        raise Unreadable("no-number", text, f"“{text.strip()}” is no {kept.what}. Type for example {kept.example}.")
    word = match["unit"]
    unit = _WORDS[quantity].get(word) if word else kept.unit
    if unit is None:
        message = f"“{word}” is no unit of {kept.what}: it is read in {kept.unit.value} here."
        raise Unreadable("no-unit", text, message)
    number = read_number(match["number"].strip(), text)
    if len(number) > 1:
        raise Unreadable("two-ways", text, f"“{text.strip()}” can be read two ways: type it with a point.")
    count = _whole(number[0] * COUNT_PER_UNIT[unit])
    if abs(count) > LONGEST.nm:
        raise Unreadable("too-long", text, f"“{text.strip()}” has too many digits. Type it again.")
    if unit in (kept.unit, AmountUnit.KILOGRAM):
        return Typed(Length(count), kept.unit)
    shown = amount_text(quantity, count)
    question = f"{_KEPT_IN[quantity]} here: {said} is {shown}. Is it?"
    return Asked(question, (Choice(Length(count), unit, f"{said}, that is {shown}"),))


_KEPT_IN = {
    Quantity.MASS: "Weights are kept in grams",
    Quantity.FORCE: "Springs are kept in newtons",
    Quantity.ANGLE: "Angles are kept in degrees",
    Quantity.PRESSURE: "Pressures are kept in bar",
    Quantity.FINISH: "Finish is kept in micrometres",
}


def _whole(value: Fraction) -> int:
    sign = -1 if value < 0 else 1
    return sign * ((2 * abs(value.numerator) + value.denominator) // (2 * value.denominator))
