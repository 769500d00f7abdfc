"""What was worked out before, kept for the next time: facts never change, so what something was worked out from is
its fingerprint."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import TypeVar, TypeVarTuple, cast

Made = TypeVar("Made")
Given = TypeVarTuple("Given")


class Memo:
    """The last answer to each question of one job, with what it was worked out from.

    An answer is given again only where all that it is worked out from is equal to what it was before; so with a
    memo or without, the same comes out. Only what depends on its arguments alone may be asked. Two threads may
    share one: at worst both work the same out.
    """

    def __init__(self) -> None:
        self._kept: dict[Hashable, tuple[tuple[object, ...], object]] = {}

    def of(self, what: Hashable, work_out: Callable[[*Given], Made], *given: *Given) -> Made:
        """`work_out(*given)`, the answer to `what`: as kept, where it was given the same; else worked out and kept.

        >>> memo, calls = Memo(), []
        >>> [memo.of("double", lambda n: calls.append(n) or 2 * n, n) for n in (1, 1, 2)], calls
        ([2, 2, 4], [1, 2])
        """
        kept = self._kept.get(what)
        made = cast(Made, kept[1]) if kept is not None and kept[0] == given else work_out(*given)
        # The newest are kept also where they are equal: the same objects are told to be equal at a glance.
        self._kept[what] = given, made
        return made
