"""A crank as it lies, as a document: what a drawing of the shaft needs."""

from __future__ import annotations

from halfthou.jobs import Document
from halfthou.lengths import Shown
from halfthou.verdicts import Called


class ShaftPlace(Document):
    """One place of a shaft as it lies, for drawing: how far along it stands, in steps from the front; how far its
    middle lies beside the line of the end mains, in nm towards 0 and 90 degrees, None where no side is known;
    `swing` its total reading. `called` is how it stands by itself, `to_before` against its neighbour."""

    part: str
    along: float
    x_nm: float | None
    y_nm: float | None
    swing: Shown
    side: str
    called: Called
    to_before: Called
