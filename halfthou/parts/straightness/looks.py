"""What is said of how a crank lay while it was indicated."""

from __future__ import annotations

from halfthou.looks import LookKind, kept

SUPPORTS = "supports"
BLOCKS, CENTRES = "end mains in vee blocks", "between its centres"
LOOKS = (LookKind(SUPPORTS, kept(BLOCKS, CENTRES), ("straightness",), bench=True),)
