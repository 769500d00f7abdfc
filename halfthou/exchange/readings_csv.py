"""Readings to and from CSV: a header row, the unit in the header."""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from pydantic import TypeAdapter, ValidationError

from halfthou.amounts import QUANTITIES, Quantity, read_amount
from halfthou.engines import Engine, Place
from halfthou.exchange.decimals import exact_amount, exact_text
from halfthou.exchange.faults import BadFile, Fault, faults_of
from halfthou.exchange.table import Table, write_table
from halfthou.exchange.upgrade import part_of_v3
from halfthou.jobs import DIAMETER, Job, Moment, Reading, plane_and_angle
from halfthou.lengths import ZERO, AmountUnit, Length, Notation, Typed, Unit, Unreadable, Window, read_length
from halfthou.parts import CATALOGUE
from halfthou.surveys import plan_of, window_for

COLUMNS = (
    "id",
    "part",
    "feature",
    "spot",
    "size [mm]",
    "typed",
    "unit",
    "gauge",
    "by",
    "at",
    "angle",
    "planes",
    "corrects",
    "repeats",
    "caps torqued",
    "plate on",
    "cleaned",
    "withdrawn",
    "answer",
    "offered [mm]",
)
SIZE = re.compile(r"^size \[(in|mm)\]$")
_UNITS: dict[str, Unit | AmountUnit] = {unit.value: unit for unit in (*Unit, *AmountUnit)}
#: So many readings are taken from one file at the most. Source: half of what a job holds.
MOST_ROWS = 10_000


@dataclass(frozen=True, slots=True)
class ReadingRow:
    """One row of a readings file. What the file leaves out is None; a row that names no feature is of the
    diameter.

    `answer` is what was said to a question about it: the slip, and the size that was taken, if one was.
    """

    line: int
    part: str
    feature: str
    spot: str
    size: Length
    typed: str
    unit: Unit | AmountUnit
    gauge: str | None
    at: datetime | None
    id: str | None = None
    angle_deg: float | None = None
    planes: int | None = None
    corrects: str | None = None
    repeats: str | None = None
    caps_torqued: bool | None = None
    plate_fitted: bool | None = None
    cleaned: bool | None = None
    withdrawn: bool = False
    answer: tuple[str, Length | None] | None = None


def write_readings(job: Job) -> str:
    """All readings in the order they came, with what became of each; sizes in millimetres, exact to the nanometre.

    Read into the same job again it changes nothing.
    """
    rows: list[tuple[object, ...]] = []
    withdrawn = {withdrawal.fact for withdrawal in job.withdrawals}
    answers = {answer.reading: answer for answer in job.standing(job.slip_answers)}
    engine = CATALOGUE.engine_of(job)
    for reading in job.readings:
        answer = answers.get(reading.id)
        offered = answer.offered if answer is not None and answer.taken else None
        rows.append(
            (
                reading.id,
                reading.part,
                reading.feature,
                reading.spot,
                _written(reading, engine),
                reading.typed,
                reading.unit.value,
                reading.gauge,
                reading.by,
                reading.at.isoformat(),
                "" if reading.angle_deg is None else f"{reading.angle_deg:g}",
                reading.planes or "",
                reading.corrects or "",
                reading.repeats or "",
                _yes(reading.caps_torqued),
                _yes(reading.plate_fitted),
                _yes(reading.cleaned),
                "yes" if reading.id in withdrawn else "",
                answer.slip if answer is not None else "",
                "" if offered is None else exact_text(offered, Unit.MM)[0],
            )
        )
    return write_table(COLUMNS, rows)


def _written(reading: Reading, engine: Engine) -> str:
    """A length in millimetres; what is no length with its unit, both exact."""
    quantity = engine.feature(reading.part, reading.feature).quantity
    if quantity is Quantity.LENGTH:
        return exact_text(reading.size, Unit.MM)[0]
    return f"{exact_amount(quantity, reading.count)} {QUANTITIES[quantity].unit.value}"


def _yes(said: bool | None) -> str:
    return "" if said is None else "yes" if said else "no"


def read_readings(text: str, job: Job) -> tuple[ReadingRow, ...]:
    """Read a readings file for a job.

    Takes:   text with a header row that has part (in older files: journal), spot and size [in] or size [mm];
             other columns of the written form may stand in any order.
    Refuses: BadFile, listing every fault with its line.
    """
    table = Table(text)
    return _rows(table, _size_column(table.header), job)


def _size_column(header: list[str]) -> str:
    sizes = [name for name in header if SIZE.match(name)]
    faults = [
        Fault("line 1", f"the column “{name}” is missing")
        for name in ("part", "spot")
        if name not in header and not (name == "part" and "journal" in header)
    ]
    if len(sizes) != 1:
        faults.append(Fault("line 1", "one column “size [in]” or “size [mm]” is needed: the unit is in the header"))
    if faults:
        raise BadFile(faults)
    return sizes[0]


def _rows(table: Table, size_column: str, job: Job) -> tuple[ReadingRow, ...]:
    rows: list[ReadingRow] = []
    faults: list[Fault] = []
    against = _Against(job, size_column)
    for line, cells in table.rows():
        if len(rows) + len(faults) >= MOST_ROWS:
            faults = [Fault(f"line {line}", f"more than {MOST_ROWS:,} readings: split the file")]
            break
        found = against.row(cells, line)
        if isinstance(found, ReadingRow):
            rows.append(found)
        else:
            faults.extend(found)
    if not rows and not faults:
        faults.append(Fault("line 2", "no readings follow the header"))
    names = [row.id for row in rows if row.id is not None]
    if len(set(names)) < len(names):
        faults.append(Fault("id", "one id stands on two lines"))
    if faults:
        raise BadFile(faults[:500])
    return tuple(rows)


class _Against:
    """What the rows of one file are held against."""

    def __init__(self, job: Job, size_column: str) -> None:
        self.job = job
        self.size_column = size_column
        self.unit = Unit(size_column[6:8])
        self.gauges = {gauge.id for gauge in job.gauges}
        self.engine = CATALOGUE.engine_of(job)
        self.pins = [pin.cylinders for pin in job.limits.layout.pins]
        self.windows: dict[tuple[str, str], Window] = {}

    def row(self, cells: dict[str, str], line: int) -> ReadingRow | list[Fault]:
        """One row read, or its faults."""
        where = f"line {line}"
        faults: list[Fault] = []
        part, feature, spot = self._part(cells), cells.get("feature") or DIAMETER, cells.get("spot", "")
        if not cells.get("part") and cells.get("journal"):
            part, feature = part_of_v3(part, cells.get("feature") or "journal", self.pins)
        feature = self._by_name(part, feature)
        size = self._size(part, feature, cells.get(self.size_column, ""), where, faults)
        faults += self._place_faults(part, feature, spot, cells, where)
        if not faults and size is not None and not cells.get("id"):
            faults += self._outside(part, feature, size, where, self._part(cells))
        gauge = cells.get("gauge") or None
        if gauge is not None and gauge not in self.gauges:
            faults.append(Fault(where, f"the gauge “{gauge[:64]}” is not in the gauge list"))
        at = _time(cells.get("at", ""), where, faults)
        typed, typed_unit = cells.get("typed") or cells.get(self.size_column, ""), cells.get("unit") or self.unit
        if typed_unit not in _UNITS:
            faults.append(Fault(where, f"the unit “{typed_unit[:20]}” is none of {', '.join(_UNITS)}"))
        if len(typed) > 200:
            faults.append(Fault(where, "what was typed is longer than 200 characters"))
        more = _more(cells, where, faults)
        if faults or size is None:
            return faults
        return ReadingRow(line, part, feature, spot, size, typed, _UNITS[typed_unit], gauge, at, **more)

    def _size(self, part: str, feature: str, cell: str, where: str, faults: list[Fault]) -> Length | None:
        """What was read: a length in the unit of the column, anything else with its own."""
        known = self.engine.parts.get(part)
        kind = self.engine.kinds.feature(known, feature) if known is not None else None
        if kind is None or (kind.quantity is Quantity.LENGTH and not kind.small):
            return _size(cell, self.unit, where, faults)
        try:
            found = (
                read_length(cell, self.unit)
                if kind.quantity is Quantity.LENGTH
                else read_amount(cell, kind.quantity)
            )
        except Unreadable as error:
            faults.append(Fault(where, error.message))
            return None
        least = -1 if kind.may_be_nothing else 0
        if not isinstance(found, Typed) or (found.length.nm <= least and not kind.signed):
            faults.append(Fault(where, f"“{cell}” is no {kind.name}: write it with a decimal point, and its unit"))
            return None
        return found.length

    def _part(self, cells: dict[str, str]) -> str:
        return cells.get("part") or cells.get("journal", "")

    def _place_faults(self, part: str, feature: str, spot: str, cells: dict[str, str], where: str) -> list[Fault]:
        """What is wrong with where a row says it was read; a row that says its angle itself need not be of the
        plan."""
        known = self.engine.parts.get(part)
        if known is None:
            said, first = self._part(cells)[:40], next(iter(self.engine.parts))
            return [Fault(where, f"this engine has no part “{said}”: use {first} and so on")]
        kind = self.engine.kinds.feature(known, feature)
        if kind is None:
            names = self._measured_of(known)
            return [
                Fault(where, f"“{feature[:40]}” is nothing that is measured of {self._part(cells)}: use {names}")
            ]
        planned = plan_of(self.job, known.set, kind) if kind.plan is not None else None
        if spot in kind.spots_of(planned):
            return []
        if kind.plan is not None and cells.get("id") and plane_and_angle(spot):
            return []
        return [Fault(where, f"“{spot[:20]}” is no spot of the plan for {part}")]

    def _by_name(self, part: str, feature: str) -> str:
        """The key of a feature, where a row calls it by the name that the bench has for it."""
        known = self.engine.parts.get(part)
        if known is None or self.engine.kinds.feature(known, feature) is not None:
            return feature
        return next((one.key for one in self.engine.kind(part).features if one.name == feature), feature)

    def _measured_of(self, part: Place) -> str:
        """What is measured of a part; of an older row, of its journal and of the bearing with it."""
        features = self.engine.kind(part.id).features
        own = [one.name for one in features if not one.of_sets or part.set in one.of_sets]
        if not part.beside:
            return ", ".join(own)
        return ", ".join([*(f.name for f in self.engine.kind(part.beside).features if f.planned), *own])

    def _outside(self, part: str, feature: str, size: Length, where: str, said: str) -> list[Fault]:
        one = self.engine.parts[part].set
        key = one, feature
        if key not in self.windows:
            kind = self.engine.feature(part, feature)
            self.windows[key] = window_for(self.job.limits, one, kind, ZERO, ())
        window = self.windows[key]
        if self.engine.feature(part, feature).quantity is not Quantity.LENGTH:
            return []
        if window.holds(size):
            return []
        say = Notation.usual(self.unit)
        between = f"{say.text(window.least)} to {say.text(window.most)}"
        what = f"{say.with_unit(size)} is outside what {said} can be, {between}: type it at the bench if it is so"
        return [Fault(where, what)]


_NAME = re.compile(r"^[A-Za-z0-9._:-]{1,64}$")
_STATES = (
    ("caps torqued", "caps_torqued"),
    ("plate on", "plate_fitted"),
    ("cleaned", "cleaned"),
    ("withdrawn", "withdrawn"),
)
_SAID = {"": None, "yes": True, "no": False}


def _more(cells: dict[str, str], where: str, faults: list[Fault]) -> dict[str, Any]:
    """What a row says beyond the size: its name, its place, its state, what became of it."""
    found: dict[str, Any] = {}
    for column, name in (("id", "id"), ("corrects", "corrects"), ("repeats", "repeats")):
        cell = cells.get(column, "")
        if cell and not _NAME.match(cell):
            faults.append(Fault(where, f"“{cell[:64]}” is no name of a reading ({column})"))
        found[name] = cell or None
    for column, name in _STATES:
        cell = cells.get(column, "").lower()
        if cell not in _SAID:
            faults.append(Fault(where, f"“{cell[:20]}” is neither yes nor no ({column})"))
        found[name] = _SAID.get(cell)
    found["withdrawn"] = bool(found["withdrawn"])
    try:
        found["angle_deg"] = float(cells["angle"]) if cells.get("angle") else None
        found["planes"] = int(cells["planes"]) if cells.get("planes") else None
    except ValueError:
        faults.append(Fault(where, "angle and planes must be numbers"))
    slip, offered = cells.get("answer", ""), cells.get("offered [mm]", "")
    if slip:
        found["answer"] = slip[:200], _size(offered, Unit.MM, where, faults) if offered else None
    return found


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
        return TypeAdapter(Moment).validate_python(datetime.fromisoformat(cell))
    except ValidationError as error:
        faults += [Fault(where, fault.what) for fault in faults_of(error)]
    except ValueError:
        faults.append(Fault(where, f"“{cell[:40]}” is no time: write 2031-05-04T09:30:00+00:00"))
    return None
