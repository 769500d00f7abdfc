"""What hangs on the outside. Source: docs/trade/strip.md, common practice."""

from __future__ import annotations

from halfthou.strip.rules.row import COVERS, FIRST, HOLDS, tie

OUTSIDE = (
    tie("first.picture", FIRST, "stand.photographed > stand.washed", "washing takes leaks and sealants away"),
    tie("first.sample", FIRST, "oil.drained > coolant.drained", "one drop of coolant spoils the oil sample"),
    tie("holds.oil", HOLDS, "oil.drained > pan.off", "the oil lies in it"),
    tie(
        "holds.coolant", HOLDS, "coolant.drained > head.bolts", "coolant stands in it and would run into the bores"
    ),
    tie("holds.bracket", HOLDS, "bracket.off > gearbox.off", "a bracket holds the gearbox's top bolt"),
    tie("covers.gearbox", COVERS, "gearbox.off > flywheel.off", "the gearbox is before it"),
    tie("first.fuel", FIRST, "fuel.off > injection-pump.off", "its lines hold it"),
    tie("holds.turbo", HOLDS, "turbo.off > exhaust.off", "the turbocharger hangs on it"),
)
