"""Three invented engines that are described as they are and half stripped: an overhead-cam diesel, a flat four in
a split case, a wet-liner six with a head for each cylinder."""

from __future__ import annotations

from demo.door_jobs import report, said
from demo.engines import journals_only
from demo.shop import Shop
from halfthou.engines import usual_engines
from halfthou.jobs import Built, Firing, Layout, MadeFor, ThrustBy, Use
from halfthou.strip import strip_list
from workshop.limits.describing import DescriptionForm, draft_description
from workshop.limits.models import DescriptionRevision, SheetRevision
from workshop.strip.engine import EditingStrip, ForWhom, edit_strip


def _described(name: str, like: str, *, thrust: str, **more: object) -> Layout:
    """A usual engine with what is its own."""
    usual = next(one for one in usual_engines() if one.name == like)
    built = Built(**{**dict(usual.built or Built()), "made_for": MadeFor.GENERAL, **more})
    taken = {"thrust_main": thrust, "thrust_by": ThrustBy.FLANGED}
    return Layout(**{**dict(usual), **taken, "name": name, "built": built})


def _ferry() -> Layout:
    return _described(
        "Skerrin D4-52, overhead-cam diesel four", "Four, two overhead cams, chain", thrust="M3",
        firing=Firing.INJECTORS, turbochargers=1, injection_pump=True, squirters=True, cooler=True,
    )  # fmt: skip


def _blower() -> Layout:
    return _described("Tarrick F4-38, flat four", "Flat four, split case", thrust="M1", cooler=True)


def _dragline() -> Layout:
    return _described(
        "Venner 6-118, diesel six", "Diesel six, wet liners, a head each", thrust="M4", turbochargers=0,
        filter_insert=True,
    )  # fmt: skip


def furnish_described(shop: Shop) -> None:
    """The three descriptions, their limits, and a job on each, stripped so far."""
    for number, (layout, title, customer, until) in enumerate(
        (
            (_ferry(), "Ferry Sandpiper", "Inner Harbour Trust", "drive.locked"),
            (_blower(), "Hay tower blower", "Lowmoor Orchards Co-operative", "barrel-3.marked"),
            (_dragline(), "Dragline 2", "Saltmarsh Drainage Board", "liners.clamped"),
        ),
        start=71,
    ):
        described = draft_description(shop.machinist, DescriptionForm(layout=layout))
        sheet = _sheet(shop, described)
        job = shop.book(number, title, sheet, 14 + number - 70, (customer, ""), use=Use.STATIONARY)
        report(shop, job, shop.bench, said("oil sample", "drawn now"), said("turns by hand", "free"))
        _strip(shop, job, layout, until)
        if number == 71:
            _edited(shop, job)


def _sheet(shop: Shop, described: DescriptionRevision) -> SheetRevision:
    form = journals_only(described.description.name, Layout.model_validate(described.document))
    return shop.keep_sheet(form.model_copy(update={"description": described.pk}))


def _strip(shop: Shop, job: int, layout: Layout, until: str) -> None:
    steps = [step.id for step in strip_list(layout)]
    why = "looked at and photographed together, written down after"
    for step in steps[: steps.index(until)]:
        report(shop, job, shop.bench, {"fact": "step", "step": step, "unseen": True, "because": why})


def _edited(shop: Shop, job: int) -> None:
    """The house's own step: the ferry's belt of the bilge pump comes off with the damper."""
    own = {"id": "own-bilge-pump-belt", "text": "Belt of the bilge pump off, its tension noted", "minutes": 4,
           "after": "drive.locked"}  # fmt: skip
    given = EditingStrip.model_validate({"reach": ForWhom.ENGINE, "edits": {"own": [own]}, "sure": True})
    edit_strip(shop.machinist, job, given)
