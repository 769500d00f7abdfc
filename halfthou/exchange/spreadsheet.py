"""A spreadsheet as the table it holds: read as CSV is, its numbers by their shortest decimal, no formula run."""

from __future__ import annotations

import io
import zipfile
from collections.abc import Iterator
from datetime import date, datetime, time
from decimal import Decimal
from typing import Any

from openpyxl import DEFUSEDXML, load_workbook

from halfthou.exchange.faults import BadFile, Fault
from halfthou.exchange.job_zip import DAMAGED, list_of
from halfthou.exchange.table import write_table

#: What a workbook may hold, at the most: a job of 20,000 readings is a tenth of it.
MOST_FILES, MOST_UNPACKED, MOST_ROWS, MOST_COLUMNS = 200, 60_000_000, 20_000, 60
MOST_LIST = MOST_FILES * 300

if not DEFUSEDXML:
    raise RuntimeError("openpyxl must read with defusedxml: install what requirements.txt names")


def table_of_workbook(data: bytes) -> str:
    """The first sheet of an .xlsx file as CSV text.

    Refuses: BadFile where it is none, holds a formula, or unpacks to more than a table can be.
    """
    _must_be_small(data)
    try:
        book = load_workbook(io.BytesIO(data), read_only=True, data_only=False, keep_links=False)
        sheet = book.worksheets[0] if book.worksheets else None
        if sheet is None:
            raise BadFile([Fault("the file", "holds no sheet with cells")])
        sheet.reset_dimensions()
        rows = list(_rows(sheet))
    except BadFile:
        raise
    except Exception as error:
        # What a damaged workbook makes its reader say is not to be foreseen; none of it is the program's own.
        raise BadFile([Fault("the file", f"is no spreadsheet that can be read ({type(error).__name__})")]) from None
    if not rows:
        raise BadFile([Fault("the file", "its first sheet is empty")])
    return write_table(rows[0], rows[1:])


def _must_be_small(data: bytes) -> None:
    if list_of(data) > MOST_LIST:
        raise BadFile([Fault("the file", "holds too many files for a spreadsheet")])
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            size = sum(entry.file_size for entry in packed.infolist())
            if size > MOST_UNPACKED:
                raise BadFile([Fault("the file", f"unpacks to {size / 1e6:,.0f} MB: it was not unpacked")])
    except DAMAGED as error:
        raise BadFile([Fault("the file", f"is no spreadsheet (.xlsx) that can be read: {error}")]) from None


def _rows(sheet: Any) -> Iterator[list[str]]:
    for number, row in enumerate(sheet.iter_rows(max_col=MOST_COLUMNS), 1):
        if number > MOST_ROWS:
            raise BadFile([Fault(f"row {number}", f"more than {MOST_ROWS:,} rows: split the file")])
        cells = [_text(cell) for cell in row]
        while cells and not cells[-1]:
            cells.pop()
        if cells:
            yield cells


def _text(cell: Any) -> str:
    if cell.data_type == "f":
        raise BadFile([Fault(cell.coordinate, "holds a formula: put its value there instead")])
    value = cell.value
    if value is None:
        return ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, datetime | date | time):
        return value.isoformat()
    if isinstance(value, float):
        return shortest(value)
    return str(value)


def shortest(value: float) -> str:
    """A number by the shortest decimal that reads back as the same: 2.0353 is not 2.0352999999999999.

    >>> shortest(2.0353), shortest(1e-05), shortest(79.97)
    ('2.0353', '0.00001', '79.97')
    """
    text = format(Decimal(repr(value)), "f")
    return text.removesuffix(".0")
