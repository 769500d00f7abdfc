"""The cases of a set of loose pieces, those in the engine first."""

from __future__ import annotations

from halfthou.engines import PartKind
from halfthou.parts.pieces.case import PieceCase
from halfthou.parts.pieces.places import places_of
from halfthou.parts.trade import Given


def cases_of(given: Given, kind: PartKind, one: str) -> dict[str, PieceCase]:
    """What every piece of a set is judged by, by piece.

    What was seen of the set, or of what the kind is spoken of together, counts for each piece that has no look of
    its own.
    """
    job, limits = given.job, given.job.limits.sets[one]
    common = (one, *kind.wholes)
    shared = {look: seen for (on, look), seen in given.seen.items() if on in common}
    new = {one.part for one in job.pieces_here if one.new}
    found = {}
    for piece, place in places_of(given, one).items():
        own = {look: seen for (on, look), seen in given.seen.items() if on == piece}
        seen = {**shared, **own} if not given.engine.parts[piece].spare else own
        found[piece] = PieceCase(
            kind=kind,
            piece=given.surveys[piece],
            place=place,
            limits=limits,
            house=job.house_rules,
            seen=seen,
            eye=given.eye(seen, kind, limits),
            waived=given.waived.get(piece, frozenset()),
            new=piece in new,
        )
    return found
