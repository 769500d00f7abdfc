"""Which readings an operation makes stale. Stale readings stay in the record and are not judged as current.

What each kind of work does to each kind of part stands with the kind (halfthou/parts).
"""

from __future__ import annotations

from bisect import bisect_right
from collections import defaultdict
from collections.abc import Iterable, Iterator
from datetime import datetime

from halfthou.engines import Engine
from halfthou.jobs import Job, Look, Operation, OperationKind, Reading, Seen
from halfthou.looks import CRACK_FOUND

LastWork = dict[tuple[str, str], Operation]


def makes_stale(operation: Operation, reading: Reading, engine: Engine) -> bool:
    """Whether the operation makes the reading stale.

    Rule:    operations.stale.   Source: docs/trade: What work makes stale. A reading taken at the same moment is
             taken to be before.
    """
    part = engine.parts.get(reading.part)
    return (
        part is not None
        and reading.at <= operation.at
        and reading.feature in engine.kinds.stale_after.get((part.kind, operation.kind), ())
        and part.id in engine.touched(operation.on)
    )


def made_stale(operations: Iterable[Operation], readings: Iterable[Reading], engine: Engine) -> dict[str, int]:
    """How many of these readings each operation makes stale, by its name.

    Rule:    operations.stale, as `makes_stale` has it: worked out once a part and feature, not once a reading.
    """
    times: dict[tuple[str, str], list[datetime]] = defaultdict(list)
    done = tuple(operations)
    for reading in readings if done else ():
        times[reading.part, reading.feature].append(reading.at)
    for taken in times.values():
        taken.sort()
    return {
        one.id: sum(bisect_right(times[of], one.at) for of in _made_stale(one, engine) if of in times)
        for one in done
    }


def _made_stale(operation: Operation, engine: Engine) -> Iterator[tuple[str, str]]:
    """The features, each of its part, that an operation makes stale."""
    for name in engine.touched(operation.on):
        for feature in engine.kinds.stale_after.get((engine.parts[name].kind, operation.kind), ()):
            yield name, feature


def last_work(job: Job, engine: Engine) -> LastWork:
    """The last work that made a feature of a part stale, by part and feature; one taken back makes none.

    What was read at or before it is stale by it: so staleness is worked out once a feature, not once a reading.
    Rule:    operations.stale.
    """
    found: LastWork = {}
    for done in job.standing_operations:
        found.update(dict.fromkeys(_made_stale(done, engine), done))
    return found


def stale_by(reading: Reading, worked: LastWork) -> Operation | None:
    """The work that made a reading stale; None where none did."""
    done = worked.get((reading.part, reading.feature))
    return done if done is not None and reading.at <= done.at else None


def looked_away(seen: Seen, job: Job, engine: Engine) -> Operation | None:
    """The last work that did away with what was looked at; None where none did. A crack found is never done away
    with.

    Rule:    operations.stale. What lies with a part, as a half bearing with its journal, goes with the part.
    """
    if not job.operations or (seen.look == Look.CRACK_TEST and seen.answer == CRACK_FOUND):
        return None
    done = (one for one in job.standing_operations if seen.at <= one.at and _looks_away(one, seen, engine))
    return max(done, key=lambda one: one.at, default=None)


def _looks_away(operation: Operation, seen: Seen, engine: Engine) -> bool:
    touched, on = engine.touched(operation.on), engine.lies_with(seen.on)
    for kind in engine.kinds.all:
        if seen.look not in kind.look_again.get(operation.kind, ()):
            continue
        of_kind = {name for name, part in engine.parts.items() if part.kind == kind.key}
        if on in engine.parts:
            if on in touched & of_kind:
                return True
        elif engine.touched(on) & touched & of_kind or (
            engine.touched(on) & of_kind and operation.on in kind.wholes
        ):
            return True
    return False


def ground_to(operations: Iterable[Operation], part: str, engine: Engine) -> Operation | None:
    """The last work that took a part to a size, alone or with its set, and says to which step it went.

    Takes:   the operations that stand, oldest first.
    """
    sized = [
        done
        for done in operations
        if done.kind in (OperationKind.GRIND, OperationKind.BORE)
        and done.step is not None
        and part in engine.touched(done.on)
    ]
    return sized[-1] if sized else None
