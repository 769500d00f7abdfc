"""Files out and in: whole, exact, and refused with every fault. Library: jsonschema for the published schema."""

import json
from pathlib import Path

import jsonschema
import pytest

from halfthou.exchange import (
    BadFile,
    read_job,
    read_limits,
    read_limits_csv,
    read_readings,
    write_job,
    write_limits,
    write_limits_csv,
    write_readings,
)
from halfthou.jobs import JobFile, LimitsSheet, Look, ShellSize
from halfthou.lengths import Length
from tests.making import GOOD_ENGINE, band, figure, inches, job, limits, look, mm, sheet

SCHEMA = json.loads((Path(__file__).parents[2] / "docs" / "job-file.schema.json").read_text(encoding="utf-8"))


def whole_file() -> JobFile:
    return JobFile(job=job(GOOD_ENGINE, seen=(look("R1", Look.SURFACE, "nail catches", "0.0006", spot="1b"),)))


def faults(text: str) -> dict[str, str]:
    with pytest.raises(BadFile) as refused:
        read_job(text)
    return {fault.where: fault.what for fault in refused.value.faults}


def test_a_job_goes_out_and_in_whole() -> None:
    file = whole_file()
    assert read_job(write_job(file)) == file
    assert write_job(read_job(write_job(file))) == write_job(file)


def test_the_published_schema_is_this_programs_and_accepts_its_files() -> None:
    """Library: jsonschema."""
    assert JobFile.model_json_schema(mode="serialization") == SCHEMA
    jsonschema.validate(json.loads(write_job(whole_file())), SCHEMA)
    with pytest.raises(jsonschema.ValidationError):
        jsonschema.validate({"format": "halfthou-job"}, SCHEMA)


def test_a_bad_file_is_refused_with_every_fault_and_its_path() -> None:
    data = json.loads(write_job(whole_file()))
    data["job"]["readings"][3]["size"] = -5
    data["job"]["readings"][4]["journal"] = "Q9"
    data["job"]["limits"]["rods"]["size"]["least"] = "2.0370"
    data["job"]["colour"] = "blue"
    found = faults(json.dumps(data))
    assert set(found) == {
        "job.readings.3.size",
        "job.readings.4.journal",
        "job.limits.rods.size.least",
        "job.colour",
    }
    assert found["job.limits.rods.size.least"] == "must be a whole number"


@pytest.mark.parametrize(
    ("text", "where"),
    [
        ("{", "line 1, column 2"),
        ("[]", "the file"),
        ("{}", "format"),
        ('{"format": "halfthou-job", "version": 99}', "version"),
        ("[" * 100_000, "the file"),
    ],
)
def test_what_is_no_job_file_is_said_so(text: str, where: str) -> None:
    assert where in faults(text)


def test_facts_must_hang_together() -> None:
    data = json.loads(write_job(whole_file()))
    data["job"]["readings"][1]["id"] = data["job"]["readings"][0]["id"]
    data["job"]["readings"][2]["gauge"] = "borrowed"
    data["job"]["readings"][3]["corrects"] = "nobody"
    said = " ".join(faults(json.dumps(data)).values())
    assert "stands 2 times" in said
    assert "borrowed, which is not listed" in said
    assert "corrects nobody" in said


def test_readings_go_out_and_in_as_csv() -> None:
    one = job(GOOD_ENGINE)
    rows = read_readings(write_readings(one), one)
    assert [(r.journal, r.spot, r.size) for r in rows] == sorted(
        ((r.journal, r.spot, r.size) for r in one.readings), key=lambda r: one.limits.layout.shaft.index(r[0])
    )


def test_readings_in_inch_are_exact() -> None:
    rows = read_readings("Journal,Spot,Size [in]\nR1,1a,2.0371\nR1,1b,2.03705\n", job())
    assert [row.size for row in rows] == [inches("2.0371"), inches("2.03705")]


def test_a_bad_readings_file_lists_every_line() -> None:
    text = "journal,spot,size [in],at\nR1,1a,two thirds,\nR9,1a,2.0371,\nR1,9z,2.0371,yesterday\nR1,1a,,\n"
    with pytest.raises(BadFile) as refused:
        read_readings(text, job())
    assert [fault.where for fault in refused.value.faults] == ["line 2", "line 3", "line 4", "line 4", "line 5"]


def test_a_size_that_cannot_be_is_refused_by_line() -> None:
    with pytest.raises(BadFile) as refused:
        read_readings("journal,spot,size [in]\nR1,1a,2.0371\nR1,1b,20.371\nM1,1a,2.0371\n", job())
    assert [fault.where for fault in refused.value.faults] == ["line 3", "line 4"]


@pytest.mark.parametrize("header", ["", "journal,spot,size", "spot,size [in]", "journal,spot,size [in],size [mm]"])
def test_a_readings_file_needs_its_header_and_unit(header: str) -> None:
    with pytest.raises(BadFile) as refused:
        read_readings(header + "\nR1,1a,2.0371\n", job())
    assert refused.value.faults[0].where == "line 1"


def full_sheet() -> LimitsSheet:
    rich = limits(
        service_least=figure(inches("2.0362")),
        housing_bore=band("2.1640", "2.1645"),
        wall=band("0.0622", "0.0624"),
        smallest_allowed=figure(mm("50.8")),
        case_depth=figure(mm("0.40")),
        shells=(
            ShellSize(undersize=Length(0), part_number="BR-0"),
            ShellSize(undersize=mm("0.25"), can_be_bought=False),
        ),
    )
    return sheet(rich)


def test_a_limits_sheet_goes_out_and_in_as_json_and_csv() -> None:
    one = full_sheet()
    assert read_limits(write_limits(one)) == one
    assert read_limits_csv(write_limits_csv(one)) == one


def test_a_bad_limits_csv_lists_every_line() -> None:
    lines = write_limits_csv(full_sheet()).splitlines()
    at = next(n for n, line in enumerate(lines) if line.startswith("rods,taper"))
    lines[at] = "rods,taper,abc,,in,maker,,"
    lines.append("rods,colour,1,,in,maker,,")
    with pytest.raises(BadFile) as refused:
        read_limits_csv("\n".join(lines) + "\n")
    assert [fault.where for fault in refused.value.faults] == [f"line {at + 1}", f"line {len(lines)}"]


def test_a_limits_sheet_that_cannot_be_is_refused() -> None:
    data = json.loads(write_limits(full_sheet()))
    data["sheet"]["rods"]["size"]["most"] = 1
    data["sheet"]["layout"]["shaft"] = ["M1", "R2"]
    with pytest.raises(BadFile) as refused:
        read_limits(json.dumps(data))
    said = {fault.where: fault.what for fault in refused.value.faults}
    assert "swap them" in said["rods.size"]
    assert "R1 to R4" in said["layout"]
