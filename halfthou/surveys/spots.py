"""One spot: the readings that count there, those kept beside them, and those that count no more."""

from __future__ import annotations

from dataclasses import dataclass, field

from halfthou.jobs import Operation, Reading
from halfthou.lengths import Length
from halfthou.surveys.suspicion import Suspicion
from halfthou.surveys.taken import Taken


@dataclass(frozen=True, slots=True)
class Aside:
    """A reading that is not judged: made stale by an operation, or taken in a state that does not count."""

    reading: Reading
    operation: Operation | None
    state: str


@dataclass(frozen=True, slots=True)
class SpotState:
    """One spot of a plan.

    `counted` are the readings, newest first, whose mean to the nearest nanometre is its `size`; `others` those kept
    beside it; `aside` those that no longer count; `doubt` a suspicion about one of them. While a doubt holds there
    is no size.
    """

    spot: str
    counted: tuple[Taken, ...] = ()
    others: tuple[Reading, ...] = ()
    aside: tuple[Aside, ...] = ()
    doubt: Suspicion | None = None
    size: Length | None = field(init=False, default=None)

    def __post_init__(self) -> None:
        if self.counted and not self.held:
            object.__setattr__(self, "size", _mean_of(self.counted))

    @property
    def current(self) -> Reading | None:
        """The newest reading that counts."""
        return self.counted[0].reading if self.counted else None

    @property
    def held(self) -> bool:
        """Whether the reading waits for an answer."""
        return self.doubt is not None and self.doubt.holds


def _mean_of(counted: tuple[Taken, ...]) -> Length:
    if len(counted) == 1:
        return counted[0].size
    count = len(counted)
    return Length((2 * sum(taken.size.nm for taken in counted) + count) // (2 * count))
