"""A sign as it is gathered: whether it is there, and how that is known."""

from halfthou.causes import SignSeen

#: The sign, whether it is there, and how that is known.
Known = tuple[str, bool, SignSeen]
