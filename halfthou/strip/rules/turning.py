"""Turning the crank: with valves or liners loose it does not. Source: docs/trade/strip.md, common practice."""

from __future__ import annotations

from halfthou.strip.rules import when
from halfthou.strip.rules.row import COVERS, FIRST, HOLDS, ORDER, tie

TURNING = (
    tie("turning.valves", HOLDS, "head.off > turned", "drive off or not, a valve may meet its piston"),
    tie("turning.valves-rods", HOLDS, "head.off > turn", "with valves in place neither crank nor cam turns alone"),
    tie(
        "turning.shut",
        HOLDS,
        "pushrod.out > turn",
        "the valves are shut before the crank turns alone",
        when.heads_cast_on,
    ),
    tie("turning.plugs", FIRST, "plug.out > turn", "it is turned by hand: compression out"),
    tie(
        "turning.held", HOLDS, "held.down > turned", "a liner or barrel lifts when the crank turns without its head"
    ),
    tie(
        "turning.held-rods",
        HOLDS,
        "held.down > turn",
        "a liner or barrel lifts when the crank turns without its head",
    ),
    tie("turning.head-held", HOLDS, "head.off > held.down", "the head is in the way"),
    tie("turning.head-stand", COVERS, "head.off > stand.read", "the head is over it"),
    tie("turning.stand", FIRST, "stand.read > held.down", "its stand is read before a clamp presses it"),
    tie(
        "turning.long",
        ORDER,
        "rod.out > drive.off",
        "the crank turns with its drive as long as it can",
        when.cam_in_block_rods_first,
    ),
    tie("turning.turned", ORDER, "turned > turn", "it is felt once without compression"),
)

#: What binds not two steps but a stretch of the list; the proof walks it: with the drive off and a valve in place
#: neither crank nor cam turns until every valve is shut, its head is off, the pistons stand lower than the highest
#: lift, or the maker says so.
TURNING_RULE = "strip.turning"
