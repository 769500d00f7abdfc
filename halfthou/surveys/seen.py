"""What was last seen of each part, and what has been seen to be worthless since."""

from __future__ import annotations

from datetime import datetime

from halfthou.engines import Engine
from halfthou.jobs import NOT_LOOKED, Job, Look, Observation
from halfthou.operations import CRACK_FOUND, stale_looks

PASSED = "passed"
Seen = dict[tuple[str, str], Observation]


def seen_on(job: Job, engine: Engine) -> Seen:
    """The last observation of each kind on each part; "not looked at" takes an answer back, work makes it stale.

    A crack found stays found until a crack test passes: work done after it does not heal it, nor is it taken back.
    Rule:    verdicts.journal.crack.
    """
    stale = stale_looks(job, engine)
    last: Seen = {}

    def when(seen: Observation) -> tuple[datetime, int, str]:
        """By time; of two at the same moment the worse answer counts."""
        look = engine.look(seen.look, seen.on)
        answers = look.answers if look is not None else ()
        return seen.at, answers.index(seen.answer) if seen.answer in answers else -1, seen.id

    for seen in sorted(job.observations, key=when):
        key = seen.on, seen.look
        before = last.get(key)
        if before is not None and before.answer == CRACK_FOUND and seen.answer == NOT_LOOKED:
            continue
        if seen.look == Look.CRACK_TEST and seen.answer == PASSED and seen.on not in engine.parts:
            # A test of the whole crank that passes speaks for every journal; of the block, for every bore.
            spoken_for = engine.touched(seen.on)
            for other in [known for known in last if known[1] == Look.CRACK_TEST and known[0] in spoken_for]:
                del last[other]
        last[key] = seen
    return {key: seen for key, seen in last.items() if seen.answer != NOT_LOOKED and seen.id not in stale}
