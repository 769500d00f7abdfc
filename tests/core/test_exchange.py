"""Files out and in: whole, exact, and refused with every fault. Library: jsonschema for the published schema."""

import json
from pathlib import Path
from typing import Any

import jsonschema
import pytest

from halfthou.assess import assess
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
from halfthou.jobs import Feature, JobFile, LimitsSheet, Look, Material, Step
from halfthou.lengths import Length
from halfthou.parts.journals.limits import limits_of
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
    data["job"]["readings"][3]["count"] = 5.5
    data["job"]["readings"][4]["part"] = "Q 9"
    data["job"]["limits"]["sets"]["rods"]["figures"]["size"]["least"] = "2.0370"
    data["job"]["colour"] = "blue"
    found = faults(json.dumps(data))
    assert set(found) == {
        "job.readings.3.count",
        "job.readings.4.part",
        "job.limits.sets.rods.figures.size.least",
        "job.colour",
    }
    assert found["job.limits.sets.rods.figures.size.least"] == "must be a whole number"


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
    assert [(r.id, r.part, r.spot, r.size) for r in rows] == [(r.id, r.part, r.spot, r.size) for r in one.readings]


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
            Step(size=Length(0), part_number="BR-0"),
            Step(size=mm("0.25"), can_be_bought=False),
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
    data["sheet"]["sets"]["rods"]["figures"]["size"]["most"] = 1
    data["sheet"]["layout"]["shaft"] = ["M1", "R2"]
    with pytest.raises(BadFile) as refused:
        read_limits(json.dumps(data))
    said = {fault.where: fault.what for fault in refused.value.faults}
    assert "swap them" in said["sets.rods.figures.size"]
    assert "R1 to R4" in said["layout"]


def test_a_job_file_of_the_first_version_is_still_read_and_judged_as_then() -> None:
    """What readings had no state in: everything left out has its plain meaning."""
    one = job({"R1": ["2.0375"] * 8})
    data = json.loads(write_job(JobFile(job=one)))
    data["version"] = 1
    for kept in ("sittings", "operations", "slip_answers", "checks"):
        del data["job"][kept]
    for reading in data["job"]["readings"]:
        for field in (
            "feature",
            "repeats",
            "sitting",
            "caps_torqued",
            "plate_fitted",
            "cleaned",
            "meant",
            "by_button",
        ):
            del reading[field]
    for gauge in data["job"]["gauges"]:
        for field in ("least", "most", "serial", "due", "fit_for", "material", "revolution", "port", "weighs"):
            del gauge[field]
    assert assess(read_job(json.dumps(data)).job) == assess(one)


def test_readings_of_bores_and_walls_go_out_and_come_back_as_csv() -> None:
    bands: dict[str, Any] = {"housing_bore": band("2.1640", "2.1645"), "wall": band("0.0622", "0.0624")}
    one = job({"R1": ["2.0375"] * 8}, rods=limits(**bands))
    bore = one.readings[0].model_copy(
        update={
            "id": "b",
            "part": "bearing-rod-1",
            "feature": Feature.BEARING_BORE,
            "count": inches("2.0396").nm,
            "typed": "2.0396",
        }
    )
    wall = one.readings[1].model_copy(
        update={
            "id": "w",
            "part": "bearing-rod-1",
            "feature": Feature.WALL,
            "count": inches("0.0623").nm,
            "typed": ".0623",
        }
    )
    text = write_readings(one.model_copy(update={"readings": (*one.readings, bore, wall)}))
    back = {(row.feature, row.spot): row.size for row in read_readings(text, one)}
    assert back[Feature.BEARING_BORE, "1a"] == inches("2.0396")
    assert back[Feature.WALL, "1b"] == inches("0.0623")
    assert len(back) == 10


def test_a_row_may_call_what_is_read_by_the_name_the_bench_has_for_it() -> None:
    """This program's own: what the bench calls the journal is its diameter in the file."""
    rows = read_readings("part,feature,spot,size [in]\nR1,journal,1a,2.0375\n", job())
    assert [row.feature for row in rows] == ["diameter"]


@pytest.mark.parametrize(
    ("row", "words"),
    [
        ("R1,gap,1a,2.0375", "use journal, bearing bore, housing bore, wall"),
        ("R1,wall,2a,0.0623", "no spot of the plan"),
        ("R1,bearing bore,1a,2.5", "outside what R1 can be"),
    ],
)
def test_a_row_of_what_is_not_measured_is_refused_by_line(row: str, words: str) -> None:
    bands: dict[str, Any] = {"housing_bore": band("2.1640", "2.1645"), "wall": band("0.0622", "0.0624")}
    with pytest.raises(BadFile) as refused:
        read_readings(f"journal,feature,spot,size [in]\n{row}\n", job(rods=limits(**bands)))
    assert refused.value.faults[0].where == "line 2"
    assert words in refused.value.faults[0].what


def test_materials_and_oil_holes_survive_the_limits_csv() -> None:
    one = sheet().model_copy(
        update={
            "crank_material": Material.NODULAR_IRON,
            "rods": limits(oil_hole_deg=68.5, housing_material=Material.CAST_ALUMINIUM),
        }
    )
    assert limits_of(read_limits_csv(write_limits_csv(one)), "rods") == limits_of(one, "rods")
    assert read_limits_csv(write_limits_csv(one)).crank_material is Material.NODULAR_IRON
