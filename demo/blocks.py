"""Three invented blocks: a V8 opened whole and half measured, a block that is fine, and one past its last
oversize."""

from __future__ import annotations

from demo.shop import Shop
from demo.worn import INCH_HAND, Worn
from halfthou.jobs import Feature, Gauge, Look

BLOCK_ONLY = ["bores"]
WHOLE = ["mains", "rods", "bores"]
#: By depth, thrust then pin; the last is below ring travel.
Bore = tuple[str, str, str, str, str, str, str]


def furnish_blocks(shop: Shop) -> None:
    """Book the three in and read them."""
    _whole_vee_eight(shop)
    _fine(shop)
    _past_its_last(shop)


def _read(shop: Shop, job: int, bores: dict[int, tuple[str, ...]], gauge: Gauge) -> None:
    """Read bores as at the bench, those of the plan and the one below ring travel; a signed number counts from the
    gauge's setting."""
    for cylinder, texts in bores.items():
        part, spots = f"bore-{cylinder}", ("1a", "1b", "2a", "2b", "3a", "3b")
        shop.type_in(job, part, dict(zip(spots, texts, strict=False)), gauge, feature="diameter")
        if len(texts) > len(spots):
            shop.type_in(job, part, {"1a": texts[-1]}, gauge, feature=Feature.BELOW_TRAVEL)


def _whole_vee_eight(shop: Shop) -> None:
    """Everything is wanted. The crank is half read; four bores are read, one is scored, three are still to read."""
    job = shop.book(
        50,
        "Pilot boat Grey Heron, port engine",
        shop.vee,
        14,
        ("Saltmarsh Pilots", "Smokes on one bank, uses oil. 4,100 hours, says the log; opened once before."),
        scope=WHOLE,
    )
    mains = {
        "M1": Worn(2.7045, 0.0002, 10, 0.0001),
        "M2": Worn(2.7044, 0.0003, 30, 0.0001),
        "M3": Worn(2.7044, 0.0003, 5, 0.0001),
    }
    shop.read(job, mains, INCH_HAND)
    shop.read(job, {"R1": Worn(2.2615, 0.0002, 20, 0.0001)}, INCH_HAND)
    worn: dict[int, tuple[str, ...]] = {
        1: ("3.8789", "3.8775", "3.8772", "3.8766", "3.8757", "3.8756", "3.8754"),
        3: ("3.8786", "3.8773", "3.8771", "3.8764", "3.8757", "3.8756", "3.8753"),
        2: ("+3.8", "+2.4", "+2.2", "+1.5", "+.7", "+.6", "+.4"),
        5: ("3.8793", "3.8777", "3.8774", "3.8767", "3.8758", "3.8757", "3.8754"),
        7: ("3.8804", "3.8785", "3.8779", "3.8768"),
    }
    _read(shop, job, worn, shop.cabinet["bore-in"])
    for name in ("bore-1", "bore-3", "bore-5"):
        shop.see(job, name, Look.BORE_WALL, "glazed")
    shop.see(job, "bore-7", Look.BORE_WALL, "scored, nail catches", "0.004")
    shop.see(job, "block", Look.CRACK_TEST, "passed")
    shop.see(job, "block", Look.DECK, "straightedge and feelers", "0.0015")
    shop.see(job, "bores", Look.CLAIMED_OVERSIZE, "crown stamp", "STD")


def _fine(shop: Shop) -> None:
    """A block that sealed well: round, straight, its cross-hatch still there."""
    job = shop.book(
        51, "Depot shunter 9", shop.petrol, 7, ("Peat Line Railway", "New head gasket; bores to be passed."),
        scope=BLOCK_ONLY,
    )  # fmt: skip
    bores: dict[int, tuple[str, ...]] = {
        1: ("3.5634", "3.5630", "3.5629", "3.5627", "3.5626", "3.5625", "3.5624"),
        2: ("3.5636", "3.5631", "3.5630", "3.5628", "3.5626", "3.5626", "3.5625"),
        3: ("3.5635", "3.5630", "3.5630", "3.5627", "3.5626", "3.5625", "3.5624"),
        4: ("3.5633", "3.5629", "3.5628", "3.5627", "3.5625", "3.5625", "3.5624"),
    }
    _read(shop, job, bores, shop.cabinet["bore-in"])
    for cylinder in bores:
        shop.see(job, f"bore-{cylinder}", Look.BORE_WALL, "cross-hatch seen")
    shop.see(job, "block", Look.CRACK_TEST, "passed")
    shop.see(job, "block", Look.PRESSURE, "passed")


def _past_its_last(shop: Shop) -> None:
    """Bored twice already and worn again: no piston above it is sold, and the wall asks before a sleeve goes in."""
    job = shop.book(
        52,
        "Sluice generator",
        shop.diesel,
        18,
        ("Saltmarsh Drainage Board", "Low compression. Papers say 1.00 mm over, from the last rebuild."),
        scope=BLOCK_ONLY,
    )
    bores: dict[int, tuple[str, ...]] = {
        1: ("92.184", "92.121", "92.108", "92.072", "92.031", "92.026", "92.014"),
        2: ("92.247", "92.148", "92.131", "92.084", "92.037", "92.028", "92.015"),
        3: ("92.176", "92.117", "92.104", "92.069", "92.029", "92.025", "92.013"),
    }
    _read(shop, job, bores, shop.cabinet["bore-100"])
    shop.see(job, "bores", Look.CLAIMED_OVERSIZE, "paper", "1.00 mm")
    for cylinder in bores:
        shop.see(job, f"bore-{cylinder}", Look.BORE_WALL, "glazed")
    shop.type_in(job, "bore-2", {"1a": "6.2", "1b": "6.4", "1c": "5.9", "1d": "6.3"}, shop.cabinet["ultra-mm"],
                 feature=Feature.WALL)  # fmt: skip
