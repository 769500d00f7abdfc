"""Descriptions in the workshop: their revisions, jobs that take them up, the house's changes in the strip list."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.engines import usual_engines
from halfthou.jobs import Built, DecisionKind, Layout, MadeFor, MainsIn, MovedStep, OwnStep, StripEdits
from halfthou.lengths import Notation, Unit
from halfthou.strip import Strip, steps_of, strip_report
from workshop.jobs import actions
from workshop.limits.actions import document_of, draft_sheet
from workshop.limits.describing import (
    DescriptionForm,
    change_description,
    copy_description,
    draft_description,
)
from workshop.limits.models import DescriptionRevision, SheetRevision
from workshop.limits.translate import form_of_sheet
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotAllowed, Refusal
from workshop.record.models import JobRecord

Told = Callable[..., actions.Landed]


def described(name: str, like: str = "Four, push rods", **more: Any) -> DescriptionForm:
    usual = next(one for one in usual_engines() if one.name == like)
    built = Built(**{**dict(usual.built or Built()), "made_for": MadeFor.GENERAL, **more})
    return DescriptionForm(layout=Layout(**{**dict(usual), "name": name, "built": built}))


@pytest.fixture
def four(machinist: Person) -> DescriptionRevision:
    return draft_description(machinist, described("Tolby 4"))


def step(person: Person, job: JobRecord, name: str, **said: Any) -> actions.Landed:
    given = actions.DoingStep(id=f"s.{name}.{len(said)}", step=name, at=timezone.now(), **said)
    _, (landed,) = actions.land_facts(person, job.pk, [given])
    return landed


def test_a_description_has_revisions_and_freezes_with_the_signature(
    machinist: Person, bench: Person, four: DescriptionRevision, job: JobRecord
) -> None:
    with pytest.raises(NotAllowed):
        draft_description(bench, described("Other"))
    with pytest.raises(Clash, match="already"):
        draft_description(machinist, described("Tolby 4"))
    assert change_description(machinist, four.pk, DescriptionForm(version=1, layout=described("Tolby 4").layout))
    with pytest.raises(Clash, match="meanwhile"):
        change_description(machinist, four.pk, DescriptionForm(version=1, layout=described("Tolby 4").layout))
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    with pytest.raises(Clash, match="stand on this revision"):
        change_description(machinist, four.pk, DescriptionForm(version=2, layout=described("Tolby 4").layout))
    second = copy_description(machinist, four.pk)
    assert (second.number, second.description.name) == (2, "Tolby 4")


def test_the_signature_freezes_the_description_too(
    machinist: Person, bench: Person, job: JobRecord, four: DescriptionRevision, read_all: Callable[[], None]
) -> None:
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    read_all()
    for one in actions.open_job(job.pk, machinist).assessment.sets:
        key = f"accept.{one.set}"
        actions.decide(
            machinist,
            job.pk,
            actions.Deciding(id=key, kind=DecisionKind.ACCEPTED, set=one.set, at=timezone.now()),
        )
    actions.sign(machinist, job.pk)
    four.refresh_from_db()
    assert four.frozen
    with pytest.raises(Clash, match="signed"):
        change_description(machinist, four.pk, DescriptionForm(version=1, layout=described("Tolby 4").layout))


def test_a_description_without_its_use_is_asked_for_it(machinist: Person) -> None:
    with pytest.raises(Refusal) as refused:
        draft_description(machinist, described("Nameless", made_for=None))
    assert "made for" in refused.value.faults[0].what


def test_what_was_done_stays_and_what_falls_away_or_comes_is_said(
    machinist: Person, bench: Person, four: DescriptionRevision, job: JobRecord
) -> None:
    """Half stripped, an engine proves to have a bedplate and a belt."""
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    for name in ("stand.photographed", "sensors.off", "tensioner.off"):
        assert step(bench, job, name, covers="off already", because="it hung by one bolt").refused is None
    belt = draft_description(machinist, described("Tolby 4 B", mains_in=MainsIn.BEDPLATE, driven_by="gears"))
    taking = actions.TakingDescription(description=belt.pk)
    with pytest.raises(Refusal) as refused:
        actions.take_up_description(machinist, job.pk, taking)
    said = " ".join(fault.what for fault in refused.value.faults)
    assert "Tensioner slackened, pinned and off, guides with it: it is done and stays so" in said
    assert "fall away" in said
    assert "Bedplate off" in said
    opened = actions.take_up_description(machinist, job.pk, taking.model_copy(update={"sure": True}))
    assert {one.step for one in opened.job.steps_done} >= {"tensioner.off", "sensors.off"}


def test_a_description_without_a_part_on_record_is_refused(
    machinist: Person, bench: Person, four: DescriptionRevision, job: JobRecord
) -> None:
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    mark = actions.MarkingPart(id="m", part="pushrod-1-inlet", mark="1I", found=True, at=timezone.now())
    _, (landed,) = actions.land_facts(bench, job.pk, [mark])
    assert landed.refused is None
    cams = draft_description(machinist, described("Tolby 4 C", "Four, two overhead cams, chain"))
    with pytest.raises(Clash) as refused:
        actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=cams.pk, sure=True))
    assert "Push rod, inlet, cylinder 1: something is on record of it." in [f.what for f in refused.value.faults]


def test_an_engine_not_identified_is_stripped_by_its_description(machinist: Person, bench: Person) -> None:
    given = actions.BookIn(title="In a crate", entry_unit=Unit.INCH, booked_in=date(2031, 5, 4))
    crate = actions.book_in(bench, given).record
    assert step(bench, crate, "oil.drained", unseen=True, because="empty").refused is not None
    flat = draft_description(machinist, described("Marlott F2", "Flat twin, split case"))
    actions.take_up_description(machinist, crate.pk, actions.TakingDescription(description=flat.pk))
    assert step(bench, crate, "stand.photographed").refused is None


def test_several_sheets_belong_to_one_description(
    machinist: Person, limits: SheetRevision, four: DescriptionRevision, client_of: Callable[[Person], Client]
) -> None:
    client = client_of(machinist)
    form = client.get(f"/api/limits/{limits.pk}").json()["form"]
    for name in ("Tolby 4, petrol", "Tolby 4, paraffin"):
        body = {**form, "engine": name, "description": four.pk, "sure": True}
        kept = client.post("/api/limits", body, content_type="application/json").json()
        assert kept["form"]["layout"]["name"] == "Tolby 4"
    lines = client.get("/api/descriptions").json()
    assert lines[0]["sheets"] == ["Tolby 4, paraffin revision 1", "Tolby 4, petrol revision 1"]
    assert lines[0]["in_use"]


def refused_as(landed: actions.Landed) -> str:
    assert landed.refused is not None
    return landed.refused.code


OWN = OwnStep(id="own-weigh", text="Weigh what lies in the pan", minutes=3, after="pan.off", before="pickup.off")


def editing(reach: actions.ForWhom = actions.ForWhom.ENGINE, **edits: Any) -> actions.EditingStrip:
    return actions.EditingStrip(reach=reach, edits=StripEdits(**edits))


def test_the_house_edits_the_list_for_one_for_a_description_for_all(
    machinist: Person, owner: Person, bench: Person, four: DescriptionRevision, job: JobRecord
) -> None:
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    with pytest.raises(NotAllowed):
        actions.edit_strip(bench, job.pk, editing(own=(OWN,)))
    with pytest.raises(NotAllowed):
        actions.edit_strip(machinist, job.pk, editing(actions.ForWhom.ALL, own=(OWN,)))
    actions.edit_strip(owner, job.pk, editing(actions.ForWhom.ALL, own=(OWN,), minutes={"pan.off": 30}))
    actions.edit_strip(machinist, job.pk, editing(actions.ForWhom.DESCRIPTION, minutes={"pan.off": 40}))
    actions.edit_strip(machinist, job.pk, editing(texts={"pan.off": "Pan off, both hands"}))
    steps = {one.id: one for one in strip_of(bench, job)}
    assert (steps["pan.off"].text, steps["pan.off"].minutes) == ("Pan off, both hands", 40)
    names = list(steps)
    assert names.index("pan.off") < names.index("own-weigh") < names.index("pickup.off")
    assert refused_as(step(bench, job, "pickup.off")) == "held"
    assert refused_as(step(bench, job, "pickup.off", covers="off already")) == "do-first"
    because = "weighed at home"
    assert step(bench, job, "pickup.off", covers="off already", because=because).refused is None


def strip_of(person: Person, job: JobRecord) -> tuple[Any, ...]:
    return steps_of(actions.open_job(job.pk, person).job)


@pytest.mark.parametrize(
    ("edits", "says"),
    [
        ({"moved": (MovedStep(step="pan.off", after="cap-rod-1.off"),)}, "the pan covers it"),
        ({"moved": (MovedStep(step="rod-1.out", after="crank.out"),)}, "comes after"),
        ({"own": (OWN.model_copy(update={"after": "crank.out", "before": "pan.off"}),)}, "your own order"),
    ],
)
def test_an_order_that_goes_in_a_ring_is_refused_in_words(
    machinist: Person, bench: Person, four: DescriptionRevision, job: JobRecord, edits: Any, says: str
) -> None:
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    before = strip_of(bench, job)
    with pytest.raises(Refusal) as refused:
        actions.edit_strip(machinist, job.pk, editing(**edits))
    assert refused.value.code == "circle"
    assert says in " ".join(fault.what for fault in refused.value.faults)
    assert strip_of(bench, job) == before


def test_what_an_order_costs_is_said_before_it_is_kept(
    machinist: Person, four: DescriptionRevision, job: JobRecord
) -> None:
    """Rod 2 before rod 4, though 1 and 4 stand together: the crank is turned once more."""
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    moved = editing(moved=(MovedStep(step="rod-4.marked", after="rod-2.out"),
                           MovedStep(step="rod-3.marked", after="rod-4.out")))  # fmt: skip
    with pytest.raises(Refusal) as refused:
        actions.edit_strip(machinist, job.pk, moved)
    assert refused.value.code == "would-spoil"
    assert "turned 1 time more" in refused.value.faults[0].what
    actions.edit_strip(machinist, job.pk, moved.model_copy(update={"sure": True}))


def test_heads_that_came_off_at_the_door_are_off_with_what_held_them(
    machinist: Person, bench: Person, job: JobRecord, client_of: Callable[[Person], Client]
) -> None:
    """Rule: strip.off-already."""
    cams = draft_description(machinist, described("Tolby 4 D", "Four, two overhead cams, chain"))
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=cams.pk))
    telling = actions.Telling(id="t", topic="missing", answer="heads off", at=timezone.now())
    actions.land_facts(bench, job.pk, [telling])
    told = client_of(bench).get(f"/api/jobs/{job.pk}/strip").json()
    came = {one["id"] for one in told["steps"] if one["came_off"]}
    assert {"head.off", "head.bolts", "drive.off", "cam-inlet.out", "covers.off"} <= came
    assert "pan.off" not in came
    assert told["minutes_done"] == 0
    assert step(bench, job, "turned", covers="off already").refused is None


def test_only_what_changed_of_a_strip_travels(
    bench: Person, machinist: Person, job: JobRecord, client_of: Callable[[Person], Client]
) -> None:
    twelve = draft_description(machinist, described("Garrow 12", "V twelve, four cams, chain"))
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=twelve.pk, sure=True))
    client = client_of(bench)
    told = client.get(f"/api/jobs/{job.pk}/strip").json()
    assert step(bench, job, "stand.photographed").refused is None
    answer = client.get(f"/api/jobs/{job.pk}/strip/changes?since={told['state']}")
    changed = answer.json()
    assert not changed["whole"]
    assert "stand.photographed" in [one["id"] for one in changed["steps"]]
    assert len(answer.content) < 8_000
    assert len(client.get(f"/api/jobs/{job.pk}/strip/other-way").json()) > 100
    page = client.get(f"/api/jobs/{job.pk}/strip/other-way.html").content.decode()
    assert "Putting together" in page


def test_a_change_for_every_engine_is_left_out_where_the_rules_forbid_it(
    machinist: Person, owner: Person, bench: Person, job: JobRecord, four: DescriptionRevision
) -> None:
    """On push rods the drive comes off after the head; with overhead cams the head waits for the drive: moved after
    it, each would wait for the other. Such a job opens all the same, and says what is left out."""
    cams = draft_description(machinist, described("Tolby 4 E", "Four, two overhead cams, chain"))
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=four.pk))
    moved = editing(actions.ForWhom.ALL, moved=(MovedStep(step="drive.off", after="head.off"),), own=(OWN,))
    actions.edit_strip(owner, job.pk, moved.model_copy(update={"sure": True}))
    opened = actions.take_up_description(
        machinist, job.pk, actions.TakingDescription(description=cams.pk, sure=True)
    )
    names = [one.id for one in strip_of(bench, job)]
    assert names.index("drive.off") < names.index("head.off")
    assert "own-weigh" in names
    report = strip_report(opened.job, Notation.usual(Unit.INCH))
    assert report.left_out == ("Timing chain off",)
    assert step(bench, job, "stand.photographed").refused is None


def test_limits_of_an_engine_without_a_part_on_record_are_refused(
    machinist: Person, bench: Person, job: JobRecord, limits: SheetRevision
) -> None:
    """The sheet's own layout is a description too: what is on record must have its place."""
    mark = actions.MarkingPart(id="m", part="pushrod-1-inlet", mark="1I", found=True, at=timezone.now())
    assert actions.land_facts(bench, job.pk, [mark])[1][0].refused is None
    side = draft_description(machinist, described("Tolby 4 F", valve_gear="side valves"))
    more = {"engine": "Tolby 4 F", "description": side.pk, "sure": True}
    form = form_of_sheet(document_of(limits)).model_copy(update=more)
    other = draft_sheet(machinist, form)
    with pytest.raises(Clash) as refused:
        actions.take_up_limits(machinist, job.pk, other.pk)
    assert "Push rod, inlet, cylinder 1: something is on record of it." in [f.what for f in refused.value.faults]


def test_what_could_be_read_only_before_is_too_late_and_nothing_turns_into_a_valve(
    machinist: Person, bench: Person, job: JobRecord
) -> None:
    """Rules: strip.off-already, strip.turning. The chain came off all the same: its timing is lost, and the
    crank is not turned to a dead centre while a valve may stand open. Common practice, no source."""
    cams = draft_description(machinist, described("Tolby 4 G", "Four, two overhead cams, chain"))
    actions.take_up_description(machinist, job.pk, actions.TakingDescription(description=cams.pk))
    assert step(bench, job, "drive.off", covers="all the same", because="the chain had broken").refused is None
    strip = Strip(actions.open_job(job.pk, bench).job)
    assert {"timing.set", "timing.read", "drive.seen", "drive.locked", "clearance.read"} <= strip.too_late
    assert refused_as(step(bench, job, "timing.set")) == "held"
    assert refused_as(step(bench, job, "turned")) == "held"
    assert refused_as(step(bench, job, "timing.set", covers="off already")) == "do-first"
