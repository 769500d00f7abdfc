"""Jobs of every kind that a block's bores make, each from as little as shows it. Invented sizes.

Bores 4.0000 to 4.0007, wear 0.0050, out-of-round 0.0020, taper 0.0040, oversizes to 0.060, a gauge without doubt,
unless said.
"""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from halfthou.jobs import Decision, DecisionKind, HouseRules, Job, Look, Operation, OperationKind, Seen, Waived
from tests.boring import DIAL, NEW, block, bore_limits, bore_readings, set_on_a_ring
from tests.making import NOON, figure, inches, look

GOOD = dict.fromkeys(range(1, 5), NEW)
WORN = ["4.0062", "4.0030", "4.0031", "4.0020", "4.0010", "4.0009"]
LOOKED_AT = (
    look("block", Look.PRESSURE, "passed"),
    look("block", Look.CRACK_TEST, "passed"),
    look("block", Look.SQUARE, "square"),
    look("block", Look.DECK, "straightedge and feelers", "0.001"),
)


def _one_bad(*seen: Seen, bad: list[str] | None = None, **changes: Any) -> Job:
    return block({**GOOD, 3: bad or WORN}, seen=seen, **changes)


def blocks() -> dict[str, Job]:
    """Every kind, by its name in words."""
    deck = bore_limits(figures={"deck_flatness": figure(inches("0.002"))})
    bored = Operation(
        id="bored",
        kind=OperationKind.BORE,
        on="bores",
        step=inches("0.020"),
        by="bench",
        at=NOON - timedelta(hours=9),
    )
    waived = Decision(
        id="w", kind=DecisionKind.WAIVED, set="bores", part="bore-1", about=Waived.CLEARANCE, reason="later",
        by="machinist", at=NOON,
    )  # fmt: skip
    over = {n: [f"4.{204 + n % 2:04d}"] * 6 for n in GOOD}
    return {
        "as-new": block(GOOD),
        "glazed-and-round": block(GOOD, seen=tuple(look(f"bore-{n}", Look.BORE_WALL, "glazed") for n in GOOD)),
        "one-worn": _one_bad(),
        "one-worn-and-all-looked-at": _one_bad(*LOOKED_AT, on=deck),
        "one-scored-its-depth-not-known": block(
            GOOD, seen=(look("bore-2", Look.BORE_WALL, "scored, nail catches"),)
        ),
        "axis-free-to-move": _one_bad(house_rules=HouseRules(spread_k=0, keep_bore_axis=False)),
        "past-the-last-oversize": _one_bad(bad=["4.0700", "4.0650", "4.0600", "4.0560", "4.0300", "4.0250"]),
        "not-worn-like-that": block({**GOOD, 1: ["4.0010", "4.0006", "4.0035", "4.0020", "4.0006", "4.0005"]}),
        "smaller-than-new": block({**GOOD, 1: ["3.9985"] * 6}),
        "cracked": block(GOOD, seen=(look("block", Look.CRACK_TEST, "crack found"),)),
        "leaks": block(GOOD, seen=(look("block", Look.PRESSURE, "leaks"),)),
        "coated-and-worn": _one_bad(look("bore-3", Look.COATING, "coated or sprayed")),
        "not-all-read": block({**GOOD, 2: NEW[:3], 4: []}),
        "ridge-felt": block(GOOD, seen=(look("bore-1", Look.RIDGE, "ridge felt"),)),
        "bored-and-measured-again": block(over, operations=(bored,), below="4.0204"),
        "decks-worked-on-since": block(
            GOOD, operations=(Operation(id="d", kind=OperationKind.DECK, on="block", by="bench", at=NOON),)
        ),
        "clearance-waived-of-one": block(GOOD, decisions=(waived,)),
        "by-a-dial-set-on-a-ring": block(
            readings=bore_readings(GOOD, gauge=DIAL), gauge=DIAL, checks=(set_on_a_ring("4.0000"),)
        ),
        "by-a-dial-that-was-never-set": block(readings=bore_readings(GOOD, gauge=DIAL), gauge=DIAL),
    }
