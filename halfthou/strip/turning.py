"""Whether a valve may stand in a piston's way while crank and cam can turn apart.

Rule:    strip.turning.   Source: docs/trade/strip.md, common practice.
"""

from __future__ import annotations

from collections.abc import Mapping

from halfthou.engines import Description


def valve_in_the_way(off: Mapping[str, int], engine: Description) -> bool:
    """Whether turning the crank, or a cam, may drive a valve into its piston.

    Takes:   by family of the steps how many of it are off; the engine, whose maker may say that its valves clear.
    Gives:   False while the drive is on, once every head is off, and once nothing holds a valve open: push rods,
             rockers or cams out.
    """
    if engine.ports or engine.side_valves or engine.built.clears or not off.get("drive.off"):
        return False
    if engine.heads and off.get("head.off", 0) == len(engine.heads):
        return False
    each_valve = len(engine.valves) * len(engine.cylinders)
    if engine.push_rods:
        return off.get("pushrod.out", 0) < each_valve
    if engine.on_rockers:
        return off.get("rocker.off", 0) < each_valve
    return off.get("cam.out", 0) < len(engine.cams)
