"""Four invented jobs at the door and in the strip: one that waits at its stop point, one half stripped with two
caps that are no pair, one of which nobody knows yet what it is, and one that was stopped and has left."""

from __future__ import annotations

from typing import Any

from django.utils import timezone

from demo import pictures
from demo.shop import Shop
from halfthou.jobs import FOUND, NOTHING, Closed, FastenerKind, FastenerState
from halfthou.lengths import Unit
from halfthou.strip import steps_by_id
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.record.models import JobRecord


def furnish_door(shop: Shop) -> None:
    """Book the four in and take them as far as they are."""
    _at_its_stop_point(shop)
    _half_stripped(shop)
    _not_known(shop)
    _stopped(shop)


def report(shop: Shop, job: int, who: Person, *facts: dict[str, Any]) -> None:
    """Report facts as a page would, by the one door."""
    given = [
        actions.reported_fact(fact["fact"]).model_validate({"id": shop.key(), "at": timezone.now(), **fact})
        for fact in facts
    ]
    _, results = actions.land_facts(who, job, given)
    for result in results:
        if result.refused is not None:
            raise result.refused


def said(topic: str, answer: str, source: str = "", *, verified: bool = False) -> dict[str, Any]:
    """Something said at the door, as a page sends it."""
    return {"fact": "statement", "topic": topic, "answer": answer, "source": source, "verified": verified}


def picture_of(shop: Shop, job: int, on: str, draw: pictures.Draw, words: str) -> None:
    """A picture of something; that of a screen was taken with the camera on its side."""
    given = actions.TakingPicture(id=shop.key(), on=on, words=words, at=timezone.now())
    side = draw is pictures.screen
    actions.add_picture(shop.bench, job, given, pictures.drawn(draw, job, on_its_side=side))


def _at_its_stop_point(shop: Shop) -> None:
    job = shop.book(
        56, "Ice plant compressor engine", shop.diesel, 7,
        ("Inner Harbour Trust", "Lamp came on in the cold store. Foreman let it run to the end of the shift."),
        scope=["mains", "rods", "pump"],
    )  # fmt: skip
    report(
        shop, job, shop.bench,
        said("complaint kind", "low pressure"),
        said("hours", "6,210 h", "hour meter"), said("hours", "about 4,500 h", "the foreman"),
        said("service before", "oil and filter"), said("turns by hand", "free"),
        said("oil on arrival", "level right"), said("oil on arrival", "thick"),
        said("carried over", "cooler", "the customer's book"),
        said("last built", "new", "the customer"), said("missing", "accessories off"),
        said("earlier hands", "none seen"),
        said("block says", shop.diesel.document["engine"], "plate", verified=True),
        said("oil sample", "drawn, at the lab"),
        said("to be had", "shells STD to 0.50 mm: 4 days; no crank", "Eastquay parts counter"),
        said("budget", "2,000", "harbour office"), said("customer signed", "strip and report only"),
        {"fact": "stop point", "name": "at 250 EUR", "spend": "250"},
        {"fact": "stop point", "name": "before the heads come off", "before": "heads"},
        {"fact": "seen", "look": "filter", "answer": "copper or bronze", "note": "flakes in every pleat"},
        {"fact": "seen", "look": "oil drained", "answer": NOTHING, "minutes": 20},
        {"fact": "step", "step": "stand.photographed"},
        {"fact": "step", "step": "oil.drained", "unseen": True, "because": "no gauge fits its gallery"},
        {"fact": "step", "step": "filter.off"}, {"fact": "step", "step": "stand.on"},
        {"fact": "step", "step": "pan.off"},
        {"fact": "seen", "on": "pump", "look": "screen", "answer": "part blocked",
         "note": "half closed by carbon; copper flakes in the pan"},
        {"fact": "seen", "look": "one rod", "answer": FOUND, "ends": True,
         "note": "rod 3 down to its copper and blue; journal scored, and no crank to be had"},
    )  # fmt: skip
    picture_of(shop, job, "engine", pictures.engine, "as it came")
    picture_of(shop, job, "look:filter", pictures.filter_pleats, "pleats on white paper")
    picture_of(shop, job, "look:screen", pictures.screen, "as it lay, before cleaning")
    picture_of(shop, job, "half-rod-3-upper", pictures.shell, "upper half of rod 3")


def _half_stripped(shop: Shop) -> None:
    job = shop.book(
        57, "Dockside grab, carrier engine", shop.vee, 14,
        ("Eastquay Lifting", "Knocks under load, worse warm. Rebuilt two seasons ago."),
        scope=["mains", "rods"],
    )  # fmt: skip
    report(
        shop, job, shop.bench,
        said("complaint kind", "knock"), said("turns by hand", "tight at one place"),
        said("last built", "rebuilt two seasons ago", "invoice"), said("size said", "rods 0.010 under", "paint"),
        said("earlier hands", "foreign sealant"), said("earlier hands", "mixed bolts"),
        said("oil sample", "drawn now"), said("to be had", "shells to 0.030: from stock", "own shelf"),
        {"fact": "seen", "look": "filter", "answer": "clean"},
        {"fact": "seen", "look": "screen", "answer": FOUND, "note": "shreds of sealant, grey paste"},
        {"fact": "seen", "look": "heads", "answer": NOTHING},
    )  # fmt: skip
    steps = list(steps_by_id(shop.layout_of(shop.vee)))
    for step in steps[: steps.index("rod-1.marked")]:
        why = "the deadline; the owner agreed"
        report(shop, job, shop.bench, {"fact": "step", "step": step, "unseen": True, "because": why})
    for rod, cap in ((1, "1"), (3, "7"), (7, "3")):
        report(
            shop, job, shop.bench,
            {"fact": "mark", "part": f"rod-{rod}", "mark": str(rod), "found": True},
            {"fact": "mark", "part": f"cap-rod-{rod}", "mark": cap, "found": True},
        )  # fmt: skip
    for step in ("rod-1.marked", "cap-rod-1.off", "half-rod-1-lower.out", "rod-1.out", "half-rod-1-upper.out"):
        felt = ["force needed", "came away stuck"] if step == "cap-rod-1.off" else []
        report(shop, job, shop.bench, {"fact": "step", "step": step, "felt": felt})
    report(
        shop, job, shop.bench,
        {"fact": "fastener", "place": "bell housing, upper left", "state": FastenerState.HOLE_EMPTY},
        {"fact": "fastener", "place": "heads, both banks", "kind": FastenerKind.STRETCH, "count": 20, "uses": 2},
        {"fact": "fastener", "place": "pan", "count": 22},
        {"fact": "removal", "what": "dip tube", "place": "block, left side"},
        {"fact": "fragment", "what": "grey chip, 6 mm, one edge bright", "place": "pan, rear corner",
         "magnetic": False},
    )  # fmt: skip
    picture_of(shop, job, "cap-rod-3", pictures.rod_and_cap, "3 on the rod, 7 on the cap")
    picture_of(shop, job, "step:gearbox.off", pictures.empty_hole, "upper left hole empty")
    picture_of(shop, job, "half-rod-1-upper", pictures.sound_shell, "rod 1, as new")


def _not_known(shop: Shop) -> None:
    given = actions.BookIn(
        number="58", title="Engine in a crate, no papers", entry_unit=Unit.INCH, booked_in=shop.today,
        customer="Upper Mill", complaint="Bought at a yard clearance. What is it, and is it worth anything?",
    )  # fmt: skip
    job = actions.book_in(shop.bench, given).record.pk
    report(shop, job, shop.bench, said("turns by hand", "locked"), said("missing", "accessories off"))


def _stopped(shop: Shop) -> None:
    job = shop.book(
        59, "Ballast regulator, spare engine", shop.petrol, None,
        ("Peat Line Railway", "Stood outside two winters. Wanted as a spare if it is any good."),
        scope=["mains", "rods"],
    )  # fmt: skip
    key = shop.key()
    report(
        shop, job, shop.bench,
        said("complaint kind", "seized"), said("turns by hand", "locked"), said("oil sample", "no oil in it"),
        said("to be had", "not worth asking: a whole engine stands in the yard", "the yard"),
        {"fact": "removal", "what": "core plug", "place": "block, right side"},
        {"fact": "seen", "id": key, "look": "heads", "answer": FOUND, "ends": True,
         "note": "block split by frost between cylinders 2 and 3"},
    )  # fmt: skip
    report(
        shop, job, shop.machinist,
        {"fact": "way on", "point": key, "on": False,
         "reason": "Railway told by telephone: scrap it, keep the head."},
    )  # fmt: skip
    record = JobRecord.objects.get(pk=job)
    out = record.facts.get(kind="removal").key
    report(
        shop, job, shop.machinist,
        {"fact": "closing", "of": out, "how": Closed.LOOSE, "words": "in the box with the head"},
        {"fact": "hand over", "to": "Peat Line Railway, scrap wagon"},
    )  # fmt: skip
