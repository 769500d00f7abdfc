"""A table pasted at the bench goes where its first row says; what has no spot is said.

Source: common practice, no source. The engine is an inline four; its usual plan has two planes and four angles.
"""

from __future__ import annotations

import pytest

from halfthou.exchange import PastedTable, pasted_table, write_readings
from halfthou.jobs import Job
from halfthou.lengths import Unit
from tests import making
from tests.making import GOOD_ROD


@pytest.fixture(scope="module")
def job() -> Job:
    return making.job({"R1": GOOD_ROD, "R3": GOOD_ROD})


def read(text: str, job: Job) -> PastedTable:
    found = pasted_table(text, job)
    assert found is not None
    return found


def placed(found: PastedTable) -> list[tuple[str, str, str]]:
    return [(one.part, one.spot, one.typed) for one in found.readings]


def test_the_projects_own_rows_go_to_their_spots_in_the_unit_of_the_header(job: Job) -> None:
    found = read("part,spot,size [mm]\nR1,1a,51.753\nR2,2d,51.750\nR9,1a,51.7\nR1,9z,51.7\n", job)
    assert placed(found) == [("R1", "1a", "51.753"), ("R2", "2d", "51.750")]
    assert {one.unit for one in found.readings} == {Unit.MM}
    assert found.over == ("R9 1a: 51.7", "R1 9z: 51.7")


def test_what_is_written_here_is_read_here(job: Job) -> None:
    """Every reading of a job's own file has its spot."""
    text = write_readings(job)
    found = read(text, job)
    assert len(job.readings) > 0
    read_at = {(one.part, one.feature, one.spot) for one in job.readings}
    assert {(one.part, one.feature, one.spot) for one in found.readings} == read_at
    assert found.over == ()


@pytest.mark.parametrize("name", ["R1", "r1", "No. 1", "Rod journal No. 1"])
def test_a_grid_has_a_row_a_part_and_a_column_a_spot(job: Job, name: str) -> None:
    """As a spreadsheet is copied; a comma is a decimal sign there."""
    found = read(f"\t1a\t1B\n{name}\t2,0375\t2.0374\nR2\t\t2.0376\n", job)
    assert placed(found) == [("R1", "1a", "2,0375"), ("R1", "1b", "2.0374"), ("R2", "1b", "2.0376")]
    assert found.over == ()


def test_one_spot_is_filled_once(job: Job) -> None:
    found = read("\t1a\nR1\t2.0375\nR1\t2.0374\n", job)
    assert placed(found) == [("R1", "1a", "2.0375")]
    assert found.over == ("R1 1a: 2.0374",)


@pytest.mark.parametrize(
    "text", ["", "2.0375", "2.0375\n2.0374", "2.0375\t2.0374\n2.0373\t2.0372", "a,b\n1,2", '"', "\x00\n\x00"]
)
def test_what_is_no_table_by_its_first_row_is_left_to_the_bench(job: Job, text: str) -> None:
    assert pasted_table(text, job) is None
