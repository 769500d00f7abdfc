"""The causes that are known, by what they are about. No cause is named in code elsewhere."""

from halfthou.causes.cause import Cause
from halfthou.causes.known.bottom import BOTTOM
from halfthou.causes.known.dirt import DIRT
from halfthou.causes.known.supply import SUPPLY
from halfthou.causes.known.top import TOP

CAUSES: dict[str, Cause] = {cause.key: cause for cause in (*SUPPLY, *DIRT, *BOTTOM, *TOP)}

#: Every sign that some cause leaves behind, or makes of other parts.
LEFT_BY_CAUSES = frozenset(sign for cause in CAUSES.values() for sign in cause.edges)
