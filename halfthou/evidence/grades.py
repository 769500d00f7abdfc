"""Grades of half bearings: one letter each, what it means, and whether the half may go back.

Source: docs/trade: Reading half bearings, common practice; bearing makers' failure guides, from memory.
"""

from __future__ import annotations

from halfthou.jobs import Document

OVERLAY, WEAR, BACK, SEAT = "overlay", "wear", "back", "seat"
KIND = "shell kind"


class Grade(Document):
    """One grade of an overlay. `harm` ranks it from 0 (as new) to 4; `rejected` halves never go back; `sheds` says
    that it gave off bearing metal."""

    key: str
    answer: str
    means: str
    harm: int
    rejected: bool = False
    sheds: bool = False


AS_NEW, POLISHED, LINES, DEEP, BEDDED = "as new", "polished", "fine lines", "deep lines", "dirt bedded in"
COPPER, WIPED, MELTED, CRACKED = "copper through", "wiped", "melted", "cracked, pieces out"
PITTED, ACID, GONE = "pitted, sharp", "pitted, dull", "gone"

GRADES: tuple[Grade, ...] = (
    Grade(key="O", answer=AS_NEW, means="grey, even", harm=0),
    Grade(key="P", answer=POLISHED, means="bright, even", harm=0),
    Grade(key="L", answer=LINES, means="a nail runs clear", harm=1),
    Grade(key="D", answer=DEEP, means="a nail catches: dirt went through", harm=2, rejected=True),
    Grade(key="E", answer=BEDDED, means="dirt in the overlay: wash, filter, chips", harm=2, rejected=True),
    Grade(key="C", answer=COPPER, means="overlay gone to copper or bronze", harm=3, rejected=True, sheds=True),
    Grade(key="W", answer=WIPED, means="smeared: no oil, too tight, loaded", harm=3, rejected=True, sheds=True),
    Grade(key="M", answer=MELTED, means="ran: no oil", harm=4, rejected=True, sheds=True),
    Grade(key="F", answer=CRACKED, means="fatigue: overload, poor support", harm=3, rejected=True, sheds=True),
    Grade(key="K", answer=PITTED, means="cavitation, near holes and grooves", harm=2, rejected=True),
    Grade(key="A", answer=ACID, means="acid: old oil, coolant", harm=2, rejected=True),
    Grade(key="G", answer=GONE, means="nothing left", harm=4, rejected=True, sheds=True),
)  # fmt: skip
BY_ANSWER = {grade.answer: grade for grade in GRADES}

CROWN, FRONT, REAR, BOTH, CENTRE, JOINTS, BANDS = (
    "even over the crown", "front edge", "rear edge", "both edges", "centre", "near the joints", "narrow bands",
)  # fmt: skip
WEARS = (CROWN, FRONT, REAR, BOTH, CENTRE, JOINTS, BANDS)
CLEAN, MOVED, TRAPPED, HEATED = "clean", "polished or brown", "dirt trapped under it", "colour from heat"
BACKS = (CLEAN, MOVED, TRAPPED, HEATED)
IN_PLACE, TURNED, STUCK, LOOSE, SHEARED, HOLE, EXCHANGED = (
    "in place", "turned in its housing", "stuck to the journal", "loose in its housing", "tang sheared",
    "oil hole not over the drilling", "halves exchanged",
)  # fmt: skip
SEATS = (IN_PLACE, TURNED, STUCK, LOOSE, SHEARED, HOLE, EXCHANGED)
ANSWERS: dict[str, tuple[str, ...]] = {
    OVERLAY: tuple(BY_ANSWER), WEAR: WEARS, BACK: BACKS, SEAT: SEATS
}  # fmt: skip
#: How bad each answer is, where two people say different things: the worse counts.
WORSE: dict[str, tuple[str, ...]] = {
    OVERLAY: tuple(grade.answer for grade in sorted(GRADES, key=lambda one: one.harm)),
    BACK: BACKS,
    SEAT: (IN_PLACE, EXCHANGED, HOLE, LOOSE, STUCK, SHEARED, TURNED),
}

TWO_LAYER, THREE_LAYER, COATED, UNKNOWN = "two-layer soft", "three-layer with overlay", "coated", "not known"
#: What is normal for each kind of half bearing.
NORMAL = {
    TWO_LAYER: "Two-layer: it shines in normal life. Even polish is no sign.",
    THREE_LAYER: "Three-layer: grey overlay. Where it shines, the overlay wears; copper means it is through.",
    COATED: "Coated: the coating wears where it is loaded, in normal life. Metal showing under it is a sign.",
    UNKNOWN: "Say which kind it is: two-layer halves shine in normal life, others do not.",
}
