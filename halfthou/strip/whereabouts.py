"""Where the part of a place lies now: the one answer, from fittings, trays and steps."""

from __future__ import annotations

from typing import NamedTuple

from halfthou.engines import Engine
from halfthou.jobs import Job
from halfthou.strip.standing import Strip


class Whereabouts(NamedTuple):
    """Where a part lies: in a place of the engine, in a pocket, or nobody said."""

    place: str = ""
    pocket: str = ""


def lies_in(job: Job, piece: str, engine: Engine) -> Whereabouts:
    """Where a piece lies now. What nobody moved lies where it came from.

    Takes:   the piece by its name, which is that of the place it came in, or its own where it was brought in.
    Rule:    pieces.places, strip.places: the last that was said of it counts.
    """
    known = engine.parts.get(piece)
    pocket = Strip(job).lies_in.get(piece, "")
    fitted = [one for one in job.standing(job.fittings) if one.piece == piece]
    last = fitted[-1] if fitted else None
    laid = [one for one in job.standing(job.layings) if one.part == piece and last and one.at > last.at]
    if laid:
        return Whereabouts(pocket=laid[-1].pocket)
    if piece in job.lies_in:
        place = job.lies_in[piece]
        return Whereabouts(place=place, pocket="" if place else pocket)
    if pocket:
        return Whereabouts(pocket=pocket)
    return Whereabouts(place="" if known is not None and known.spare else piece)


def lies_there(job: Job, place: str, engine: Engine) -> str:
    """The piece that lies in a place now; "" where none does."""
    moved = job.lies_in
    found = next((piece for piece, at in moved.items() if at == place), "")
    if found or place in moved:
        return found
    return place if lies_in(job, place, engine).place == place else ""
