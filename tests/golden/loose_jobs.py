"""Jobs of every kind that pistons, rings and a pump make, each from as little as shows it. Invented sizes, as
tests/loosen.py has them."""

from __future__ import annotations

from halfthou.jobs import HouseRules, Job, PumpAfterMetal, Reading, Use
from tests.boring import NEW
from tests.loosen import (
    GOOD_PUMP,
    PUMP_READ,
    SOUND,
    at,
    brought,
    fitted,
    loose,
    piston_limits,
    ring_limits,
    saw,
    skirts,
)

GOOD = skirts("3.9978", "3.9978", "3.9979", "3.9978")
SCUFFED = saw("piston-3", "skirts", "scuffed on one skirt")
WORN = ["4.0080", "4.0060", "4.0050", "4.0040", "4.0030", "4.0020"]


def _gaps(*gaps: str) -> tuple[Reading, ...]:
    return tuple(
        one
        for cylinder in range(1, 5)
        for ring, gap in enumerate(gaps, 1)
        for one in at(f"ring-{cylinder}.{ring}", "closed gap", gap)
    )


def loose_jobs() -> dict[str, Job]:
    """Every kind, by its name in words."""
    pistons, rings, pump = ("bores", "pistons"), ("bores", "rings"), ("pump",)
    spare = (brought("piston-s1", "piston", new=False),)
    read_spare = (*GOOD, *at("piston-s1", "skirt", "3.9979"))
    seen_spare = (*SOUND, SCUFFED, *(saw("piston-s1", one.look, one.answer) for one in SOUND))
    no_height = {"pistons": piston_limits(figures={"gauge_height": None})}
    by_factor = {"rings": ring_limits(figures={"top_gap": None, "second_gap": None})}
    metal = (*(one for one in GOOD_PUMP if one.look != "metal"), saw("pump", "metal", "metal found"))
    broken = (*(one for one in GOOD_PUMP if one.look != "drive"), saw("pump", "drive", "tang broken"))
    new_regardless = HouseRules(spread_k=0, pump_after_metal=PumpAfterMetal.NEW)
    return {
        "all-sound": loose((*GOOD, *_gaps("0.020", "0.022", "0.016"), *PUMP_READ), seen=(*SOUND, *GOOD_PUMP)),
        "no-height": loose(GOOD, scope=pistons, seen=SOUND, on=no_height),
        "one-scuffed": loose(GOOD, scope=pistons, seen=(*SOUND, SCUFFED)),
        "saved-by-a-spare": loose(read_spare, scope=pistons, seen=seen_spare, pieces=spare),
        "spare-in-its-place": loose(
            read_spare, scope=pistons, seen=seen_spare, pieces=spare, fittings=(fitted("piston-s1", "piston-3"),)
        ),
        "looser-than-its-limit": loose(skirts("3.9930", *["3.9978"] * 3), scope=pistons, seen=SOUND),
        "larger-than-its-bore": loose(skirts("4.0010", *["3.9978"] * 3), scope=pistons, seen=SOUND),
        "bored-with-new-pistons": loose(GOOD, scope=pistons, seen=SOUND, bores={1: WORN, 2: NEW, 3: NEW, 4: NEW}),
        "worn-rings": loose(_gaps("0.045", "0.030", "0.020"), scope=rings),
        "rings-by-use": loose(_gaps("0.014", "0.020", "0.010"), scope=rings, use=Use.MARINE, on=by_factor),
        "pump-read-whole": loose(PUMP_READ, scope=pump, seen=GOOD_PUMP),
        "pump-half-read": loose(PUMP_READ[:2], scope=pump, seen=GOOD_PUMP),
        "pump-rejected-by-eye": loose(scope=pump, seen=broken),
        "pump-that-met-metal": loose(PUMP_READ, scope=pump, seen=metal),
        "pump-new-regardless": loose(PUMP_READ, scope=pump, seen=metal, house_rules=new_regardless),
    }
