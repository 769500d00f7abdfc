"""Signed sheets of every shape that was ever stored, read for display. What was signed is never rewritten."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from halfthou.report.documents import Assessment
from halfthou.verdicts import FigureKey

#: The shape in which sheets are stored now. 1 and 2 carry no stamp: the first two versions stored none.
SHAPE = 3
Sheet = dict[str, Any]

_KEYS = {
    "least size": FigureKey.SIZE,
    "out-of-round": FigureKey.OUT_OF_ROUND,
    "taper": FigureKey.TAPER,
    "barrel": FigureKey.BARREL,
    "hourglass": FigureKey.BARREL,
    "oil clearance, least": FigureKey.CLEARANCE_LEAST,
    "oil clearance, most": FigureKey.CLEARANCE_MOST,
}


def shape_of(sheet: Sheet) -> int:
    """The shape a sheet was stored in. The second's journals tell what is left to read, the first's do not."""
    if "shape" in sheet:
        return int(sheet["shape"])
    journals = sheet["assessment"]["journals"]
    return 2 if journals and "to_repeat" in journals[0] else 1


def read_signed(sheet: Sheet) -> Assessment:
    """The assessment of a signed sheet, whatever shape it was stored in.

    Takes:   the sheet as stored.
    Refuses: ValueError where it is of a shape this program does not know.
    """
    shape, found = shape_of(sheet), sheet["assessment"]
    if shape > SHAPE:
        raise ValueError(f"the sheet was signed by a newer program (shape {shape}, this one knows {SHAPE})")
    for step in _STEPS[shape - 1 :]:
        found = step(found)
    return Assessment.model_validate(found)


def _of_first(found: Sheet) -> Sheet:
    """The first version's: nothing was repeated, no bearing read, no contradictions told."""
    journals = [
        {"to_repeat": [], "left": len(one["to_read"]), "bearing": [], "contradictions": [], **one}
        for one in found["journals"]
    ]
    sets = {name: {"order": [], "notes": [], **found[name]} for name in ("mains", "rods")}
    return {**found, **sets, "journals": journals}


def _of_second(found: Sheet) -> Sheet:
    """The second version's: figures by their English name, one band for the grinder, no word of what is open."""
    return {
        **found,
        "decided": True,
        "journals": [_journal_of_second(one) for one in found["journals"]],
        **{name: _set_of_second(found[name]) for name in ("mains", "rods")},
    }


def _journal_of_second(one: Sheet) -> Sheet:
    least = one["least"]
    return {
        **one,
        "present_words": "",
        "opens": [],
        "waived": [],
        "housing_waits": False,
        "outside": [],
        "least_words": least["text"] if least else "",
        "figures": [{**figure, "key": _KEYS[figure["name"]]} for figure in one["figures"]],
    }


def _set_of_second(one: Sheet) -> Sheet:
    kept = {name: value for name, value in one.items() if name != "grinder_band"}
    return {
        **kept,
        "mixed": False,
        "finished": one["complete"],
        "decided": True,
        "ended": False,
        "finished_band": one["grinder_band"],
        "ground_band": None,
    }


_STEPS: tuple[Callable[[Sheet], Sheet], ...] = (_of_first, _of_second)
