"""The command line: assess a job file, check a file, print the schema. The only module that opens files."""

from __future__ import annotations

import argparse
import json
import sys
from pathlib import Path

from halfthou.assess import assess
from halfthou.exchange import BadFile, assessment_text, read_job, read_limits, read_limits_csv, read_zip, write_job
from halfthou.jobs import JobFile

JUDGED, NOT_WHOLE, BAD_INPUT = 0, 1, 2
#: How a zip file begins: a job with its pictures.
PACKED = b"PK\x03\x04"


def main(arguments: list[str] | None = None) -> int:
    """Run one command. Gives the exit code: 0 judged whole, 1 not whole, 2 bad input (docs/trade: Whole)."""
    asked = _parser().parse_args(arguments)
    if asked.command == "schema":
        print(json.dumps(JobFile.model_json_schema(mode="serialization"), indent=1))
        return JUDGED
    try:
        data = Path(asked.file).read_bytes()
        packed = data[:4] == PACKED
        text = "" if packed else data.decode("utf-8")
    except OSError as error:
        return _refuse([f"{asked.file}: cannot be opened: {error.strerror}"])
    except UnicodeDecodeError:
        return _refuse([f"{asked.file}: is not text in UTF-8"])
    try:
        if packed:
            text = write_job(read_zip(data)[0])
        return _check(asked.file, text) if asked.command == "check" else _assess(text, as_json=asked.json)
    except BadFile as error:
        return _refuse([f"{asked.file}: {fault.where}: {fault.what}" for fault in error.faults])


def _assess(text: str, *, as_json: bool) -> int:
    file = read_job(text)
    found = assess(file.job)
    print(found.model_dump_json(indent=1) if as_json else assessment_text(file, found), end="\n" if as_json else "")
    return JUDGED if found.whole else NOT_WHOLE


def _check(name: str, text: str) -> int:
    if name.lower().endswith(".csv"):
        sheet = read_limits_csv(text)
        print(f"{name}: a limits sheet for {sheet.engine}, revision {sheet.revision}")
    elif '"halfthou-limits"' in text[:200]:
        sheet = read_limits(text)
        print(f"{name}: a limits sheet for {sheet.engine}, revision {sheet.revision}")
    else:
        job = read_job(text).job
        print(f"{name}: job {job.number}, {job.title}, {len(job.readings)} readings")
    return JUDGED


def _refuse(lines: list[str]) -> int:
    for line in lines:
        print(line, file=sys.stderr)
    return BAD_INPUT


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="halfthou", description="Judge measured engine parts from files.")
    commands = parser.add_subparsers(dest="command", required=True)
    judging = commands.add_parser("assess", help="judge a job file; exit 0 judged, 1 not whole, 2 bad input")
    judging.add_argument("file", help="a job file (JSON, or a zip with its pictures)")
    judging.add_argument("--json", action="store_true", help="the assessment as JSON, for programs")
    checking = commands.add_parser("check", help="check a job file or a limits sheet without judging it")
    checking.add_argument("file", help="a job file, or a limits sheet (JSON or CSV)")
    commands.add_parser("schema", help="print the JSON Schema of the job file")
    return parser


if __name__ == "__main__":
    sys.exit(main())
