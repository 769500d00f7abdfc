"""Piston rings: the gap of each in its own bore, filed to fit."""

from halfthou.parts.rings.kind import RING
from halfthou.parts.rings.trade import Rings
