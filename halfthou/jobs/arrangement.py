"""How the cylinders of an engine stand."""

from enum import StrEnum


class Arrangement(StrEnum):
    """How the cylinders stand. Terms: ISO 7967-1 (recalled). The last three are known to be refused in words."""

    INLINE = "inline"
    VEE = "V"
    FLAT = "flat"
    W = "W"
    RADIAL = "radial"
    OPPOSED = "opposed pistons"


#: Those that this program does not judge, as they are called. Source: docs/trade: Engines not judged here.
REFUSED = {
    Arrangement.W: "engines in W",
    Arrangement.RADIAL: "radial engines",
    Arrangement.OPPOSED: "engines with opposed pistons",
}
