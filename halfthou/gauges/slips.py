"""What else a reading could have been meant to be: every slip of reading a gauge or of typing that is known.

A slip here is only a candidate. Whether one is worth asking about is decided beside the neighbours (surveys).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from halfthou.jobs import THIMBLES, Gauge, GaugeKind
from halfthou.lengths import USUAL_DECIMALS, Length, Unit

INCH, MM = 25_400_000, 1_000_000


class SlipKind(StrEnum):
    """The slips, in the words of the bench."""

    TURN = "one turn of the thimble"
    TWO_TURNS = "two turns of the thimble"
    SLEEVE = "the sleeve number"
    FRAME = "the frame or rod"
    DECIMAL = "the decimal point"
    TENTHS = "tenths for thou"
    SWAPPED = "two digits swapped"
    DIGIT = "a digit dropped or doubled"
    UNIT = "the unit"
    SIGN = "the sign of the comparator"
    REVOLUTION = "one turn of the dial"


#: How likely each is before the neighbours are looked at. Source: docs/trade: Slips of reading, invented there to
#: start from.
WEIGHT: dict[SlipKind, float] = {
    SlipKind.TURN: 0.30,
    SlipKind.TWO_TURNS: 0.03,
    SlipKind.SLEEVE: 0.08,
    SlipKind.FRAME: 0.10,
    SlipKind.DECIMAL: 0.15,
    SlipKind.TENTHS: 0.12,
    SlipKind.SWAPPED: 0.12,
    SlipKind.DIGIT: 0.08,
    SlipKind.UNIT: 0.15,
    SlipKind.SIGN: 0.10,
    SlipKind.REVOLUTION: 0.10,
}
#: One turn of a micrometer's thimble: 40 threads to the inch, or 0.5 mm. Source: docs/trade: Slips of reading, from
#: memory.
TURN = {Unit.INCH: Length(635_000), Unit.MM: Length(500_000)}
_SLEEVE = {Unit.INCH: (2_540_000,), Unit.MM: (1_000_000, 5_000_000)}
_FRAMED = (GaugeKind.MICROMETER, GaugeKind.DIGITAL_MICROMETER)
#: Slips that a whole journal, or a whole set, can carry throughout.
THROUGHOUT = (SlipKind.TURN, SlipKind.TWO_TURNS, SlipKind.SLEEVE, SlipKind.FRAME, SlipKind.REVOLUTION)


class Slip(NamedTuple):
    """One thing the reading may have been meant to be."""

    kind: SlipKind
    meant: Length


@dataclass(frozen=True, slots=True)
class ReadText:
    """A reading as it came: the size, the text and unit typed, the gauge, and what a sign or a dial counts from."""

    size: Length
    typed: str
    unit: Unit
    gauge: Gauge | None
    nominal: Length
    setting: Length | None = None


def slips_of(read: ReadText) -> Iterator[Slip]:
    """Every slip that this gauge and this text allow.

    Rule:    gauges.slips.   Source: docs/trade: Slips of reading; thimble and frame from memory.
    >>> mic = None
    >>> read = ReadText(Length(58_026_300), "2.2845", Unit.INCH, mic, Length(57_124_600))
    >>> any(slip.meant == Length(57_111_900) for slip in slips_of(read))
    True
    """
    yield from _by_gauge(read)
    size = read.size.nm
    for kind, nm in (
        (SlipKind.DECIMAL, size * 10),
        (SlipKind.DECIMAL, size // 10 if size % 10 == 0 else None),
        (SlipKind.UNIT, size * 254 // 10 if size * 254 % 10 == 0 else None),
        (SlipKind.UNIT, round(size / 25.4)),
    ):
        if nm is not None:
            yield Slip(kind, Length(nm))
    if read.typed.strip()[:1] in ("+", "-", "−", "–"):
        away = read.size - read.nominal
        yield Slip(SlipKind.TENTHS, read.nominal + Length(away.nm // 10))
        yield Slip(SlipKind.TENTHS, read.nominal + away * 10)
    yield from _by_digits(read)


def _by_gauge(read: ReadText) -> Iterator[Slip]:
    gauge = read.gauge
    if gauge is None:
        return
    steps: list[tuple[SlipKind, int]] = []
    if gauge.kind in THIMBLES:
        turn = TURN[gauge.unit].nm
        steps += [(SlipKind.TURN, turn), (SlipKind.TWO_TURNS, 2 * turn)]
        steps += [(SlipKind.SLEEVE, step) for step in _SLEEVE[gauge.unit]]
    if gauge.kind in _FRAMED:
        frames = (INCH,) if gauge.unit is Unit.INCH else (25 * MM, INCH)
        steps += [(SlipKind.FRAME, frame) for frame in frames]
    if gauge.revolution is not None:
        steps.append((SlipKind.REVOLUTION, gauge.revolution.nm))
    for kind, step in steps:
        yield Slip(kind, Length(read.size.nm + step))
        yield Slip(kind, Length(read.size.nm - step))
    if read.setting is not None:
        yield Slip(SlipKind.SIGN, read.setting * 2 - read.size)


def _by_digits(read: ReadText) -> Iterator[Slip]:
    """Slips of the digits as they stand in the unit typed, to the decimals that are usual or were typed."""
    per_unit = INCH if read.unit is Unit.INCH else MM
    usual = USUAL_DECIMALS[read.unit]
    decimals = usual
    while decimals < usual + 2 and read.size.nm * 10**decimals % per_unit:
        decimals += 1
    if read.size.nm * 10**decimals % per_unit:
        return
    digits = str(read.size.nm * 10**decimals // per_unit).zfill(decimals + 1)
    for at in range(len(digits) - 1):
        left, right = digits[at], digits[at + 1]
        if left != right:
            swapped = digits[:at] + right + left + digits[at + 2 :]
            yield _of_digits(SlipKind.SWAPPED, swapped, decimals, per_unit)
    if decimals > usual:
        for at in range(len(digits) - decimals, len(digits)):
            yield _of_digits(SlipKind.DIGIT, digits[:at] + digits[at + 1 :], decimals - 1, per_unit)
    if digits.endswith("0"):
        short = digits[:-1]
        for at in range(len(digits) - decimals, len(short)):
            yield _of_digits(SlipKind.DIGIT, short[: at + 1] + short[at:], decimals, per_unit)


def _of_digits(kind: SlipKind, digits: str, decimals: int, per_unit: int) -> Slip:
    return Slip(kind, Length(int(digits) * per_unit // 10**decimals))
