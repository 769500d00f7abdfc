"""A tie: one rule that something comes before something else, over any engine."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from enum import StrEnum

from halfthou.engines import Description


class Binds(StrEnum):
    """How hard a tie binds. The first three refuse a step until the other is done; the last only orders the
    list."""

    HOLDS = "holds"
    COVERS = "covers"
    FIRST = "comes first"
    ORDER = "order of the list"


def always(_engine: Description) -> bool:
    """Of every engine."""
    return True


@dataclass(frozen=True, slots=True)
class Tie:
    """`before` comes before `after`, both by their families; only of those that agree in `by`: the same cylinder,
    the same head. `by_after` is how the later one calls that, where it differs: the fork's pin. `when` says of
    which engines."""

    id: str
    binds: Binds
    before: str
    after: str
    why: str
    by: tuple[str, ...] = ()
    by_after: tuple[str, ...] = ()
    when: Callable[[Description], bool] = always
    source: str = "common practice, no source"
