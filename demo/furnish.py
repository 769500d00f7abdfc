"""The invented shop furnished: every engine of the demo, made through the workshop's own actions."""

from __future__ import annotations

import random
from datetime import date

from django.utils import timezone

from demo.blocks import furnish_blocks
from demo.described import furnish_described
from demo.door_jobs import furnish_door
from demo.evidence_jobs import furnish_evidence
from demo.loose_jobs import furnish_loose
from demo.shop import Shop
from demo.straight import furnish_straight
from demo.worn import INCH_HAND, METRIC_HAND, Worn
from halfthou.jobs import Condition, Feature, JournalSet, Look, OperationKind, Plan
from halfthou.verdicts import Action
from workshop.jobs import actions
from workshop.pages.printing import sheet_html
from workshop.people.models import Person
from workshop.record.models import JobRecord


def furnish(today: date) -> None:
    """Furnish an empty database with the demo shop. A shop with jobs in it is left as it is."""
    if JobRecord.objects.exists() or Person.objects.exists():
        return
    shop = Shop(today)
    with actions.judged_together(shop.bench):
        _archived(shop)
        _signed(shop)
        _half_measured(shop)
        _just_booked(shop)
        _turns_out_fine(shop)
        _one_sets_all(shop)
        _past_the_last(shop)
        _hardened(shop)
        _not_to_be_trusted(shop)
        _back_from_the_grinder(shop)
        _mixed(shop)
        furnish_blocks(shop)
        furnish_loose(shop)
        furnish_door(shop)
        furnish_evidence(shop)
        furnish_described(shop)
        furnish_straight(shop)
    shop.give_passwords()


def _fit(names: str, size: float, oval: float, taper: float, chance: random.Random) -> dict[str, Worn]:
    """Journals with ordinary wear around one size."""
    return {
        name: Worn(
            size - chance.random() * oval,
            oval * (0.5 + chance.random()),
            chance.randrange(0, 60),
            taper * chance.random(),
        )
        for name in names.split()
    }


def _archived(shop: Shop) -> None:
    job = shop.book(38, "Ballast tamper", shop.petrol, None, ("Peat Line Railway", ""))
    shop.read(job, _fit("M1 M2 M3 M4 M5", 2.4140, 0.0002, 0.0001, shop.chance), INCH_HAND)
    shop.read(job, _fit("R1 R2 R3 R4", 2.0375, 0.0002, 0.0001, shop.chance), INCH_HAND)
    actions.archive_job(shop.machinist, job, archived=True)


def _signed(shop: Shop) -> None:
    job = shop.book(
        40,
        "Drainage pump 2",
        shop.vee,
        2,
        ("Saltmarsh Drainage Board", "Low oil pressure when hot. 6,200 hours by the log."),
    )
    shop.read(job, _fit("M1 M2 M3 M4 M5", 2.7046, 0.0002, 0.0001, shop.chance), INCH_HAND)
    rods = _fit("R1 R2 R3 R4", 2.2612, 0.0003, 0.0001, shop.chance)
    rods["R2"] = Worn(2.2611, 0.0021, 12, 0.0002)
    shop.read(job, rods, INCH_HAND)
    shop.see(job, "R2", Look.SURFACE, "nail catches", "0.0008")
    shop.sound(job)
    shop.see(job, "crank", Look.CRACK_TEST, "passed")
    shop.accept(job, JournalSet.MAINS, JournalSet.RODS)
    actions.sign(shop.machinist, job, sheet_html)


def _half_measured(shop: Shop) -> None:
    job = shop.book(
        41,
        "Locomotive 3",
        shop.petrol,
        5,
        ("Peat Line Railway", "Knock under load since the wet week. Hours not known."),
    )
    mains = {
        "M1": Worn(2.4138, 0.0003, 10, 0.0001),
        "M2": Worn(2.4139, 0.0002, 30, 0.0001),
        "M3": Worn(2.41295, 0.0001, 15, 0.0001),
        "M4": Worn(2.4137, 0.0003, 5, 0.0002),
    }
    shop.read(job, mains, INCH_HAND)
    shop.read(job, {"R1": Worn(2.0371, 0.0016, 20, 0.0002), "R2": Worn(2.0376, 0.0002, 40, 0.0001)}, INCH_HAND)
    third = {"1a": "312", "1b": "2.0348", "1c": "2.0374", "1d": "2.0347", "2a": "314", "2b": "350"}
    shop.type_in(job, "R3", third, shop.inch)
    shop.see(job, "R3", Look.SURFACE, "nail catches", "0.0006")
    shop.see(job, "M1", Look.SURFACE, "light marks")
    shop.see(job, "M4", Look.SURFACE, "light marks")
    shop.see(job, "rods", Look.CLAIMED_UNDERSIZE, "paint", "10")


def _just_booked(shop: Shop) -> None:
    shop.book(
        42,
        "Sprayer pump",
        shop.diesel,
        12,
        ("Lowmoor Orchards Co-operative", "Stopped in the row. Turns by hand, free."),
    )


def _turns_out_fine(shop: Shop) -> None:
    job = shop.book(
        43,
        "Harbour launch Dunlin",
        shop.diesel,
        8,
        ("Inner Harbour Trust", "Overheated once at sea; wanted opened to be sure."),
    )
    shop.read(job, _fit("M1 M2 M3 M4", 73.653, 0.004, 0.002, shop.chance), METRIC_HAND)
    shop.read(job, _fit("R1 R2 R3", 61.383, 0.004, 0.002, shop.chance), METRIC_HAND)
    shop.see(job, "R2", Look.SURFACE, "light marks")
    shop.sound(job)
    shop.accept(job, JournalSet.MAINS)


def _one_sets_all(shop: Shop) -> None:
    job = shop.book(
        44,
        "Mobile crane 12, carrier engine",
        shop.vee,
        20,
        ("Eastquay Lifting", "Metal in the filter. Ran on after the warning, who says so: the driver."),
    )
    shop.read(job, _fit("M1 M2 M3 M4 M5", 2.7045, 0.0003, 0.0002, shop.chance), INCH_HAND)
    rods = _fit("R1 R2 R4", 2.2615, 0.0002, 0.0001, shop.chance)
    rods["R3"] = Worn(2.2609, 0.0078, 8, 0.0003)
    shop.read(job, rods, INCH_HAND)
    shop.see(job, "R3", Look.SURFACE, "nail catches", "0.001")
    shop.see(job, "R3", Look.SEAT, "turned in its housing")
    shop.see(job, "M3", Look.SURFACE, "light marks")
    shop.sound(job)


def _past_the_last(shop: Shop) -> None:
    job = shop.book(
        45,
        "Locomotive 5",
        shop.petrol,
        -3,
        ("Peat Line Railway", "Third bearing failure in two years. Papers say the crank is standard."),
    )
    shop.see(job, "rods", Look.CLAIMED_UNDERSIZE, "paper", "STD")
    shop.read(job, _fit("M1 M2 M3 M4 M5", 2.4139, 0.0003, 0.0002, shop.chance), INCH_HAND)
    rods = _fit("R1 R3 R4", 2.0175, 0.0003, 0.0001, shop.chance)
    rods["R2"] = Worn(2.0171, 0.0105, 30, 0.0006)
    shop.read(job, rods, INCH_HAND)
    shop.see(job, "R2", Look.SEAT, "turned in its housing")
    shop.see(job, "R2", Look.HEAT, "blue")
    shop.see(job, "crank", Look.CRACK_TEST, "passed")
    shop.see(job, "R2", Look.HARDNESS, "as the maker asks")
    shop.see(job, "crank", Look.STRAIGHTNESS, "within the maker's run-out")
    shop.sound(job)


def _hardened(shop: Shop) -> None:
    job = shop.book(
        46,
        "Quarry water pump, set 2",
        shop.diesel,
        15,
        ("Greyface Quarry", "Rumble at idle."),
    )
    shop.read(job, _fit("M1 M2 M3 M4", 73.652, 0.004, 0.002, shop.chance), METRIC_HAND)
    rods = _fit("R1 R3", 61.381, 0.004, 0.002, shop.chance)
    rods["R2"] = Worn(61.370, 0.043, 15, 0.004)
    shop.read(job, rods, METRIC_HAND)
    shop.sound(job)
    shop.accept(job, JournalSet.MAINS)
    reason = "Customer has a spare crank; this one goes to the specialist for case depth before it is scrapped."
    shop.override(job, JournalSet.RODS, Action.REFER, reason)


def _not_to_be_trusted(shop: Shop) -> None:
    """Readings that must be looked at before they are believed: a turn of the thimble, a part from the wash."""
    job = shop.book(
        47,
        "Ballast winch",
        shop.petrol,
        9,
        ("Peat Line Railway", "Ran low on oil; stopped in time, says the crew."),
    )
    shop.read(job, _fit("M1 M2 M3 M4 M5", 2.4139, 0.0002, 0.0001, shop.chance), INCH_HAND)
    shop.read(job, _fit("R1", 2.0374, 0.0003, 0.0001, shop.chance), INCH_HAND)
    shop.sound(job)
    slipped = {"1a": "2.0373", "1b": "2.0374", "1c": "2.0124", "1d": "2.0373", "2a": "2.0372"}
    shop.type_in(job, "R2", slipped, shop.inch)
    warm = actions.SittingForm(id="demo.wash", condition=Condition.WASHED, at=timezone.now())
    washed = dict(zip(Plan().spots, ("366", "367", "367", "366", "366", "366", "367", "366"), strict=True))
    shop.type_in(job, "R3", {spot: f"2.0{text}" for spot, text in washed.items()}, shop.inch, sitting=warm)


def _back_from_the_grinder(shop: Shop) -> None:
    """Ground under: what was read before is stale, one rod is taken again, and its bearing bore is read."""
    job = shop.book(
        48, "Sawmill engine", shop.diesel, 6, ("Upper Mill", "Rods ground; wanted checked before it is closed up.")
    )
    shop.read(job, _fit("M1 M2 M3 M4", 73.652, 0.003, 0.002, shop.chance), METRIC_HAND)
    rods = _fit("R1 R3", 61.380, 0.004, 0.002, shop.chance)
    rods["R2"] = Worn(61.352, 0.052, 20, 0.004)
    shop.read(job, rods, METRIC_HAND)
    shop.sound(job)
    shop.work(job, OperationKind.GRIND, "rods", "0.25 mm", "Done at Eastquay")
    shop.type_in(job, "R1", {"1a": "61.130", "1b": "61.131", "1c": "61.130", "1d": "61.130", "2a": "61.129",
                             "2b": "61.130", "2c": "61.130", "2d": "61.130"}, shop.metric)  # fmt: skip
    bore = {"1a": "61.192", "1b": "61.190", "1c": "61.190", "2a": "61.191", "2b": "61.190", "2c": "61.189"}
    shop.type_in(job, "bearing-rod-1", bore, shop.cabinet["bore"], feature=Feature.BEARING_BORE, caps_torqued=True)


def _mixed(shop: Shop) -> None:
    """One main was ground singly in the field: a mixed crank, and a person has to choose."""
    job = shop.book(
        49, "Sluice compressor", shop.petrol, 11, ("Saltmarsh Drainage Board", "Bought used. Middle main replaced.")
    )
    mains = _fit("M1 M2 M4 M5", 2.4140, 0.0002, 0.0001, shop.chance)
    mains["M3"] = Worn(2.4040, 0.0002, 20, 0.0001)
    shop.read(job, mains, INCH_HAND)
    shop.read(job, _fit("R1 R2 R3 R4", 2.0375, 0.0002, 0.0001, shop.chance), INCH_HAND)
    shop.sound(job)
