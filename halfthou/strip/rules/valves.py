"""Heads, cams and valves. Source: docs/trade/strip.md, common practice."""

from __future__ import annotations

from halfthou.strip.rules import when
from halfthou.strip.rules.row import COVERS, FIRST, HOLDS, ORDER, tie

VALVES = (
    tie("covers.rockers", COVERS, "covers.off > rocker.off", "the cover is over it"),
    tie("covers.cam-caps", COVERS, "covers.off > cam-caps.marked", "the cover is over it", when.overhead),
    tie("holds.rocker", HOLDS, "rocker.off > pushrod.out by cylinder, valve", "its rocker holds it"),
    tie("holds.pushrod-head", HOLDS, "pushrod.out > head.off by head", "it stands in the head"),
    tie(
        "holds.drive-cam", HOLDS, "drive.off > cam-caps.eased", "the drive pulls the cam to one side", when.overhead
    ),
    tie(
        "first.cam-marks",
        FIRST,
        "cam-caps.marked > cam-caps.eased by cam",
        "caps are numbered before they are let go",
    ),
    tie("holds.cam-caps", HOLDS, "cam-caps.eased > cam.out by cam", "its caps hold it"),
    tie("covers.cam", COVERS, "covers.off > cam.out", "the cover is over it", when.overhead),
    tie("holds.cam-follower", HOLDS, "cam.out > follower.out", "the cam lies over it", when.overhead),
    tie("holds.cam-rocker", HOLDS, "cam.out > rocker.off", "the cam lies over or under it", when.overhead),
    tie(
        "holds.follower-valve",
        HOLDS,
        "follower.out > valve.out by cylinder, valve",
        "it lies over the valve",
        when.overhead,
    ),
    tie("holds.rocker-valve", HOLDS, "rocker.off > valve.out by cylinder, valve", "it lies over the valve"),
    tie("holds.drive-head", HOLDS, "drive.off > head.off", "the drive holds the cams in the head", when.overhead),
    tie(
        "first.drive-bolts",
        FIRST,
        "drive.off > head.bolts",
        "bolts let go under a tight drive bend the cam",
        when.overhead,
    ),
    tie("covers.cams", COVERS, "cam.out > head.bolts", "the cams lie over the head's bolts", when.cams_cover),
    tie("first.manifolds", FIRST, "inlet.off > head.bolts", "the manifold ties the head"),
    tie("first.exhaust", FIRST, "exhaust.off > head.off", "it hangs on the head"),
    tie("holds.bolts", HOLDS, "head.bolts > head.off by head", "its bolts hold it"),
    tie(
        "holds.valve-head",
        HOLDS,
        "head.off > valve.out by head",
        "valves come out of a head on the bench",
        when.valves_in_head,
    ),
    tie(
        "covers.chest", COVERS, "covers.off > valve.out", "the chest cover is before its springs", when.side_valves
    ),
    tie("covers.side-head", COVERS, "head.off > valve.out by head", "the head is over it", when.side_valves),
    tie("holds.side-valve", HOLDS, "valve.out > cam.out", "a spring presses it on the cam", when.side_valves),
    tie("holds.cam-tappet", HOLDS, "cam.out > follower.out", "the cam lies under it", when.side_valves),
    tie(
        "holds.pushrod-follower",
        HOLDS,
        "pushrod.out > follower.out by cylinder, valve",
        "it stands in it",
        when.push_rods,
    ),
    tie(
        "covers.head-follower",
        COVERS,
        "head.off > follower.out by head",
        "the head is over it",
        when.push_rods_in_block,
    ),
    tie("holds.follower-cam", HOLDS, "follower.out > cam.out", "it lies on the cam", when.push_rods_in_block),
    tie(
        "holds.case-follower", HOLDS, "case.apart > follower.out", "it drops into the case", when.push_rods_in_case
    ),
    tie("holds.case-cam", HOLDS, "case.apart > cam.out", "it lies in the joint of the case", when.cam_in_case),
    tie("first.case-cam", ORDER, "cam.out > follower.out", "the cam lies before them", when.push_rods_in_case),
    tie("holds.drive-block-cam", HOLDS, "drive.off > cam.out", "the drive holds its wheel", when.cam_in_block),
)
