"""One housing bore, wherever it was read: at the housing, or, in older records and where the tunnel is out of
scope, at the bearing that lies in it."""

from __future__ import annotations

from halfthou.parts.tunnel.kind import BORE
from halfthou.surveys import PartSurvey


def in_housing(bearing: PartSurvey, housing: PartSurvey) -> PartSurvey:
    """A bearing with the bore of the housing it lies in, where that was read by itself."""
    return _with_bore(bearing, housing) if _read(housing) else bearing


def as_housing(housing: PartSurvey, bearing: PartSurvey) -> PartSurvey:
    """A housing with the bore that was read at its bearing, where nothing of it was read by itself."""
    return _with_bore(housing, bearing) if _read(bearing) and not _read(housing) else housing


def _read(one: PartSurvey) -> bool:
    found = one.features.get(BORE)
    return found is not None and bool(found.counts)


def _with_bore(one: PartSurvey, of: PartSurvey) -> PartSurvey:
    return PartSurvey(one.part, {**one.features, BORE: of.features[BORE]})
