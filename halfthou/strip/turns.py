"""The crank turned as seldom as can be: which rods come at which stand of the crank, in which order.

An exact search (A*) where rods wait for each other, by the fewest turns; ties by position. Source: Hart, Nilsson
and Raphael 1968 (recalled).
"""

from __future__ import annotations

import heapq
from collections.abc import Mapping, Sequence
from itertools import count
from typing import NamedTuple

#: So many states are looked at before the best found so far is taken as it is.
MOST_STATES = 20_000


class Turn(NamedTuple):
    """One stand of the crank, in whole degrees, and the tasks done there, by name, in their order."""

    at: int
    tasks: tuple[str, ...]


def fewest_turns(at: Mapping[str, int], after: Mapping[str, frozenset[str]]) -> tuple[Turn, ...]:
    """The stands of the crank in order, with what is done at each.

    Takes:   by task the stand it wants, in the order of position; by task the tasks that must be done before it.
    Gives:   the fewest stands that serve all; of equal ones that which serves the first position soonest.
    Rule:    strip.turns.

    >>> fewest_turns({"1": 0, "2": 180, "3": 180, "4": 0}, {})
    (Turn(at=0, tasks=('1', '4')), Turn(at=180, tasks=('2', '3')))
    """
    tasks = tuple(at)
    position = {task: n for n, task in enumerate(tasks)}
    number = count()
    start: frozenset[str] = frozenset()
    heap: list[tuple[int, tuple[int, ...], int, frozenset[str], tuple[Turn, ...]]] = [
        (len(set(at.values())), (), next(number), start, ())
    ]
    seen: set[frozenset[str]] = set()
    while heap:
        _, path, nth, done, turns = heapq.heappop(heap)
        if len(done) == len(tasks):
            return turns
        if done in seen:
            continue
        seen.add(done)
        greedy = nth > MOST_STATES
        for stand in dict.fromkeys(at[task] for task in tasks if task not in done):
            served = _served(stand, done, tasks, (at, after))
            if not served:
                continue
            now = done | frozenset(served)
            left = len({at[task] for task in tasks if task not in now})
            first = (*path, position[served[0]])
            cost = left if greedy else len(turns) + 1 + left
            heapq.heappush(heap, (cost, first, next(number), now, (*turns, Turn(stand, served))))
    raise ValueError("tasks wait for each other in a ring")


def _served(
    stand: int,
    done: frozenset[str],
    tasks: Sequence[str],
    wants: tuple[Mapping[str, int], Mapping[str, frozenset[str]]],
) -> tuple[str, ...]:
    """What can be done at a stand, in the order it becomes possible."""
    at, after = wants
    now, served = set(done), list[str]()
    open_yet = [task for task in tasks if task not in done and at[task] == stand]
    while True:
        ready = next((task for task in open_yet if after.get(task, frozenset()) <= now), None)
        if ready is None:
            return tuple(served)
        served.append(ready)
        now.add(ready)
        open_yet.remove(ready)
