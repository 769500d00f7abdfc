"""Numbers as they are said at the bench: "two point one", "half", "three quarters", "twelve"."""

from __future__ import annotations

from fractions import Fraction

_ONES = "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen"
_SMALL = {word: value for value, word in enumerate(f"{_ONES} seventeen eighteen nineteen".split())}
_TENS = {
    word: 10 * value
    for value, word in enumerate(
        ["twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"], start=2
    )
}
_PARTS = {
    "half": Fraction(1, 2),
    "a half": Fraction(1, 2),
    "quarter": Fraction(1, 4),
    "a quarter": Fraction(1, 4),
    "three quarters": Fraction(3, 4),
    "three-quarters": Fraction(3, 4),
}


def spoken_number(said: str) -> Fraction | None:
    """The number that the words name, or None where they name none.

    >>> spoken_number("two point one zero nine")
    Fraction(2109, 1000)
    >>> spoken_number("two and a half")
    Fraction(5, 2)
    """
    said = said.strip()
    if said in ("a", "an"):
        return Fraction(1)
    if said in _PARTS:
        return _PARTS[said]
    if " and " in said:
        head, _, tail = said.partition(" and ")
        whole, part = spoken_number(head), _PARTS.get(tail)
        return None if whole is None or part is None else whole + part
    if "point" in said.split():
        return _decimal(said)
    return _whole(said.replace("-", " ").split())


def _decimal(said: str) -> Fraction | None:
    head, _, tail = said.partition("point")
    whole = _whole(head.split()) if head.strip() else Fraction(0)
    digits = [_SMALL.get("zero" if word in ("oh", "o", "nought") else word) for word in tail.split()]
    if whole is None or not digits or any(digit is None or digit > 9 for digit in digits):
        return None
    return whole + Fraction(int("".join(str(digit) for digit in digits)), 10 ** len(digits))


def _whole(words: list[str]) -> Fraction | None:
    if len(words) == 1:
        value = _SMALL.get(words[0], _TENS.get(words[0]))
        return None if value is None else Fraction(value)
    if len(words) == 2 and words[0] in _TENS and 0 < _SMALL.get(words[1], 0) < 10:
        return Fraction(_TENS[words[0]] + _SMALL[words[1]])
    return None
