"""One sentence, the rule it rests on, and where it was read."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.jobs import Document


class Reason(Document):
    """One sentence, the rule it rests on, and the spots it was read at."""

    rule: str
    text: str
    spots: tuple[str, ...] = ()


def held_by_looks(holds: Iterable[str]) -> Iterator[Reason]:
    """What has to be done first because of what was seen.

    Rule:    looks.holds.
    """
    return (Reason(rule="looks.holds", text=text) for text in holds)
