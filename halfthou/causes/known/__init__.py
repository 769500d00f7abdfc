"""The causes that are known, by what they are about. No cause is named in code elsewhere."""

from halfthou.causes.cause import Cause
from halfthou.causes.known.bottom import BOTTOM
from halfthou.causes.known.dirt import DIRT
from halfthou.causes.known.supply import SUPPLY
from halfthou.causes.known.top import TOP
from halfthou.causes.sign import SignKind
from halfthou.causes.signs import SIGNS

CAUSES: dict[str, Cause] = {cause.key: cause for cause in (*SUPPLY, *DIRT, *BOTTOM, *TOP)}

#: What is found on a sound engine too, or told of it: no damage.
_NO_DAMAGE = frozenset({"bearings.polished", "wear.mild", "shells.two-layer", "nothing.sheds", "gasket.good",
                        "ring.one-piece"})  # fmt: skip
#: Every sign of damage that some cause leaves behind, or makes of other parts.
LEFT_BY_CAUSES = frozenset(
    sign
    for cause in CAUSES.values()
    for sign in cause.edges
    if SIGNS[sign].kind is not SignKind.HISTORY and sign not in _NO_DAMAGE
)
