"""Three invented jobs about what comes loose: a piston set saved by pairing, a pump that the eye rejects, rings to
file after a hone with one piston read at the wrong place."""

from __future__ import annotations

from typing import Any

from demo.shop import Shop
from halfthou.jobs import Gauge, OperationKind, Use

LOOSE = ["bores", "pistons", "rings", "pump"]
#: A part, what is typed at its spots, the gauge, and the rest of what is said of the readings.
Row = tuple[str, dict[str, str], Gauge, dict[str, Any]]
SPOTS = ("1a", "1b", "2a", "2b", "3a", "3b")


def furnish_loose(shop: Shop) -> None:
    """Book the three in and read them."""
    _saved_by_pairing(shop)
    _rejected_by_eye(shop)
    _rings_to_file(shop)


def _bores(shop: Shop, job: int, bores: dict[int, tuple[str, ...]], seen: str) -> None:
    rows: list[Row] = []
    gauge = shop.cabinet["bore-in"]
    for cylinder, texts in bores.items():
        part = f"bore-{cylinder}"
        rows.append((part, dict(zip(SPOTS, texts, strict=False)), gauge, {"feature": "diameter"}))
        rows.append((part, {"1a": texts[-1]}, gauge, {"feature": "below ring travel"}))
        for look, answer in (("bore wall", seen), ("ridge", "no ridge felt")):
            shop.see(job, part, look, answer)
    shop.type_all(job, rows)


def _pistons(shop: Shop, job: int, skirts: dict[str, str], pins: tuple[str, str]) -> None:
    """Skirt, pin and bosses, grooves and weight of each; and that the eye finds nothing."""
    big, small, hole = (shop.cabinet[key] for key in ("mic-34", "mic-01", "bore-small"))
    feeler, scale, rows = shop.cabinet["feeler"], shop.cabinet["scale"], list[Row]()
    pin, boss = pins
    for on in ("pistons", *(part for part in skirts if part.startswith("piston-s"))):
        for look, answer in (("skirts", "clean"), ("lands", "sound"), ("crown", "evenly sooted")):
            shop.see(job, on, look, answer)
    for nth, (part, skirt) in enumerate(skirts.items()):
        rows += [
            (part, {"1a": skirt}, big, {"feature": "skirt"}),
            (part, dict.fromkeys(("1a", "1b", "2a", "2b"), boss), hole, {"feature": "pin bore"}),
            (part, dict.fromkeys(("1a", "2a", "3a"), pin), small, {"feature": "pin"}),
            (part, {"1a": ".002", "1b": ".0025"}, feeler, {"feature": "groove 1"}),
            (part, {"1a": ".0015", "1b": ".002"}, feeler, {"feature": "groove 2"}),
            (part, {"1a": f"{512.4 + 0.3 * nth:.1f}"}, scale, {"feature": "weight"}),
        ]
    shop.type_all(job, rows)


def _saved_by_pairing(shop: Shop) -> None:
    """A four whose bores are sound. One piston is scuffed; a used one off the shelf takes its place, and the set is
    saved. The pump is played in, and its figures save it."""
    job = shop.book(
        53, "Gang trolley 7", shop.petrol, 10, ("Peat Line Railway", "Burns oil on the grade. Noisy cold."),
        scope=LOOSE, use=Use.STATIONARY,
    )  # fmt: skip
    bores: dict[int, tuple[str, ...]] = {
        1: ("3.5630", "3.5627", "3.5628", "3.5626", "3.5626", "3.5625", "3.5624"),
        2: ("3.5632", "3.5629", "3.5629", "3.5627", "3.5627", "3.5626", "3.5625"),
        3: ("3.5631", "3.5628", "3.5629", "3.5627", "3.5626", "3.5625", "3.5624"),
        4: ("3.5630", "3.5627", "3.5627", "3.5626", "3.5625", "3.5625", "3.5624"),
    }
    _bores(shop, job, bores, "cross-hatch seen")
    shop.bring(job, "piston-s1", "piston", new=False, note="Off the shelf, from the scrapped tamper engine")
    skirts = {"piston-1": "3.5604", "piston-2": "3.5605", "piston-4": "3.5604", "piston-s1": "3.5605"}
    _pistons(shop, job, skirts, (".9148", ".9151"))
    shop.see(job, "piston-3", "skirts", "scuffed on one skirt")
    rows: list[Row] = [
        (f"ring-{cylinder}.{ring}", {"1a": gap}, shop.cabinet["feeler"], {"feature": "closed gap"})
        for cylinder in range(1, 5)
        for ring, gap in ((1, ".019"), (2, ".021"), (3, ".017"))
    ]
    shop.type_all(job, rows)
    shop.see(job, "rings", "whole or broken", "whole")
    shop.sound(job, "rings")
    _good_pump(shop, job)


def _good_pump(shop: Shop, job: int) -> None:
    for look, answer in (
        ("pump housing", "scored, nail runs clear"), ("gears or rotors", "sound"), ("drive", "sound"),
        ("inside", "wet with oil"), ("relief valve", "falls by its own weight"), ("screen", "clear"),
        ("seal at the pickup", "as the new one"), ("metal", "none found"), ("which pump", "its own"),
    ):  # fmt: skip
        shop.see(job, "pump", look, answer)
    feeler = shop.cabinet["feeler"]
    shop.type_in(job, "pump", {"1a": ".0035", "1b": ".004"}, feeler, feature="end clearance")
    shop.type_in(job, "pump", {"1a": ".004", "1b": ".0045"}, feeler, feature="tip clearance")
    shop.type_in(job, "pump", {"1a": ".012"}, feeler, feature="backlash")
    shop.type_in(job, "pump", {"1a": "0"}, feeler, feature="cover wear")
    shop.type_in(job, "pump", {"1a": ".4990", "1b": ".4991"}, shop.cabinet["mic-01"], feature="shaft")
    shop.type_in(job, "pump", {"1a": ".5012", "1b": ".5011"}, shop.cabinet["bore-small"], feature="shaft bore")
    shop.type_in(job, "pump", {"1a": "1.752"}, shop.cabinet["depth"], feature="spring length")
    shop.type_in(job, "pump", {"1a": "45.0"}, shop.cabinet["spring"], feature="spring load")


def _rejected_by_eye(shop: Shop) -> None:
    """A pump that metal went through: rejected before a feeler is in the hand; the new one is measured."""
    job = shop.book(
        54, "Orchard mist blower", shop.diesel, 4,
        ("Lowmoor Orchards Co-operative", "Oil light after a filter change. Stopped at once, says the driver."),
        scope=["pump"],
    )  # fmt: skip
    for look, answer in (
        ("pump housing", "scored, nail catches"), ("gears or rotors", "scored"), ("drive", "broken or rounded off"),
        ("metal", "metal found"), ("screen", "metal in it"), ("seal at the pickup", "doubled"),
    ):  # fmt: skip
        shop.see(job, "pump", look, answer)
    shop.bring(job, "pump-s1", "oil pump", new=True, note="SK 47.8.OP, goods in")
    for look, answer in (
        ("pump housing", "smooth"), ("gears or rotors", "sound"), ("drive", "sound"),
        ("relief valve", "falls by its own weight"), ("which pump", "its own"), ("metal", "none found"),
    ):  # fmt: skip
        shop.see(job, "pump-s1", look, answer)
    feeler = shop.cabinet["feeler-mm"]
    shop.type_in(job, "pump-s1", {"1a": "0.05", "1b": "0.06"}, feeler, feature="end clearance")
    shop.type_in(job, "pump-s1", {"1a": "0.10"}, feeler, feature="rotor tip")
    shop.type_in(job, "pump-s1", {"1a": "0.16"}, feeler, feature="rotor to body")


def _rings_to_file(shop: Shop) -> None:
    """Bores honed, new rings in: their gaps are read in their own bores, most are to be filed; one piston was read
    at the wrong place and is asked about."""
    job = shop.book(
        55, "Pilot boat Grey Heron, starboard engine", shop.vee, 16,
        ("Saltmarsh Pilots", "Smokes a little; wanted ready with the port engine."),
        scope=["bores", "pistons", "rings"], use=Use.MARINE,
    )  # fmt: skip
    bores: dict[int, tuple[str, ...]] = dict.fromkeys(
        range(1, 9), ("3.8762", "3.8759", "3.8760", "3.8758", "3.8757", "3.8756", "3.8754")
    )
    for bore in range(1, 9):
        shop.see(job, f"bore-{bore}", "bore wall", "glazed")
    shop.work(job, OperationKind.LIGHT_HONE, "bores", note="Two strokes with 280, washed, cooled")
    _bores(shop, job, bores, "cross-hatch seen")
    sizes = ("3.8728", "3.8727", "3.8728", "3.8727", "3.8440", "3.8727", "3.8728", "3.8727")
    skirts = {f"piston-{n}": size for n, size in enumerate(sizes, start=1)}
    _pistons(shop, job, skirts, (".9314", ".9317"))
    gaps = {1: ("11", "14", "18"), 2: ("12", "15", "17"), 3: ("18", "20", "19"), 4: ("12", "13", "16")}
    rows: list[Row] = []
    for cylinder, three in gaps.items():
        for ring, gap in enumerate(three, start=1):
            shop.bring(job, f"ring-s{cylinder}.{ring}", "ring", new=True, note="MK8-K S")
            shop.fit(job, f"ring-s{cylinder}.{ring}", f"ring-{cylinder}.{ring}")
            rows.append(
                (f"ring-s{cylinder}.{ring}", {"1a": gap}, shop.cabinet["feeler"], {"feature": "closed gap"})
            )
    shop.type_all(job, rows)
    shop.sound(job, "rings")
