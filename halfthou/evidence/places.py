"""Where things are seen: the positions of the engine, its thrust faces, and the engine itself."""

from __future__ import annotations

from functools import lru_cache

from halfthou.causes import EVIDENCE_LOOKS
from halfthou.evidence.grades import ANSWERS
from halfthou.jobs import ENGINE, Layout
from halfthou.strip import places_off

DEPOSIT = "deposit line"
#: Doubt of a deposit line's height, in nanometres: it is a band, not a line. Source: judgement, 0.3 mm.
DEPOSIT_DOUBT_NM = 300_000


@lru_cache(maxsize=64)
def places_of(layout: Layout) -> dict[str, str]:
    """Every place that something may be seen on, and what it is called."""
    return {ENGINE: "Engine", **{key: place.name for key, place in places_off(layout).items()}}


def halves_of(layout: Layout) -> tuple[str, ...]:
    """The half bearings by position, along the shaft from the front: upper before lower."""
    found = []
    for name in layout.shaft:
        if name[0] == "M":
            found += [f"half-main-{name[1:]}-{half}" for half in ("upper", "lower")]
        else:
            for cylinder in layout.pins[int(name[1:]) - 1].cylinders:
                found += [f"half-rod-{cylinder}-{half}" for half in ("upper", "lower")]
    return tuple(found)


def answers_of(look: str, on: str, layout: Layout) -> tuple[str, ...]:
    """What a look may answer on a place; nothing where it is not taken there."""
    place = places_off(layout).get(on)
    kind = place.kind if place is not None else ENGINE
    if look in ANSWERS:
        return ANSWERS[look] if kind == "half bearing" else ()
    if look == DEPOSIT:
        return ("measured",) if kind == "piston" else ()
    known = EVIDENCE_LOOKS.get(look)
    if known is None or not known.answers:
        return ()
    there = kind in known.places if known.places else on == ENGINE
    return tuple(answer.text for answer in known.answers) if there else ()
