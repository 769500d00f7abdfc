"""The cause in a few words, as bench, rack and sheet are told of it."""

from __future__ import annotations

from enum import StrEnum

from halfthou.jobs import Document


class OpenKind(StrEnum):
    """What is open: the cause is not found, not removed, another is likely too, what made it is not known, metal
    lies in a part; or something was found of parts that are out of scope since."""

    NOT_FOUND = "not found"
    NOT_REMOVED = "not removed"
    LIKELY_TOO = "likely too"
    WHY = "what made it"
    METAL = "metal"
    OUT_OF_SCOPE = "found, out of scope"


class OpenAtGate(Document):
    """One thing that is not settled when the engine is to be closed up, by a lasting key; `part` is where metal
    lies. Sheets signed before it had a kind are read as they were."""

    key: str
    kind: OpenKind = OpenKind.NOT_FOUND
    words: str
    part: str = ""


class CauseBrief(Document):
    """The cause in a few words. `asked` says that this job has a failure to explain, `open` that signing wants
    words for it, for each of `items`; `leaders` are the proved and likely causes, `unexplained` what nothing
    explains, `contaminated` how much of what metal went through is not dealt with. `signed_for` are the words that
    answered for what was open, a line to each."""

    asked: bool = False
    open: bool = False
    words: str = ""
    found: tuple[str, ...] = ()
    removed: tuple[str, ...] = ()
    items: tuple[OpenAtGate, ...] = ()
    leaders: tuple[str, ...] = ()
    unexplained: tuple[str, ...] = ()
    contaminated: int = 0
    signed_for: str = ""


NO_CAUSE = CauseBrief()
