"""Parts looked at and found sound, so that a test of a figure is not a test of the eye."""

from __future__ import annotations

from datetime import datetime, timedelta

from halfthou.jobs import Job, Seen
from halfthou.parts import CATALOGUE
from halfthou.surveys import seen_on


def looked_at(one: Job, *, at: datetime, by: str = "bench") -> Job:
    """A job on which every part in scope is looked at where nobody has, after the last work, and is sound."""
    engine, seen = CATALOGUE.engine_of(one), seen_on(one, CATALOGUE.engine_of(one))
    when = max((at, *(work.at + timedelta(minutes=1) for work in one.operations)))
    more = []
    for part in engine.parts.values():
        kind = CATALOGUE.of(part)
        of = {look: found for (on, look), found in seen.items() if on in (part.id, part.set, *kind.wholes)}
        for key in kind.unseen(of) if part.set in one.sets else ():
            answer = CATALOGUE.looks[key].sound
            assert answer, f"{key} has no answer that says sound"
            name = f"sound.{part.id}.{key}".replace(" ", "-")
            more.append(Seen(id=name, on=part.id, look=key, answer=answer, by=by, at=when))
    return one.model_copy(update={"seen": (*one.seen, *more)})
