"""What parts and gauges are made of, as far as warmth moves their size."""

from enum import StrEnum


class Material(StrEnum):
    """Materials of engine parts and gauges. Their coefficients stand in gauges/temperature.py."""

    UNKNOWN = "not known"
    STEEL = "steel"
    GREY_IRON = "grey cast iron"
    NODULAR_IRON = "nodular iron"
    GAUGE_STEEL = "gauge steel"
    CARBIDE = "tungsten carbide"
    CAST_ALUMINIUM = "cast aluminium"
    PISTON_ALLOY = "piston alloy"
    HYPEREUTECTIC = "hypereutectic aluminium"
    FORGED_2618 = "forged 2618"
    BRONZE = "bronze"
    ALUMINIUM_BRONZE = "aluminium bronze"


#: What a part may be said to be made of, where it has to be known.
KNOWN_MATERIALS = tuple(one for one in Material if one is not Material.UNKNOWN)
