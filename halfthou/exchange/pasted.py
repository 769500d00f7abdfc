"""A table that was pasted at the bench: the project's own readings, or a grid, known by its first row.

What is no table by its first row is left to the bench: values as they follow each other.
"""

from __future__ import annotations

import csv
from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.engines import Engine
from halfthou.exchange.readings_csv import SIZE
from halfthou.exchange.table import MOST_TEXT, plain_cell
from halfthou.jobs import Job
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from halfthou.surveys import plan_of

#: So many values are taken from one paste.
MOST_PASTED = 2_000


@dataclass(frozen=True, slots=True)
class PastedReading:
    """A value of a pasted table and the spot it is of; `unit` where the table says it."""

    part: str
    feature: str
    spot: str
    typed: str
    unit: Unit | None = None


@dataclass(frozen=True, slots=True)
class PastedTable:
    """What a pasted table holds: readings at their spots, what has no spot, and how it was understood."""

    readings: tuple[PastedReading, ...]
    over: tuple[str, ...]
    how: str


@dataclass(frozen=True, slots=True)
class _Value:
    part: str
    spot: str
    typed: str
    feature: str = ""
    unit: Unit | None = None


def pasted_table(text: str, job: Job) -> PastedTable | None:
    """A pasted table as readings; None where its first row says of no table.

    Rule:    the first row names spot and size: a row a reading. It names spots: a row a part, a column a spot.
    """
    rows = _rows(text[:MOST_TEXT])
    if len(rows) < 2:
        return None
    header, engine = [cell.lower() for cell in rows[0]], CATALOGUE.engine_of(job)
    size = next((nth for nth, cell in enumerate(header) if SIZE.match(cell)), None)
    if size is not None and "spot" in header:
        unit = Unit(header[size][6:8])
        return _placed(_of_readings(header, size, unit, rows[1:]), f"A row a reading, sizes in {unit.value}.", job)
    spots = {spot.lower() for part in engine.parts for _, spot in _spots(job, engine, part)}
    if len(header) > 1 and all(cell in spots for cell in header[1:]):
        return _placed(_of_grid(header, rows[1:]), "A row a part, a column a spot.", job)
    return None


def _rows(text: str) -> list[list[str]]:
    """The cells of a table as it was copied: a spreadsheet's tabs, else the semicolons or commas of a file."""
    lines = [line for line in text.lstrip("\ufeff").splitlines() if line.strip()]
    first = lines[0] if lines else ""
    by = next((sign for sign in "\t;," if sign in first), "\t")
    try:
        return [[plain_cell(cell.strip()) for cell in row] for row in csv.reader(lines, delimiter=by)]
    except csv.Error:
        return []


def _of_readings(header: list[str], size: int, unit: Unit, rows: list[list[str]]) -> Iterator[_Value]:
    for row in rows:
        cells = dict(zip(header, row, strict=False))
        part = cells.get("part") or cells.get("journal", "")
        typed = row[size] if size < len(row) else ""
        yield _Value(part, cells.get("spot", ""), typed, cells.get("feature", ""), unit)


def _of_grid(header: list[str], rows: list[list[str]]) -> Iterator[_Value]:
    for row in rows:
        for spot, typed in zip(header[1:], row[1:], strict=False):
            if typed:
                yield _Value(row[0], spot, typed)


def _placed(values: Iterator[_Value], how: str, job: Job) -> PastedTable:
    engine = CATALOGUE.engine_of(job)
    # A bearing may go by the short name of its journal: then the journal is meant.
    parts = sorted(engine.parts.values(), key=lambda part: part.beside == "")
    called = {name.lower(): part.id for part in parts for name in (part.short, part.name)}
    called |= {part.id.lower(): part.id for part in parts}
    found: dict[tuple[str, str, str], PastedReading] = {}
    over: list[str] = []
    for one in values:
        part = called.get(one.part.lower(), "")
        at = next(
            (
                (part, feature, spot)
                for feature, spot in (_spots(job, engine, part) if part else ())
                if spot.lower() == one.spot.lower() and one.feature in ("", feature)
            ),
            None,
        )
        if at is None or not one.typed or at in found or len(found) >= MOST_PASTED:
            over.append(f"{one.part} {one.spot}".strip() + f": {one.typed or 'empty'}")
        else:
            found[at] = PastedReading(*at, one.typed, one.unit)
    return PastedTable(tuple(found.values()), tuple(over), how)


def _spots(job: Job, engine: Engine, part: str) -> Iterator[tuple[str, str]]:
    """The spots of a part, each with what is read there: those of its plan first, as its kind lists them."""
    place = engine.parts[part]
    for feature in engine.kind(part).features:
        for spot in feature.spots_of(plan_of(job, place.set, feature) if feature.plan is not None else None):
            yield feature.key, spot
