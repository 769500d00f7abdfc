"""Which answers to a look tell of something wrong: for the report, and for the oil's way."""

from __future__ import annotations

from halfthou.causes import LEFT_BY_CAUSES
from halfthou.looks import LookKind


def is_wrong(look: LookKind, text: str) -> bool:
    """Whether an answer to a look says that something is wrong: it keeps a part back, or some cause leaves it."""
    answer = look.answer(text)
    if answer is None:
        return False
    told = answer.fault or bool(LEFT_BY_CAUSES.intersection(answer.shows))
    return told or text in _ALSO_TOLD.get(look.key, ())


#: What leaves no sign of a cause and is told all the same, by look. Source: common practice, no source.
_ALSO_TOLD: dict[str, tuple[str, ...]] = {
    "oil seen": ("thick", "the wrong kind"),
    "earlier hands": ("foreign sealant", "a repaired thread", "a part from another maker", "a part missing",
                      "mixed bolts"),
    "in the screen": ("fibres",),
    "push rod tips": ("bent", "out of order"),
    "filter": ("coated", "pleats full"),
    "rod and cap": ("nicked", "bolt seat damaged", "bent to the eye"),
    "bell housing": ("pilot worn", "ring gear chipped"),
    "thrust": ("grooved", "one face blued", "cracked", "oil groove gone"),
    "timing drive": ("play",),
    "heat tests": ("soft or cracked",),
    "torque found": ("stretched",),
    "gasket": ("corroded", "an insert of the deck loose", "fret marks"),
}  # fmt: skip
