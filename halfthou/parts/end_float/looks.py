"""What is seen of the thrust faces of a crank at the bench."""

from __future__ import annotations

from halfthou.looks import Answer, Asks, Does, Effect, LookKind, good, kept

FACES, AS_BUILT = "thrust faces", "as built"
BLUE = "blue or torn"
#: Whose word a float as built rests on. Only what this shop has on record clears a cause.
ON_RECORD, PAPER, TOLD = "build sheet of this shop", "paper of another shop", "word of mouth"
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
        (*good("smooth"), Answer("scored", does=(_WORN,)), Answer(BLUE, does=(_BLUE,))),
        ("end float",),
        bench=True,
        how="Front and rear, on the crank. Front is the end away from the flywheel.",
    ),
    LookKind(
        AS_BUILT,
        kept(ON_RECORD, PAPER, TOLD, asks=Asks.MEASURED),
        ("end float",),
        bench=True,
        amount="End float when it was built",
    ),
)
