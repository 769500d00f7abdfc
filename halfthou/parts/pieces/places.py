"""Which piece lies in which place of the engine, by the facts of fitting."""

from __future__ import annotations

from collections.abc import Mapping

from halfthou.engines import Engine
from halfthou.parts.trade import Given


def places_of(given: Given, one: str) -> Mapping[str, str]:
    """The place of every piece of a set, by piece; "" for one that lies in none. What came lies where it came.

    Rule:    pieces.places: facts belong to a piece, wherever it lies.
    """
    return given.memo.of(("places", one), _places, given.job.lies_in, given.engine, one)


def _places(moved: Mapping[str, str], engine: Engine, one: str) -> Mapping[str, str]:
    found = {}
    for part in engine.parts.values():
        if part.set == one and not part.beside:
            found[part.id] = moved.get(part.id, "" if part.spare else part.id)
    return found
