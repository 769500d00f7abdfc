"""Readings to and from CSV: a header row, the unit in the header."""

from __future__ import annotations

import csv
import io
import re
from dataclasses import dataclass
from datetime import datetime
from typing import NamedTuple

from halfthou.exchange.decimals import exact_text
from halfthou.exchange.faults import BadFile, Fault
from halfthou.jobs import Feature, Job, Reading, set_of
from halfthou.lengths import ZERO, Length, Notation, Typed, Unit, Unreadable, read_length
from halfthou.surveys import standing_readings, window_for, window_of_feature

COLUMNS = ("journal", "feature", "spot", "size [mm]", "typed", "unit", "gauge", "by", "at")
_SIZE = re.compile(r"^size \[(in|mm)\]$")


@dataclass(frozen=True, slots=True)
class ReadingRow:
    """One row of a readings file. Gauge, person and time are None where the file leaves them out; a row that names
    no feature is of the journal."""

    line: int
    journal: str
    feature: Feature
    spot: str
    size: Length
    typed: str
    unit: Unit
    gauge: str | None
    at: datetime | None


def write_readings(job: Job) -> str:
    """All readings that stand, in the order of the plan; sizes in millimetres, exact to the nanometre."""
    out = io.StringIO()
    rows = csv.writer(out, lineterminator="\n")
    rows.writerow(COLUMNS)
    places = {
        (journal, feature, spot): (at, list(Feature).index(feature), nth)
        for at, journal in enumerate(job.limits.layout.shaft)
        for feature in Feature
        for nth, spot in enumerate(job.spots_of(journal, feature))
    }
    planned = [reading for reading in standing_readings(job) if _place(reading) in places]
    for reading in sorted(planned, key=lambda reading: (places[_place(reading)], reading.at)):
        size = exact_text(reading.size, Unit.MM)[0]
        rows.writerow(
            [reading.journal, reading.feature.value, reading.spot, size, reading.typed, reading.unit.value,
             reading.gauge, reading.by, reading.at.isoformat()]
        )  # fmt: skip
    return out.getvalue()


def _place(reading: Reading) -> tuple[str, Feature, str]:
    return reading.journal, reading.feature, reading.spot


def read_readings(text: str, job: Job) -> tuple[ReadingRow, ...]:
    """Read a readings file for a job.

    Takes:   text with a header row that has journal, spot and size [in] or size [mm]; other columns of the
             written form may stand in any order.
    Refuses: BadFile, listing every fault with its line.
    """
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff")))
    header = [name.strip().lower() for name in reader.fieldnames or []]
    reader.fieldnames = header
    sizes = [name for name in header if _SIZE.match(name)]
    faults = [
        Fault("line 1", f"the column “{name}” is missing") for name in ("journal", "spot") if name not in header
    ]
    if len(sizes) != 1:
        faults.append(Fault("line 1", "one column “size [in]” or “size [mm]” is needed: the unit is in the header"))
    if faults:
        raise BadFile(faults)
    rows = []
    for row in reader:
        found = _row(row, reader.line_num, sizes[0], job)
        if isinstance(found, ReadingRow):
            rows.append(found)
        else:
            faults.extend(found)
    if not rows and not faults:
        faults.append(Fault("line 2", "no readings follow the header"))
    if faults:
        raise BadFile(faults)
    return tuple(rows)


def _row(row: dict[str, str | None], line: int, size_column: str, job: Job) -> ReadingRow | list[Fault]:
    where = f"line {line}"
    faults: list[Fault] = []
    cells = {name: (value or "").strip() for name, value in row.items() if name and not isinstance(value, list)}
    journal, spot = cells.get("journal", ""), cells.get("spot", "")
    unit = Unit(_SIZE.match(size_column)[1])  # type: ignore[index]
    size = _size(cells.get(size_column, ""), unit, where, faults)
    feature = _feature(cells.get("feature", ""), where, faults)
    if journal not in job.limits.layout.shaft:
        faults.append(
            Fault(where, f"this engine has no journal “{journal}”: use {job.limits.layout.shaft[0]} and so on")
        )
    elif spot not in job.spots_of(journal, feature):
        faults.append(Fault(where, f"“{spot}” is no spot of the plan for {journal}"))
    elif size is not None:
        faults += _outside(job, journal, feature, size, Place(where, unit))
    gauge = cells.get("gauge") or None
    if gauge is not None and gauge not in {known.id for known in job.gauges}:
        faults.append(Fault(where, f"the gauge “{gauge}” is not in the gauge list"))
    at = _time(cells.get("at", ""), where, faults)
    if faults or size is None:
        return faults
    typed, typed_unit = cells.get("typed") or cells[size_column], cells.get("unit") or unit.value
    if typed_unit not in ("in", "mm"):
        return [Fault(where, f"the unit “{typed_unit}” is neither in nor mm")]
    return ReadingRow(line, journal, feature, spot, size, typed, Unit(typed_unit), gauge, at)


class Place(NamedTuple):
    """Where in a file a size stands, and in which unit."""

    where: str
    unit: Unit


def _feature(cell: str, where: str, faults: list[Fault]) -> Feature:
    if not cell:
        return Feature.JOURNAL
    try:
        return Feature(cell)
    except ValueError:
        known = ", ".join(feature.value for feature in Feature)
        faults.append(Fault(where, f"“{cell}” is nothing that is measured here: use {known}"))
        return Feature.JOURNAL


def _outside(job: Job, journal: str, feature: Feature, size: Length, place: Place) -> list[Fault]:
    limits = job.limits.of(set_of(journal))
    journals = feature is Feature.JOURNAL
    window = window_for(limits, ZERO, ()) if journals else window_of_feature(limits, feature, ())
    if window.holds(size):
        return []
    say = Notation.usual(place.unit)
    between = f"{say.text(window.least)} to {say.text(window.most)}"
    what = f"{say.with_unit(size)} is outside what {journal} can be, {between}: type it at the bench if it is so"
    return [Fault(place.where, what)]


def _size(cell: str, unit: Unit, where: str, faults: list[Fault]) -> Length | None:
    try:
        found = read_length(cell, unit)
    except Unreadable as error:
        faults.append(Fault(where, error.message))
        return None
    if not isinstance(found, Typed) or found.length.nm <= 0:
        faults.append(Fault(where, f"“{cell}” is no plain size: write it with a decimal point, as 2.0416"))
        return None
    return found.length


def _time(cell: str, where: str, faults: list[Fault]) -> datetime | None:
    if not cell:
        return None
    try:
        at = datetime.fromisoformat(cell)
    except ValueError:
        faults.append(Fault(where, f"“{cell}” is no time: write 2031-05-04T09:30:00+00:00"))
        return None
    if at.tzinfo is None:
        faults.append(Fault(where, f"“{cell}” has no time zone: end it with +00:00 or Z"))
    return at
