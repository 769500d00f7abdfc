"""Reading a length as people type or say it. What is unclear is asked; what is unreadable is never 0."""

from __future__ import annotations

import re
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction

from halfthou.lengths.length import NM_PER_UNIT, AmountUnit, Length, Unit
from halfthou.lengths.words import spoken_number

THOU = Fraction(1, 1000)
TENTH = Fraction(1, 10000)
#: Beyond this a number of nanometres is no longer exact in every program that reads our files (2 to the 53rd).
LONGEST = Length(9_000_000_000_000_000)

#: Nothing that is measured on an engine is longer: a comma that would make it so is a decimal one. Source: common
#: practice, no source.
LONGEST_PART = Length(2_000_000_000)

#: No size is typed in more characters.
LONGEST_TEXT = 60


class Unreadable(ValueError):
    """The text is no length. Carries a code, what was typed and a sentence that says what to do."""

    def __init__(self, code: str, text: str, message: str) -> None:
        super().__init__(message)
        self.code, self.text, self.message = code, text, message


@dataclass(frozen=True, slots=True)
class Typed:
    """A length that was read from text.

    `unit` is the unit it was given in; `exact` is false where the text is no whole number of nanometres
    and was rounded half away from zero; `how` names the way it was read.
    """

    length: Length
    unit: Unit | AmountUnit
    exact: bool = True
    how: str = "as typed"


@dataclass(frozen=True, slots=True)
class Choice:
    """One answer to a question about typed text: the length and, in words, what it would mean."""

    length: Length
    unit: Unit | AmountUnit
    words: str

    @property
    def spelled(self) -> str:
        """How it is written so that it can be read in one way.

        >>> Choice(Length(1_250_000), Unit.MM, "decimal comma").spelled
        '1.25 mm'
        """
        if not isinstance(self.unit, Unit):
            return self.words
        size = (Decimal(self.length.nm) / Decimal(int(NM_PER_UNIT[self.unit]))).normalize()
        return f"{size:f} {self.unit.value}"


@dataclass(frozen=True, slots=True)
class Asked:
    """The text can mean more than one thing: the question and the answers to choose from.

    `outside` is the size as read, where the question is that it cannot be a size here.
    """

    question: str
    choices: tuple[Choice, ...]
    outside: Length | None = None

    @property
    def in_words(self) -> str:
        """The question, with spellings that answer it."""
        return f"{self.question} Write {' or '.join(choice.spelled for choice in self.choices)}."


_UNITS: dict[str, tuple[Unit, Fraction]] = {
    **dict.fromkeys(("in", "inch", "inches", '"'), (Unit.INCH, Fraction(1))),
    **dict.fromkeys(("mm", "millimetre", "millimetres"), (Unit.MM, Fraction(1))),
    **dict.fromkeys(("µm", "um", "u", "micron", "microns"), (Unit.MM, Fraction(1, 1000))),
    **dict.fromkeys(("thou", "thous"), (Unit.INCH, THOU)),
    **dict.fromkeys(("tenth", "tenths"), (Unit.INCH, TENTH)),
}
_HALVES = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
_DASHES = str.maketrans({"−": "-", "–": "-", "μ": "µ", "″": '"', "“": '"', "”": '"', "\u00a0": " "})
_TAIL = re.compile(r"^(?P<number>.*?)\s*(?P<unit>[a-zµ\"]+)$")
_DECIMAL = re.compile(r"^[+-]?(\d+([.]\d*)?|[.]\d+)$")
_FRACTION = re.compile(r"^(?P<sign>[+-]?)(?:(?P<whole>\d+)[ -])?(?P<top>\d+)/(?P<bottom>\d+)$")


def plain(text: str) -> str:
    """The text in lower case with one kind of dash, micro sign and inch mark, and written-out fractions."""
    if len(text) > LONGEST_TEXT:
        raise Unreadable("too-long", text[:40], "That is too long to be a size. Type one number.")
    said = text.strip().lower().translate(_DASHES)
    for sign, fraction in _HALVES.items():
        said = re.sub(rf"(\d)\s*{sign}", rf"\1 {fraction}", said).replace(sign, fraction)
    said = re.sub(r"\s+", " ", said)
    return re.sub(r"(?<![\d.,/])(\d{1,3}(?: \d{3})+)(?![\d/])", lambda m: m[1].replace(" ", ""), said)


def read_length(text: str, unit: Unit) -> Typed | Asked:
    """Read a length that stands by itself.

    Takes:   the text as typed or said; the unit that a bare number takes.
    Gives:   the length, or the question to ask where the text can mean two things.
    Refuses: Unreadable, with a sentence for the person.
    Rule:    lengths.typed.   Source: docs/trade: Reading typed text, common practice.
    Three decimals are what metric sheets have: `79,970` mm is no part of 80 m.
    >>> read_length("53,32 mm", Unit.INCH)
    Typed(length=Length(nm=53320000), unit=<Unit.MM: 'mm'>, exact=True, how='as typed')
    """
    said = plain(text)
    if not said:
        raise Unreadable("empty", text, "Nothing was typed. Type a size, for example 2.0416 or 51.86 mm.")
    number_text, word = _split_unit(said, text)
    if word == "mil":
        return _ask_mil(number_text, text)
    if word in ("tenth", "tenths") and unit is Unit.MM:
        return _ask_tenths(number_text, text)
    taken, factor = _UNITS[word] if word else (unit, Fraction(1))
    numbers = read_number(number_text, text)
    if len(numbers) > 1 and abs(numbers[1] * factor) * NM_PER_UNIT[taken] <= LONGEST_PART.nm:
        return _ask_comma(numbers, taken, factor)
    return typed(numbers[0] * factor, taken, text)


def typed(value: Fraction, unit: Unit, text: str, how: str = "as typed") -> Typed:
    """A value in a unit as a length; rounded half away from zero where it is no whole nanometre."""
    nm = value * NM_PER_UNIT[unit]
    sign = -1 if nm < 0 else 1
    whole = sign * ((2 * abs(nm.numerator) + nm.denominator) // (2 * nm.denominator))
    if abs(whole) > LONGEST.nm:
        raise Unreadable("too-long", text, f"“{text.strip()}” has too many digits. Type the size again.")
    return Typed(Length(whole), unit, nm.denominator == 1, how)


def read_number(said: str, text: str) -> tuple[Fraction, ...]:
    """The number in the text; two numbers where a comma before three digits can be read both ways."""
    if match := _FRACTION.match(said):
        if int(match["bottom"]) == 0:
            raise Unreadable("no-number", text, f"“{text.strip()}” divides by nothing. Type the size again.")
        value = int(match["whole"] or 0) + Fraction(int(match["top"]), int(match["bottom"]))
        return (-value if match["sign"] == "-" else value,)
    pointed = said
    if "," in said and "." not in said:
        head, _, rest = said.partition(",")
        if "," not in rest and len(rest) == 3 and head.lstrip("+-") not in ("", "0"):
            if _DECIMAL.match(head + rest):
                return Fraction(f"{head}.{rest}"), Fraction(head + rest)
        elif "," not in rest:
            pointed = f"{head}.{rest}"
    if re.fullmatch(r"[+-]?\d{1,3}(,\d{3})+([.]\d+)?", pointed):
        pointed = pointed.replace(",", "")
    if _DECIMAL.match(pointed):
        return (Fraction(pointed),)
    if (spoken := spoken_number(said)) is not None:
        return (spoken,)
    raise Unreadable(
        "no-number",
        text,
        f"“{text.strip()}” is no size. Type a number, for example 2.0416, 51.86 mm or 3 thou.",
    )


def _split_unit(said: str, text: str) -> tuple[str, str]:
    said = re.sub(r"\bof an? (?=[a-z]+$)|\bof (?=[a-z]+$)", "", said)
    if match := re.fullmatch(r"an? (thou|tenth)( and .+)", said):
        said = f"one{match[2]} {match[1]}"
    match_tail = _TAIL.match(said)
    if match_tail is None:
        return said, ""
    word, number = match_tail["unit"], match_tail["number"].strip()
    if word in _UNITS or word == "mil":
        return re.sub(r"^(half|quarter) an?$", r"\1", number) or "one", word
    if spoken_number(said) is not None:
        return said, ""
    raise Unreadable(
        "no-unit",
        text,
        f"“{text.strip()}” has a word that is no unit: “{word}”. Use in, mm, thou, tenths or µm, or leave it out.",
    )


def _ask_mil(number_text: str, text: str) -> Asked:
    number = read_number(number_text, text)[0]
    return _ask(
        "A mil is a thou to some and a millimetre to others. Which?",
        (typed(number * THOU, Unit.INCH, text), "thou"),
        (typed(number, Unit.MM, text), "mm"),
    )


def _ask_tenths(number_text: str, text: str) -> Asked:
    number = read_number(number_text, text)[0]
    return _ask(
        "Tenths of a thou, or tenths of a millimetre?",
        (typed(number * TENTH, Unit.INCH, text), "tenths of a thou"),
        (typed(number / 10, Unit.MM, text), "tenths of a millimetre"),
    )


def _ask_comma(numbers: tuple[Fraction, ...], unit: Unit, factor: Fraction) -> Asked:
    return _ask(
        "Is the comma a decimal comma?",
        (typed(numbers[0] * factor, unit, ""), "decimal comma"),
        (typed(numbers[1] * factor, unit, ""), "thousands"),
    )


def _ask(question: str, *answers: tuple[Typed, str]) -> Asked:
    return Asked(question, tuple(Choice(t.length, t.unit, words) for t, words in answers))
