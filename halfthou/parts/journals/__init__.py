"""Crank journals: each by itself with its bearing, then all mains and all rods, then the crank as one part."""

from halfthou.parts.journals.bearing_kind import BEARING
from halfthou.parts.journals.trade import Journals
