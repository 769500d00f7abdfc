"""How a row of the table is written."""

from __future__ import annotations

from collections.abc import Callable

from halfthou.engines import Description
from halfthou.strip.tie import Binds, Tie, always

HOLDS, COVERS, FIRST, ORDER = Binds.HOLDS, Binds.COVERS, Binds.FIRST, Binds.ORDER
#: What the rod that waits is to its pin: the fork's, the master's.
_AS_LATER = {"fork": "fork's", "master": "master's"}


def tie(key: str, binds: Binds, pair: str, why: str, when: Callable[[Description], bool] = always) -> Tie:
    """A row: `pair` is "before > after", or "before > after by cylinder, valve" where the two must agree in those.

    >>> tie("x", HOLDS, "cap-rod.off > rod.out by cylinder", "its cap holds it").by
    ('cylinder',)
    """
    both, _, agree = pair.partition(" by ")
    before, _, after = both.partition(" > ")
    by = tuple(agree.split(", ")) if agree else ()
    return Tie(f"strip.{key}", binds, before, after, why, by, tuple(_AS_LATER.get(one, one) for one in by), when)
