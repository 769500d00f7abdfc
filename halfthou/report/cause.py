"""The cause in a few words, as bench, rack and sheet are told of it."""

from __future__ import annotations

from halfthou.jobs import Document


class CauseBrief(Document):
    """The cause in a few words. `asked` says that this job has a failure to explain, `open` that signing wants
    words for it; `leaders` are the proved and likely causes, `unexplained` what nothing explains, `contaminated`
    how much of what metal went through is not dealt with."""

    asked: bool = False
    open: bool = False
    words: str = ""
    found: tuple[str, ...] = ()
    removed: tuple[str, ...] = ()
    leaders: tuple[str, ...] = ()
    unexplained: tuple[str, ...] = ()
    contaminated: int = 0
    signed_for: str = ""


NO_CAUSE = CauseBrief()
