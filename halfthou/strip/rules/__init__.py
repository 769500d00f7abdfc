"""What holds what in an engine, what covers it, and what comes first: one table over all descriptions.

No list of steps is written by hand for any engine: `halfthou.strip.order` works it out from this table.
"""

from halfthou.strip.rules.crank import CRANK
from halfthou.strip.rules.drive import DRIVE
from halfthou.strip.rules.outside import OUTSIDE
from halfthou.strip.rules.rods import RODS
from halfthou.strip.rules.turning import TURNING, TURNING_RULE
from halfthou.strip.rules.valves import VALVES

TIES = (*OUTSIDE, *DRIVE, *VALVES, *TURNING, *RODS, *CRANK)
