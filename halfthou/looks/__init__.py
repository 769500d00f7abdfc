"""Looks: the one table of what may be seen, on what, with which answers, and what each answer says."""

from halfthou.looks import half_bearings
from halfthou.looks.effect import Does, Effect
from halfthou.looks.engine import BEARING_LOOKS, DRIVE_LOOKS, TOP_LOOKS
from halfthou.looks.eye import UNSEEN, EffectSeen, Eye, eye_of
from halfthou.looks.half_bearings import (
    AS_NEW,
    BACK,
    BEDDED,
    BY_ANSWER,
    DEEP,
    GONE,
    GRADES,
    HALVES_NOT,
    HALVES_SOUND,
    HOUSING,
    IN_PLACE,
    KIND,
    MOVED_SEAT,
    NORMAL,
    OF_HALVES,
    OVERLAY,
    POLISHED,
    ROD_KIND,
    SEAT,
    SEAT_LOOK,
    SHEARED,
    TURNED,
    UNKNOWN,
    WEAR,
    Grade,
)
from halfthou.looks.look import (
    GOOD,
    KEPT,
    METAL_SIGNS,
    Answer,
    Asks,
    Echo,
    LookKind,
    Where,
    good,
    harmless,
    holds,
    kept,
    plain,
)
from halfthou.looks.oil import ABRASIVE, FILTER_CUT, FILTER_LOOKS, OIL_LOOKS, SUPPLY_LOOKS
from halfthou.looks.shared import CRACK_FOUND, CRACK_TEST_LOOK, CRANK_SUSPECT, PASSED
from halfthou.looks.table import AllLooks, LookTwice

#: The looks at what is not measured; those at what is, its kind of part brings.
ENGINE_LOOKS: tuple[LookKind, ...] = (
    *OIL_LOOKS,
    *SUPPLY_LOOKS,
    *FILTER_LOOKS,
    *BEARING_LOOKS,
    *DRIVE_LOOKS,
    *TOP_LOOKS,
    *OF_HALVES.values(),
)
