"""What debris says: whether a magnet takes it, whether the cutting made it, and what it means that there is none.

Source: docs/trade: Evidence and cause, common practice.
"""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.causes import SignSeen
from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.known import Known
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import ENGINE, Grain, Seen
from halfthou.looks import ABRASIVE, FILTER_CUT, Asks

#: The looks at debris, and their answer where there is none.
WHERE = {"in the screen": "nothing", "in the valleys": "nothing", "filter": "clean"}
_FINE = (Grain.FLOUR, Grain.GLITTER)


def own_metal(sightings: Sightings, look: str) -> bool:
    """Whether what is found there may be what the cutting made: it counts less."""
    if look != "filter":
        return False
    cut = sightings.answer(ENGINE, FILTER_CUT) == ABRASIVE
    return cut or any(one.answer == "cut with an abrasive" for one in sightings.by_place.get((ENGINE, look), ()))


def debris_of(sightings: Sightings) -> Iterator[Seen]:
    """What was found of debris, wherever it lay."""
    for look in WHERE:
        known = sightings.looks[look]
        for one in sightings.by_place.get((ENGINE, look), ()):
            answer = known.answer(one.answer)
            if answer is not None and answer.asks is Asks.DEBRIS:
                yield one


def of_debris(sightings: Sightings) -> Iterator[Known]:
    """Fines that a magnet takes: iron or steel wears somewhere, as of cam, followers, rings."""
    for one in debris_of(sightings):
        if one.debris is not None and one.debris.magnetic and one.debris.grain in _FINE:
            weak = sightings.weak(one) or own_metal(sightings, one.look)
            yield "metal.iron", True, SignSeen((f"{one.answer}: {one.debris.words}",), (one.id,), weak)


def against_the_magnet(sightings: Sightings) -> Iterator[Seen]:
    """Debris whose answer says one thing of the magnet and whose description says the other."""
    for one in debris_of(sightings):
        answer = sightings.looks[one.look].answer(one.answer)
        says = answer.magnetic if answer is not None else None
        if one.debris is not None and says is not None and one.debris.magnetic is (not says):
            yield one


def no_metal(bearings: BearingMap) -> Iterator[Known]:
    """No metal anywhere: filter and pan looked at and clean, every half bearing graded and none that sheds. The
    source lies elsewhere, or it was a false alarm."""
    sightings = bearings.sightings
    last = [sightings.last(ENGINE, look) for look in ("in the screen", "filter")]
    found = [one for one in last if one is not None]
    clean = len(found) == len(last) and all(one.answer == WHERE[one.look] for one in found)
    if clean and bearings.all_graded and not bearings.gone and not any(True for _ in debris_of(sightings)):
        yield (
            "metal.none",
            True,
            SignSeen(("filter, pan and every half bearing looked at",), tuple(o.id for o in found)),
        )
