"""The timing drive and what it turns. Source: docs/trade/strip.md, common practice."""

from __future__ import annotations

from halfthou.strip.rules import when
from halfthou.strip.rules.row import COVERS, FIRST, HOLDS, tie

DRIVE = (
    tie("first.sensor", FIRST, "sensors.off > front-cover.off", "a sensor breaks in its cover"),
    tie("covers.damper", COVERS, "damper.off > front-cover.off", "the damper is before the cover"),
    tie(
        "covers.flywheel-drive",
        COVERS,
        "flywheel.off > front-cover.off",
        "the drive lies behind the flywheel",
        when.driven_at_flywheel,
    ),
    tie("covers.cover", COVERS, "front-cover.off > drive.seen", "the drive lies under its cover"),
    tie(
        "covers.valve-cover",
        COVERS,
        "covers.off > timing.set",
        "the cams' marks lie under the covers",
        when.overhead,
    ),
    tie("first.plugs-out", FIRST, "plug.out > timing.set", "it is turned by hand: compression out", when.overhead),
    tie("first.dead-centre", FIRST, "timing.set > drive.seen", "the marks are in line at one dead centre only"),
    tie("first.timing-plug", FIRST, "timing-plug.out > drive.locked", "the pin goes through its hole"),
    tie("covers.cover-drive", COVERS, "front-cover.off > drive.off", "the drive lies under its cover"),
    tie("first.drive-seen", FIRST, "drive.seen > drive.off", "marks, play and guides are seen while it is on"),
    tie("first.timing-read", FIRST, "timing.read > drive.off", "cam timing is read while the drive is on"),
    tie("first.clearance-read", FIRST, "clearance.read > drive.off", "the drive turns the valve to its piston"),
    tie("first.set-clearance", FIRST, "timing.set > clearance.read", "it is read from dead centre"),
    tie("covers.timing", COVERS, "front-cover.off > timing.read", "the drive's marks lie under its cover"),
    tie("first.slack-read", FIRST, "slack.read > tensioner.off", "slack is read while the tensioner is on"),
    tie("covers.gauged", COVERS, "front-cover.off > slack.read", "the tensioner lies under the cover"),
    tie("first.locked", FIRST, "drive.locked > tensioner.off", "locked before its load is let go"),
    tie("first.locked-off", FIRST, "drive.locked > drive.off", "locked, cams cannot jump round"),
    tie("first.seen-locked", FIRST, "drive.seen > drive.locked", "marks are looked at before a lock hides them"),
    tie("holds.tensioner", HOLDS, "tensioner.off > drive.off", "the tensioner loads it"),
    tie("holds.idler", HOLDS, "drive.off > idler.off", "the drive runs over it"),
    tie("holds.auxiliary", HOLDS, "drive.off > auxiliary.out", "the drive holds its wheel"),
    tie("holds.balance", HOLDS, "drive.off > balance.out", "its drive holds its mark"),
    tie("holds.nose-pump", HOLDS, "drive.off > pump.off", "the pump lies behind the drive", when.pump_on_nose),
    tie("holds.pump-drive", HOLDS, "pump-drive.off > pump.off", "its chain holds its wheel"),
    tie(
        "first.injection-marks",
        FIRST,
        "injection-pump.off > drive.off",
        "its timing is marked while the drive is on",
    ),
)
