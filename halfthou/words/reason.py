"""One sentence, the rule it rests on, and where it was read."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.jobs import Document
from halfthou.looks import EffectSeen


class Reason(Document):
    """One sentence, the rule it rests on, and the spots it was read at."""

    rule: str
    text: str
    spots: tuple[str, ...] = ()


def said_by_eye(effects: Iterable[EffectSeen]) -> Iterator[Reason]:
    """The sentences of what was seen; each once; one without words is told elsewhere.

    Rule:    looks.holds, and the rule of each.
    """
    told = dict.fromkeys((one.effect.rule, one.words) for one in effects if one.effect.words)
    return (Reason(rule=rule, text=text) for rule, text in told)
