"""Grades of half bearings: one letter each, what it means, and whether the half may go back.

Source: docs/trade: Reading half bearings, common practice; bearing makers' failure guides, from memory.
"""

from __future__ import annotations

from halfthou.jobs import Document
from halfthou.looks.effect import Does, Effect
from halfthou.looks.look import GOOD, KEPT, Answer, Echo, LookKind, kept
from halfthou.looks.shared import CRANK_SUSPECT

OVERLAY, WEAR, BACK, SEAT = "overlay", "wear", "back", "seat"
#: Which kind the half bearings are, of the mains and of the rods. Before they were told apart the first was both.
KIND, ROD_KIND = "shell kind", "rod shell kind"


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
#: What the halves of a journal say together, and what of them says that metal went through the pump.
HALVES, HALVES_SOUND, HALVES_NOT = "half bearings", "sound by eye", "not to go back"
_NOT_BACK = Echo("journal", HALVES, HALVES_NOT)
_SOUND = Echo("journal", HALVES, HALVES_SOUND, all=True)
_METAL = Echo("oil pump", "metal", "metal found")
_ON = ("half bearing",)


def _graded(grade: Grade) -> Answer:
    own = _NOT_BACK if grade.rejected else _SOUND
    does = (CRANK_SUSPECT,) if grade.answer in (MELTED, GONE) else KEPT if grade.rejected else GOOD
    return Answer(grade.answer, echoes=(own, _METAL) if grade.sheds else (own,), does=does)


_AS_MARKED = (
    Effect(Does.ADVISES, "evidence.used-shells", "Halves stood exchanged: lay upper and lower as they are marked."),
)
#: Seats that say that a half bearing moved, and what is measured then.
MOVED_SEAT, HOUSING = (TURNED, SHEARED), "housing"
_LOOSE_SEAT = (
    Effect(
        Does.ASKS,
        "verdicts.journal.turned-shell",
        "The half bearing sat loose: its crush is gone. Measure its housing before others are fitted.",
        on=HOUSING,
        of=("journal",),
    ),
)
_MOVED = (
    Effect(
        Does.ASKS,
        "verdicts.journal.turned-shell",
        "The shell turned: measure its housing before anything else about it.",
        on=HOUSING,
        of=("journal",),
    ),
    CRANK_SUSPECT,
)


def _sat(text: str) -> Answer:
    echoes = () if text in (IN_PLACE, EXCHANGED) else (_NOT_BACK,)
    others = {IN_PLACE: GOOD, LOOSE: _LOOSE_SEAT, EXCHANGED: _AS_MARKED, STUCK: (CRANK_SUSPECT,)}
    return Answer(text, echoes=echoes, does=_MOVED if text in MOVED_SEAT else others.get(text, KEPT))


OVERLAY_LOOK = LookKind(
    OVERLAY,
    tuple(_graded(grade) for grade in GRADES),
    _ON,
    lost_by="wash.shells",
    worse=tuple(grade.answer for grade in sorted(GRADES, key=lambda one: one.harm)),
)
WEAR_LOOK = LookKind(WEAR, kept(*WEARS), _ON, lost_by="wash.shells")
BACK_LOOK = LookKind(BACK, kept(*BACKS), _ON, lost_by="wash.shells", worse=BACKS)
#: How a half bearing sat: of each half on the map, of all of a journal at the bench.
SEAT_LOOK = LookKind(
    SEAT,
    tuple(_sat(text) for text in SEATS),
    ("half bearing", "journal"),
    bench=True,
    lost_by="wash.shells",
    worse=(IN_PLACE, EXCHANGED, HOLE, LOOSE, STUCK, SHEARED, TURNED),
)
#: The looks of the bearing map.
OF_HALVES = {look.key: look for look in (OVERLAY_LOOK, WEAR_LOOK, BACK_LOOK, SEAT_LOOK)}

TWO_LAYER, THREE_LAYER, COATED, UNKNOWN = "two-layer soft", "three-layer with overlay", "coated", "not known"
#: What is normal for each kind of half bearing.
NORMAL = {
    TWO_LAYER: "Two-layer: it shines in normal life. Even polish is no sign.",
    THREE_LAYER: "Three-layer: grey overlay. Where it shines, the overlay wears; copper means it is through.",
    COATED: "Coated: the coating wears where it is loaded, in normal life. Metal showing under it is a sign.",
    UNKNOWN: "Say which kind it is: two-layer halves shine in normal life, others do not.",
}
