"""One sentence, the rule it rests on, and where it was read."""

from __future__ import annotations

from halfthou.jobs import Document


class Reason(Document):
    """One sentence, the rule it rests on, and the spots it was read at."""

    rule: str
    text: str
    spots: tuple[str, ...] = ()
