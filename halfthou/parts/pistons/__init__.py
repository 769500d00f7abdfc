"""Pistons: measured at their gauge point, judged one by one, paired with their bores."""

from halfthou.parts.pistons.kind import PISTON
from halfthou.parts.pistons.trade import Pistons
