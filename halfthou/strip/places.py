"""The places that parts are taken from, of all that an engine has."""

from __future__ import annotations

from functools import lru_cache

from halfthou.engines import Place
from halfthou.jobs import Layout
from halfthou.parts import CATALOGUE


@lru_cache(maxsize=64)
def places_off(layout: Layout) -> dict[str, Place]:
    """The places of an engine that parts are taken from, by their ids, in the order of the engine.

    Rule:    strip.places: parts are known by their place, not by the order they came out in.
    """
    return {key: place for key, place in CATALOGUE.places(layout).items() if place.how}
