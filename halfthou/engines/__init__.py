"""Engines: the usual layouts, the parts they consist of, and how these are called."""

from halfthou.engines.asked import AskedOfEngine, asked_of, not_judged
from halfthou.engines.counted import cylinders_from_the_other_end, mains_from_the_other_end
from halfthou.engines.description import Description, described
from halfthou.engines.expected import ABOVE_NM, WEAR_NM, Expected
from halfthou.engines.feature import Drawing, FeatureKind, Lies
from halfthou.engines.kind import (
    Engine,
    Kinds,
    PartKind,
    SheetFigure,
    SheetMade,
    StationDrawing,
    Stepped,
)
from halfthou.engines.names import bore_name, journal_name, set_name, shares_pins, short_name
from halfthou.engines.place import MARKED_FIRST, Place
from halfthou.engines.usual_engines import usual_engines
from halfthou.engines.usual_layouts import usual_layouts
