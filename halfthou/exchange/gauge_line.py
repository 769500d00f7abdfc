"""A line from a gauge's data port -> a reading, or why there is none."""

from __future__ import annotations

import re
from dataclasses import dataclass

from halfthou.exchange.decimals import exact_text
from halfthou.jobs import COMPARATORS, Gauge
from halfthou.lengths import Length, Typed, Unit, Unreadable, read_length

#: No gauge says more than this in one line.
LONGEST_LINE = 64
_LINE = re.compile(r"^(?P<number>[+-]?\s*(?:\d+[.,]?\d*|[.,]\d+))\s*(?P<unit>mm|in|inch|\")?$", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class LineRead:
    """What a line says, to be entered as if it had been typed: the text and its unit. `note` says what was odd."""

    typed: str
    unit: Unit
    note: str = ""


@dataclass(frozen=True, slots=True)
class LineFault:
    """Why a line is no reading, in words."""

    words: str


def read_line(raw: bytes, gauge: Gauge, setting: Length | None = None) -> LineRead | LineFault:
    """Decode one line: sign, digits, decimal point or comma, and a unit that may follow.

    Takes:   the line without its end; the gauge whose port it came from; the size a comparator was last set to.
    Gives:   the text to enter. A comparator's line is what its dial shows: it counts from the setting.
    >>> from halfthou.jobs import GaugeKind
    >>> mic = Gauge(id="m", name="m", kind=GaugeKind.DIGITAL_MICROMETER, unit=Unit.MM,
    ...             resolution=Length(1_000), permissible_error=Length(3_000))
    >>> read_line(b"+057.112 mm", mic).typed
    '57.112'
    """
    if len(raw) > LONGEST_LINE:
        return LineFault(f"{len(raw)} bytes without an end of line: no reading.")
    try:
        text = raw.decode("ascii").strip()
    except UnicodeDecodeError:
        return LineFault(f"{len(raw)} bytes that are no text: no reading. Check speed and cable.")
    if not text:
        return LineFault("An empty line: no reading.")
    match = _LINE.match(text)
    if match is None or not text.isprintable():
        return LineFault(f"“{_shown(text)}” is no size: no reading.")
    unit = gauge.unit
    if match["unit"]:
        unit = Unit.MM if match["unit"].lower() == "mm" else Unit.INCH
    note = "" if unit is gauge.unit else f"It says {unit.value}; the cabinet says it reads in {gauge.unit.value}."
    return _entered(match["number"].replace(" ", "").replace(",", "."), unit, gauge, setting, note=note)


def _entered(number: str, unit: Unit, gauge: Gauge, setting: Length | None, *, note: str) -> LineRead | LineFault:
    try:
        found = read_length(number.lstrip("+"), unit)
    except Unreadable as error:
        return LineFault(error.message)
    if not isinstance(found, Typed):
        return LineFault(f"“{number}” can be read two ways: no reading.")
    if gauge.kind in COMPARATORS:
        if setting is None:
            return LineFault("It shows what its dial shows, and it was never set. Make its setting check first.")
        text, its_unit = exact_text(setting + found.length, unit)
        return LineRead(text, its_unit, note)
    if found.length.nm <= 0:
        return LineFault(f"“{number}” is no size: zero the gauge on its standard, and read again.")
    whole, point, rest = number.lstrip("+").partition(".")
    return LineRead((whole.lstrip("0") or "0") + point + rest, unit, note)


def _shown(text: str) -> str:
    return "".join(c if c.isprintable() else "·" for c in text[:24])
