"""Which piece lies in which place of the engine, by the facts of fitting."""

from __future__ import annotations

from collections.abc import Mapping

from halfthou.engines import Engine
from halfthou.jobs import Job


def places_of(job: Job, engine: Engine, one: str) -> Mapping[str, str]:
    """The place of every piece of a set, by piece; "" for one that lies in none. What came lies where it came.

    Rule:    pieces.places: facts belong to a piece, wherever it lies.
    """
    moved = job.lies_in
    found = {}
    for part in engine.parts.values():
        if part.set == one and not part.beside:
            found[part.id] = moved.get(part.id, "" if part.spare else part.id)
    return found
