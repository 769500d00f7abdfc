"""Piston rings: the gap of each in its own bore, filed to fit."""

from halfthou.parts.rings.kind import RING
from halfthou.parts.rings.report import filing_table
from halfthou.parts.rings.together import RingSet
from halfthou.parts.rings.trade import Rings

__all__ = ["RING", "RingSet", "Rings", "filing_table"]
