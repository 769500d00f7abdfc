"""Tables as CSV: cells that no spreadsheet runs, any kind of line end, faults with their line."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Iterator
from typing import Any

from halfthou.exchange.faults import BadFile, Fault

#: Characters of a file, at the most: far more than any table of ours needs.
MOST_TEXT = 5_000_000
#: A cell that begins so is taken for a formula by a spreadsheet: it is written with an apostrophe before it.
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def safe_cell(text: str) -> str:
    """A cell that no spreadsheet runs as a formula.

    >>> safe_cell("-3"), safe_cell("2.0375")
    ("'-3", '2.0375')
    """
    return f"'{text}" if text.startswith(_FORMULA) or text.startswith("'") else text


def plain_cell(text: str) -> str:
    """The cell as it was before it was made safe."""
    return text[1:] if text[:1] == "'" and text[1:].startswith((*_FORMULA, "'")) else text


def write_table(header: Iterable[str], rows: Iterable[Iterable[Any]]) -> str:
    """Rows as CSV text."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(list(header))
    table.writerows([safe_cell(str(cell)) for cell in row] for row in rows)
    return out.getvalue()


class Table:
    """A table being read: its header as written, and its rows one by one with their line."""

    def __init__(self, text: str) -> None:
        """Take in the text. Refuses: BadFile where it is too long, or its header cannot be read."""
        if len(text) > MOST_TEXT:
            raise BadFile([Fault("the file", f"is too long: {MOST_TEXT // 1_000_000} MB at the most")])
        lines = text.lstrip("\ufeff").replace("\r\n", "\n").replace("\r", "\n")
        self._reader = csv.reader(io.StringIO(lines), strict=True)
        self.header = [cell.strip().lower() for cell in next(self._lines(), [])]

    def _lines(self) -> Iterator[list[str]]:
        try:
            yield from self._reader
        except csv.Error as error:
            what = f"cannot be read as a table ({error}): look for a quotation mark that is not closed"
            raise BadFile([Fault(f"line {self._reader.line_num}", what)]) from None

    def rows(self) -> Iterator[tuple[int, dict[str, str]]]:
        """Every row that has a cell: its line, and its cells by column, as they were before they were made safe."""
        for cells in self._lines():
            if any(cell.strip() for cell in cells):
                named = zip(self.header, cells, strict=False)
                yield self._reader.line_num, {name: plain_cell(cell.strip()) for name, cell in named}
