"""The job file to and from JSON text."""

from __future__ import annotations

import json
from typing import Any, TypeVar

from pydantic import ValidationError

from halfthou.assess import faults_in
from halfthou.exchange.faults import BadFile, Fault, faults_of
from halfthou.exchange.upgrade import READABLE, limits_to_v4, upgrade
from halfthou.jobs import FORMAT, VERSION, Document, JobFile, LimitsSheet
from halfthou.parts import CATALOGUE, faults_of_limits

D = TypeVar("D", bound=Document)
LIMITS_FORMAT = "halfthou-limits"
#: The limits file has a version of its own.
LIMITS_VERSION = 7


def write_job(file: JobFile) -> str:
    """The job file as text; the same job gives the same text on every machine."""
    return file.model_dump_json(indent=1) + "\n"


def read_job(text: str) -> JobFile:
    """Read a job file.

    Refuses: BadFile, listing every fault with its path or line; nothing is taken from a bad file.
    """
    data = parse(text)
    if data.get("format") != FORMAT:
        raise BadFile([Fault("format", f"this is no Half Thou job file: it must say “{FORMAT}”")])
    if type(data.get("version")) is not int or data["version"] not in READABLE:
        newer = type(data.get("version")) is int and data["version"] > VERSION
        whose = "is of a newer program" if newer else "cannot be read here"
        what = f"version {data.get('version')!r} {whose}; this program reads versions 1 to {VERSION}"
        raise BadFile([Fault("version", what)])
    file = document(JobFile, upgrade(data))
    faults = [Fault("job", fault) for fault in faults_in(file.job)]
    if faults:
        raise BadFile(faults[:500])
    return file


def write_limits(sheet: LimitsSheet) -> str:
    """A limits sheet as JSON text."""
    body = {"format": LIMITS_FORMAT, "version": LIMITS_VERSION, "sheet": sheet.model_dump(mode="json")}
    return json.dumps(body, indent=1, ensure_ascii=False) + "\n"


def read_limits(text: str) -> LimitsSheet:
    """Read a limits sheet from JSON text. Refuses: BadFile."""
    data = parse(text)
    version = data.get("version")
    if data.get("format") != LIMITS_FORMAT or version not in range(1, LIMITS_VERSION + 1):
        what = f"this is no limits sheet: it must say “{LIMITS_FORMAT}”, version {LIMITS_VERSION}"
        if data.get("format") == LIMITS_FORMAT and type(version) is int and version > LIMITS_VERSION:
            what = f"version {version} is of a newer program; this one reads limits up to version {LIMITS_VERSION}"
        raise BadFile([Fault("format", what)])
    return limits_document(limits_to_v4(data.get("sheet")))


def limits_document(data: object) -> LimitsSheet:
    """The data as a limits sheet whose figures hang together. Refuses: BadFile."""
    sheet = document(LimitsSheet, data)
    faults = [Fault("limits", fault) for fault in faults_of_limits(sheet, CATALOGUE)]
    if faults:
        raise BadFile(faults)
    return sheet


def parse(text: str) -> dict[str, Any]:
    """The JSON object in the text. Refuses: BadFile, with the line."""
    try:
        data = json.loads(text.lstrip("\ufeff"))
    except json.JSONDecodeError as error:
        where = f"line {error.lineno}, column {error.colno}"
        raise BadFile([Fault(where, f"not readable as JSON: {error.msg.lower()}")]) from None
    except ValueError:
        raise BadFile([Fault("the file", "holds a number far too long to be one")]) from None
    except RecursionError:
        raise BadFile([Fault("the file", "is nested too deep to be a job")]) from None
    if not isinstance(data, dict):
        raise BadFile([Fault("the file", "must hold one object in { }")])
    return data


def document(kind: type[D], data: object) -> D:
    """The data as a document of this kind. Refuses: BadFile, with every fault and its path."""
    try:
        return kind.model_validate_json(json.dumps(data))
    except ValidationError as error:
        raise BadFile(faults_of(error)) from None
