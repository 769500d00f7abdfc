"""The command line, as a person or a program calls it. Exit codes: docs/trade: Whole."""

import json
import subprocess
import sys
from pathlib import Path

import pytest

from halfthou.cli import main
from halfthou.exchange import write_job, write_limits_csv
from halfthou.jobs import JobFile
from tests.making import GOOD_ENGINE, job, sheet


def file_of(folder: Path, sizes: dict[str, list[str]]) -> str:
    place = folder / "job.json"
    place.write_text(write_job(JobFile(job=job(sizes))), encoding="utf-8")
    return str(place)


def test_a_job_judged_whole(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["assess", file_of(tmp_path, GOOD_ENGINE)]) == 0
    said = capsys.readouterr().out
    assert "Rod journals: reuse" in said
    assert "[U] No. 1" in said


def test_a_job_not_whole(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["assess", file_of(tmp_path, {"R1": ["2.0300"]})]) == 1
    assert "Waits for 71 readings" in capsys.readouterr().out


def test_json_for_programs(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["assess", "--json", file_of(tmp_path, GOOD_ENGINE)]) == 0
    assert json.loads(capsys.readouterr().out)["sets"][1]["action"] == "reuse"


@pytest.mark.parametrize("text", [b"", b"{", b"\xff\xfe", b'{"format": "halfthou-job", "version": 1}'])
def test_bad_input(text: bytes, tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    place = tmp_path / "bad.json"
    place.write_bytes(text)
    assert main(["assess", str(place)]) == 2
    assert main(["check", str(place)]) == 2
    assert str(place) in capsys.readouterr().err


def test_a_file_that_is_not_there(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["check", "no-such-file.json"]) == 2
    assert "cannot be opened" in capsys.readouterr().err


def test_check_knows_jobs_and_limits(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    csv = tmp_path / "limits.csv"
    csv.write_text(write_limits_csv(sheet()), encoding="utf-8")
    assert main(["check", str(csv)]) == 0
    assert main(["check", file_of(tmp_path, GOOD_ENGINE)]) == 0
    said = capsys.readouterr().out
    assert "a limits sheet for Bramling 4" in said
    assert "job 7, Ferry winch, 72 readings" in said


def test_it_runs_as_a_program_of_its_own() -> None:
    done = subprocess.run([sys.executable, "-m", "halfthou.cli", "schema"], capture_output=True, check=True)
    assert json.loads(done.stdout)["title"] == "JobFile"
