"""Pan, rods, pistons and barrels. Source: docs/trade/strip.md, common practice."""

from __future__ import annotations

from halfthou.strip.rules import when
from halfthou.strip.rules.row import COVERS, FIRST, HOLDS, ORDER, tie

RODS = (
    tie("covers.pan", COVERS, "pan.off > cap-rod.off", "the pan covers it", when.rods_in_place),
    tie("covers.pan-rod-marks", COVERS, "pan.off > rod.marked", "the pan covers it", when.rods_in_place),
    tie("covers.pan-photo", FIRST, "pan.off > pan.photographed", "the pan covers it"),
    tie("first.pan-photo", FIRST, "pan.photographed > pickup.off", "it is photographed as it lies"),
    tie("covers.tray", COVERS, "tray.off > cap-rod.off", "the tray covers it", when.rods_in_place),
    tie("covers.tray-rod-marks", COVERS, "tray.off > rod.marked", "the tray covers it", when.rods_in_place),
    tie("covers.pan-tray", COVERS, "pan.off > tray.off", "the pan covers it"),
    tie("covers.pan-baffles", COVERS, "pan.off > baffles.off", "the pan covers it"),
    tie("covers.baffles", COVERS, "baffles.off > cap-rod.off", "the baffles are before it", when.rods_in_place),
    tie("covers.baffles-pickup", ORDER, "baffles.off > pickup.off", "they lie before it"),
    tie("covers.pan-pickup", COVERS, "pan.off > pickup.off", "the pan covers it"),
    tie("covers.pan-pump", COVERS, "pan.off > pump.off", "the pan covers it", when.pump_in_pan),
    tie("holds.pickup-pump", HOLDS, "pickup.off > pump.off", "the pickup hangs on it", when.pump_low),
    tie("covers.head-ridge", COVERS, "head.off > ridges.seen", "the head is over it"),
    tie("first.ridge-seen", FIRST, "ridges.seen > ridges.reamed", "the ridge is looked at before it is reamed"),
    tie(
        "first.ridge",
        FIRST,
        "ridges.reamed > rod.out",
        "a piston pushed past a ridge breaks its lands",
        when.upwards,
    ),
    tie("holds.head-piston", HOLDS, "head.off > rod.out", "the head is over its piston", when.upwards),
    tie("first.rod-marks", ORDER, "rod.marked > cap-rod.off by cylinder", "marked before it leaves its place"),
    tie("first.rod-marks-out", ORDER, "rod.marked > rod.out by cylinder", "marked before it leaves its place"),
    tie("holds.cap-rod", HOLDS, "cap-rod.off > rod.out by cylinder", "its cap holds it on the pin"),
    tie("holds.cap-half", HOLDS, "cap-rod.off > half-rod-lower.out by cylinder", "it lies in the cap"),
    tie("holds.rod-half", HOLDS, "rod.out > half-rod-upper.out by cylinder", "it lies between rod and pin"),
    tie(
        "holds.fork",
        HOLDS,
        "rod.out > cap-rod.off by fork",
        "the blade runs on the fork's bearing: it comes first",
        when.not_downwards,
    ),
    tie("holds.blade-cap", HOLDS, "cap-rod.off > cap-rod.off by fork", "the blade's cap is off before the fork's"),
    tie(
        "holds.master",
        HOLDS,
        "rod.out > cap-rod.off by master",
        "a rod linked to it comes first",
        when.not_downwards,
    ),
    tie("holds.head-barrel", HOLDS, "head.off > barrel.off", "the head holds it down"),
    tie("first.barrel-marks", ORDER, "barrel.marked > barrel.off by cylinder", "marked before it leaves its place"),
    tie("covers.barrel", COVERS, "barrel.off > pin.out by cylinder", "the barrel is round it"),
    tie("first.head-pin", FIRST, "head.off > pin.out", "heads off: the piston must be free", when.off_their_pins),
    tie("holds.pin", HOLDS, "pin.out > piston.off by cylinder", "its pin holds it"),
    tie(
        "holds.barrel-piston",
        HOLDS,
        "piston.off > rod.out by cylinder",
        "the piston stands over the case's mouth",
        when.barrels,
    ),
    tie(
        "first.barrel-rod",
        ORDER,
        "piston.off > cap-rod.off by cylinder",
        "the piston is off before its rod is loose",
        when.barrels,
    ),
)
