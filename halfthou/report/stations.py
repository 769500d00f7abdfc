"""The stations of the bench: each drawing of the engine with its parts, its worst mark, and what it still wants."""

from __future__ import annotations

from halfthou.engines import Kinds
from halfthou.report.documents import PartReport, SetReport, StationReport
from halfthou.verdicts import MarkCode

NAMES = {
    "straightness": "Straightness",
    "crank": "Crank",
    "end float": "End float",
    "tunnel": "Tunnel",
    "block": "Block",
    "pistons": "Pistons and rings",
    "pump": "Oil pump",
}
#: The worst mark of a station's parts is worn by the station: what ends it first, what is well last.
WORST_FIRST = (
    MarkCode.REPLACE,
    MarkCode.REFER,
    MarkCode.STRAIGHTEN,
    MarkCode.LINE_HONE,
    MarkCode.FIT_WASHERS,
    MarkCode.SLEEVE,
    MarkCode.REGRIND,
    MarkCode.REBORE,
    MarkCode.NEW_PARTS,
    MarkCode.REPIN,
    MarkCode.REGROOVE,
    MarkCode.LAP,
    MarkCode.TOO_CLOSE,
    MarkCode.LOOK,
    MarkCode.NOT_READ,
    MarkCode.FIT_UNDERSIZE,
    MarkCode.FILE,
    MarkCode.MOVE,
    MarkCode.HONE,
    MarkCode.POLISH,
    MarkCode.WITH_SET,
    MarkCode.REUSE,
    MarkCode.SPARE,
)


def stations_of(
    parts: tuple[PartReport, ...], sets: tuple[SetReport, ...], kinds: Kinds
) -> tuple[StationReport, ...]:
    """The stations in the order of the work."""
    found = []
    for key in dict.fromkeys(part.station for part in parts):
        here = [part for part in parts if part.station == key]
        marks = [*(part.mark for part in here if not part.out), *(one.mark for one in sets if one.station == key)]
        worst = min(marks, key=lambda mark: WORST_FIRST.index(mark.code))
        left = sum(part.left for part in here)
        name = NAMES.get(key, key.capitalize())
        found.append(
            StationReport(
                key=key,
                name=name,
                drawing=kinds[here[0].kind].station_drawing,
                mark=worst,
                left=left,
                parts=tuple(part.id for part in here),
            )
        )
    return tuple(found)
