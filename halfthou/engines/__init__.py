"""Engines: the usual layouts, and how their journals are called."""

from halfthou.engines.names import journal_name, set_name, short_name
from halfthou.engines.usual_layouts import usual_layouts

__all__ = ["journal_name", "set_name", "short_name", "usual_layouts"]
