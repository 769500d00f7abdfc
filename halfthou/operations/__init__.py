"""What work does to readings: which of them it makes stale."""

from halfthou.operations.staleness import RUNS_ON, ground_to, makes_stale, stale_looks, stale_readings, touches

__all__ = ["RUNS_ON", "ground_to", "makes_stale", "stale_looks", "stale_readings", "touches"]
