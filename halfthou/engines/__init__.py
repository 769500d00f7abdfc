"""Engines: the usual layouts, the parts they consist of, and how these are called."""

from halfthou.engines.expected import ABOVE_NM, WEAR_NM, Expected
from halfthou.engines.feature import Drawing, FeatureKind, Lies
from halfthou.engines.kind import (
    Engine,
    Kinds,
    LookKind,
    Part,
    PartKind,
    SheetFigure,
    SheetMade,
    StationDrawing,
    Stepped,
)
from halfthou.engines.names import journal_name, set_name, short_name
from halfthou.engines.usual_layouts import usual_layouts

__all__ = [
    "ABOVE_NM",
    "WEAR_NM",
    "Drawing",
    "Engine",
    "Expected",
    "FeatureKind",
    "Kinds",
    "Lies",
    "LookKind",
    "Part",
    "PartKind",
    "SheetFigure",
    "SheetMade",
    "StationDrawing",
    "Stepped",
    "journal_name",
    "set_name",
    "short_name",
    "usual_layouts",
]
