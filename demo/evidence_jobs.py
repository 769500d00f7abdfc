"""Three invented jobs whose evidence is read: one with an ugly story and its cause found, one that a contaminated
part comes to, and one closed up with its cause open."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from django.utils import timezone

from demo import pictures
from demo.door_jobs import picture_of, report, said
from demo.shop import Shop
from demo.worn import INCH_HAND, Worn
from halfthou.evidence import halves_of
from halfthou.jobs import Drawn, JournalSet, Look, Stand
from halfthou.looks import GRADES
from workshop.jobs import actions
from workshop.pages.printing import sheet_html

_ANSWERS = {grade.key: grade.answer for grade in GRADES}


#: Drawn from what was left after the strip: its sodium and silicon prove nothing.
_OIL_REPORT = {"fact": "oil report", "sample": "T-1", "drawn": Drawn.LEFT_OVER, "lab": "Eastquay lab",
 "figures": [
     {"key": "fuel", "value": "0.4", "unit": "%"},
     {"key": "copper", "value": "212", "unit": "ppm", "usual": "14"},
     {"key": "lead", "value": "95", "unit": "ppm", "usual": "9"},
     {"key": "sodium", "value": "180", "unit": "ppm", "usual": "20"},
     {"key": "silicon", "value": "44", "unit": "ppm", "usual": "8"},
 ]}  # fmt: skip


def furnish_evidence(shop: Shop) -> None:
    """Book the three in and read them as far as they are."""
    _receives_a_cooler(shop)
    _ugly(shop)
    _left_open(shop)


def _seen(look: str, answer: str, on: str = "engine", **more: Any) -> dict[str, Any]:
    return {"fact": "seen", "on": on, "look": look, "answer": answer, **more}


def _graded(shop: Shop, sheet: Any, letters: str) -> list[dict[str, Any]]:
    """Every half along the shaft, upper before lower, by one letter each."""
    halves = halves_of(shop.layout_of(sheet))
    return [_seen("overlay", _ANSWERS[letter], half) for half, letter in zip(halves, letters, strict=True)]


def _receives_a_cooler(shop: Shop) -> None:
    job = shop.book(
        61, "Hop kiln fan engine", shop.petrol, 10,
        ("Lowmoor Orchards Co-operative", "Stood since the harvest. Wanted ready by spring, cheap."),
        scope=["mains", "rods"],
    )  # fmt: skip
    report(shop, job, shop.bench, said("complaint kind", "none"), said("turns by hand", "free"))


def _ugly(shop: Shop) -> None:
    job = shop.book(
        60, "Tide gate winch engine", shop.petrol, 4,
        ("Saltmarsh Drainage Board", "Ran dry in the gale, says the keeper. Only two rods knocked."),
        scope=["mains", "rods", "pump"],
    )  # fmt: skip
    report(
        shop, job, shop.bench,
        said("complaint kind", "low pressure"), said("complaint kind", "knock"), said("turns by hand", "free"),
        said("known for", "worn distributor drives", "the trade"),
        said("oil on arrival", "level right", verified=True),
        *_graded(shop, shop.petrol, "OL" "CM" "LL" "DC" "LL" "CC" "LL" "MG" "EE"),
        _seen("wear", "even over the crown", "half-rod-2-lower"),
        _seen("wear", "near the joints", "half-rod-4-upper"),
        _seen("wear", "even over the crown", "half-rod-1-lower", arc=(55, 130)),
        _seen("seat", "turned in its housing", "half-rod-4-lower"),
        _seen("back", "polished or brown", "half-rod-4-lower"),
        _seen("shell kind", "three-layer with overlay"),
        _seen("screen", "clear", "pump"), _seen("in the screen", "copper or bronze flakes"),
        _seen("in the screen", "chips", debris={"much": "a pinch", "grain": "pieces", "magnetic": True}),
        _seen("seal at the pickup", "as the new one", "pump"),
        _seen("drive", "sound", "pump"), _seen("pump housing", "scored, nail runs clear", "pump"),
        _seen("gears or rotors", "sound", "pump"),
        _seen("filter cut", "with a cutter, no swarf"),
        _seen("filter", "copper or bronze", debris={"much": "a spoonful", "grain": "flakes", "magnetic": False}),
        _seen("insert", "right"),
        _seen("relief valve", "chip in it", "pump"),
        _seen(Look.ROD, "blue", "rod-4"), _seen(Look.ROD, "straw", "rod-2"),
        _seen("ports", "wet"), _seen("thrust", "even", "cap-main-3"),
        {"fact": "oil way", "extras": ["cooler", "cam", "followers", "rockers"], "source": "the block"},
        _OIL_REPORT,
    )  # fmt: skip
    _ugly_so_far(shop, job)
    report(
        shop, job, shop.machinist,
        {"fact": "cause", "stand": Stand.SETTLED, "cause": "supply.relief",
         "reason": "The chip held the plunger open; it is a piece of the chain guide."},
    )  # fmt: skip


def _ugly_so_far(shop: Shop, job: int) -> None:
    """Heights, pictures, a first report, and what was found after it."""
    for nth, height in enumerate(("0.236 in", "0.238 in", "0.235 in", "0.237 in"), start=1):
        report(shop, job, shop.bench, _seen("deposit line", "measured", f"piston-{nth}", amount=height))
    picture_of(shop, job, "half-rod-4-lower", pictures.shell, "rod 4, lower half")
    picture_of(shop, job, "half-rod-1-lower", pictures.shell, "rod 1, lower half")
    picture_of(shop, job, "half-main-1-upper", pictures.sound_shell, "main 1, upper half, sound")
    picture_of(shop, job, "look:filter", pictures.filter_pleats, "pleats on white paper")
    answer_by = (timezone.now() + timedelta(days=5)).date().isoformat()
    words = "First look, before anything is measured."
    report(shop, job, shop.machinist, {"fact": "report", "words": words, "answer_by": answer_by})
    report(
        shop, job, shop.bench,
        _seen("timing drive", "guides worn"), _seen("metal of", "a part above, worn"),
        {"fact": "dealt", "item": "pan", "how": "washed"},
        {"fact": "dealt", "item": "screen", "how": "washed"},
        {"fact": "dealt", "item": "filter", "how": "renewed"},
        {"fact": "carried part", "what": "Oil cooler", "out": True, "other": "61"},
    )  # fmt: skip


def _left_open(shop: Shop) -> None:
    job = shop.book(
        62, "Ferry landing generator", shop.petrol, 1,
        ("Inner Harbour Trust", "One rod knocked after 40 hours from a rebuild elsewhere. Stopped at once."),
        scope=["mains", "rods"],
    )  # fmt: skip
    report(
        shop, job, shop.bench,
        said("complaint kind", "knock"), said("turns by hand", "free"),
        *_graded(shop, shop.petrol, "OO" "OO" "OO" "OO" "OO" "WC" "OO" "OO" "OO"),
        _seen("since opened", "few hours"), _seen("shell marks", "right for their place"),
        _seen("screen", "clear", "pump"), _seen("level", "right"),
    )  # fmt: skip
    mains = {name: Worn(2.4139, 0.0002, 20, 0.0001) for name in ("M1", "M2", "M3", "M4", "M5")}
    rods = {name: Worn(2.0374, 0.0002, 30, 0.0001) for name in ("R1", "R2", "R4")}
    shop.read(job, {**mains, **rods, "R3": Worn(2.0371, 0.0019, 12, 0.0003)}, INCH_HAND)
    shop.see(job, "R3", Look.SURFACE, "nail catches", "0.0006")
    shop.sound(job)
    report(
        shop, job, shop.machinist,
        {"fact": "cause", "stand": Stand.OPEN,
         "reason": "The drilling was flushed before anybody blew through it; nothing else was found."},
    )  # fmt: skip
    shop.accept(job, JournalSet.MAINS, JournalSet.RODS)
    words = "Trust told in writing: cause not found, drilling proved clear now. First 20 hours on the gauge."
    open_yet = actions.open_job(job, shop.machinist).assessment.cause.items
    actions.sign(shop.machinist, job, sheet_html, {one.key: words for one in open_yet})
