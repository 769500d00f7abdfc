"""A file that is refused: every fault at once, each with its place."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from halfthou.jobs import BAND, FIGURE


@dataclass(frozen=True, slots=True)
class Fault:
    """One fault of a file: where it is (line or path) and what is wrong."""

    where: str
    what: str


class BadFile(ValueError):
    """The file is refused whole. `faults` lists everything wrong with it."""

    def __init__(self, faults: Iterable[Fault]) -> None:
        self.faults = tuple(faults)
        super().__init__("; ".join(f"{fault.where}: {fault.what}" for fault in self.faults))


#: What tells two forms of one field apart is no part of its path.
_TAGS = (BAND, FIGURE)
_PLAIN = {
    "missing": "is missing",
    "extra_forbidden": "is not a field of this format",
    "int_type": "must be a whole number",
    "int_parsing": "must be a whole number",
    "string_type": "must be text",
    "enum": "is none of the words allowed",
    "literal_error": "is not what this format says here",
}


def faults_of(error: ValidationError) -> tuple[Fault, ...]:
    """The faults of a document in plain words, each with its path."""
    found = []
    for problem in error.errors(include_url=False, include_input=False):
        path = ".".join(str(step) for step in problem["loc"] if step not in _TAGS) or "the document"
        found.append(Fault(path, in_plain_words(problem)))
    return tuple(found)


def in_plain_words(problem: Mapping[str, Any]) -> str:
    """What is wrong with one field, of a document or of what was typed."""
    match problem["type"]:
        case "enum":
            return f"must be {problem['ctx']['expected']}"
        case "string_too_short" if problem["ctx"]["min_length"] == 1:
            return "is empty: it needs at least 1 character"
        case "string_too_long":
            return f"is longer than {problem['ctx']['max_length']} characters"
    return _PLAIN.get(problem["type"]) or str(problem["msg"]).removeprefix("Value error, ")
