"""A spreadsheet is read as the table it holds. Outside: openpyxl writes the files; Python's shortest decimals."""

from __future__ import annotations

import io
import zipfile
from typing import Any

import pytest
from openpyxl import Workbook

from halfthou.exchange import BadFile
from halfthou.exchange.spreadsheet import MOST_ROWS, table_of_workbook


def workbook(*rows: list[Any]) -> bytes:
    book = Workbook()
    sheet = book.active
    assert sheet is not None
    for row in rows:
        sheet.append(row)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def test_numbers_come_by_their_shortest_decimal() -> None:
    """2.0353 has no exact binary form, and stays as it was typed; nothing is written with an exponent."""
    text = table_of_workbook(workbook(["part", "spot", "size [in]"], ["R1", "1a", 2.0353], ["R1", "1b", 0.00001]))
    assert text.splitlines() == ["part,spot,size [in]", "R1,1a,2.0353", "R1,1b,0.00001"]


def test_empty_cells_and_whole_numbers_stay_what_they_are() -> None:
    assert table_of_workbook(workbook(["a", None, "c"], [1, "", True])).splitlines() == ["a,,c", "1,,yes"]


def test_a_formula_is_refused_with_its_cell() -> None:
    with pytest.raises(BadFile) as refused:
        table_of_workbook(workbook(["size"], ["=1+1"]))
    assert refused.value.faults[0].where == "A2"


@pytest.mark.parametrize("data", [b"", b"PK\x03\x04", b"part,spot\n", b"\xff" * 400])
def test_what_is_no_spreadsheet_is_refused_in_words(data: bytes) -> None:
    with pytest.raises(BadFile, match=r"no spreadsheet|refused"):
        table_of_workbook(data)


def test_one_that_names_things_outside_is_refused() -> None:
    """An XML entity that reaches out of its file, as defusedxml's documentation has it (from memory)."""
    good, out = workbook(["x"]), io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(good)) as was, zipfile.ZipFile(out, "w") as now:
        for one in was.infolist():
            content = was.read(one)
            if one.filename.endswith("sheet1.xml"):
                entity = b'<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>'
                content = content.replace(b"<worksheet", entity + b"<worksheet", 1)
            now.writestr(one.filename, content)
    with pytest.raises(BadFile):
        table_of_workbook(out.getvalue())


def test_more_rows_than_a_table_can_have_are_refused() -> None:
    with pytest.raises(BadFile, match=r"split the file|refused"):
        table_of_workbook(workbook(*([n] for n in range(MOST_ROWS + 1))))
