"""Signed sheets of every shape that was ever stored, read for display. What was signed is never rewritten."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from halfthou.jobs import OLDER_SEEN
from halfthou.report.documents import Assessment
from halfthou.report.stations import WORST_FIRST
from halfthou.verdicts import FigureKey, MarkCode

#: The shape in which sheets are stored now. 1 and 2 carry no stamp: the first two versions stored none.
SHAPE = 9
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


def _of_third(found: Sheet) -> Sheet:
    """The third version's: journals and two sets only, called by their own names."""
    crank = {"key": "crank", "name": "Crank", "drawing": "crank", "parts": [one["id"] for one in found["journals"]]}
    left = sum(one["left"] for one in found["journals"])
    kept = {name: value for name, value in found.items() if name not in ("mains", "rods", "journals")}
    return {
        **kept,
        "stations": [{**crank, "mark": _worst(found), "left": left}],
        "sets": [_set_of_third(found[one]) for one in ("mains", "rods")],
        "parts": [_part_of_third(one) for one in found["journals"]],
    }


def _worst(found: Sheet) -> Sheet:
    marks: list[Sheet] = [one["mark"] for one in (*found["journals"], found["mains"], found["rods"])]
    return min(marks, key=lambda mark: WORST_FIRST.index(MarkCode(mark["code"])))


_JOURNAL = {"kind": "journal", "station": "crank"}


def _moved(one: Sheet, names: dict[str, str], gone: tuple[str, ...] = ()) -> Sheet:
    return {names.get(name, name): value for name, value in one.items() if name not in gone}


def _part_of_third(one: Sheet) -> Sheet:
    moved = _moved(
        one,
        {"state": "called", "least": "size", "least_words": "size_words"},
        ("spots", "outside", "bearing", "housing_waits"),
    )
    name = one["id"]
    own = {"part": name, "feature": "diameter", "name": "journal", "planned": True}
    beside = [
        {
            "part": f"bearing-{name}",
            "feature": b["feature"],
            "name": b["feature"],
            "planned": False,
            "spots": b["spots"],
        }
        for b in one["bearing"]
    ]
    asked = {"part": name, "feature": "diameter"}
    return {
        **moved,
        **_JOURNAL,
        "waits": ["housing"] if one["housing_waits"] else [],
        "features": [{**own, "spots": one["spots"], "outside": one["outside"]}, *beside],
        "to_read": [{**asked, "spot": spot} for spot in one["to_read"]],
        "to_repeat": [{**asked, "spot": again["spot"], "times": again["more"]} for again in one["to_repeat"]],
        "figures": [
            {**_moved(figure, {"state": "called"}), "limit_is_least": figure["key"] in _LEAST}
            for figure in one["figures"]
        ],
        "clearance": _moved(one["clearance"], {"state": "called"}),
    }


#: The figures of journals and their bearings whose limit is a least one.
_LEAST = ("size", "clearance least", "housing least")


def _set_of_third(one: Sheet) -> Sheet:
    moved = _moved(
        one,
        {"undersize": "step", "ground_band": "rough_band", "order": "reading_order", "ladder": "scale"},
        ("shells", "hardening"),
    )
    order = [dict(zip(("part", "spot"), said.split(), strict=True)) for said in moved.get("reading_order", [])]
    steps = [_moved(step, {"undersize": "step"}) for step in one["steps"]]
    return {
        **moved,
        **_JOURNAL,
        "to_order": [
            {
                **_moved(shells, {"undersize": "step", "pairs": "count", "journals": "parts"}),
                "what": "pairs of shells",
            }
            for shells in one["shells"]
        ],
        "steps": steps,
        "scale": {
            **one["ladder"],
            "steps": [_moved(step, {"undersize": "step"}) for step in one["ladder"]["steps"]],
        },
        "reading_order": [{"feature": "diameter", **said} for said in order],
    }


def _of_fourth(found: Sheet) -> Sheet:
    """The fourth version's: no loose pieces and no lists; what it lacks is none."""
    return found


def _of_fifth(found: Sheet) -> Sheet:
    """The fifth version's: nothing from the door and the strip was said of the job as a whole."""
    return found


def _of_sixth(found: Sheet) -> Sheet:
    """The sixth version's: nothing was said of the cause."""
    return found


def _of_seventh(found: Sheet) -> Sheet:
    """The seventh version's: a figure known as the size by its key, its words beside it."""
    parts = [
        {**part, "figures": [_figure_of_seventh(one, part.get("size_words", "")) for one in part["figures"]]}
        for part in found["parts"]
    ]
    return {**found, "parts": parts}


def _figure_of_seventh(figure: Sheet, said: str) -> Sheet:
    if figure["key"] != FigureKey.SIZE:
        return figure
    return {**figure, "of_size": True, "words": "" if said == figure["value"]["text"] else said}


def _of_eighth(found: Sheet) -> Sheet:
    """The eighth version's: what was seen at the bench was a fact of its own kind."""
    read = next(older.read for older in OLDER_SEEN if older.name == "observation")
    return {
        **found,
        "parts": [{**part, "seen": [read(one) for one in part.get("seen", [])]} for part in found["parts"]],
    }


_STEPS: tuple[Callable[[Sheet], Sheet], ...] = (
    _of_first,
    _of_second,
    _of_third,
    _of_fourth,
    _of_fifth,
    _of_sixth,
    _of_seventh,
    _of_eighth,
)
