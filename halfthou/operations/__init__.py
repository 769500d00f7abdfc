"""What work does to readings: which of them it makes stale."""

from halfthou.operations.staleness import (
    CRACK_FOUND,
    LastWork,
    ground_to,
    last_work,
    made_stale,
    makes_stale,
    stale_by,
    stale_looks,
)

__all__ = [
    "CRACK_FOUND",
    "LastWork",
    "ground_to",
    "last_work",
    "made_stale",
    "makes_stale",
    "stale_by",
    "stale_looks",
]
