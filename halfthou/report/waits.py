"""What a job waits for: a decision, or work that was decided."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.report.documents import SetReport
from halfthou.verdicts import WORKED
from halfthou.words import Reason

#: Everything is judged, and nobody has decided.
DECISION = "a decision"


def work_first(sets: Iterable[SetReport]) -> Iterator[Reason]:
    """The work that is decided and not done and measured yet.

    Rule:    sets.work-first: accepted decisions start the work; the sheet is signed when the work is measured.
    """
    for one in sets:
        if one.decided and one.action in WORKED:
            yield Reason(rule="sets.work-first", text=f"{one.name}: {one.headline}.")
