"""Parts looked at and found sound, so that a test of a figure is not a test of the eye."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime, timedelta

from halfthou.assess import assess
from halfthou.jobs import Job, Seen
from halfthou.parts import CATALOGUE
from halfthou.surveys import seen_on


def looked_at(one: Job, *, at: datetime, by: str = "bench") -> Job:
    """A job on which every part in scope is looked at where nobody has, after the last work, and is sound."""
    when = max((at, *(work.at + timedelta(minutes=1) for work in one.operations)))
    more = [
        Seen(id=f"sound.{part}.{key}".replace(" ", "-"), on=part, look=key, answer=_sound(key), by=by, at=when)
        for part, keys in _unseen(one)
        for key in keys
    ]
    return one.model_copy(update={"seen": (*one.seen, *more)})


def _sound(key: str) -> str:
    look = CATALOGUE.looks[key]
    # What is only said, as how a crank lay, has no sound answer: the first is as good as another.
    answer = look.sound or ("" if look.judges else look.offered[0])
    assert answer, f"{key} has no answer that says sound"
    return answer


def _unseen(one: Job) -> Iterator[tuple[str, tuple[str, ...]]]:
    """What each part in scope waits to be looked for; after work, as the answer on the job says."""
    if one.operations:
        yield from ((part.id, part.unseen) for part in assess(one).parts)
        return
    engine, seen = CATALOGUE.engine_of(one), seen_on(one, CATALOGUE.engine_of(one))
    for part in engine.parts.values():
        kind = CATALOGUE.of(part)
        of = {look: found for (on, look), found in seen.items() if on in (part.id, part.set, *kind.wholes)}
        if part.set in one.sets:
            yield part.id, kind.unseen(of)
