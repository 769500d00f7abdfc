"""What is said of how a crank lay while it was indicated."""

from __future__ import annotations

from halfthou.looks import LookKind, kept

#: What a look at the whole crank says where it found it true; in a job that judges straightness only figures do.
TRUE = "within the maker's run-out"
SUPPORTS = "supports"
BLOCKS, CENTRES = "end mains", "centres"
LOOKS = (LookKind(SUPPORTS, kept(BLOCKS, CENTRES), ("straightness",), bench=True),)
