"""What a gauge can tell: how far its reading may be from the truth."""

from halfthou.gauges.doubt import difference_doubt, expanded, fitted_ovality_doubt, guard_band, size_doubt

__all__ = ["difference_doubt", "expanded", "fitted_ovality_doubt", "guard_band", "size_doubt"]
