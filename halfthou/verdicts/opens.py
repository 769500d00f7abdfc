"""What keeps a part from being settled."""

from __future__ import annotations

from enum import StrEnum


class Open(StrEnum):
    """What keeps a part from being settled. While one stands, nothing about it is whole."""

    UNREAD = "not read whole"
    HELD = "a question waits"
    OUTSIDE = "a reading outside the plan"
    CONTRADICTED = "readings contradict"
    SCORE_DEPTH = "depth of the score not known"
    TWO_ANGLES = "two angles only"
    FOREIGN = "no shell is made for its size"
    THUMB = "sized by a rule of thumb"
    TOO_CLOSE = "too close to call"
    LARGER = "larger than new"
    CLEARANCE = "oil clearance"
    HOUSING = "housing"
    REFERRED = "somebody else's word"
    FORM = "does not look like wear"
    STATE = "not read in the state it runs in"
    FOUR_ANGLES = "four angles wanted"
    PISTON = "piston clearance not known"
    BEFORE_BORING = "wanted before boring"
    MISSED = "not the size it was bored to"
    PLACE = "where it was measured is not known"
    NO_LIMIT = "a limit is wanted"
    SUSPECT = "fed a failure"
    UNSEEN = "not looked at"
    RINGS = "rings not known"
    BORE = "its bore is not read"
    UNEVEN = "not like the others"
    SEEN = "something seen is not settled"
    CRANK = "the crank is to be indicated and crack-tested"
    HIGH_SIDE = "the high side is not read"
    SUPPORT = "a support does not run true"
    STAND = "it has to stand and be read again"


#: What the eye has still to say or to settle.
TO_SEE = frozenset({Open.UNSEEN, Open.SEEN})

#: What leaves the size of a part open: its set cannot be sized, ordered for or machined while one stands.
SIZE_OPEN = frozenset(
    {Open.UNREAD, Open.HELD, Open.OUTSIDE, Open.CONTRADICTED, Open.SCORE_DEPTH, Open.TWO_ANGLES, Open.THUMB}
)
