"""What the damage along the oil's way says: short below a point, a branch, a trap, dirt or lost pressure.

Rule:    evidence.oil-way.   Source: docs/trade: The oil's way, common practice.
"""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.oil_way import OilWay, Station
from halfthou.evidence.sighted import Sightings
from halfthou.evidence.wrong import is_wrong
from halfthou.jobs import Document
from halfthou.looks import BEDDED, DEEP
from halfthou.words import Reason

_RULE = "evidence.oil-way"


class StationShown(Document):
    """A station on the oil's way as it was found. `harm` ranks it from 0 to 4; None where nobody looked."""

    key: str
    name: str
    short: str
    fed_by: tuple[str, ...]
    harm: int | None
    words: str


#: By station: the looks that tell of it.
_LOOKS = {
    "pan": ("in the screen", "in the valleys"),
    "screen": ("screen",),
    "pickup": ("seal at the pickup",),
    "relief": ("relief valve",),
    "pump": ("gears or rotors", "pump housing", "inside", "pump turns", "drive"),
    "filter": ("filter", "insert"),
    "bypass": ("insert",),
    "gallery": ("dirt",),
    "cam": ("cam dry",),
    "rockers": ("push rod tips", "cam dry"),
    "turbo": ("cam dry",),
}


def stations_shown(way: OilWay, sightings: Sightings, bearings: BearingMap) -> tuple[StationShown, ...]:
    """Every station of the oil's way, each with its damage."""
    return tuple(_shown(one, way, sightings, bearings) for one in way.stations.values())


def _shown(station: Station, way: OilWay, sightings: Sightings, bearings: BearingMap) -> StationShown:
    key, name, fed_by = station.key, station.name, station.fed_by
    bearing = (
        f"main-{key[1:]}" if key[0] == "M" and key in way.layout.mains else key if key.startswith("rod-") else ""
    )
    if bearing:
        worst = bearings.worst(bearing)
        return StationShown(
            key=key,
            name=name,
            short=station.short or name,
            fed_by=fed_by,
            harm=None if worst is None else worst.harm,
            words="" if worst is None else worst.answer,
        )
    said: list[tuple[str, str]] = []
    if key in way.layout.rods:
        cylinders = way.layout.pins[int(key[1:]) - 1].cylinders
        said = [("drilling", sightings.answer(f"rod-{cylinder}", "drilling")) for cylinder in cylinders]
    said += [
        (look, one.answer)
        for look in _LOOKS.get(key, ())
        for (_, known), all_ in sightings.by_place.items()
        if known == look
        for one in all_
    ]
    looked = [answer for _, answer in said if answer]
    bad = [answer for look, answer in said if answer and is_wrong(sightings.looks[look], answer)]
    harm = None if not looked else 3 if bad else 0
    return StationShown(
        key=key,
        name=name,
        short=station.short or name,
        fed_by=fed_by,
        harm=harm,
        words=", ".join(dict.fromkeys(bad or looked)),
    )


def readings_of_the_way(way: OilWay, bearings: BearingMap) -> tuple[Reason, ...]:
    """What the damage says, read along the oil's way."""
    harm = {key: worst.harm for key in bearings.bearings if (worst := bearings.worst(key)) is not None}
    return tuple(_said(way, bearings, harm)) if harm else ()


def _said(way: OilWay, bearings: BearingMap, harm: dict[str, int]) -> Iterator[Reason]:
    rods = [f"rod-{n}" for n in range(1, way.layout.cylinders + 1)]
    mains = [f"main-{main[1:]}" for main in way.mains]
    gone = [rod for rod in rods if harm.get(rod, 0) >= 3]
    all_seen = all(rod in harm for rod in rods)
    mains_gone = [main for main in mains if harm.get(main, 0) >= 3]
    if all_seen and len(gone) == len(rods) > 1 and len(mains_gone) < len(mains):
        yield _reason(
            "All rods gone, mains better: short of oil. Look above the gallery: screen, pickup, pump, relief."
        )
    elif all_seen and len(gone) == 1 < len(rods) and not mains_gone:
        number = gone[0].removeprefix("rod-")
        yield _reason(
            f"Rod {number} alone: its drilling, half bearing, bolts, cylinder. The supply reached the others."
        )
    elif gone:
        yield from _branch(way, gone, harm)
    yield from _along(way, bearings, harm, mains)


def _branch(way: OilWay, gone: list[str], harm: dict[str, int]) -> Iterator[Reason]:
    """A main below which everything is gone, and nothing outside it."""
    for main in way.mains:
        below = [one for one in way.below[main] if one.startswith("rod-")]
        if len(below) > 1 and set(gone) == set(below) and all(one in harm for one in below):
            yield _reason(
                f"Everything below main {main[1:]} is gone, the rest is not: look at it and its drillings."
            )


def _along(way: OilWay, bearings: BearingMap, harm: dict[str, int], mains: list[str]) -> Iterator[Reason]:
    seen = [main for main in mains if main in harm]
    if len(seen) < 3 or len(seen) < len(mains):
        return
    last, others = mains[-1], mains[:-1]
    dirty = {
        main for main in mains if (worst := bearings.worst(main)) is not None and worst.answer in (DEEP, BEDDED)
    }
    if last in dirty and harm[last] > max(harm[main] for main in others):
        name = bearings.called(last)
        yield _reason(f"{name} is the last of the gallery: the largest pieces end there. A trap, not the origin.")
    falling = [harm[main] for main in mains]
    if falling[0] > falling[-1] and falling == sorted(falling, reverse=True) and mains[0] in dirty:
        yield _reason("Worst nearest the pump, with dirt: contamination.")
    if falling[-1] > falling[0] and falling == sorted(falling) and not dirty:
        yield _reason("Worst farthest from the pump, and clean: pressure lost.")
    worst_main = max(dirty, key=lambda main: harm[main], default=None)
    if worst_main is not None:
        fed = [rod for rod in way.below[f"M{worst_main[5:]}"] if harm.get(rod, 0) >= 3]
        if fed and harm[worst_main] < 3 and len(fed) == 1:
            main, rod = bearings.called(worst_main), bearings.called(fed[0])
            yield _reason(f"{main} is scratched and feeds {rod}: they belong together.")


def _reason(text: str) -> Reason:
    return Reason(rule=_RULE, text=text)
