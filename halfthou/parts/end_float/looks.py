"""What is seen of the thrust faces of a crank at the bench."""

from __future__ import annotations

from halfthou.looks import Answer, Does, Effect, LookKind, good

FACES = "thrust faces"
_BLUE = Effect(
    Does.REFERS, "end-float.faces", "Thrust face {0}: it got hot. Refer it: float within does not clear it."
)
_WORN = Effect(
    Does.REMEDY,
    "end-float.faces",
    "Thrust face {0}: dressed and polished, and new washers or a new thrust bearing fitted.",
    on="fit thrust washers",
)
LOOKS = (
    LookKind(
        FACES,
        (*good("smooth"), Answer("scored", does=(_WORN,)), Answer("blue or torn", does=(_BLUE,))),
        ("end float",),
        bench=True,
        how="Front and rear, on the crank. Front is the end away from the flywheel.",
    ),
)
