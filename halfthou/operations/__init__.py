"""What work does to readings: which of them it makes stale."""

from halfthou.operations.staleness import (
    LastWork,
    ground_to,
    last_work,
    looked_away,
    made_stale,
    makes_stale,
    stale_by,
)
