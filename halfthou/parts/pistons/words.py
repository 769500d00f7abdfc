"""Everything said of one piston, in short sentences."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.parts.pieces import PieceVerdict, Tell
from halfthou.verdicts import Open

TELLS = {
    "height": Tell(
        "pistons.place",
        "At which height it is measured is not on the sheet: find the height and its datum. Skirts are oval and "
        "barrelled: read anywhere else, the size says nothing.",
    ),
    "land read": Tell(
        "pistons.place",
        "Read {0} below new: that is a ring land, or a digit missing, more likely than wear. Read it again at the "
        "gauge height, square to the pin.",
    ),
    "unlikely": Tell(
        "pistons.present",
        "Reads {0} larger than new, and neither its bore nor a stamp says that it is of a larger size. Read it "
        "again, cold; or write down what is stamped on its crown.",
    ),
    "larger": Tell(
        "pistons.clearance", "Reads {0} larger than its bore: one of the two is misread. Read both again."
    ),
    "typical": Tell(
        "pistons.clearance", "The clearance is only what is usual for the alloy: find the piston maker's figure."
    ),
    "design": Tell("pistons.design", "Oval, wider at the foot and small at the lands: made so, not damage."),
    "coated": Tell("pistons.place", "Skirt {0}: read it as the piston maker's sheet says."),
    "coarse": Tell(
        "gauges.cannot-accept",
        "The band is narrower than this gauge can tell: it can reject {0}, not accept it. A finer gauge is wanted.",
    ),
    "one": Tell("pistons.one-or-all", "The only one bad. Advice: look at what is particular to cylinder {0}."),
    "all": Tell(
        "pistons.one-or-all", "All are bad: look at what they share, oil and air, before any one cylinder."
    ),
    "moved": Tell("sets.pairing", "Better in bore {0}: {1} there."),
    "moved for the set": Tell("sets.pairing", "To bore {0}, so that the whole set fits: {1} there."),
    "tight here": Tell(
        "sets.pairing", "Tight in this bore alone: which bore it fits is known once all of them are read."
    ),
    "stays": Tell("sets.pairing", "Keeps its own bore, by the house rule."),
    "bored": Tell("pistons.oversize", "Its bore goes to {0}: a piston of that size takes its place."),
    "bore to blame": Tell("pistons.bore-or-piston", "A new piston would be too loose too: the bore is to blame."),
    "piston to blame": Tell(
        "pistons.bore-or-piston", "In this bore a new piston is within: the piston is to blame."
    ),
    "uneven weight": Tell(
        "pistons.weight", "Furthest off in weight, and the set is too far apart: match it, or fit another."
    ),
    "uneven crown height": Tell(
        "pistons.crown",
        "Its crown is furthest off, and the set is too far apart: a wrong rod, piston or crank throw in this "
        "cylinder? Find out why, or fit another.",
    ),
    "not fitted": Tell("pieces.places", "Lies in no bore."),
    "rod on": Tell("sets.pairing", "Its rod is still on: it moves with its rod, or not at all."),
}


def still_of_piston(verdict: PieceVerdict) -> Iterator[str]:
    """What is still wanted of a piston."""
    if Open.FORM in verdict.opens:
        yield "Pick the skirt's spot and read it again, at the gauge height, square to the pin."
