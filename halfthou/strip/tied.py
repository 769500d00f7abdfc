"""The rules laid over one engine's work: what must come before what, and by which rule."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence

from halfthou.engines import Description
from halfthou.strip.rules import TIES
from halfthou.strip.step import StripStep
from halfthou.strip.tie import Tie

#: By what comes later: what must come before it, each with the rule that says so.
Ties = Mapping[str, Mapping[str, Tie]]


def tied(works: Sequence[StripStep], engine: Description) -> dict[str, dict[str, Tie]]:
    """Of each piece of work, what must come before it, by their names. What binds harder is said of two ties.

    Rule:    strip.held, strip.order.
    """
    families: dict[str, list[StripStep]] = defaultdict(list)
    for work in works:
        families[work.family].append(work)
    found: dict[str, dict[str, Tie]] = {work.id: {} for work in works}
    for tie in TIES:
        if tie.before in families and tie.after in families and tie.when(engine):
            for before, after in _pairs(tie, families[tie.before], families[tie.after]):
                found[after].setdefault(before, tie)
    return found


def _pairs(tie: Tie, before: Iterable[StripStep], after: Iterable[StripStep]) -> Iterator[tuple[str, str]]:
    if not tie.by:
        yield from ((one.id, other.id) for other in after for one in before)
        return
    by: dict[tuple[str, ...], list[str]] = defaultdict(list)
    for one in before:
        if all(key in one.of for key in tie.by):
            by[tuple(one.of[key] for key in tie.by)].append(one.id)
    for other in after:
        if all(key in other.of for key in tie.by_after):
            key = tuple(other.of[key] for key in tie.by_after)
            yield from ((one, other.id) for one in by.get(key, ()))
