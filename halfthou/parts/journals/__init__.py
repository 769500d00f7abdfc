"""Crank journals: each by itself with its bearing, then all mains and all rods, then the crank as one part."""

from halfthou.parts.journals.bearing import CROWN
from halfthou.parts.journals.bearing_kind import BEARING
from halfthou.parts.journals.clearance import finished_band
from halfthou.parts.journals.decide import SetVerdict
from halfthou.parts.journals.looks import ROUNDED
from halfthou.parts.journals.trade import Journals
from halfthou.parts.journals.verdict import JournalVerdict
from halfthou.parts.journals.way_words import ways_shown
from halfthou.parts.journals.ways import ways_on
